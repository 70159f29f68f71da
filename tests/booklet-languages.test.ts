import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { makeBundle, makePages, spokenText, versionsBeside, type Bundle } from '@core/booklet'
import { BASE_CATALOGUE } from '@core/catalogue'
import { composeBooklet } from '@core/edits'
import { addLanguage, languageFile, loadLanguage, type Language, type LanguageFile } from '@core/language'
import { readModelText, type ModelDocument } from '@core/model'
import { reportModel, viewsOf } from '@core/pipeline'
import { prepareSheets } from '@press/sheets'
import { packagedFont } from './support/packaged-fonts'

const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))

function bundleOf(model: ModelDocument): Bundle {
  const { report, looks } = reportModel(model)
  return makeBundle(model, report, viewsOf(looks))
}

const DEMOS = ['bird-table', 'ferry-house', 'ferryman', 'market-stall', 'wind-pump']

/** All that a booklet may say is asked for. */
const asked = (name: string): ModelDocument =>
  composeBooklet(demo(name), { contents: true, label: true, figures: true, people: 2, difficulty: 'some', errata: '1', language: 'de' })

const GREEK = 'αβγδεζηθικλμνξοπρστυφχψωϊϋ'
/** A text in letters of no language of ours; what stands in braces is left. */
const strange = (text: string): string =>
  text.replace(/\{\w+\}|[a-z]/gi, (found) => (found.startsWith('{') ? found : GREEK[found.toLowerCase().charCodeAt(0) - 97]!))

const strangeTree = <Tree>(tree: Tree): Tree =>
  Object.fromEntries(
    Object.entries(tree as object).map(([key, value]) => [key, typeof value === 'string' ? strange(value) : strangeTree(value)]),
  ) as Tree

async function strangeFile(): Promise<LanguageFile> {
  const { messages } = await languageFile('de')
  const named = (names: readonly string[]) => Object.fromEntries(names.map((name) => [name, strange(name)]))
  return {
    messages: strangeTree(messages),
    pieces: named([...BASE_CATALOGUE.shapes.values()].map(({ title }) => title.replace(/\d+/g, '#'))),
    colours: named([...BASE_CATALOGUE.colours.values()].map(({ name }) => name)),
  }
}

/** Under these keys the designer speaks. */
const OWN = new Set([
  'name',
  'designer',
  'notes',
  'note',
  'text',
  'caution',
  'alt',
  'donor',
  'currency',
  'errata',
  'consequence',
  'decal',
  'id',
])
function ownWords(value: unknown, key = ''): string[] {
  if (typeof value === 'string') return OWN.has(key) ? wordsIn(value) : []
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([inner, each]) => ownWords(each, Array.isArray(value) ? key : inner))
}
const wordsIn = (text: string): string[] => text.match(/[a-z’]{2,}/gi) ?? []

describe('a booklet in another language', () => {
  beforeAll(async () => addLanguage('de', await strangeFile()))
  // Other tests may share what is loaded.
  afterAll(async () => addLanguage('de', await languageFile('de')))

  it.each(DEMOS)('has no word of English left, neither said nor printed: %s', async (name) => {
    const model = asked(name)
    const bundle = { ...bundleOf(model), ...versionsBeside(model, {}) }
    const { laid } = await prepareSheets({ bundle, aliases: [], assets: { font: packagedFont } })
    const printed = laid.sheets.flatMap(({ items }) => items.flatMap((item) => (item.kind === 'text' ? [item.text] : [])))
    const told = [...printed, ...laid.bookmarks.map(({ title }) => title), spokenText({ ...bundle, language: 'de' })]
    const own = new Set(ownWords(model))
    expect(told.flatMap(wordsIn).filter((word) => !own.has(word))).toEqual([])
    expect(told.join('').replace(/[^α-ω]/g, '').length).toBeGreaterThan(1000)
    expect(laid.language).toBe('de')
  })

  it('has the pages that it has in English, with the same pictures and pieces', async () => {
    await loadLanguage('fr')
    const bundle = bundleOf(asked('wind-pump'))
    const shown = (language: 'en' | 'fr') =>
      makePages({ ...bundle, language }).map((page) => ['picture' in page ? page.picture : null, 'callout' in page ? page.callout : null])
    expect(shown('fr')).toEqual(shown('en'))
  })

  it('is told its language only where that is loaded', () => {
    expect(() => makePages({ ...bundleOf(demo('bird-table')), language: 'never loaded' as Language })).toThrow(RangeError)
  })
})
