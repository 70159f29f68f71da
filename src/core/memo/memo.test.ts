import { describe, expect, it } from 'vitest'
import { DerivedTables, memo, memoLast, memoPair } from './index'

describe('memo', () => {
  it('derives once of each object, undefined included', () => {
    const asked: object[] = []
    const derive = memo((key: { readonly n?: number }) => {
      asked.push(key)
      return key.n
    })
    const [one, none] = [{ n: 1 }, {}]
    expect([derive(one), derive(one), derive(none), derive(none), derive({ n: 1 })]).toEqual([1, 1, undefined, undefined, 1])
    expect(asked).toHaveLength(3)
  })

  it('derives again when the rest is no longer the same', () => {
    let count = 0
    const derive = memoLast((key: readonly number[], factor: number) => {
      count++
      return key.map((value) => value * factor)
    })
    const key = [1, 2]
    expect(derive(key, 2)).toBe(derive(key, 2))
    expect(derive(key, 3)).toEqual([3, 6])
    expect(derive(key, 2)).toEqual([2, 4])
    expect(count).toBe(3)
  })

  it('keeps a value for each pair', () => {
    let count = 0
    const derive = memoPair((a: { readonly n: number }, b: { readonly n: number }) => {
      count++
      return a.n - b.n
    })
    const [one, two] = [{ n: 1 }, { n: 2 }]
    expect([derive(one, two), derive(one, two), derive(two, one), derive(one, { n: 2 })]).toEqual([-1, -1, 1, -1])
    expect(count).toBe(3)
  })
})

describe('derived tables', () => {
  it('derive a table once for its section, until it is forgotten', () => {
    let count = 0
    const sum = (list: readonly number[]): number => {
      count++
      return list.reduce((a, b) => a + b, 0)
    }
    const [tables, others] = [new DerivedTables(), new DerivedTables()]
    expect([tables.of(sum, [1, 2]), tables.of(sum, [1, 2]), others.of(sum, [3])]).toEqual([3, 3, 3])
    expect(count).toBe(2)
    tables.forget(sum)
    expect(tables.of(sum, [4])).toBe(4)
    expect(count).toBe(3)
  })
})
