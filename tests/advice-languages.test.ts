import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { reportModel } from '@core/pipeline'
import { CHECKS, findingTitle, findingWords, waysOut } from '@core/checks'
import { BASE_CATALOGUE } from '@core/catalogue'
import { findSubstitutes, readPrices } from '@core/desk'
import { plainFault, type Problem } from '@core/fault'
import { readFile } from '@core/formats'
import { ADVICE_IN_ENGLISH, adviceIn, loadAdvice, type Language, type Said } from '@core/language'
import { readQuickLine } from '@core/names'
import de from '../src/core/language/messages/advice-de.json'
import en from '../src/core/language/messages/advice-en.json'
import es from '../src/core/language/messages/advice-es.json'
import fr from '../src/core/language/messages/advice-fr.json'
import type { Vec } from '@core/space'
import { CORPUS } from './findings/corpus'
import { farApart, onFloor, oneSection, part } from './support/models'
import { messagesByPath, shapeOfMessage } from './support/messages'

const OTHERS: readonly Language[] = ['de', 'fr', 'es']

describe.each([
  ['de', de],
  ['fr', fr],
  ['es', es],
])('advice in %s', (_, tree) => {
  const messages = messagesByPath(tree)
  it('says all that English says, about the same things, in as many plural forms', () => {
    const english = messagesByPath(en)
    expect([...messages.keys()].sort()).toEqual([...english.keys()].sort())
    for (const [key, text] of english) expect([key, shapeOfMessage(messages.get(key)!)]).toEqual([key, shapeOfMessage(text)])
  })
})

beforeAll(async () => void (await Promise.all(OTHERS.map((language) => loadAdvice(language)))))
// Words that English shares with no other: what is left of it would show.
const ENGLISH = /\b(the|and|with|of|is|are|step|way|piece)\b/
const idsOf = (text: string): string => text.replace(/“[^”]*”|„[^“]*“|«[^»]*»/g, '')

describe('findings in other languages', () => {
  const models = [...CORPUS.map(({ model }) => model), onFloor(16, 4, [farApart(5)])]
  const found = models.flatMap((model) => {
    const { findings, sections } = reportModel(model, { reads: true }).report
    return findings.map((finding) => ({ model, finding, sections }))
  })

  it('are those of the English message, and name the same parts', () => {
    expect(new Set(found.map(({ finding }) => finding.code)).size).toBeGreaterThanOrEqual(15)
    for (const { finding } of found) {
      expect(findingWords(finding, ADVICE_IN_ENGLISH)).toBe(finding.message)
      for (const language of OTHERS) {
        const text = findingWords(finding, adviceIn(language))
        expect(text).not.toMatch(/[{}]|undefined/)
        expect(idsOf(text)).not.toMatch(ENGLISH)
        expect(text).not.toBe(finding.message)
      }
    }
  })
  it('have a title in each, and ways out that are said there too', () => {
    for (const { code } of CHECKS)
      for (const language of OTHERS) expect(findingTitle(code, adviceIn(language))).not.toBe(findingTitle(code, ADVICE_IN_ENGLISH))
    const labels = found.flatMap(({ model, finding, sections }) => waysOut(model, finding, sections).map(({ label }) => label))
    expect(labels.length).toBeGreaterThan(20)
    for (const label of labels) for (const language of OTHERS) expect(idsOf(adviceIn(language).say(label))).not.toMatch(ENGLISH)
  })
  it('of a version that knew no other language stay as they were written', () => {
    const old = { code: 'hidden', severity: 'warning', section: 'main', step: 1, parts: ['a'], message: 'It was hidden.' } as const
    expect(findingWords(old, adviceIn('de'))).toBe('It was hidden.')
  })
})

describe('what a file is read as, in other languages', () => {
  /** The same in English, and not English in any other. */
  function expectSaid(english: string, said: Said): void {
    expect(ADVICE_IN_ENGLISH.say(said)).toBe(english)
    for (const language of OTHERS) {
      const text = adviceIn(language).say(said)
      expect(text).not.toMatch(/[{}]|undefined/)
      expect(idsOf(text)).not.toMatch(ENGLISH)
    }
    // Other languages share a word with English now and then.
    expect(adviceIn('de').say(said)).not.toBe(english)
  }
  const bytes = (text: string): Uint8Array => new TextEncoder().encode(text)
  function problemsOf(act: () => unknown): readonly Problem[] {
    try {
      act()
      return []
    } catch (thrown) {
      return plainFault(thrown).problems ?? []
    }
  }

  it('tells of every cell what is wrong and what would do', () => {
    const long = 'x'.repeat(201)
    const parts = [
      'section,id,shape,colour,x,y,z,turn,count',
      'main,a,plaat-2x44,ash,0,0,0,0,1',
      'main,a,plate-1x2,reddisch,0,0,4,0,3',
      `${long},${long},,,0,,4,sideways,few`,
      'main,c,plate-1x2,ash,wide,0.3,8,,,more',
    ]
    const prices = [
      'supplier,shape,colour,price,length',
      ',plate-1x2,ash,dear,40',
      'Near,plate-1x2,ash,0.25,long',
      'Near,tube,ash,0.123,-3',
    ]
    const book = { catalogue: BASE_CATALOGUE, aliases: [], known: null, date: '2026-11-01' }
    const found = [
      ...problemsOf(() => readFile(bytes(parts.join('\n')), 'parts.csv')),
      ...problemsOf(() => readPrices(bytes(prices.join('\n')), book)),
    ]
    expect(new Set(found.map(({ told }) => told?.message.key)).size).toBeGreaterThanOrEqual(16)
    for (const { place, message, wayOut, told } of found) {
      expectSaid(message, told!.message as Said)
      expectSaid(wayOut!, told!.wayOut as Said)
      expectSaid(place, told!.place as Said)
    }
  })

  it('tells what was made of a table and of a log', () => {
    const table = ['section,shape,colour,count,weight', 'Hut,Plate 1x2,Light Grey,4,2', ',plate-1x2,ash,1,2'].join('\n')
    const log = [
      'For the legs you need two 1x2 plates in slate.',
      'Put one 1x2 plate down.',
      'Now the roof',
      'Lay four 2x4 wibbles in rust.',
      'Add a 1x2 tile.',
      'Add a 3x17 plate in red.',
    ].join('\n')
    const remarks = [...readFile(bytes(table), 'parts.csv').remarks, ...readFile(bytes(log), 'log.txt').remarks]
    expect(new Set(remarks.map(({ told }) => told.made.key)).size).toBe(7)
    for (const { place, made, told } of remarks) {
      expectSaid(made, told.made)
      expectSaid(place, told.place!)
    }
  })

  it('tells what a substitute changes', () => {
    const red = (shape: string, at: Vec) => part(shape, shape, at, undefined, 'red')
    const model = oneSection([red('brick-2x2', [0, 0, 0]), red('tile-2x2', [0, 0, 12])])
    const missing = [
      { shape: 'brick-2x2', colour: 'red', count: 1 },
      { shape: 'tile-2x2', colour: 'red', count: 1 },
    ]
    const spare = ['plate-2x2', 'tile-1x2', 'slope-2x2'].map((shape) => ({ shape, colour: 'red', count: 9 }))
    const found = findSubstitutes(model, missing, { spare, offers: undefined, how: 'near' })
    expect(found.length).toBeGreaterThan(1)
    for (const { consequence, told } of found) expectSaid(consequence, told)
  })

  it('tells why an entry of a line was not taken', () => {
    const lines = ['0 plate 1x1', '2 plate 1x1 x3', '2x2']
    for (const line of lines) {
      const why = readQuickLine(line, BASE_CATALOGUE).unclear[0]!.why!
      expectSaid(ADVICE_IN_ENGLISH.say(why), why)
    }
  })
})

// What is added here is known to all who share the process; it changes nothing for who asks for English.
afterAll(() => expect(ADVICE_IN_ENGLISH.say({ key: 'title.hidden' })).toBe('Cannot be seen'))
