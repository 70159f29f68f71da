import { describe, expect, it } from 'vitest'
import { createHistory } from './history'

describe('history', () => {
  it('goes back and forth through what was done, and says in words what it would take back', () => {
    const history = createHistory<number>()
    history.reset(1)
    expect(history.undo()).toBe(false)
    history.push(2, 'split A 01')
    history.push(3, 'note of A 02')
    expect(history.undoLabel.value).toBe('note of A 02')
    expect(history.undo()).toBe(true)
    expect([history.current.value, history.undoLabel.value, history.redoLabel.value]).toEqual([2, 'split A 01', 'note of A 02'])
    history.undo()
    history.redo()
    history.redo()
    expect(history.current.value).toBe(3)
    expect(history.redo()).toBe(false)
  })

  it('a new edit ends what could be redone', () => {
    const history = createHistory<string>()
    history.reset('a')
    history.push('b', 'one')
    history.undo()
    history.push('c', 'two')
    expect(history.redoLabel.value).toBe('')
    history.undo()
    expect(history.current.value).toBe('a')
  })

  it('keeps the last two hundred', () => {
    const history = createHistory<number>()
    history.reset(0)
    for (let i = 1; i <= 250; i++) history.push(i, String(i))
    let steps = 0
    while (history.undo()) steps++
    expect(steps).toBe(200)
    expect(history.current.value).toBe(50)
  })
})
