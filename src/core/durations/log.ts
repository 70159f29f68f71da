import Joi from 'joi'
import { Fault } from '../fault'
import { LIMITS, pathText } from '../model'
import { jsonValue } from '../words'

/** One building of the model, or of some of it, with a clock. */
export interface LogRun {
  readonly date: string
  readonly builder: 'designer' | 'builder'
  readonly steps: readonly LogStep[]
}

export interface LogStep {
  readonly section: string
  /** From 1. */
  readonly step: number
  readonly seconds: number
  readonly mistakes?: number
  readonly missing?: number
  readonly left?: number
  readonly note?: string
}

const count = Joi.number().integer().min(0).max(100_000)
const schema = Joi.object({
  format: Joi.valid('jump-rail-log').required(),
  version: Joi.valid(1).required(),
  runs: Joi.array()
    .items(
      Joi.object({
        date: Joi.string().max(40).required(),
        builder: Joi.valid('designer', 'builder').required(),
        steps: Joi.array()
          .items(
            Joi.object({
              section: Joi.string().max(LIMITS.nameLength).required(),
              step: count.min(1).required(),
              seconds: Joi.number().min(0).max(86_400).required(),
              mistakes: count,
              missing: count,
              left: count,
              note: Joi.string().allow('').max(LIMITS.notesLength),
            }),
          )
          .max(100_000)
          .required(),
      }),
    )
    .max(10_000)
    .required(),
})

/** A log of building with a clock. @throws Fault `not-json`, `bad-value` with the place */
export function readLog(text: string): LogRun[] {
  const result = schema.validate(jsonValue(text, 'Save it again from where it came from.'), { convert: false, abortEarly: true })
  if (result.error) {
    const { path, message } = result.error.details[0]!
    throw new Fault('bad-value', `${message.charAt(0).toUpperCase()}${message.slice(1)}.`, { place: pathText(path) })
  }
  return (result.value as { runs: LogRun[] }).runs
}

/** The same as a file that `readLog` and the command `time` read. */
export const writeLog = (runs: readonly LogRun[]): string =>
  `${JSON.stringify({ format: 'jump-rail-log', version: 1, runs }, undefined, 1)}\n`
