import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { makePages, type MemberPage } from '../booklet'
import { total } from '../count'
import { catalogueOf, checkModel, Flattener, readModelText, techniquesOf, type ModelDocument } from '../model'
import { reportModel } from '../pipeline'
import { replay } from '../replay'
import { collectModels } from './index'

const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))
const DEMOS = ['bird-table', 'wind-pump', 'market-stall', 'ferryman', 'ferry-house'] as const

/** What stands in a model, without where: shape, colour as it is seen, and how it is turned. */
function flat(model: ModelDocument): string[] {
  const { colours } = catalogueOf(model)
  return new Flattener(model)
    .all(model.root)
    .map(({ shape, colour, pose }) => `${shape.title} ${shape.box.join()} ${colours.get(colour)!.hex} ${pose.matrix.join()}`)
    .sort()
}

describe('a collection', () => {
  it('holds every part of its models, is read, planned and replayed, and nothing in it has to hold the others', () => {
    fc.assert(
      fc.property(fc.subarray([...DEMOS], { minLength: 1, maxLength: 3 }), (names) => {
        const models = names.map(demo)
        const whole = collectModels('All', models)
        checkModel(whole)
        expect(flat(whole)).toEqual(models.flatMap(flat).sort())
        const { report } = reportModel(whole)
        expect(replay(whole, report)).toEqual([])
        const alone = models.flatMap((model) => reportModel(model).report.findings.map(({ code }) => code))
        expect(report.findings.map(({ code }) => code).sort()).toEqual(alone.sort())
      }),
      { numRuns: 5 },
    )
  })

  it('has its models side by side on one table, none in the room of another', () => {
    const whole = collectModels('All', DEMOS.map(demo))
    const flattener = new Flattener(whole)
    const root = whole.sections.at(-1)!
    const boxes = root.copies!.map((copy) => {
      const at = flattener.copy(root, copy).map(({ pose, shape }) => ({ pose, shape }))
      const low = [0, 1, 2].map((k) => Math.min(...at.map(({ pose }) => pose.at[k]!)))
      const high = [0, 1].map((k) => Math.max(...at.map(({ pose }) => pose.at[k]!)))
      return { low, high }
    })
    for (const [i, a] of boxes.entries()) {
      expect(a.low[2]).toBe(0)
      for (const b of boxes.slice(i + 1)) expect([0, 1].some((k) => a.high[k]! < b.low[k]! || b.high[k]! < a.low[k]!)).toBe(true)
    }
  })

  it('tells what is called alike and is not the same apart, and shares what is the same', () => {
    const own = (hex: string, size: number): ModelDocument => ({
      ...oneSection([part('a', 'own', [0, 0, 0], undefined, 'sea')]),
      palette: [{ id: 'sea', name: 'Sea', hex, finish: 'solid' }],
      shapes: [{ id: 'own', name: 'Own', boxes: [{ at: [0, 0, 0], size: [10, 10, size] }] }],
    })
    const [a, b, c] = [own('#112233', 12), own('#112233', 4), own('#445566', 12)]
    const whole = collectModels('All', [a, b, c])
    checkModel(whole)
    expect(whole.palette!.map(({ id, hex }) => [id, hex])).toEqual([
      ['sea', '#112233'],
      ['sea-2', '#445566'],
    ])
    expect(whole.shapes).toHaveLength(2)
    expect(flat(whole)).toEqual([a, b, c].flatMap(flat).sort())
  })

  it('keeps choices to the model they belong to', () => {
    const stall = demo('market-stall')
    const whole = collectModels('All', [demo('bird-table'), stall, stall])
    checkModel(whole)
    expect(new Set(whole.options!.map(({ id }) => id)).size).toBe(2 * stall.options!.length)
    const ids = new Set(stall.sections.map(({ id }) => id))
    const [first] = whole.variants!
    for (const { section } of first!.recolour ?? []) expect(ids.has(section!)).toBe(true)
  })

  it('lets pass what one of its models lets pass', () => {
    const strict: ModelDocument = { ...oneSection([part('a', 'brick-2x4', [0, 0, 0])]), techniques: 'pure' }
    const whole = collectModels('All', [strict, { ...strict, techniques: { 'stud-in-hole': 'note' } }])
    expect(techniquesOf(whole)).toMatchObject({ 'stud-in-hole': 'note', 'plate-between-studs': 'warning' })
  })

  it('is told in its booklet model by model, each with its pieces, and all of them at the end', () => {
    const models = ['wind-pump', 'bird-table', 'market-stall'].map(demo)
    const whole = collectModels('All', models)
    const { report, looks } = reportModel(whole)
    const pages = makePages({ model: whole, plan: report, views: looks.map((steps) => steps.map(({ view }) => view)) })
    const members = pages.filter((page): page is MemberPage => page.kind === 'member')
    // The bird table is one section: its tray tells the same.
    expect(members.map(({ name }) => name)).toEqual(['Wind pump', 'Market stall'])
    for (const { name, pieces, steps } of members) {
      const { report: alone } = reportModel(models.find((model) => model.name === name)!)
      expect(pieces).toEqual(alone.inventory)
      expect(steps).toBe(alone.sections.reduce((sum, section) => sum + section.steps.length, 0))
    }
    const last = pages.at(-1)!
    expect(last.kind === 'inventory' && total(last.pieces)).toBe(models.reduce((sum, model) => sum + reportModel(model).report.parts, 0))
    const joins = pages.flatMap((page) => ('spoken' in page ? [page.spoken] : []))
    expect(joins.at(-1)).toContain('it stands by itself')
  })
})

describe('what stands apart', () => {
  it('still has to stand on the table', () => {
    const model: ModelDocument = {
      ...oneSection([part('a', 'brick-2x4', [0, 0, 0]), part('b', 'brick-2x4', [100, 0, 24])]),
    }
    const apart = { ...model, sections: [{ ...model.sections[0]!, apart: true }] }
    const { report } = reportModel(apart)
    expect(report.findings.map(({ code, parts }) => [code, parts])).toContainEqual(['unheld', ['b']])
    expect(replay(apart, report).join()).toContain('hangs in the air')
  })
})

it('a kit that several models name is named once, and one of the same id with other pieces beside it', () => {
  const kit = (count: number) => ({ id: 'box', name: 'Yard box', pieces: [{ shape: 'brick-2x4', colour: 'slate', count }] })
  const withKit = (count: number): ModelDocument => ({ ...oneSection([part('a', 'brick-2x4', [0, 0, 0])]), kits: [kit(count)] })
  const whole = collectModels('All', [withKit(4), withKit(4), withKit(9)])
  checkModel(whole)
  expect(whole.kits!.map(({ id, pieces }) => [id, pieces[0]!.count])).toEqual([
    ['box', 4],
    ['box-2', 9],
  ])
})
