import Joi from 'joi'
import { Fault, placedWithin } from '../fault'
import type { BookletVersion, Bundle } from '../booklet'
import { checkModel, cleanPicture, LIMITS, workSchema } from '../model'
import { checkPlan } from './check-plan'

/** Largest bundle that is taken, in bytes of JSON. */
export const BUNDLE_BYTES = 32 * 1024 * 1024

/** Versions beside the one that is shown. */
const MOST_VERSIONS = 20

/** Letters of the picture that is shown first. */
const MOST_COVER = 120_000

const ref = Joi.string().max(LIMITS.nameLength)
const count = Joi.number().integer().min(0).max(LIMITS.allParts)
const piece = Joi.object({
  shape: ref.required(),
  colour: ref.required(),
  count: count.required(),
  length: Joi.number().greater(0),
  work: Joi.array().items(workSchema),
})
const pieces = Joi.array().items(piece)
const direction = Joi.alternatives(Joi.valid('+x', '-x', '+y', '-y', '+z', '-z'), Joi.array().items(Joi.number()).length(3))
const ids = Joi.array().items(ref)
const press = Joi.valid('+x', '-x', '+y', '-y', '+z', '-z')
const move = Joi.object({ parts: ids, copy: ref, section: ref, direction: direction.required(), press }).xor('parts', 'copy', 'section')
const step = Joi.object({
  number: count.required(),
  moves: Joi.array().items(move).required(),
  callout: pieces.required(),
  rests: ids.required(),
  turn: ref,
})
const section = Joi.object({
  id: ref.required(),
  name: ref.required(),
  times: count.required(),
  mirrored: count.required(),
  parts: count.required(),
  derivedFrom: ref,
  steps: Joi.array().items(step).required(),
})

/** What a booklet is made of, as the version that it shows or as one beside it. */
const content = {
  model: Joi.object().unknown().required(),
  plan: Joi.object({
    name: ref.required(),
    parts: count.required(),
    sections: Joi.array().items(section).min(1).required(),
    inventory: pieces.required(),
    colours: Joi.array()
      .items(Joi.object({ colour: ref.required(), count: count.required() }))
      .required(),
  }).required(),
  insets: Joi.array().items(
    Joi.object({
      section: ref.required(),
      step: Joi.number().integer().min(1).required(),
      view: Joi.number().integer().min(0).max(7).required(),
      things: ids.required(),
      tellsPlaces: Joi.valid(true),
    }),
  ),
  bags: Joi.array().items(
    Joi.object({
      bag: Joi.number().integer().min(1).required(),
      section: ref.required(),
      step: Joi.number().integer().min(1).required(),
      time: Joi.number().integer().min(1).required(),
    }),
  ),
  views: Joi.array()
    .items(Joi.array().items(Joi.number().integer().min(0).max(7)))
    .required(),
}
const versionName = { id: ref.allow('').required(), name: ref.required(), note: Joi.string().allow('').max(LIMITS.notesLength) }

const bundleSchema = Joi.object({
  format: Joi.valid('jump-rail-bundle').required(),
  version: Joi.valid(1).required(),
  ...content,
  cover: Joi.string().max(MOST_COVER),
  shows: Joi.object(versionName),
  versions: Joi.array()
    .items(Joi.object({ ...versionName, ...content }))
    .unique('id')
    .max(MOST_VERSIONS),
  names: Joi.array().items(
    Joi.object({
      kind: Joi.valid('shape', 'colour').required(),
      id: ref.required(),
      name: Joi.string().allow('').max(LIMITS.nameLength).required(),
      number: Joi.string().allow('').max(LIMITS.nameLength).required(),
    }),
  ),
})

/**
 * Checks a booklet once, when it comes in: whoever opens it later may rely on it.
 * @returns it with nothing in its pictures but what is drawn
 * @throws Fault `not-a-bundle`, `bundle-mismatch`, or what `checkModel` throws of the model inside
 */
export function checkBundle(value: unknown): Bundle {
  const result = bundleSchema.validate(value, { convert: false, abortEarly: true })
  if (result.error) {
    const detail = result.error.details[0]!
    throw new Fault('not-a-bundle', `This is not a booklet: ${detail.message}.`, { place: detail.path.join('.') })
  }
  const bundle = result.value as Bundle
  const model = placedWithin('model', () => checkModel(bundle.model))
  checkPlan({ ...bundle, model })
  const versions = bundle.versions?.map((version, i) => checkVersion(version, `versions[${i}]`))
  if (versions && versions.length > 0 && (!bundle.shows || versions.some(({ id }) => id === bundle.shows!.id)))
    throw new Fault('not-a-bundle', 'This is not a booklet: it does not say which of its versions it shows.', { place: 'shows' })
  const cover = bundle.cover === undefined ? undefined : cleanPicture(bundle.cover, 'cover')
  if (model === bundle.model && !versions && cover === bundle.cover) return bundle
  return { ...bundle, model, ...(cover === undefined ? {} : { cover }), ...(versions ? { versions } : {}) }
}

function checkVersion(version: BookletVersion, place: string): BookletVersion {
  return placedWithin(place, () => {
    const model = placedWithin('model', () => checkModel(version.model))
    checkPlan({ ...version, model })
    return { ...version, model }
  })
}
