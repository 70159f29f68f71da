import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { applyChange, changeBetween, sharing } from './change'

const copied = (value: unknown): unknown => JSON.parse(JSON.stringify(value))
/** What a file can hold: −0 and the like are gone after one way through text. */
const plain = fc.jsonValue({ maxDepth: 4 }).map(copied)

describe('a change', () => {
  it('turns one value into the other, also after a way through JSON', () => {
    fc.assert(
      fc.property(plain, plain, (before, after) => {
        const change = changeBetween(before, after)
        const sent = change && (copied(change) as typeof change)
        expect(sent ? applyChange(before, sent) : before).toEqual(after)
      }),
      { numRuns: 500 },
    )
  })

  it('is nothing between equal values', () => {
    fc.assert(
      fc.property(plain, (value) => {
        expect(changeBetween(value, copied(value))).toBeUndefined()
      }),
    )
  })

  it('shares what it does not name', () => {
    const before = { a: { b: [1, 2] }, c: [{ d: 1 }, { d: 2 }, { d: 3 }] }
    const after = { ...before, c: [before.c[0], { d: 9 }, before.c[2]] }
    const change = changeBetween(before, after)!
    expect(change).toEqual({ keys: { c: { items: [{ at: 1, change: { keys: { d: { set: 9 } } } }], length: 3 } } })
    const made = applyChange(before, change) as typeof before
    expect(made.a).toBe(before.a)
    expect(made.c[2]).toBe(before.c[2])
  })

  it('of a list where items came or went names those alone', () => {
    const list = Array.from({ length: 1000 }, (_, i) => ({ i }))
    const after = [...list.slice(0, 500), { i: -1 }, { i: -2 }, ...list.slice(501)]
    expect(changeBetween(list, after)).toEqual({ items: [{ at: 500, remove: 1, insert: [{ i: -1 }, { i: -2 }] }], length: 1001 })
  })

  it('of a list out of whose middle items went does not send what stayed', () => {
    const list = Array.from({ length: 1000 }, (_, i) => ({ i }))
    const after = list.filter(({ i }) => i % 100 !== 50)
    const change = changeBetween(list, after)!
    expect(JSON.stringify(change).length).toBeLessThan(600)
    const made = applyChange(list, change) as typeof list
    expect(made).toEqual(after)
    made.forEach((item, k) => expect(item).toBe(after[k]))
  })

  it('of any list of shared things, shuffled, cut and grown, leads to the other', () => {
    const things = Array.from({ length: 12 }, (_, i) => ({ i }))
    const lists = fc.array(fc.constantFrom(...things, ...[{ i: 99 }]), { maxLength: 20 })
    fc.assert(
      fc.property(lists, lists, (before, after) => {
        const change = changeBetween(before, after)
        expect(change ? applyChange(before, copied(change) as typeof change) : before).toEqual(after)
      }),
      { numRuns: 500 },
    )
  })

  it('keeps a key called __proto__ a key', () => {
    const after: unknown = JSON.parse('{"a":{"__proto__":{"x":1}}}')
    const made = applyChange({ a: {} }, changeBetween({ a: {} }, after)!) as { a: object }
    expect(JSON.stringify(made)).toBe(JSON.stringify(after))
    expect((made.a as { x?: number }).x).toBeUndefined()
  })

  it.each([
    [{ keys: {} }, 3],
    [{ items: [], length: 2 }, [1]],
    [{ items: [{ at: 5, remove: 0, insert: [] }], length: 1 }, [1]],
    [
      {
        items: [
          { at: 1, remove: 1, insert: [] },
          { at: 0, remove: 1, insert: [] },
        ],
        length: 0,
      },
      [1, 2],
    ],
    [{ items: [], length: 0 }, {}],
  ])('made for another value is refused', (change, value) => {
    expect(() => applyChange(value, change)).toThrow(RangeError)
  })

  it('sharing takes equal things from the value before', () => {
    const before = { list: [{ a: 1 }, { a: 2 }] }
    const after = sharing(before, { list: [{ a: 1 }, { a: 3 }] })
    expect(after).toEqual({ list: [{ a: 1 }, { a: 3 }] })
    expect(after.list[0]).toBe(before.list[0])
  })
})
