import Joi from 'joi'
import type { DeskPiece, MarketDay, PracticeOrder } from '@core/desk'
import { Fault } from '@core/fault'
import { pathText } from '@core/model'
import { momentOf, QUESTION_KINDS, QUESTION_STATES, type FreeWindow, type QuestionRecord, type QuestionText } from './records'

/** What requests may hold; all texts are plain. */

const OWN_WORDS = 20_000
const QUESTION = 4000
const NAME = 80

const ISO_DATE = /^(\d{4}-\d{2}-\d{2})(?:T\d{2}:\d{2}(?::\d{2}(?:\.\d{1,9})?)?(?:Z|[+-]\d{2}:\d{2})?)?$/

const isoTime: Joi.CustomValidator<string> = (value, helpers) => {
  const date = ISO_DATE.exec(value)?.[1]
  if (date === undefined || Number.isNaN(momentOf(value))) return helpers.error('date.iso')
  // A day that the month does not have is taken for one of the next by Date.
  return new Date(date).toISOString().startsWith(date) ? value : helpers.error('date.iso')
}

const words = Joi.string().allow('').max(OWN_WORDS)
const window = Joi.object({
  freeUntil: Joi.string().required().custom(isoTime),
  after: Joi.valid('closed', 'password').required(),
  note: words,
})
const password = Joi.string().min(1).max(1000)

/** Checked by itself. */
interface WithBundle {
  readonly bundle: unknown
}

/** Beside the bundle. */
export interface NewBooklet {
  readonly terms?: string
  readonly window?: FreeWindow
  readonly password?: string
}
export const NEW_BOOKLET: Joi.ObjectSchema<NewBooklet & WithBundle> = Joi.object({
  bundle: Joi.any().required(),
  terms: words,
  window,
  password,
})

export interface NewVersion {
  readonly whatChanged?: string
}
export const NEW_VERSION: Joi.ObjectSchema<NewVersion & WithBundle> = Joi.object({ bundle: Joi.any().required(), whatChanged: words })

export interface NewSettings {
  readonly terms?: string | null
  readonly window?: FreeWindow | null
  readonly password?: string | null
  readonly questions?: 'open' | 'closed' | null
}
export const NEW_SETTINGS: Joi.ObjectSchema<NewSettings> = Joi.object({
  terms: words.allow(null),
  window: window.allow(null),
  password: password.allow(null),
  questions: Joi.valid('open', 'closed', null),
})

const webLink: Joi.CustomValidator<string> = (value, helpers) =>
  URL.canParse(value) && ['http:', 'https:'].includes(new URL(value).protocol) ? value : helpers.error('link.web')

export const NEW_QUESTION: Joi.ObjectSchema<QuestionText> = Joi.object({
  kind: Joi.valid(...QUESTION_KINDS).required(),
  text: Joi.string().max(QUESTION).pattern(/\S/).required(),
  section: Joi.string().max(200),
  step: Joi.number().integer().min(1).max(1_000_000),
  part: Joi.string().max(1000),
  minutes: Joi.number().min(0).max(1_000_000),
  name: Joi.string().max(NAME),
  link: Joi.string().max(2000).custom(webLink),
})

export const NEW_ANSWER: Joi.ObjectSchema<{ text: string }> = Joi.object({ text: Joi.string().max(OWN_WORDS).pattern(/\S/).required() })
export const NEW_STATE: Joi.ObjectSchema<Pick<QuestionRecord, 'state'>> = Joi.object({ state: Joi.valid(...QUESTION_STATES).required() })

const marketDay = {
  seed: Joi.number().integer().min(0).max(1_000_000),
  date: Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}$/)
    .custom(isoTime),
}
const kindKeys = { shape: Joi.string().max(200).required(), colour: Joi.string().max(200).required() }
const pieceCount = Joi.number().integer().min(1).max(100_000).required()

export const PRACTICE_PRICES: Joi.ObjectSchema<Partial<MarketDay> & { pieces: readonly Pick<DeskPiece, 'shape' | 'colour'>[] }> =
  Joi.object({
    ...marketDay,
    pieces: Joi.array().items(Joi.object(kindKeys)).max(2000).required(),
  })
export const PRACTICE_ORDER: Joi.ObjectSchema<Partial<MarketDay> & { order: PracticeOrder }> = Joi.object({
  ...marketDay,
  order: Joi.object({
    supplier: Joi.string().max(200).required(),
    lines: Joi.array()
      .items(Joi.object({ ...kindKeys, count: pieceCount, lengthMm: Joi.number().greater(0).max(100_000) }))
      .max(2000)
      .required(),
    kits: Joi.array()
      .items(Joi.object({ id: Joi.string().max(200).required(), count: pieceCount }))
      .max(100)
      .required(),
  }).required(),
})

/** @throws Fault `bad-request` */
export function readJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown
  } catch (error) {
    throw new Fault('bad-request', `This is not valid JSON: ${(error as Error).message}.`)
  }
}

/** @throws Fault `unknown-key`, `missing-key`, `too-long`, `bad-value` with the place in the request */
export function checkBody<T>(schema: Joi.ObjectSchema<T>, value: unknown): T {
  // This key would be lost before it is looked at.
  if (typeof value === 'object' && value !== null && Object.hasOwn(value, '__proto__')) throw unknownKey('__proto__', '__proto__')
  const result = schema.required().validate(value, { convert: false, abortEarly: true })
  if (!result.error) return result.value
  const detail = result.error.details[0]!
  const place = pathText(detail.path)
  const key = String(detail.path.at(-1) ?? 'The request')
  const at = place === '' ? {} : { place }
  switch (detail.type) {
    case 'object.unknown':
      throw unknownKey(key, place)
    case 'any.required':
      throw new Fault('missing-key', `“${key}” is missing.`, at)
    case 'string.max':
      throw new Fault('too-long', `“${key}” is longer than ${(detail.context as { limit: number }).limit} characters.`, at)
    case 'any.only':
      throw new Fault('bad-value', `“${key}” has a value that is not known; known: ${knownValues(detail)}.`, at)
    case 'string.empty':
    case 'string.pattern.base':
      throw new Fault('bad-value', `“${key}” is empty.`, at)
    case 'date.iso':
      throw new Fault('bad-value', `“${key}” is no date or time such as 2026-12-24 or 2026-12-24T18:00:00Z.`, at)
    case 'link.web':
      throw new Fault('bad-value', `“${key}” is no address that begins with https:// or http://.`, at)
    default:
      throw new Fault('bad-value', `${detail.message}.`, at)
  }
}

const unknownKey = (key: string, place: string): Fault =>
  new Fault('unknown-key', `The key “${key}” is not known here.`, { place, wayOut: 'Remove it, or check its spelling.' })

const knownValues = (detail: Joi.ValidationErrorItem): string =>
  ((detail.context as { valids?: readonly unknown[] }).valids ?? []).map((value) => String(value)).join(', ')
