import type { Language } from './languages'
import { addLanguage, isLoaded, type LanguageFile } from './words'

/** Where each language but English is: of its own, so that only who reads it loads it. */
const FILES: Readonly<Record<Exclude<Language, 'en'>, () => Promise<LanguageFile>>> = {
  de: async () => ({ messages: (await import('./messages/de.json')).default, ...(await import('./messages/pieces-de.json')).default }),
  fr: async () => ({ messages: (await import('./messages/fr.json')).default, ...(await import('./messages/pieces-fr.json')).default }),
  es: async () => ({ messages: (await import('./messages/es.json')).default, ...(await import('./messages/pieces-es.json')).default }),
}

/** The file of a language that is not always there. A message that it lacks does not compile. */
export const languageFile = (language: Exclude<Language, 'en'>): Promise<LanguageFile> => FILES[language]()

/** To be waited for before `wordsIn` is asked for the language; at once where it is there already. */
export async function loadLanguage(language: Language = 'en'): Promise<void> {
  if (language !== 'en' && !isLoaded(language)) addLanguage(language, await languageFile(language))
}
