import { ref, shallowRef } from 'vue'
import type { Bundle } from '@core/booklet'
import { addLanguage, isLoaded, languageAmong, wordsIn, type Language, type LanguageFile } from '@core/language'
import { keepAddress } from '../offline/offline'
import { chosenLanguage, keepChosenLanguage } from '../shared/chosen-language'

/** In which language a booklet is shown first: as was chosen here, as the browser wishes, as its designer wrote it. */
export const languageToShow = (bundle: Bundle | null): Language =>
  chosenLanguage() ?? languageAmong(navigator.languages) ?? bundle?.model.booklet?.language ?? 'en'

/** Languages that stand in the page itself, as in a booklet that is one file. */
function languageInPage(language: Language): LanguageFile | undefined {
  const text = document.getElementById('languages')?.textContent
  return text ? (JSON.parse(text) as Partial<Record<Language, LanguageFile>>)[language] : undefined
}

/** Makes the words of a language ready; of a published booklet they lie beside the page. @throws where they cannot be had now */
async function fetchLanguage(language: Language): Promise<void> {
  if (isLoaded(language)) return
  const here = languageInPage(language)
  if (here) return addLanguage(language, here)
  const address = `/follow/words/${language}.json`
  const answer = await fetch(address)
  if (!answer.ok) throw new Error(`${address}: ${answer.status}`)
  addLanguage(language, (await answer.json()) as LanguageFile)
  keepAddress(address).catch(() => undefined)
}

/** The language, or English where its words cannot be had. */
export const readyLanguage = (language: Language): Promise<Language> =>
  fetchLanguage(language).then(
    () => language,
    () => 'en',
  )

/** The language that the page speaks, which its reader may change. @param first is ready */
export function useLanguage(first: Language) {
  const words = shallowRef(wordsIn(first))
  const isMissing = ref(false)

  function speak(language: Language): void {
    words.value = wordsIn(language)
    document.documentElement.lang = language
  }
  async function choose(language: Language): Promise<void> {
    isMissing.value = (await readyLanguage(language)) !== language
    if (isMissing.value) return
    speak(language)
    keepChosenLanguage(language)
  }
  speak(first)
  return { words, isMissing, choose, speak }
}
