import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { composeBooklet } from '../edits'
import { readModelText, type ModelDocument } from '../model'
import { reportModel } from '../pipeline'
import { makePages, type FiguresPage } from './index'

const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))
const pagesOf = (model: ModelDocument) => {
  const { report, looks } = reportModel(model)
  return makePages({ model, plan: report, views: looks.map((steps) => steps.map(({ view }) => view)) })
}

describe('a page of the figures', () => {
  it('stands before the sections where the designer asks for it, each figure with its pieces and what may stand in for them', () => {
    const model = demo('ferryman')
    expect(pagesOf(model).some(({ kind }) => kind === 'figures')).toBe(false)
    const pages = pagesOf(composeBooklet(model, { figures: true }))
    const at = pages.findIndex(({ kind }) => kind === 'figures')
    expect(at).toBeLessThan(pages.findIndex(({ kind }) => kind === 'tray'))
    const { figures } = pages[at] as FiguresPage
    expect(figures.map(({ name }) => name)).toEqual(model.figures!.map(({ name }) => name))
    for (const [i, { pieces, instead, picture }] of figures.entries()) {
      const entries = Object.values(model.figures![i]!.slots)
      const chosen = entries.map(({ chosen = 0, options }) => options[chosen]!.shape)
      expect(pieces.map(({ shape }) => shape)).toEqual(expect.arrayContaining([...new Set(chosen)]))
      expect(instead).toHaveLength(entries.reduce((sum, { options }) => sum + options.length - 1, 0))
      expect(picture).not.toBeNull()
    }
  })

  it('is left out where there are none', () => {
    expect(pagesOf(composeBooklet(demo('bird-table'), { figures: true })).some(({ kind }) => kind === 'figures')).toBe(false)
  })
})

it('the decals are printed with the booklet unless the designer gives them away otherwise', () => {
  const model = demo('wind-pump')
  const hasDecals = (of: ModelDocument): boolean => pagesOf(of).some(({ kind }) => kind === 'decals')
  expect(hasDecals(model)).toBe(true)
  expect(hasDecals(composeBooklet(model, { withoutDecals: true }))).toBe(false)
})
