import { inject, type InjectionKey } from 'vue'
import { ENGLISH, type Words } from '@core/language'

export const WORDS: InjectionKey<Words> = Symbol('words')

/** The language in which a booklet speaks; where nothing is provided, as on the designer's own screens, English. */
export const useWords = (): Words => inject(WORDS, ENGLISH)
