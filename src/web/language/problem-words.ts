import type { Problem } from '@core/fault'
import type { Said } from '@core/language'
import { screenAdvice } from './screen-advice'

/** A problem in the language of the screens, as far as it is known as data; what is told is made of the same messages everywhere. */
export function problemWords({ told, place, message, wayOut }: Problem): Pick<Problem, 'place' | 'message' | 'wayOut'> {
  if (!told) return { place, message, ...(wayOut === undefined ? {} : { wayOut }) }
  const said = (sentence: typeof told.message): string => screenAdvice().say(sentence as Said)
  return { place: said(told.place), message: said(told.message), wayOut: said(told.wayOut) }
}

/** The same in one line. */
export function problemLine(problem: Problem): string {
  const { place, message, wayOut } = problemWords(problem)
  return [`${place}: ${message}`, wayOut].filter(Boolean).join(' ')
}
