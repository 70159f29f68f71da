import { ENGLISH, type Words } from '../language'
import { plural } from '../words'
import type { Durations, Minutes } from './durations'
import { median } from './fit'

/** "45 minutes", "3 hours 20 minutes": to five minutes from an hour on, since nobody knows it better. */
export function minutesWords(minutes: number, { say, count }: Words = ENGLISH): string {
  if (minutes < 1) return say('duration.least')
  if (minutes < 60) return count('count.minutes', Math.round(minutes))
  const whole = Math.round(minutes / 5) * 5
  const rest = whole % 60
  return `${count('count.hours', Math.floor(whole / 60))}${rest === 0 ? '' : ` ${count('count.minutes', rest)}`}`
}

/** "about 3 hours 20 minutes, between 2 hours and 5 hours 30 minutes". */
export const rangeWords = ({ minutes, low, high }: Minutes, words: Words = ENGLISH): string =>
  words.say('duration.range', { middle: minutesWords(minutes, words), low: minutesWords(low, words), high: minutesWords(high, words) })

/** What a duration rests on, as a sentence. */
export function basisWords({ logs, steps, medianError }: Durations['basis']): string {
  if (logs === 0) return 'Nobody has held a clock yet: these are rules of thumb.'
  const fitted = `Fitted to ${plural(steps, 'step')} of ${plural(logs, 'building')} with a clock.`
  if (medianError === null) return `${fitted} They are too few to say how good the fit is.`
  return `${fitted} Of steps that were held back while fitting, half were off by less than ${Math.round(medianError * 100)} %.`
}

/** What builders said it took them, as a sentence; empty where nobody said it. @param minutes of each who did */
export function toldWords(minutes: readonly number[]): string {
  if (minutes.length === 0) return ''
  if (minutes.length === 1) return `One builder says that it took ${minutesWords(minutes[0]!)}.`
  const range = `between ${minutesWords(Math.min(...minutes))} and ${minutesWords(Math.max(...minutes))}`
  return `${minutes.length} builders say that it took ${range}, ${minutesWords(median(minutes))} in the middle.`
}
