import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { town } from '../../../bench/buildings'
import { planModel } from '../plan'
import { pictureSceneOf } from './picture-scene'
import { VIEWS, type ViewNumber } from './view'
import { VisibilityMeter } from './visibility-meter'

const { scene, steps } = planModel(town(600)).built[0]!
const order = steps.flat()

describe('what shows of some nodes among others', () => {
  const used = new Map<ViewNumber, VisibilityMeter>()
  const meterOf = (view: ViewNumber): VisibilityMeter => {
    let meter = used.get(view)
    if (!meter) used.set(view, (meter = new VisibilityMeter(pictureSceneOf(scene), view)))
    return meter
  }
  const asked = fc.record({
    view: fc.constantFrom(...VIEWS),
    // What is there: an order cut off somewhere, some of it taken away again, as edits do.
    until: fc.integer({ min: 1, max: order.length }),
    without: fc.array(fc.nat(order.length - 1), { maxLength: 5 }),
    of: fc.uniqueArray(fc.nat(order.length - 1), { minLength: 1, maxLength: 8 }),
    bar: fc.constantFrom(-1, 0, 0.3),
  })

  it('is the same whatever was asked before', () => {
    fc.assert(
      fc.property(asked, ({ view, until, without, of, bar }) => {
        const nodes = of.map((i) => order[i]!)
        const there = new Set(order.slice(0, until))
        for (const i of without) there.delete(order[i]!)
        const isThere = (node: number): boolean => there.has(node) || nodes.includes(node)
        const fresh = (): VisibilityMeter => new VisibilityMeter(pictureSceneOf(scene), view)
        // A bar may end a look early; what it found then must not be remembered.
        meterOf(view).sharesAmong(isThere, nodes, bar)
        expect(meterOf(view).sharesAmong(isThere, nodes)).toEqual(fresh().sharesAmong(isThere, nodes))
        // One by one they show as they do together.
        for (const node of nodes) expect(fresh().sharesAmong(isThere, [node])).toEqual(meterOf(view).sharesAmong(isThere, [node]))
      }),
      { numRuns: 150 },
    )
  })
})
