import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mirrorTray, pieceKey, tally, total } from '../count'
import { readModelText, type ModelDocument, type Section } from '../model'
import { reportModel } from '../pipeline'
import { EFFORTS, type ModelPlan } from '../plan'
import { bagsTable, bagsWords, packBags, workWords, type BagPlan } from './index'

const planOf = (model: ModelDocument): ModelPlan => reportModel(model, { effort: EFFORTS.quick }).report
const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))

/** The rules of bags, replayed step by step by a builder who opens one after another. @returns what is broken */
function breaches(model: ModelDocument, plan: ModelPlan, packed: BagPlan, pieces: number): string[] {
  const found: string[] = []
  const planned = new Map(plan.sections.map((section) => [section.id, section]))
  /** Of each section and handedness, how many stand after each step: [after step 0, 1, …]. */
  const built = new Map<string, number[]>()
  const rowOf = (id: string, hand: string): number[] => {
    const key = `${id} ${hand}`
    const row = built.get(key) ?? new Array<number>(planned.get(id)!.steps.length).fill(0)
    built.set(key, row)
    return row
  }
  const joinedBy = (id: string, step: number): { id: string; isMirrored: boolean }[] => {
    const base = model.sections.find((section) => section.id === id) ?? model.sections.find((section) => id.startsWith(`${section.id}~`))!
    return planned.get(id)!.steps[step]!.moves.flatMap((move) => {
      if ('section' in move) return [{ id: move.section, isMirrored: false }]
      if (!('copy' in move)) return []
      const copy = base.copies!.find((each) => each.id === move.copy)!
      return [{ id: copy.section, isMirrored: copy.mirror !== undefined }]
    })
  }
  const taken = new Map<string, number>()
  const bookletOf = new Map(packed.booklets.flatMap(({ number, sections }) => sections.map((id) => [id, number] as const)))
  for (const bag of packed.bags) {
    const tray = []
    for (const { section, from, to, times, mirrored } of bag.work) {
      if (bookletOf.get(section) !== bag.booklet) found.push(`${section} is built in booklet ${bag.booklet}`)
      for (const [hand, count] of [
        ['as it stands', times],
        ['mirrored', mirrored],
      ] as const) {
        const row = rowOf(section, hand)
        for (let step = from - 1; step < to; step++) {
          const before = step === 0 ? Infinity : row[step - 1]!
          row[step]! += count
          if (row[step]! > before) found.push(`bag ${bag.number}: ${section} step ${step + 1} before the one that comes before`)
          for (const { id, isMirrored } of joinedBy(section, step)) {
            const other = isMirrored === (hand === 'as it stands') ? 'mirrored' : 'as it stands'
            const key = `${id} ${other}`
            taken.set(key, (taken.get(key) ?? 0) + count)
            if (taken.get(key)! > (rowOf(id, other).at(-1) ?? 0))
              found.push(`bag ${bag.number}: ${section} joins ${id}, which is not finished`)
            if (bag.booklet < packed.booklets.length && bookletOf.get(id) !== bag.booklet) found.push(`booklet ${bag.booklet} needs ${id}`)
          }
          const callout = planned.get(section)!.steps[step]!.callout
          tray.push(
            ...(hand === 'mirrored' ? mirrorTray(model, callout) : callout).map((piece) => ({ ...piece, count: piece.count * count })),
          )
        }
      }
    }
    if (JSON.stringify(tally(tray)) !== JSON.stringify(bag.tray)) found.push(`the tray of bag ${bag.number} is not what its steps take`)
    const largest = Math.max(
      0,
      ...bag.work.flatMap(({ section, from, to }) =>
        planned
          .get(section)!
          .steps.slice(from - 1, to)
          .map(({ callout }) => total(callout)),
      ),
    )
    if (bag.pieces > pieces && bag.pieces !== largest) found.push(`bag ${bag.number} holds ${bag.pieces}`)
  }
  for (const { id, times, mirrored, steps } of plan.sections) {
    steps.forEach((_, step) => {
      if (rowOf(id, 'as it stands')[step] !== times || rowOf(id, 'mirrored')[step] !== mirrored)
        found.push(`${id} step ${step + 1} is not built as often as it is`)
    })
  }
  const all = tally(packed.bags.flatMap(({ tray }) => tray))
  if (JSON.stringify(all) !== JSON.stringify(plan.inventory)) found.push('the trays are not the inventory')
  const most = 2 * Math.ceil(plan.parts / pieces) + packed.booklets.length
  if (packed.bags.length > most) found.push(`${packed.bags.length} bags where ${most} would do`)
  return found
}

describe('bags', () => {
  it.each(['bird-table', 'ferry-house', 'granary', 'ferryman'])('of %s keep every rule, in several sizes and booklets', (name) => {
    const model = demo(name)
    const plan = planOf(model)
    for (const pieces of [12, 60, 120])
      for (const booklets of [1, 2, 4]) expect(breaches(model, plan, packBags(model, plan, { pieces, booklets }), pieces)).toEqual([])
  })

  it('of random models of sections in sections keep every rule', () => {
    const section = (level: number): fc.Arbitrary<{ parts: number; colour: string; copies: { of: number; mirror: boolean }[] }> =>
      fc.record({
        parts: fc.integer({ min: 1, max: 5 }),
        colour: fc.constantFrom('red', 'wine', 'rust'),
        copies: level === 0 ? fc.constant([]) : fc.array(fc.record({ of: fc.nat(level - 1), mirror: fc.boolean() }), { maxLength: 3 }),
      })
    fc.assert(
      fc.property(
        fc.tuple(...[0, 1, 2, 3].map(section)),
        fc.integer({ min: 2, max: 15 }),
        fc.integer({ min: 1, max: 3 }),
        (made, pieces, booklets) => {
          const sections = made.map(({ parts, colour, copies }, i): Section => ({
            id: `s${i}`,
            name: `S ${i}`,
            parts: Array.from({ length: parts }, (_, k) => ({
              id: `p${k}`,
              shape: k % 2 === 0 ? 'brick-1x2' : 'brick-1x3',
              colour,
              at: [0, 0, 12 * k],
            })),
            copies: copies.map(({ of, mirror }, k) => ({
              id: `c${k}`,
              section: `s${of}`,
              at: [200 * (k + 1), 0, 0],
              ...(mirror ? { mirror: 'x' as const } : {}),
            })),
          }))
          const model: ModelDocument = { format: 'jump-rail-model', version: 1, name: 'Random', root: 's3', sections }
          const plan = planOf(model)
          expect(breaches(model, plan, packBags(model, plan, { pieces, booklets }), pieces)).toEqual([])
        },
      ),
      { numRuns: 60 },
    )
  })

  it('are told in words, and as a table', () => {
    const run = { section: 's', from: 1, to: 4 }
    expect(workWords({ ...run, times: 1, mirrored: 0 })).toBe('steps 1 to 4')
    expect(workWords({ ...run, to: 1, times: 3, mirrored: 0 })).toBe('step 1, 3 times')
    expect(workWords({ ...run, times: 2, mirrored: 1 })).toBe('steps 1 to 4, twice as it stands and once mirrored')
    expect(workWords({ ...run, times: 0, mirrored: 1 })).toBe('steps 1 to 4, once as its mirror image')
    const model = demo('bird-table')
    const packed = packBags(model, planOf(model), { pieces: 20, booklets: 1 })
    expect(bagsWords(packed)).toMatch(/^\d bags, \d+ pieces in the largest, \d+ in the mean; /)
    expect(bagsTable(packed).trim().split('\n')).toHaveLength(1 + packed.bags.flatMap(({ work }) => work).length)
  })

  it('keep a figure in one bag, unless it is larger than one', () => {
    const model = demo('ferryman')
    const plan = planOf(model)
    const figure = model.figures![0]!.section
    const whole = packBags(model, plan, { pieces: 40, booklets: 1 })
    expect(whole.bags.filter(({ work }) => work.some(({ section }) => section === figure))).toHaveLength(1)
    const small = packBags(model, plan, { pieces: 3, booklets: 1 })
    expect(small.bags.length).toBeGreaterThan(1)
  })

  it('keep look-alikes apart where that costs no bag', () => {
    const tower = (id: string, shape: string): Section => ({
      id,
      name: id,
      parts: Array.from({ length: 6 }, (_, k) => ({ id: `p${k}`, shape, colour: 'red', at: [0, 0, 12 * k] })),
    })
    const model: ModelDocument = {
      format: 'jump-rail-model',
      version: 1,
      name: 'Towers',
      root: 'root',
      sections: [
        {
          id: 'root',
          name: 'Root',
          copies: [
            { id: 'a', section: 'a', at: [0, 0, 0] },
            { id: 'b', section: 'b', at: [200, 0, 0] },
          ],
        },
        tower('a', 'brick-1x2'),
        tower('b', 'brick-1x3'),
      ],
    }
    const plan = planOf(model)
    expect(packBags(model, plan, { pieces: 12, booklets: 1 }).measures.lookAlikes).toBe(0)
    expect(packBags(model, plan, { pieces: 12, booklets: 1 }).bags.map(({ tray }) => tray.map(pieceKey))).toHaveLength(2)
  })
})
