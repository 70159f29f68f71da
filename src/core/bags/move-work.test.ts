import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { total } from '../count'
import { checkModel, readModelText, type BagBegin } from '../model'
import { reportModel } from '../pipeline'
import { askedBags, moveWork, packBags, type BagPlan } from './index'

const model = readModelText(readFileSync(new URL('../../../demo/models/ferry-house.rail.json', import.meta.url), 'utf8'))
const { report } = reportModel(model)
const options = { pieces: 40, booklets: 1 }
const usual = packBags(model, report, options)

/** Every step of every section, each time it is built, in the order of the bags. */
const stepsOf = ({ bags }: BagPlan): string[] =>
  bags.flatMap(({ work }) =>
    work.flatMap(({ section, from, to, times, mirrored }) =>
      Array.from({ length: times + mirrored }).flatMap(() => Array.from({ length: to - from + 1 }, (_, i) => `${section} ${from + i}`)),
    ),
  )

describe('work moved between bags', () => {
  it('one step goes to a neighbour, and comes back', () => {
    const found = usual.bags.slice(0, -1).flatMap(({ number }) => {
      const there = moveWork(model, report, options, { bag: number, to: 'after' })
      return 'begins' in there ? [{ number, begins: there.begins }] : []
    })
    expect(found.length).toBeGreaterThan(0)
    for (const { number, begins } of found) {
      const moved = packBags(model, report, { ...options, begins })
      expect(stepsOf(moved)).toEqual(stepsOf(usual))
      if (moved.bags.length !== usual.bags.length) continue
      const back = moveWork(model, report, { ...options, begins }, { bag: number + 1, to: 'before' })
      expect('begins' in back && packBags(model, report, { ...options, begins: back.begins })).toEqual(usual)
    }
  })

  it('whatever is moved: every step stays, in its order, no bag is too large, and what is refused says why', () => {
    const move = fc.record(
      { bag: fc.integer({ min: 1, max: usual.bags.length }), to: fc.constantFrom('before', 'after'), run: fc.nat(2) },
      { requiredKeys: ['bag', 'to'] },
    )
    fc.assert(
      fc.property(fc.array(move, { maxLength: 4 }), (moves) => {
        let begins: readonly BagBegin[] = []
        let packed = usual
        for (const each of moves) {
          if (each.run !== undefined && each.run >= (packed.bags[each.bag - 1]?.work.length ?? 0)) continue
          const moved = moveWork(model, report, { ...options, begins }, each)
          if ('refused' in moved) {
            expect(moved.refused).toMatch(
              /^(The bag would hold \d+ pieces, and 40 at most are asked for|There is no bag (after|before) it for the same builder)\.$/,
            )
            continue
          }
          begins = moved.begins
          packed = packBags(model, report, { ...options, begins })
          expect([...stepsOf(packed)].sort()).toEqual([...stepsOf(usual)].sort())
          for (const { pieces, work } of packed.bags)
            if (work.length > 1 || work[0]!.to > work[0]!.from) expect(pieces).toBeLessThanOrEqual(40)
          expect(total(packed.bags.flatMap(({ tray }) => tray))).toBe(total(usual.bags.flatMap(({ tray }) => tray)))
        }
      }),
      { numRuns: 40 },
    )
  })

  it('is refused at the ends, and where a bag would be too large', () => {
    const refused = (bag: number, to: 'before' | 'after') => {
      const moved = moveWork(model, report, options, { bag, to })
      return 'refused' in moved ? moved.refused : ''
    }
    expect(refused(1, 'before')).toBe('There is no bag before it for the same builder.')
    expect(refused(usual.bags.length, 'after')).toBe('There is no bag after it for the same builder.')
    expect(refused(99, 'after')).toBe('There is no bag 99.')
    expect(usual.bags.slice(1).map(({ number }) => refused(number, 'before'))).toContainEqual(
      expect.stringMatching(/^The bag would hold \d+ pieces, and 40 at most are asked for\.$/),
    )
  })

  it('stands in the model and in the booklet; what is in no plan any more counts for nothing', () => {
    const [begins] = usual.bags.flatMap(({ number }) => {
      const moved = moveWork(model, report, options, { bag: number, to: 'before' })
      return 'begins' in moved ? [moved.begins] : []
    })
    expect(begins).toBeDefined()
    const kept = checkModel({ ...model, bags: { pieces: 40, begins: [...begins!, { section: 'gone', step: 7, time: 1 }] } })
    expect(askedBags(kept, report).map(({ bag: _bag, ...begin }) => begin)).toEqual(begins)
    expect(packBags(model, report, { ...options, begins: [{ section: 'gone', step: 1, time: 1 }] })).toEqual(usual)
  })
})
