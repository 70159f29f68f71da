import { Fault } from '@core/fault'
import { checkBundle } from '@core/formats'

/** Reads and checks the text of a booklet. @returns the text to be stored: as it came, but for what pictures need not hold. @throws Fault */
export function checkText(text: string): string {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch (error) {
    throw new Fault('bad-request', `This is not valid JSON: ${(error as Error).message}.`)
  }
  return JSON.stringify(checkBundle(value))
}
