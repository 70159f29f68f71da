import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { reportModel } from '@core/pipeline'
import { CHECKS, findingTitle, findingWords, waysOut } from '@core/checks'
import { ADVICE_IN_ENGLISH, adviceIn, loadAdvice, type Language } from '@core/language'
import de from '../src/core/language/messages/advice-de.json'
import en from '../src/core/language/messages/advice-en.json'
import es from '../src/core/language/messages/advice-es.json'
import fr from '../src/core/language/messages/advice-fr.json'
import { CORPUS } from './findings/corpus'
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

describe('findings in other languages', () => {
  beforeAll(async () => void (await Promise.all(OTHERS.map((language) => loadAdvice(language)))))
  // Words that English shares with no other: what is left of it would show.
  const ENGLISH = /\b(the|and|with|of|is|are|step|way|piece)\b/
  const found = CORPUS.flatMap(({ model }) => {
    const { findings, sections } = reportModel(model, { reads: true }).report
    return findings.map((finding) => ({ model, finding, sections }))
  })
  const idsOf = (text: string): string => text.replace(/“[^”]*”|„[^“]*“|«[^»]*»/g, '')

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
  // What is added here is known to all who share the process; it changes nothing for who asks for English.
  afterAll(() => expect(ADVICE_IN_ENGLISH.say({ key: 'title.hidden' })).toBe('Cannot be seen'))
})
