import { adviceIn, type Advice } from '@core/language'
import { screenLanguage } from './screen-words'

/** What designers are told, in the language of the screens. */
export const screenAdvice = (): Advice => adviceIn(screenLanguage())
