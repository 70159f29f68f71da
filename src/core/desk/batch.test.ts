import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { total } from '../count'
import { documentOfVersion, readModelText, type ModelDocument } from '../model'
import { reportModel } from '../pipeline'
import { assemblyLine, batchOf, compareVersions, cover, coverageByKits, harvestFrom, needOf, piecesIn, type DeskPiece } from './index'

const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))

const pieces = fc.uniqueArray(
  fc.record({
    shape: fc.constantFrom('brick-1x1', 'plate-1x2', 'tile-1x2'),
    colour: fc.constantFrom('red', 'blue', 'any'),
    count: fc.integer({ min: 1, max: 5 }),
  }),
  { minLength: 1, maxLength: 5, selector: ({ shape, colour }) => `${shape} ${colour}` },
)
const stocks = fc.uniqueArray(
  fc.record({
    shape: fc.constantFrom('brick-1x1', 'plate-1x2', 'tile-1x2'),
    colour: fc.constantFrom('red', 'blue'),
    count: fc.integer({ min: 1, max: 60 }),
  }),
  { maxLength: 6, selector: ({ shape, colour }) => `${shape} ${colour}` },
)
const times = (list: readonly DeskPiece[], copies: number): DeskPiece[] => list.map((piece) => ({ ...piece, count: piece.count * copies }))

describe('a batch', () => {
  it('is as many whole ones as can be: that many are covered, one more is not, and what lacks is told', () => {
    fc.assert(
      fc.property(pieces, stocks, (need, stock) => {
        const { whole, lacks } = batchOf(need, stock, [])
        expect(cover(times(need, whole), stock, []).missing).toEqual([])
        expect(lacks).toEqual(cover(times(need, whole + 1), stock, []).missing)
        expect(lacks.length).toBeGreaterThan(0)
      }),
    )
    expect(batchOf([], [], [])).toEqual({ whole: 0, lacks: [] })
  })

  it('of kits covers more with each, and what is needed beside them makes it whole', () => {
    fc.assert(
      fc.property(pieces, stocks, (need, content) => {
        const found = coverageByKits(need, { id: 'k', name: 'K', pieces: content })
        found.forEach(({ kits, covered, extras }, i) => {
          expect(kits).toBe(i + 1)
          expect(covered + piecesIn(extras)).toBe(piecesIn(need))
          expect(covered).toBeGreaterThan(found[i - 1]?.covered ?? 0)
        })
      }),
    )
  })
})

describe('an assembly line', () => {
  it.each(['ferry-house', 'wind-pump', 'granary'])('makes %s of every step as often as all copies take, after what it joins', (name) => {
    const model = demo(name)
    const { report } = reportModel(model)
    const lines = assemblyLine(model, report, 12)
    expect(total(lines.flatMap((line) => line.pieces))).toBe(12 * report.parts)
    const at = new Map(lines.map(({ section, step }, i) => [`${section} ${step}`, i]))
    for (const section of report.sections.filter((each) => each.times + each.mirrored > 0)) {
      section.steps.forEach(({ number, moves }) => {
        const here = at.get(`${section.id} ${number}`)!
        expect(lines[here]!.times).toBe(12 * (section.times + section.mirrored))
        if (number > 1) expect(here).toBe(at.get(`${section.id} ${number - 1}`)! + 1)
        for (const move of moves) {
          const joined = 'section' in move ? move.section : undefined
          if (joined !== undefined) expect(at.get(`${joined} 1`)!).toBeLessThan(here)
        }
      })
    }
  })
})

describe('two versions side by side', () => {
  it('differ by what is added, taken out and recoloured, and these turn one into the other', () => {
    const model: ModelDocument = {
      format: 'jump-rail-model',
      version: 1,
      name: 'Lamp',
      root: 'main',
      sections: [
        {
          id: 'main',
          name: 'Lamp',
          parts: [
            { id: 'a', shape: 'brick-1x1', colour: 'orange', count: 4 },
            { id: 'b', shape: 'plate-1x2', colour: 'ash', count: 3, option: 'caps' },
            { id: 'c', shape: 'tile-1x2', colour: 'ash', count: 2, unless: 'caps' },
          ],
        },
      ],
      options: [{ id: 'caps', name: 'Caps', on: true }],
      variants: [{ id: 'night', name: 'Night', without: ['caps'], recolour: [{ from: 'orange', to: 'black' }] }],
    }
    expect(compareVersions(model, {}, { variant: 'night' })).toEqual({
      added: [{ shape: 'tile-1x2', colour: 'ash', count: 2 }],
      taken: [{ shape: 'plate-1x2', colour: 'ash', count: 3 }],
      recoloured: [{ shape: 'brick-1x1', from: 'orange', to: 'black', count: 4 }],
    })
    expect(compareVersions(model, {}, {})).toEqual({ added: [], taken: [], recoloured: [] })
    expect(piecesIn(needOf(documentOfVersion(model)))).toBe(7)
  })
})

describe('what other models could give', () => {
  it('is what is missing and stands there, most first, with what it would break', () => {
    const model = (name: string, count: number, colour = 'red'): ModelDocument => ({
      format: 'jump-rail-model',
      version: 1,
      name,
      root: 'main',
      sections: [{ id: 'main', name: 'Wall', parts: [{ id: 'a', shape: 'brick-1x1', colour, count }] }],
    })
    const missing = [{ shape: 'brick-1x1', colour: 'red', count: 6 }]
    expect(harvestFrom(missing, [model('Small', 2), model('Large', 40), model('Blue', 9, 'blue')])).toEqual([
      { name: 'Large', gives: [{ shape: 'brick-1x1', colour: 'red', count: 6 }], of: 40, breaks: ['Wall'] },
      { name: 'Small', gives: [{ shape: 'brick-1x1', colour: 'red', count: 2 }], of: 2, breaks: ['Wall'] },
    ])
  })
})
