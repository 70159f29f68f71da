import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { createHistory, type History } from './history'

const entry = (label: string) => ({ label, forward: `to ${label}`, back: `from ${label}` })
const undo = (history: History): void => void (history.undoable.value && history.moveTo(history.undoable.value.number - 1))
const redo = (history: History): void => void (history.redoable.value && history.moveTo(history.redoable.value.number))

describe('history', () => {
  it('of nothing has nothing to undo', () => {
    const history = createHistory()
    expect([history.undoLabel.value, history.redoLabel.value, history.cursor.value]).toEqual(['', '', 0])
    expect([history.undoable.value, history.redoable.value]).toEqual([undefined, undefined])
  })

  it('goes back and forth over what was done', () => {
    const history = createHistory()
    for (const label of ['one', 'two', 'three']) history.push(entry(label), false)
    expect([history.undoLabel.value, history.redoLabel.value]).toEqual(['three', ''])
    undo(history)
    undo(history)
    expect([history.undoLabel.value, history.redoLabel.value]).toEqual(['one', 'two'])
    redo(history)
    expect(history.undoable.value).toMatchObject({ label: 'two', forward: 'to two', back: 'from two', number: 2 })
  })

  it('forgets what was undone once something else is done', () => {
    const history = createHistory()
    for (const label of ['one', 'two']) history.push(entry(label), false)
    undo(history)
    history.push(entry('other'), false)
    expect([history.undoLabel.value, history.redoLabel.value]).toEqual(['other', ''])
    undo(history)
    expect([history.undoLabel.value, history.redoLabel.value]).toEqual(['one', 'other'])
  })

  it('has texts that follow each other as one', () => {
    const history = createHistory()
    history.push(entry('note P'), false)
    history.push(entry('note Pr'), true)
    history.push(entry('note Press'), true)
    expect(history.cursor.value).toBe(1)
    undo(history)
    expect([history.undoLabel.value, history.redoLabel.value]).toEqual(['', 'note Press'])
  })

  it('begins where it was left', () => {
    const history = createHistory()
    history.load(
      [4, 5, 6].map((number) => ({ ...entry(`change ${number}`), number })),
      5,
    )
    expect([history.undoLabel.value, history.redoLabel.value]).toEqual(['change 5', 'change 6'])
    history.push(entry('new'), false)
    expect([history.undoable.value?.number, history.redoable.value]).toEqual([6, undefined])
  })

  it('without its oldest changes still goes back as far as it can', () => {
    const history = createHistory()
    for (const label of ['one', 'two', 'three']) history.push(entry(label), false)
    history.drop(2)
    undo(history)
    expect([history.cursor.value, history.undoLabel.value, history.redoLabel.value]).toEqual([2, '', 'three'])
  })

  it('is a list and a place in it, whatever is done', () => {
    const acts = fc.array(
      fc.oneof(
        fc.record({ kind: fc.constant('push' as const), replaces: fc.boolean() }),
        fc.record({ kind: fc.constantFrom('undo' as const, 'redo' as const) }),
      ),
      { maxLength: 40 },
    )
    fc.assert(
      fc.property(acts, (all) => {
        const history = createHistory()
        let list: string[] = []
        let at = 0
        all.forEach((act, i) => {
          if (act.kind === 'push') {
            const replaces = act.replaces && at > 0
            list = [...list.slice(0, replaces ? at - 1 : at), `change ${i}`]
            at = list.length
            history.push(entry(`change ${i}`), replaces)
          } else if (act.kind === 'undo') {
            undo(history)
            at = Math.max(0, at - 1)
          } else {
            redo(history)
            at = Math.min(list.length, at + 1)
          }
          expect([history.undoLabel.value, history.redoLabel.value]).toEqual([list[at - 1] ?? '', list[at] ?? ''])
        })
      }),
    )
  })
})
