import { describe, expect, it } from 'vitest'
import { FlowColumn } from './column'

describe('a column', () => {
  it('is filled from the top, thing by thing', () => {
    const column = new FlowColumn(40, 200, 700)
    column.take(20, 4)
    column.take(10)
    expect(column.y).toBe(666)
    expect(column.inset(18)).toEqual({ x: 58, y: 666, width: 182 })
  })

  it('goes on at the top of the next page where too little is left, and stays where it may not', () => {
    let pages = 1
    const column = new FlowColumn(40, 200, 80, () => {
      pages++
      return 700
    })
    column.need(70)
    expect([column.y, pages]).toEqual([80, 1])
    column.take(20)
    column.need(70)
    expect([column.y, pages]).toEqual([700, 2])
    const fixed = new FlowColumn(0, 10, 5)
    fixed.need(100)
    expect(fixed.y).toBe(5)
  })
})
