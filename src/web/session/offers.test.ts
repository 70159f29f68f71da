import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { toBytes, USUAL_SETTINGS, type FoundOrder, type ModelState } from '../../workers/plan-messages'
import { createOffers } from './offers'
import { makeSnapshot } from './snapshot'
import { FakePlanner, noTrouble, plainPlan } from './support/fake-planner'

const state: ModelState = {
  model: oneSection([part('a', 'brick-2x2', [0, 0, 0]), part('b', 'brick-2x2', [0, 0, 12])]),
  settings: USUAL_SETTINGS,
  order: {},
}
const shown = makeSnapshot(1, state, plainPlan(state))

class FakeFinder extends FakePlanner {
  closed = 0
  constructor(private readonly found: () => Promise<FoundOrder | undefined>) {
    super(noTrouble())
  }
  override better = (): Promise<undefined> => this.found() as Promise<undefined>
  override close(): void {
    this.closed++
    super.close()
  }
}
const found = (): Promise<FoundOrder> => {
  const printed = plainPlan(state)
  const merged = {
    ...printed,
    sections: [
      { ...printed.sections[0]!, steps: [{ moves: printed.sections[0]!.steps.flatMap(({ moves }) => moves), callout: [], rests: [] }] },
    ],
  }
  return Promise.resolve({ printed: toBytes(merged), worth: { steps: 1, errors: 0, measures: printed.measures } })
}

describe('an offer', () => {
  it('says what is better, and shows the same state in the other order', async () => {
    const finder = new FakeFinder(found)
    const offers = createOffers(() => finder)
    await offers.search(shown)
    expect(offers.offer.value!.words).toBe('1 step instead of 2')
    expect(offers.offer.value!.snapshot.model).toBe(state.model)
    expect(offers.offer.value!.snapshot.state.order['main']![0]!.steps).toHaveLength(1)
    expect([finder.closed, offers.fraction.value]).toEqual([1, null])
    offers.drop()
    expect(offers.offer.value).toBeNull()
  })

  it('of what is no longer shown is never made, and a search that dies is no trouble', async () => {
    let answer = (): void => undefined
    const late = createOffers(() => new FakeFinder(() => new Promise((resolve) => (answer = () => void found().then(resolve)))))
    const searching = late.search(shown)
    late.drop()
    answer()
    await searching
    expect(late.offer.value).toBeNull()
    const dying = createOffers(() => new FakeFinder(() => Promise.reject(new Error('died'))))
    await dying.search(shown)
    expect([dying.offer.value, dying.fraction.value]).toEqual([null, null])
  })

  it('is not looked for where the designer wants the first plan', async () => {
    const offers = createOffers(() => new FakeFinder(found))
    await offers.search({ ...shown, settings: { ...USUAL_SETTINGS, effort: 'quick' } })
    expect(offers.offer.value).toBeNull()
  })
})
