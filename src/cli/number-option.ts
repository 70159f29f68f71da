import { Fault } from '@core/fault'

/** Reads the number given to an option. @throws Fault `bad-number` */
export const wholeNumber =
  (name: string, least: number, most: number) =>
  (text: string): number => {
    const number = Number(text)
    if (Number.isInteger(number) && number >= least && number <= most) return number
    throw new Fault('bad-number', `--${name} must be a whole number from ${least} to ${most}.`)
  }

/** Reads a number above nothing. @throws Fault `bad-number` */
export const positiveNumber =
  (name: string) =>
  (text: string): number => {
    const number = Number(text)
    if (text.trim() !== '' && Number.isFinite(number) && number > 0) return number
    throw new Fault('bad-number', `--${name} must be a number above 0.`)
  }
