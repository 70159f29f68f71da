import { describe, expect, it } from 'vitest'
import { asBuilt, checkModel, type Copy, type ModelDocument } from '../model'
import { reportModel } from '../pipeline'
import { makePages } from './index'

const leg = {
  id: 'leg',
  name: 'Leg',
  parts: [
    { id: 'a', shape: 'brick-2x2', colour: 'slate', at: [0, 0, 0], turn: '+x+y' },
    { id: 'b', shape: 'brick-2x2', colour: 'slate', at: [0, 0, 24], turn: '+x+y' },
    { id: 'c', shape: 'plate-2x2', colour: 'red', at: [0, 0, 48], turn: '+x+y' },
    { id: 'd', shape: 'tile-2x2', colour: 'red', at: [0, 0, 56], turn: '+x+y' },
  ],
} as const

const four = (except: Copy['except'] & object): ModelDocument =>
  asBuilt({
    format: 'jump-rail-model',
    version: 1,
    name: 'Legs',
    root: 'table',
    sections: [
      {
        id: 'table',
        name: 'Table',
        parts: [{ id: 'floor', shape: 'plate-2x12', colour: 'slate', at: [0, 0, -8], turn: '+x+y' }],
        copies: [0, 1, 2, 3].map((i): Copy => ({
          id: `leg-${i}`,
          section: 'leg',
          at: [i * 60, 0, 0],
          ...(i === 3 ? { except } : {}),
        })),
      },
      leg as unknown as ModelDocument['sections'][number],
    ],
  })

function pagesOf(model: ModelDocument) {
  checkModel(model)
  const { report, looks } = reportModel(model)
  return makePages({ model, plan: report, views: looks.map((steps) => steps.map(({ view }) => view)) })
}

describe('sections that are nearly another', () => {
  it('are told where the other is gathered, where they are, and in the step that differs', () => {
    const pages = pagesOf(four({ c: { colour: 'blue' } }))
    const trays = pages.filter((page) => page.kind === 'tray')
    const like = trays.find(({ section }) => section === 'leg')!
    const near = trays.find(({ section }) => section === 'leg-2')!
    expect(like.remarks).toEqual([`Build 4 in all, 3 as here; on one of them, section ${near.letter}, Plate 2 × 2 in Blue instead of Red.`])
    expect(near.remarks).toEqual([`As section ${like.letter}, but on this one: Plate 2 × 2 in Blue instead of Red.`])
    const steps = pages.flatMap((page) => (page.kind === 'step' && page.section === 'leg-2' ? [page] : []))
    expect(steps.filter(({ remarks }) => remarks.length > 0)).toHaveLength(1)
    expect(steps.find(({ remarks }) => remarks.length > 0)!.callout).toContainEqual(expect.objectContaining({ colour: 'blue' }) as unknown)
  })

  it('say what is not there', () => {
    const pages = pagesOf(four({ d: null }))
    expect(pages.flatMap((page) => (page.kind === 'tray' && page.section === 'leg-2' ? page.remarks : []))).toEqual([
      expect.stringContaining('without Tile 2 × 2 in Red') as unknown,
    ])
  })

  it('are none where more is otherwise than alike, or where it stands elsewhere', () => {
    for (const model of [
      four({ a: { colour: 'blue' }, b: { colour: 'blue' }, c: { colour: 'blue' } }),
      four({ c: { colour: 'blue' } }),
    ].map((each, i) => (i === 0 ? each : moved(each))))
      expect(pagesOf(model).flatMap((page) => (page.kind === 'tray' ? page.remarks : []))).toEqual([])
  })
})

/** The near copy's plate lies a quarter turned, which changes nothing that is seen. */
const moved = (model: ModelDocument): ModelDocument => ({
  ...model,
  sections: model.sections.map((section) =>
    section.id === 'leg-2'
      ? { ...section, parts: section.parts!.map((part) => (part.id === 'c' ? { ...part, turn: '+y-x' } : part)) }
      : section,
  ),
})
