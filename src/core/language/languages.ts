/** The languages in which a booklet speaks to builders; the first is the one that is always there. */
export const LANGUAGES = ['en', 'de', 'fr', 'es'] as const

export type Language = (typeof LANGUAGES)[number]

/** Each as its own speakers call it. */
export const LANGUAGE_NAMES: Readonly<Record<Language, string>> = { en: 'English', de: 'Deutsch', fr: 'Français', es: 'Español' }

export const isLanguage = (value: unknown): value is Language => LANGUAGES.includes(value as Language)

/** The first of several wishes that can be fulfilled. @param tags as browsers give them, the dearest first: `de-AT`, `fr` (BCP 47) */
export function languageAmong(tags: readonly string[]): Language | undefined {
  for (const tag of tags) {
    const primary = tag.slice(0, 2).toLowerCase()
    if ((tag.length === 2 || tag[2] === '-') && isLanguage(primary)) return primary
  }
  return undefined
}
