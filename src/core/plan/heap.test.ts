import fc from 'fast-check'
import { expect, it } from 'vitest'
import { Heap } from './heap'

it('a heap gives the greatest priority first, and of equals the smaller number', () => {
  const acts = fc.array(
    fc.oneof(fc.record({ item: fc.nat({ max: 99 }), priority: fc.integer({ min: -5, max: 5 }) }), fc.constant('pop' as const)),
  )
  fc.assert(
    fc.property(acts, (all) => {
      const heap = new Heap()
      let list: { item: number; priority: number }[] = []
      for (const act of all) {
        if (act !== 'pop') {
          heap.push(act.item, act.priority)
          list.push(act)
        } else {
          const best = [...list].sort((a, b) => b.priority - a.priority || a.item - b.item)[0]
          expect(heap.pop()).toBe(best?.item)
          list = list.filter((each) => each !== best)
        }
        expect(heap.size).toBe(list.length)
      }
    }),
  )
})
