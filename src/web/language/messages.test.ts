import { describe, expect, it } from 'vitest'
import { LANGUAGES } from '@core/language'
import de from './messages/de.json'
import en from './messages/en.json'
import es from './messages/es.json'
import faultsDe from './messages/faults-de.json'
import faultsEs from './messages/faults-es.json'
import faultsFr from './messages/faults-fr.json'
import fr from './messages/fr.json'
import { FAULT_CODES } from '@core/fault'
import { messagesByPath, shapeOfMessage } from '../../../tests/support/messages'
import { faultText, say, sayCount, sayDate, sayFigure, sayNumber, screenAdvice, screenLanguage, screenWords, speakOnScreen } from './index'

const english = messagesByPath(en)
/** Words of the program that are written in English everywhere: what a line of pieces reads. */
const isTyped = (key: string): boolean => /[bB]rick|plate|Plate|tile|navyFigure|forTheLegs|jumpRail/.test(key)

describe.each([
  ['de', de],
  ['fr', fr],
  ['es', es],
])('the messages of the screens in %s', (_, tree) => {
  const messages = messagesByPath(tree)
  it('are those of English, about the same things, in as many plural forms, with the same room around them', () => {
    expect([...messages.keys()]).toEqual([...english.keys()])
    for (const [key, text] of english) expect([key, shapeOfMessage(messages.get(key)!)]).toEqual([key, shapeOfMessage(text)])
  })
  it('are translated: no sentence of three words or more is English still', () => {
    const same = [...english].filter(
      ([key, text]) => !isTyped(key) && (text.replace(/\{\w+\}/g, '').match(/\p{L}{2,}/gu) ?? []).length > 2 && messages.get(key) === text,
    )
    expect(same.map(([key]) => key)).toEqual([])
  })
})

it('each language says what every code of a fault means', () => {
  for (const faults of [faultsDe, faultsFr, faultsEs]) {
    expect(Object.keys(faults).sort()).toEqual(Object.keys(FAULT_CODES).sort())
    for (const text of Object.values(faults)) expect(text).toMatch(/^\p{Lu}.*\.$/u)
  }
})

it('the screens speak one language at a time, with its advice, its booklet words, its numbers and its faults', async () => {
  const fault = { code: 'unknown-shape', message: 'There is no shape “brik”.', place: 'parts[3]' }
  try {
    for (const language of LANGUAGES) {
      await speakOnScreen(language)
      expect([screenLanguage(), screenWords().language, screenAdvice().words.language]).toEqual([language, language, language])
    }
    await speakOnScreen('de')
    expect(say('common.undo')).toBe('Rückgängig')
    expect([0, 1, 2].map((n) => sayCount('count.steps', n))).toEqual(['0 Schritte', '1 Schritt', '2 Schritte'])
    expect([sayNumber(1.5, 2), sayFigure(1.5, 2), sayFigure(2, 2), sayFigure(0.126, 2)]).toEqual(['1,50', '1,5', '2', '0,13'])
    expect(sayDate('2026-03-05T10:00:00Z', { dateStyle: 'long', timeZone: 'UTC' })).toBe('5. März 2026')
    expect(faultText(fault)).toBe('Diese Form gibt es nicht. Genau, auf Englisch: There is no shape “brik”. (at parts[3])')
    expect(faultText({ code: 'stopped', message: 'Stopped.' })).toBe('Lange Arbeit wurde angehalten; nichts hat sich geändert.')
    expect(faultText({ code: 'of-another-time', message: 'Something.' })).toBe('Something.')
    await speakOnScreen('fr')
    expect([0, 1, 2].map((n) => sayCount('count.steps', n))).toEqual(['0 étape', '1 étape', '2 étapes'])
  } finally {
    await speakOnScreen('en')
  }
  expect(faultText(fault)).toBe('There is no shape “brik”. (at parts[3])')
  expect(say('bench.benchOf', { name: undefined })).not.toContain('undefined')
})

it('who chooses twice, before the words of the first are there, hears the second', async () => {
  try {
    await Promise.all([speakOnScreen('es'), speakOnScreen('de'), speakOnScreen('fr'), speakOnScreen('de')])
    expect(screenLanguage()).toBe('de')
    await Promise.all([speakOnScreen('es'), speakOnScreen('en')])
    expect(screenLanguage()).toBe('en')
  } finally {
    await speakOnScreen('en')
  }
})
