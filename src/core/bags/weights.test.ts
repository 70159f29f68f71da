import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { checkModel, readModelText } from '../model'
import { reportModel } from '../pipeline'
import { askedBags, packBags, timesUsual, weighted, type BagPlan } from './index'
import { USUAL_WEIGHTS } from './pack'

const model = readModelText(readFileSync(new URL('../../../demo/models/granary.rail.json', import.meta.url), 'utf8'))
const { report } = reportModel(model)
const packed = (weights: Partial<typeof USUAL_WEIGHTS>): BagPlan => packBags(model, report, { pieces: 150, booklets: 1, weights })

/** How often a section goes on in the next bag. */
const splits = ({ bags }: BagPlan): number =>
  bags.slice(1).filter(({ work }, i) => bags[i]!.work.at(-1)!.section === work[0]!.section && work[0]!.from > 1).length

describe('what counts when bags are packed', () => {
  it('is as usual where nothing is said, and what is said of one leaves the others', () => {
    const usual = packBags(model, report, { pieces: 150, booklets: 1 })
    expect(packed({})).toEqual(usual)
    expect(packed({ bag: USUAL_WEIGHTS.bag })).toEqual(usual)
  })

  it('tells: whole sections, look-alikes apart, and few bags are each had by asking for them', () => {
    const without = { bag: 0, split: 0, lookAlike: 0, uneven: 0 }
    expect(splits(packed({ ...without, split: 1000 }))).toBeLessThanOrEqual(splits(packed({ ...without, bag: 1 })))
    const apart = packed({ ...without, lookAlike: 1000 }).measures.lookAlikes
    expect(apart).toBeLessThanOrEqual(packed({ ...without, bag: 1 }).measures.lookAlikes)
    expect(packed({ ...without, bag: 1 }).bags.length).toBeLessThanOrEqual(packed({ ...without, lookAlike: 1000 }).bags.length)
    expect(packed({ ...without, bag: 1 }).bags.length).toBeLessThanOrEqual(packed({}).bags.length)
  })

  it('is told in times of the usual, and forgotten where it is as usual', () => {
    const five = weighted({ bag: 3 }, 'split', 5)
    expect(five).toEqual({ bag: 3, split: 5 * USUAL_WEIGHTS.split })
    expect([timesUsual(five, 'split'), timesUsual(five, 'uneven')]).toEqual([5, 1])
    expect(weighted(five, 'split', 1)).toEqual({ bag: 3 })
    expect(timesUsual(weighted({}, 'lookAlike', 0), 'lookAlike')).toBe(0)
  })

  it('stands in the model, and the booklet follows it', () => {
    const bags = { pieces: 150, weights: { split: 0, bag: 100 } }
    const asked = askedBags(checkModel({ ...model, bags }), report)
    expect(asked).toHaveLength(packed(bags.weights).bags.length)
    expect(() => checkModel({ ...model, bags: { pieces: 150, weights: { split: -1 } } })).toThrow()
  })
})
