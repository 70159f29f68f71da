import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { NO_NODES, orderSets, signatureWith } from './signature'

const nodes = fc.uniqueArray(fc.nat({ max: 5000 }), { maxLength: 40 })
const of = (list: readonly number[]): number => list.reduce(signatureWith, NO_NODES)

describe('a set of nodes as a number', () => {
  it('does not depend on the order, and comes back when a node is taken out again', () => {
    fc.assert(
      fc.property(nodes, fc.nat({ max: 5000 }), (list, more) => {
        expect(of([...list].reverse())).toBe(of(list))
        expect(signatureWith(signatureWith(of(list), more), more)).toBe(of(list))
        expect(Number.isSafeInteger(of(list))).toBe(true)
      }),
    )
  })

  it('differs where the sets do', () => {
    fc.assert(
      fc.property(nodes, nodes, (a, b) => {
        const isSame = a.length === b.length && a.every((node) => b.includes(node))
        expect(of(a) === of(b)).toBe(isSame)
      }),
      { numRuns: 500 },
    )
  })

  it('of an order is told before each node, and at last of all', () => {
    fc.assert(
      fc.property(fc.array(nodes, { maxLength: 6 }), (lists) => {
        const seen = new Set<number>()
        const steps = lists.map((list) => list.filter((node) => !seen.has(node) && seen.add(node)))
        const { order, before } = orderSets(steps)
        expect([...order]).toEqual(steps.flat())
        ;[...order, -1].forEach((_, i) => expect(before[i]).toBe(of([...order].slice(0, i))))
        expect(orderSets(steps)).toBe(orderSets(steps))
      }),
    )
  })
})
