import { faultLine, plainFault } from '@core/fault'
import type { Words } from '@core/language'

/** What builders meet: each language has its own words for it, where the server has those of one. */
const MET = ['no-server', 'password-needed', 'too-often', 'withdrawn'] as const

/** Why something could not be done, for a builder. */
export function faultWords(thrown: unknown, { say, language }: Words): string {
  const fault = plainFault(thrown)
  const met = MET.find((code) => code === fault.code)
  return met && language !== 'en' ? say(`fault.${met}`) : faultLine(fault)
}
