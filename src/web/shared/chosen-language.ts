import { isLanguage, type Language } from '@core/language'

const KEY = 'jump-rail-language'

/** The language that was chosen on this device, for the screens and for whatever booklet. */
export function chosenLanguage(): Language | undefined {
  try {
    const kept = localStorage.getItem(KEY)
    return isLanguage(kept) ? kept : undefined
  } catch {
    return undefined
  }
}

/** From the next visit on; where nothing can be kept it is spoken as long as the page is open. */
export function keepChosenLanguage(language: Language): void {
  try {
    localStorage.setItem(KEY, language)
  } catch {
    // It is spoken as long as the page is open.
  }
}
