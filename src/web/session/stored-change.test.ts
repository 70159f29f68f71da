import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { applyChange, type Change } from '@core/change'
import type { PlanOrder } from '@core/plan'
import { oneSection, part } from '../../../tests/support/models'
import { USUAL_SETTINGS, type ModelState } from '../../workers/plan-messages'
import { storedChange } from './stored-change'

const stored = (change: Change): Change => JSON.parse(JSON.stringify(change)) as Change
const orderOf = (id: string, steps: readonly (readonly string[])[]): PlanOrder[string] => [
  {
    id,
    name: id,
    times: 1,
    mirrored: 0,
    parts: steps.flat().length,
    steps: steps.map((parts, i) => ({ number: i + 1, moves: [{ parts: [...parts], direction: '-z' as const }], callout: [], rests: [] })),
  },
]
const state = (
  notes: string,
  order: PlanOrder,
  strategy: ModelState['settings']['strategy'] = 'ground-up',
  insets?: ModelState['insets'],
): ModelState => ({
  model: { ...oneSection([part('a', 'brick-2x2', [0, 0, 0])]), notes },
  settings: { ...USUAL_SETTINGS, strategy },
  order,
  ...(insets ? { insets } : {}),
})

describe('a stored change', () => {
  const states = fc
    .record({
      notes: fc.constantFrom('', 'one', 'two'),
      strategy: fc.constantFrom<ModelState['settings']['strategy']>('ground-up', 'core-out'),
      main: fc.option(fc.array(fc.array(fc.constantFrom('a', 'b', 'c'), { maxLength: 2 }), { maxLength: 3 }), { nil: undefined }),
      insets: fc.option(fc.array(fc.array(fc.constantFrom('a', 'b'), { maxLength: 2 }), { maxLength: 2 }), { nil: undefined }),
      unit: fc.option(fc.array(fc.array(fc.constantFrom('d', 'e'), { maxLength: 2 }), { maxLength: 2 }), { nil: undefined }),
    })
    .map(({ notes, strategy, main, unit, insets }) =>
      state(
        notes,
        { ...(main ? { main: orderOf('main', main) } : {}), ...(unit ? { unit: orderOf('unit', unit) } : {}) },
        strategy,
        insets?.map((things) => ({ section: 'main', view: 0, things })),
      ),
    )

  it('leads from one state to the other and back, after a way through the store', () => {
    fc.assert(
      fc.property(states, states, (before, after) => {
        expect(applyChange(before, stored(storedChange(before, after)))).toEqual(after)
        expect(applyChange(after, stored(storedChange(after, before)))).toEqual(before)
      }),
    )
  })

  it('exchanges the order of a section whole, so that it leads there from any other order too', () => {
    const [before, after] = [state('', { main: orderOf('main', [['a'], ['b']]) }), state('', { main: orderOf('main', [['a', 'b']]) })]
    const change = stored(storedChange(before, after))
    const later = state('', { main: orderOf('main', [['b'], ['a'], ['c']]) })
    expect((applyChange(later, change) as ModelState).order).toEqual(after.order)
    expect((applyChange(state('', {}), change) as ModelState).order).toEqual(after.order)
  })

  it('names nothing that stays', () => {
    const order = { main: orderOf('main', [['a']]) }
    expect(storedChange(state('', order), state('new', order))).toEqual({ keys: { model: { keys: { notes: { set: 'new' } } } } })
    expect(storedChange(state('', order), state('', order))).toEqual({ keys: {} })
  })
})
