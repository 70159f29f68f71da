import { loadLanguage, type Language } from '../language'
import type { BookletSource } from './pages'

/** A booklet in the language that its designer gave it; its words are loaded then. */
export async function inOwnLanguage<Source extends BookletSource>(source: Source): Promise<Source & { readonly language: Language }> {
  const language = source.model.booklet?.language ?? 'en'
  await loadLanguage(language)
  return { ...source, language }
}
