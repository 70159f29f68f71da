import type { AdviceKey } from '@core/language'
import { screenAdvice } from '../language'

/** A family of shapes; one that has no words here stands as it is. */
export function familyWords(family: string): string {
  const key = `family.${family.replace(/[ -](\w)/g, (_, letter: string) => letter.toUpperCase())}` as AdviceKey
  const words = screenAdvice().say({ key })
  return words === key ? family : words
}
