import { addAdvice } from './advice'
import type { Language } from './languages'
import { loadLanguage } from './load'
import type { AdviceMessages } from './said'

/** Where each language but English is: of its own, so that only who reads it loads it. A message that one lacks does not compile. */
const FILES: Readonly<Record<Exclude<Language, 'en'>, () => Promise<AdviceMessages>>> = {
  de: async () => (await import('./messages/advice-de.json')).default,
  fr: async () => (await import('./messages/advice-fr.json')).default,
  es: async () => (await import('./messages/advice-es.json')).default,
}

/** To be waited for before `adviceIn` is asked for the language; the words of its booklets come with it. */
export async function loadAdvice(language: Language): Promise<void> {
  if (language === 'en') return
  const [messages] = await Promise.all([FILES[language](), loadLanguage(language)])
  addAdvice(language, messages)
}
