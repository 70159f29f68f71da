import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeBundle, spokenText } from '@core/booklet'
import { BASE_CATALOGUE, catalogueIn } from '@core/catalogue'
import { LANGUAGES, loadLanguage, wordsIn, type Language } from '@core/language'
import { catalogueOf, Flattener, readModelText, type ModelDocument } from '@core/model'
import { reportModel, viewsOf } from '@core/pipeline'
import { posedBox, TURNS, turnText } from '@core/space'
import { oneSection, part } from './support/models'
import { buildFromWords } from './support/spoken-reader'

const textOf = (model: ModelDocument, language: Language): string => {
  const { report, looks } = reportModel(model)
  return spokenText({ ...makeBundle(model, report, viewsOf(looks)), language })
}

/** Pieces as texts, from the lowest corner of all; to half a u, since words round what is tilted. */
const described = (pieces: readonly { shape: string; colour: string; matrix: readonly number[]; low: readonly number[] }[]): string[] => {
  const from = [0, 1, 2].map((k) => Math.min(...pieces.map(({ low }) => low[k]!)))
  const round = (value: number): number => Math.round(value * 2) / 2 + 0
  return pieces
    .map(
      ({ shape, colour, matrix, low }) =>
        `${shape} ${colour} ${matrix.map((v) => v.toFixed(1).replace('-0.0', '0.0')).join()} ${low.map((v, k) => round(v - from[k]!)).join()}`,
    )
    .sort()
}
const heard = (model: ModelDocument, language: Language = 'en'): string[] => {
  const catalogue = catalogueIn(catalogueOf(model), wordsIn(language))
  return described(buildFromWords(textOf(model, language), catalogue, language).map((piece) => ({ ...piece, matrix: piece.matrix.flat() })))
}
const meant = (model: ModelDocument): string[] =>
  described(
    new Flattener(model).all(model.root).map(({ shape, colour, pose }) => ({
      shape: shape.id,
      colour,
      matrix: pose.matrix,
      low: posedBox(pose, { min: [0, 0, 0], max: shape.box }).min,
    })),
  )

describe('a booklet in words alone', () => {
  it.each(['bird-table', 'ferryman', 'wind-pump', 'ferry-house'])('is enough to build the %s', (name) => {
    const model = readModelText(readFileSync(new URL(`../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))
    expect(heard(model)).toEqual(meant(model))
  })

  it.each(LANGUAGES)('is enough in %s: copies, joints, tilted parts and lengths with them', async (language) => {
    await loadLanguage(language)
    for (const name of ['ferryman', 'wind-pump']) {
      const model = readModelText(readFileSync(new URL(`../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))
      expect(heard(model, language)).toEqual(meant(model))
    }
  })

  it('tells every turn and place of a part', () => {
    const shape = fc.constantFrom('plate-1x2', 'slope-2x1', 'brick-1x1-side1', 'wedge-plate-2x4-left', 'axle-4')
    const place = fc.tuple(fc.integer({ min: -40, max: 40 }), fc.integer({ min: -40, max: 40 }), fc.integer({ min: -40, max: 40 }))
    const parts = fc.array(fc.record({ shape, at: place, turn: fc.integer({ min: 0, max: TURNS.length - 1 }) }), {
      minLength: 1,
      maxLength: 4,
    })
    fc.assert(
      fc.property(parts, (all) => {
        const model = oneSection(all.map((each, i) => part(`p${i}`, each.shape, each.at, turnText(each.turn))))
        expect(heard(model)).toEqual(meant(model))
      }),
      { numRuns: 60 },
    )
  })

  it('tells copies, turned and mirrored, of copies', () => {
    const inner = {
      id: 'inner',
      name: 'Inner',
      parts: [part('a', 'wedge-plate-2x4-left', [0, 0, 0]), part('b', 'brick-1x1-side1', [0, 10, 4])],
    }
    const middle = {
      id: 'middle',
      name: 'Middle',
      parts: [part('c', 'plate-2x8', [0, 0, -4])],
      copies: [
        { id: 'one', section: 'inner', at: [0, 0, 0] as const },
        { id: 'two', section: 'inner', at: [80, 0, 0] as const, mirror: 'x' as const },
      ],
    }
    const model: ModelDocument = {
      format: 'jump-rail-model',
      version: 1,
      name: 'Copies',
      root: 'main',
      sections: [
        {
          id: 'main',
          name: 'Main',
          parts: [part('d', 'plate-8x8', [0, 0, 0])],
          copies: [{ id: 'm', section: 'middle', at: [30, 0, 8], turn: '+y-x', mirror: 'y' }],
        },
        middle,
        inner,
      ],
    }
    expect(heard(model)).toEqual(meant(model))
  })

  it.each(LANGUAGES)('names each shape and colour in %s so that no two are mistaken', async (language) => {
    await loadLanguage(language)
    const catalogue = catalogueIn(BASE_CATALOGUE, wordsIn(language))
    const titles = [...catalogue.shapes.values()].map(({ title }) => title)
    expect(new Set(titles).size).toBe(titles.length)
    const names = [...catalogue.colours.values()].map(({ name }) => name.toLowerCase())
    expect(new Set(names).size).toBe(names.length)
  })
})
