import { shallowRef } from 'vue'
import { languageAmong, speaker, wordsIn, type Language, type Leaves, type Speaker, type Words } from '@core/language'
import type { FaultCode } from '@core/fault'
import english from './messages/en.json'

/** The sentences of the designer's screens in one language. */
type ScreenMessages = typeof english

export type ScreenKey = Leaves<ScreenMessages>

/** Where each language but English is: of its own, so that only who reads it loads it. A message that one lacks does not compile. */
const FILES: Readonly<Record<Exclude<Language, 'en'>, () => Promise<ScreenFile>>> = {
  de: async () => ({ messages: (await import('./messages/de.json')).default, faults: (await import('./messages/faults-de.json')).default }),
  fr: async () => ({ messages: (await import('./messages/fr.json')).default, faults: (await import('./messages/faults-fr.json')).default }),
  es: async () => ({ messages: (await import('./messages/es.json')).default, faults: (await import('./messages/faults-es.json')).default }),
}

/** A language as it is loaded. */
interface ScreenFile {
  readonly messages: ScreenMessages
  /** What each code of a fault means; in English the fault's own sentence says it. */
  readonly faults: Readonly<Record<FaultCode, string>>
}

const inEnglish: Speaker<ScreenKey> = speaker('en', english, english)
const ENGLISH_SCREENS: Spoken = { language: 'en', speaker: inEnglish, faults: {} }
const spoken = shallowRef(ENGLISH_SCREENS)

/** What the screens speak with. */
interface Spoken {
  readonly language: Language
  readonly speaker: Speaker<ScreenKey>
  readonly faults: Readonly<Record<string, string>>
}

/** The language of the screens. */
export const screenLanguage = (): Language => spoken.value.language

/** From now on the screens speak the language. @throws where its words cannot be fetched; then they speak as before */
export async function speakOnScreen(language: Language): Promise<void> {
  wanted = language
  const next = language === 'en' ? ENGLISH_SCREENS : await load(language)
  // Whoever has chosen another one meanwhile hears that.
  if (wanted === language && screenLanguage() !== language) spoken.value = next
}
let wanted: Language = 'en'

async function load(language: Exclude<Language, 'en'>): Promise<Spoken> {
  const { loadAdvice } = await import('./load-screen-advice')
  const [{ messages, faults }] = await Promise.all([FILES[language](), loadAdvice(language)])
  return { language, speaker: speaker(language, messages, english), faults }
}

/** What a code of a fault means; undefined in English, and of a code that is not known. */
export const saidFault = (code: string): string | undefined => spoken.value.faults[code]

/** A sentence of the screens. */
export const say: Speaker<ScreenKey>['say'] = (key, named) => spoken.value.speaker.say(key, named)

/** A sentence of the screens about a number of things, which it has as `n`. */
export const sayCount: Speaker<ScreenKey>['count'] = (key, n, named) => spoken.value.speaker.count(key, n, named)

/** @param digits behind the decimal sign; as many as there are where nothing is said */
export const sayNumber = (value: number, digits?: number): string => screenWords().number(value, digits)

/** A number with as many digits behind the decimal sign as say something, and at most so many. */
export const sayFigure = (value: number, most: number): string => sayNumber(Number(value.toFixed(most)))

/** A date as whoever reads the screens writes it: by the browser's own wish where it is of their language. */
export function sayDate(date: string | number, how: Intl.DateTimeFormatOptions): string {
  const language = screenLanguage()
  return new Date(date).toLocaleString(navigator.languages.find((tag) => languageAmong([tag]) === language) ?? language, how)
}

/** How booklets and catalogue say things in the language of the screens. */
export const screenWords = (): Words => wordsIn(screenLanguage())

/** A name as it stands within a sentence. */
export const sayWithin = (name: string): string => screenWords().within(name)
