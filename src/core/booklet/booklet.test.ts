import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { reportModel } from '../pipeline'
import { total } from '../count'
import { checkModel, readModelText, type Decal, type ModelDocument } from '../model'
import {
  cautionsOf,
  decalsOf,
  layDecals,
  layRail,
  makePages,
  PageIndex,
  reachWords,
  sectionLetter,
  stepLabel,
  walkRail,
  type BookletSource,
  seenFromWords,
} from './index'

const source = (model: ModelDocument): BookletSource => {
  const { report, looks } = reportModel(model)
  return { model, plan: report, views: looks.map((steps) => steps.map((look) => look.view)) }
}
const ferry = source(readModelText(readFileSync(new URL('../../../demo/models/ferry-house.rail.json', import.meta.url), 'utf8')))

describe('pages', () => {
  const pages = makePages(ferry)

  it('run from the cover over trays and steps to the inventory', () => {
    expect(pages[0]!.kind).toBe('cover')
    expect(pages[pages.length - 1]!.kind).toBe('inventory')
    expect(pages.filter((page) => page.kind === 'tray')).toHaveLength(6)
    expect(pages.filter((page) => page.kind === 'step' || page.kind === 'jump')).toHaveLength(
      ferry.plan.sections.reduce((n, s) => n + s.steps.length, 0),
    )
  })

  it('tell what may be taken instead where a figure is built, with the currency of its prices', () => {
    const model = readModelText(readFileSync(new URL('../../../demo/models/ferryman.rail.json', import.meta.url), 'utf8'))
    const [recipe] = model.figures!
    const { headwear } = recipe!.slots
    const cap = { shape: 'figure-hat-cap', colour: 'navy', price: 0.4 }
    const slots = { ...recipe!.slots, headwear: { ...headwear, options: [...headwear!.options, cap] } }
    const told = makePages(source({ ...model, figures: [{ ...recipe!, slots, currency: 'EUR' }] }))
    const tray = told.find((page) => page.kind === 'tray' && page.section === recipe!.section)
    expect(tray).toMatchObject({ remarks: [expect.stringContaining('0.40 EUR') as unknown] })
    expect(told.filter((page) => page.kind === 'tray' && page.remarks.length > 0)).toHaveLength(1)
    expect(told[0]).toMatchObject({
      kind: 'cover',
      remarks: expect.arrayContaining([expect.stringMatching(/can be built with other pieces: one is named with section D/)]) as unknown,
    })
  })

  it('tell on the last page what any colour does for, and what is needed beside kits', () => {
    const model: ModelDocument = {
      ...oneSection([
        part('a', 'brick-1x2', [0, 0, 0]),
        part('b', 'brick-1x2', [0, 0, 12]),
        { ...part('c', 'plate-1x2', [0, 0, 24]), showsColour: false },
      ]),
      kits: [{ id: 'k', name: 'Wall box', pieces: [{ shape: 'brick-1x2', colour: 'slate', count: 1 }] }],
    }
    const last = makePages(source(checkModel(model))).at(-1)!
    expect(last).toMatchObject({
      lists: [
        { title: 'Any colour will do, for it is never seen', lines: ['1 × Plate 1 × 2'] },
        { title: 'Beside one of “Wall box”, which covers 1 of 3 pieces', lines: ['1 × Brick 1 × 2, slate', '1 × Plate 1 × 2'] },
        { title: 'Beside 2 of “Wall box”, which cover 2 of 3 pieces', lines: ['1 × Plate 1 × 2'] },
      ],
    })
    const substitutes = [
      {
        for: { shape: 'brick-1x2', colour: 'slate', count: 2 },
        use: [{ shape: 'brick-1x1', colour: 'slate', count: 4 }],
        consequence: 'With a seam.',
      },
    ]
    expect(makePages(source(checkModel({ ...model, substitutes }))).at(-1)!).toMatchObject({
      lists: expect.arrayContaining([
        { title: 'Where a piece is missing', lines: ['2 × Brick 1 × 2, slate, or 4 × Brick 1 × 1, slate: With a seam.'] },
      ]) as unknown,
    })
    const unknown = { ...model, kits: [{ id: 'k', name: 'K', pieces: [{ shape: 'brick-9x9', colour: 'red', count: 1 }] }] }
    expect(() => checkModel(unknown)).toThrow('brick-9x9')
  })

  it('have no tray for a unit of one step: its pieces lie in the tray of what it goes into', () => {
    const pump = source(readModelText(readFileSync(new URL('../../../demo/models/wind-pump.rail.json', import.meta.url), 'utf8')))
    const small = pump.plan.sections.filter(({ derivedFrom, steps }) => derivedFrom !== undefined && steps.length === 1)
    expect(small.map(({ id }) => id)).toEqual(['pump~1'])
    const told = makePages(pump)
    const trays = told.flatMap((page) => (page.kind === 'tray' ? [page] : []))
    expect(trays.map(({ section }) => section)).not.toContain('pump~1')
    expect(trays.reduce((sum, { pieces, times, mirrored }) => sum + total(pieces) * (times + mirrored), 0)).toBe(total(pump.plan.inventory))
    const alone = told.flatMap((page) => ('section' in page && page.section === 'pump~1' ? [page] : []))
    expect(alone).toMatchObject([{ kind: 'step', number: 1, of: 1, remarks: ['Build this by itself first: it goes in as one.'] }])
    // Each step has its page, and is found on it.
    const index = new PageIndex(pump)
    for (const { id, steps } of pump.plan.sections)
      steps.forEach((_, step) => expect(index.stepPage(id, step)).toMatchObject({ section: id, number: step + 1 }))
  })

  it('count the same on every page', () => {
    const trays = pages.flatMap((page) => (page.kind === 'tray' ? [total(page.pieces) * (page.times + page.mirrored)] : []))
    const inventory = pages.find((page) => page.kind === 'inventory')!
    expect(trays.reduce((a, b) => a + b)).toBe(total(inventory.pieces))
    expect(pages[0]).toMatchObject({ facts: { parts: total(inventory.pieces) } })
  })

  it('say jumps with section letters, how often, and mirrored', () => {
    const joins = pages.flatMap((page) => (page.kind === 'jump' ? page.joins : []))
    expect(joins).toContainEqual({ label: 'D', name: 'Lamp', mirrored: false, count: 4, standsApart: false })
    expect(joins).toContainEqual({ label: 'C', name: 'Shed', mirrored: true, count: 1, standsApart: false })
  })

  it('give the mirror image its own tray when it takes other pieces', () => {
    const shed = pages.find((page) => page.kind === 'tray' && page.section === 'shed')
    expect(shed).toMatchObject({
      mirrored: 1,
      mirroredPieces: expect.arrayContaining([{ shape: 'wedge-plate-2x4-right', colour: 'slate', count: 1 }]) as unknown,
    })
    expect(pages.find((page) => page.kind === 'tray' && page.section === 'lamp')).toMatchObject({ mirroredPieces: [] })
  })

  it('speak each step', () => {
    for (const page of pages)
      if (page.kind === 'step' || page.kind === 'jump') expect(page.spoken).toMatch(/^Step [A-Z]+ \d\d\. (Add|Join) .*\.$/)
  })

  it('carry notes and cautions of given steps, and have no picture of loose parts', () => {
    const given = makePages(
      source(
        oneSection(
          [part('a', 'plate-1x1', [0, 0, 0])],
          [
            {
              add: ['a'],
              note: 'Mind the cat.',
              caution: 'Sharp.',
              notes: [
                { kind: 'try', text: 'It swings.' },
                { kind: 'caution', text: 'Hot.' },
              ],
            },
          ],
        ),
      ),
    )
    expect(given.find((page) => page.kind === 'step')).toMatchObject({
      note: 'Mind the cat.',
      caution: 'Sharp.',
      signs: [
        { kind: 'try', text: 'Try it now: It swings.' },
        { kind: 'caution', text: 'Take care: Hot.' },
      ],
      cautions: ['Sharp.', 'Hot.'],
    })
    const loose = makePages(source(oneSection([{ id: 'l', shape: 'plate-1x1', colour: 'red' }])))
    expect(loose.find((page) => page.kind === 'step')).toMatchObject({ picture: null })
  })
})

describe('letters and labels', () => {
  it('go on after Z', () => {
    expect([0, 25, 26, 51, 52, 701, 702].map(sectionLetter)).toEqual(['A', 'Z', 'AA', 'AZ', 'BA', 'ZZ', 'AAA'])
    expect(stepLabel('B', 7)).toBe('B 07')
  })
})

describe('cautions', () => {
  it('always speak of small parts, and of what is done to pieces', () => {
    expect(cautionsOf(oneSection([part('a', 'plate-1x1', [0, 0, 0])]))).toHaveLength(1)
    const worked = { ...part('a', 'plate-1x1', [0, 0, 0]), work: [{ kind: 'cut' as const }, { kind: 'paint' as const }] }
    expect(cautionsOf(oneSection([worked])).join(' ')).toMatch(/blade.*air the room/)
    expect(cautionsOf(oneSection([part('a', 'cord', [0, 0, 0])])).join(' ')).toMatch(/blade/)
  })
})

describe('the rail', () => {
  const layout = layRail(ferry)

  it('has a lane a section, ties to the right of all they wait for', () => {
    expect(layout.lanes.map((lane) => lane.letter)).toEqual(['A', 'B', 'C', 'D', 'E', 'F'])
    for (const lane of layout.lanes) lane.ties.forEach((tie, i) => expect(tie.column).toBeGreaterThan(lane.ties[i - 1]?.column ?? -1))
    for (const bend of layout.bends) {
      expect(bend.to.column).toBeGreaterThan(bend.from.column)
      expect(bend.to.line).toBeGreaterThan(bend.from.line)
    }
    expect(layout.columns).toBe(Math.max(...layout.lanes.flatMap((lane) => lane.ties.map((tie) => tie.column))) + 1)
  })

  it('has a unit of one step on the lane that it goes into, right before what joins it', () => {
    const pump = source(readModelText(readFileSync(new URL('../../../demo/models/wind-pump.rail.json', import.meta.url), 'utf8')))
    const rail = layRail(pump)
    const units = rail.lanes.filter(({ isInset }) => isInset)
    expect(units.length).toBeGreaterThan(0)
    expect(rail.lines).toBe(rail.lanes.length - units.length)
    for (const { section, line, ties, row } of units) {
      const joining = rail.lanes.find((lane) => lane.line === line && !lane.isInset)!
      const plan = pump.plan.sections.find(({ id }) => id === joining.section)!
      const at = plan.steps.findIndex(({ moves }) => moves.some((move) => 'section' in move && move.section === section))
      expect(ties).toHaveLength(1)
      expect(ties[0]!.column).toBeLessThan(joining.ties[at]!.column)
      expect(ties[0]!.column).toBeGreaterThan(joining.ties[at - 1]?.column ?? -1)
      expect(rail.bends.filter(({ from }) => from.line === line && from.column === ties[0]!.column)).toEqual([])
      // By keys it is come to along its line's neighbours, and never lost.
      expect(walkRail(rail, row, 0, 'next')).not.toEqual({ row, step: 0 })
    }
    // No two ties stand in one place.
    const places = rail.lanes.flatMap(({ line, ties }) => ties.map(({ column }) => `${line} ${column}`))
    expect(new Set(places).size).toBe(places.length)
  })

  it('is walked from end to end by one key', () => {
    let at = { row: 0, step: 0 }
    let steps = 1
    for (
      let next = walkRail(layout, at.row, at.step, 'next');
      next.row !== at.row || next.step !== at.step;
      next = walkRail(layout, at.row, at.step, 'next')
    ) {
      expect(walkRail(layout, next.row, next.step, 'before')).toEqual(at)
      at = next
      steps++
    }
    expect(steps).toBe(layout.lanes.reduce((sum, lane) => sum + lane.ties.length, 0))
    expect(walkRail(layout, 0, 0, 'up')).toEqual({ row: 0, step: 0 })
    expect(walkRail(layout, 0, 0, 'down')).toEqual({ row: 1, step: 0 })
    expect(walkRail(layout, 1, 3, 'last').step).toBe(layout.lanes[1]!.ties.length - 1)
  })
})

describe('where a step is seen from', () => {
  it('goes without saying in front on the right, and is said everywhere else', () => {
    expect([0, 1, 2, 3, 4, 6].map((view) => seenFromWords(view))).toEqual([
      '',
      'Seen from behind, on the right',
      'Seen from behind, on the left',
      'Seen from the front, on the left',
      'Seen from below',
      'Seen from below, from behind, on the left',
    ])
  })

  it('is told in the step before where the side changes, and nowhere else', () => {
    const first = ferry.plan.sections.findIndex(({ steps }) => steps.length >= 4)
    const { id, steps } = ferry.plan.sections[first]!
    const views = ferry.views.map((own, i) => (i === first ? own.map((_, step) => (step === 1 || step === 2 ? 2 : 0)) : own.map(() => 0)))
    const ahead = makePages({ ...ferry, views }).flatMap((page) =>
      'ahead' in page && page.ahead !== '' ? [[page.section, page.number, page.ahead]] : [],
    )
    expect(ahead).toEqual([
      [id, 1, 'The next picture is seen from behind, on the left'],
      ...(steps.length > 3 ? [[id, 3, 'The next picture is seen from the front, on the right, again']] : []),
    ])
  })
})

describe('decals', () => {
  const decal = (id: string, size: [number, number]): Decal => ({ id, name: id, picture: '', size })
  const area = { left: 14, bottom: 26, width: 182, height: 227 }

  it('are all laid, at true size, inside the sheet and apart from each other', () => {
    const sizes = fc.tuple(fc.integer({ min: 2, max: 180 }), fc.integer({ min: 2, max: 180 }))
    fc.assert(
      fc.property(fc.array(fc.tuple(sizes, fc.integer({ min: 1, max: 9 })), { minLength: 1, maxLength: 8 }), (all) => {
        const decals = all.map(([size, count], i) => ({ decal: decal(`d${i}`, size), count }))
        const sheets = layDecals(decals, area)
        expect(sheets.flat()).toHaveLength(decals.reduce((sum, { count }) => sum + count, 0))
        for (const sheet of sheets) {
          sheet.forEach(({ decal: { size }, x, y }, i) => {
            expect(x).toBeGreaterThanOrEqual(area.left)
            expect(y).toBeGreaterThanOrEqual(area.bottom - 1e-9)
            expect(x + size[0]).toBeLessThanOrEqual(area.left + area.width + 1e-9)
            expect(y + size[1]).toBeLessThanOrEqual(area.bottom + area.height + 1e-9)
            for (const other of sheet.slice(i + 1)) {
              const apart = [
                other.x - x - size[0],
                x - other.x - other.decal.size[0],
                other.y - y - size[1],
                y - other.y - other.decal.size[1],
              ]
              expect(Math.max(...apart)).toBeGreaterThanOrEqual(10 - 1e-9)
            }
          })
        }
      }),
      { numRuns: 60 },
    )
  })

  it('are printed as often as the model takes them; what comes printed is not', () => {
    const work = (kind: 'decal' | 'print', id: string) => [{ kind, decal: id, face: 'top' as const }]
    const model = { decals: [decal('a', [8, 8]), decal('b', [8, 8]), decal('c', [8, 8])] } as unknown as ModelDocument
    const counts = decalsOf(model, [
      { shape: 'tile-1x1', colour: 'red', count: 3, work: work('decal', 'a') },
      { shape: 'tile-1x2', colour: 'red', count: 2, work: [...work('decal', 'a'), ...work('decal', 'b')] },
      { shape: 'tile-2x2', colour: 'red', count: 5, work: work('print', 'c') },
    ])
    expect(counts.map(({ decal: { id }, count }) => [id, count])).toEqual([
      ['a', 5],
      ['b', 2],
    ])
  })
})

describe('the reach of joints in words', () => {
  const turn = (from: number, to: number) => ({ axis: [0, 0, 1] as const, from, to })
  it.each([
    [{ at: [0, 0, 0], turns: [turn(-360, 360)] }, 'turns all the way round'],
    [{ at: [0, 0, 0], turns: [turn(-120, 120)] }, 'turns 120° either way'],
    [{ at: [0, 0, 0], turns: [turn(-170, 70)] }, 'turns 70° one way, 170° the other'],
    [{ at: [0, 0, 0], turns: [turn(-50, 50), turn(-50, 50)] }, 'swings 50° any way'],
    [{ at: [0, 0, 0], turns: [turn(-360, 360)], slide: { way: [1, 0, 0], from: -10, to: 20 } }, 'turns all the way round, slides 24 mm'],
    [undefined, ''],
  ] as const)('%#', (reach, words) => expect(reachWords(reach)).toBe(words))
})
