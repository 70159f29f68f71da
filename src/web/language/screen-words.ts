import { shallowRef } from 'vue'
import { loadLanguage, speaker, wordsIn, type Language, type Leaves, type Speaker, type Words } from '@core/language'
import english from './messages/en.json'

/** The sentences of the designer's screens in one language. */
type ScreenMessages = typeof english

export type ScreenKey = Leaves<ScreenMessages>

/** Where each language but English is: of its own, so that only who reads it loads it. A message that one lacks does not compile. */
const FILES: Readonly<Record<Exclude<Language, 'en'>, () => Promise<ScreenMessages>>> = {
  de: async () => (await import('./messages/de.json')).default,
  fr: async () => (await import('./messages/fr.json')).default,
  es: async () => (await import('./messages/es.json')).default,
}

const inEnglish: Speaker<ScreenKey> = speaker('en', english, english)
const spoken = shallowRef<{ language: Language; speaker: Speaker<ScreenKey> }>({ language: 'en', speaker: inEnglish })

/** The language of the screens. */
export const screenLanguage = (): Language => spoken.value.language

/** From now on the screens speak the language. @throws where its words cannot be fetched; then they speak as before */
export async function speakOnScreen(language: Language): Promise<void> {
  if (language === screenLanguage()) return
  if (language === 'en') return void (spoken.value = { language, speaker: inEnglish })
  const [messages] = await Promise.all([FILES[language](), loadLanguage(language)])
  spoken.value = { language, speaker: speaker(language, messages, english) }
}

/** A sentence of the screens. */
export const say: Speaker<ScreenKey>['say'] = (key, named) => spoken.value.speaker.say(key, named)

/** A sentence of the screens about a number of things, which it has as `n`. */
export const sayCount: Speaker<ScreenKey>['count'] = (key, n, named) => spoken.value.speaker.count(key, n, named)

/** @param digits behind the decimal sign; as many as there are where nothing is said */
export const sayNumber = (value: number, digits?: number): string => screenWords().number(value, digits)

/** How booklets and catalogue say things in the language of the screens. */
export const screenWords = (): Words => wordsIn(screenLanguage())

/** A name as it stands within a sentence. */
export const sayWithin = (name: string): string => screenWords().within(name)

/** "a, b and c". */
export const sayList = (items: readonly string[], last: 'and' | 'or' = 'and'): string => screenWords().list(items, last)
