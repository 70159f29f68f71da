import { ADVICE_IN_ENGLISH, ENGLISH, type Said, type Words } from '../language'
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
export function basisWords({ logs, steps, medianError }: Durations['basis'], { say } = ADVICE_IN_ENGLISH): string {
  if (logs === 0) return say({ key: 'time.nobody' })
  const about = { steps: { key: 'time.fittedSteps', n: steps }, logs: { key: 'time.fittedLogs', n: logs } } as const
  const fitted: Said = { key: 'time.fitted', about }
  return say(
    medianError === null
      ? { key: 'time.tooFew', about: { fitted } }
      : { key: 'time.error', about: { fitted, percent: Math.round(medianError * 100) } },
  )
}

/** What builders said it took them, as a sentence; empty where nobody said it. @param minutes of each who did */
export function toldWords(minutes: readonly number[], { say, words } = ADVICE_IN_ENGLISH): string {
  if (minutes.length === 0) return ''
  const took = (each: number): string => minutesWords(each, words)
  if (minutes.length === 1) return say({ key: 'time.toldOne', about: { minutes: took(minutes[0]!) } })
  const about = { low: took(Math.min(...minutes)), high: took(Math.max(...minutes)), middle: took(median(minutes)) }
  return say({ key: 'time.told', n: minutes.length, about })
}
