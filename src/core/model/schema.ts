import Joi from 'joi'
import { CONNECTOR_KINDS } from '../catalogue'
import { LANGUAGES } from '../language'
import { STUD_PITCH, turnFromText } from '../space'
import { LIMITS } from './limits'
import { TECHNIQUE_IDS, TECHNIQUE_POLICIES, VERDICTS } from './techniques'
import {
  FACE_NAMES,
  FIGURE_LIMBS,
  FIGURE_SLOTS,
  PHOTO_MARK_KINDS,
  STEP_NOTE_KINDS,
  WORK_KINDS,
  DIFFICULTIES,
  MARGIN_WIDTHS,
  PAPERS,
  STEP_COLUMNS,
  TRAY_PLACES,
} from './types'

/** A turn is one of 24 texts. */
const turn = Joi.string().custom((value: string, helpers) => (turnFromText(value) === undefined ? helpers.error('turn.unknown') : value))

const coordinate = Joi.number().min(-LIMITS.coordinate).max(LIMITS.coordinate)
const lattice = Joi.array().items(coordinate.integer()).length(3)
const free = Joi.array().items(coordinate).length(3)
const id = Joi.string().min(1).max(LIMITS.nameLength)
/** Names an id that stands elsewhere. */
const ref = Joi.string().max(LIMITS.nameLength)
const name = Joi.string().min(1).max(LIMITS.nameLength)
const notes = Joi.string().allow('').max(LIMITS.notesLength)
const hex = Joi.string().pattern(/^#[0-9a-fA-F]{6}$/)

/** Only what is printed or stuck on has a picture. */
const onPicture = (schema: Joi.Schema) => schema.when('kind', { not: Joi.valid('decal', 'print'), then: Joi.forbidden() })

/** What was done to a piece. */
export const workSchema = Joi.object({
  kind: Joi.valid(...WORK_KINDS).required(),
  note: notes,
  decal: onPicture(id),
  face: onPicture(Joi.valid(...FACE_NAMES)),
  at: onPicture(Joi.array().items(Joi.number().min(-1000).max(1000)).length(2)),
  turn: onPicture(Joi.valid(0, 90, 180, 270)),
}).and('decal', 'face')

/** In which versions something is there. */
const optional = { option: ref, unless: ref }

const part = Joi.object({
  id: id.required(),
  shape: ref.required(),
  colour: ref.required(),
  at: lattice,
  turn,
  count: Joi.number()
    .integer()
    .min(0)
    .max(LIMITS.flatParts)
    .when('at', { is: Joi.exist(), then: Joi.valid(1) }),
  length: Joi.number().greater(0).max(LIMITS.coordinate),
  work: Joi.array().items(workSchema),
  showsColour: Joi.boolean(),
  ...optional,
})

const direction = Joi.valid('+x', '-x', '+y', '-y', '+z', '-z')

const jointEnd = Joi.object({
  part: ref.required(),
  kind: Joi.valid(...CONNECTOR_KINDS).required(),
  number: Joi.number().integer().min(1),
})

const copy = Joi.object({
  id: id.required(),
  section: ref.required(),
  at: Joi.when('joint', {
    is: Joi.exist(),
    then: Joi.forbidden(),
    otherwise: Joi.when('rotate', { is: Joi.exist(), then: free.required(), otherwise: lattice.required() }),
  }),
  turn,
  rotate: Joi.array().items(Joi.number()).length(3),
  mirror: Joi.valid('x', 'y', 'z'),
  joint: Joi.object({
    on: jointEnd.required(),
    by: jointEnd.required(),
    angles: Joi.array().items(Joi.number().min(-360).max(360)).max(3),
    slide: coordinate,
  }),
  except: Joi.object().pattern(
    Joi.string()
      .min(1)
      .max(LIMITS.nameLength * (LIMITS.nesting + 1)),
    Joi.alternatives(Joi.valid(null), Joi.object({ colour: ref.required() }), Joi.object({ shape: ref.required() })),
  ),
  ...optional,
}).oxor('turn', 'rotate', 'joint')

const share = Joi.array().items(Joi.number().min(0).max(1)).length(2)
const photos = Joi.array()
  .items(
    Joi.object({
      file: Joi.string().max(LIMITS.photoLength).required(),
      alt: Joi.string().allow('').max(LIMITS.notesLength).required(),
      marks: Joi.array()
        .items(
          Joi.object({
            kind: Joi.valid(...PHOTO_MARK_KINDS).required(),
            at: share.required(),
            to: share,
            text: Joi.string().allow('').max(LIMITS.nameLength),
          }),
        )
        .max(LIMITS.photoMarks),
    }),
  )
  .max(LIMITS.photos)

const step = Joi.object({
  add: Joi.array().items(ref),
  join: Joi.array().items(ref),
  turn,
  note: notes,
  caution: notes,
  photo: Joi.string().max(LIMITS.fileBytes),
  notes: Joi.array()
    .items(
      Joi.object({
        kind: Joi.valid(...STEP_NOTE_KINDS).required(),
        text: Joi.string().min(1).max(LIMITS.notesLength).required(),
        parts: Joi.array().items(ref),
      }),
    )
    .max(LIMITS.stepNotes),
  photos,
  view: Joi.number().integer().min(0).max(7),
  locked: Joi.boolean(),
})

const grams = Joi.number().min(0).max(1_000_000)
const section = Joi.object({
  id: id.required(),
  name: name.required(),
  parts: Joi.array().items(part),
  copies: Joi.array().items(copy),
  steps: Joi.array().items(step),
  planRest: Joi.boolean(),
  apart: Joi.boolean(),
  places: Joi.array().items(Joi.object({ name: name.required(), part: ref.required() })),
  mass: Joi.object({ atLeast: grams, atMost: grams, moment: grams }),
}).with('planRest', 'steps')

const colour = Joi.object({
  id: id.required(),
  name: name.required(),
  hex: hex.required(),
  finish: Joi.valid('solid', 'clear', 'metal', 'glow').default('solid'),
})

const size = Joi.array().items(Joi.number().integer().min(1).max(LIMITS.shapeSide)).length(3)
const corner = Joi.array().items(Joi.number().integer().min(0).max(LIMITS.shapeSide)).length(3)

/** How many cells of a stud's width the three sides of boxes cover. */
const cellsOf = (boxes: readonly { readonly size: readonly number[] }[]): number =>
  boxes.reduce((sum, { size: sides }) => {
    const [x, y, z] = sides.map((side) => Math.ceil(side / STUD_PITCH) + 1) as [number, number, number]
    return sum + x * y + y * z + z * x
  }, 0)

const ownShape = Joi.object({
  id: id.required(),
  name: name.required(),
  boxes: Joi.array()
    .items(Joi.object({ at: corner.required(), size: size.required() }))
    .min(1)
    .max(LIMITS.shapeBoxes)
    .custom((boxes: readonly { size: readonly number[] }[], helpers) =>
      cellsOf(boxes) > LIMITS.shapeCells ? helpers.error('shape.cells') : boxes,
    )
    .required(),
  connectors: Joi.array()
    .max(LIMITS.shapeConnectors)
    .items(
      Joi.object({
        kind: Joi.valid(...CONNECTOR_KINDS).required(),
        at: lattice.required(),
        facing: direction.required(),
        length: Joi.number()
          .integer()
          .min(1)
          .max(LIMITS.coordinate)
          .when('kind', {
            is: Joi.valid('bar', 'axle', 'hose'),
            then: Joi.required(),
            otherwise: Joi.forbidden(),
          }),
        along: direction.when('kind', { is: Joi.valid('clip', 'fork', 'tongue'), then: Joi.required(), otherwise: Joi.forbidden() }),
      }),
    ),
})

const option = Joi.object({
  shape: ref.required(),
  colour: ref.required(),
  closeness: Joi.number().integer().min(1).max(5),
  note: notes,
  work: Joi.array().items(workSchema),
  donor: Joi.string().allow('').max(LIMITS.nameLength),
  price: Joi.number().min(0),
})
const slot = Joi.object({ chosen: Joi.number().integer().min(0), options: Joi.array().items(option).min(1).max(50).required() })
const angle = Joi.number().min(-360).max(360)
const figure = Joi.object({
  id: id.required(),
  name: name.required(),
  section: id.required(),
  slots: Joi.object(Object.fromEntries(FIGURE_SLOTS.map((each) => [each, slot]))).required(),
  currency: Joi.string().min(1).max(20),
  pose: Joi.object(Object.fromEntries(FIGURE_LIMBS.map((each) => [each, angle]))),
})

const decal = Joi.object({
  id: id.required(),
  name: name.required(),
  picture: Joi.string().max(LIMITS.pictureLength).required(),
  size: Joi.array().items(Joi.number().greater(0).max(LIMITS.decalSize)).length(2).required(),
})

const optionIds = Joi.array().items(ref).max(LIMITS.options)
const modelOption = Joi.object({
  id: id.required(),
  name: name.required(),
  note: notes,
  on: Joi.boolean(),
  needs: optionIds,
  rulesOut: optionIds,
})
const variant = Joi.object({
  id: id.required(),
  name: name.required(),
  note: notes,
  inBooklet: Joi.boolean(),
  with: optionIds,
  without: optionIds,
  recolour: Joi.array()
    .items(Joi.object({ from: ref.required(), to: ref.required(), section: ref }))
    .max(LIMITS.options),
})

const kitPiece = Joi.object({
  shape: ref.required(),
  colour: ref.required(),
  count: Joi.number().integer().min(0).max(LIMITS.flatParts).required(),
  lengthMm: Joi.number().greater(0).max(LIMITS.coordinate),
})

/** Of what a bag costs, in pieces. */
const weight = Joi.number().min(0).max(10_000)

/** The shape of a `.rail.json`; what refers to something else is checked in `read.ts`. */
export const modelSchema = Joi.object({
  format: Joi.valid('jump-rail-model').required(),
  version: Joi.valid(1).required(),
  name: name.required(),
  designer: Joi.string().allow('').max(LIMITS.nameLength),
  notes,
  root: ref.required(),
  sections: Joi.array().items(section).min(1).max(LIMITS.sections).required(),
  palette: Joi.array().items(colour),
  shapes: Joi.array().items(ownShape),
  options: Joi.array().items(modelOption).max(LIMITS.options),
  variants: Joi.array().items(variant).max(LIMITS.options),
  figures: Joi.array().items(figure).max(200),
  decals: Joi.array().items(decal).max(LIMITS.decals),
  techniques: Joi.alternatives(
    Joi.valid(...Object.keys(TECHNIQUE_POLICIES)),
    Joi.object(Object.fromEntries(TECHNIQUE_IDS.map((technique) => [technique, Joi.valid(...VERDICTS)]))),
  ),
  kits: Joi.array()
    .items(Joi.object({ id: id.required(), name: name.required(), pieces: Joi.array().items(kitPiece).max(LIMITS.flatParts).required() }))
    .max(50),
  substitutes: Joi.array()
    .items(
      Joi.object({ for: kitPiece.required(), use: Joi.array().items(kitPiece).min(1).max(50).required(), consequence: notes.required() }),
    )
    .max(500),
  bags: Joi.object({
    pieces: Joi.number().integer().min(1).max(LIMITS.allParts).required(),
    booklets: Joi.number().integer().min(1).max(20),
    weights: Joi.object({ bag: weight, split: weight, lookAlike: weight, uneven: weight }),
    begins: Joi.array()
      .items(
        Joi.object({
          section: ref.required(),
          step: Joi.number().integer().min(1).required(),
          time: Joi.number().integer().min(1).required(),
        }),
      )
      .max(LIMITS.sections),
  }),
  booklet: Joi.object({
    paper: Joi.valid(...PAPERS),
    margins: Joi.valid(...MARGIN_WIDTHS),
    columns: Joi.valid(...STEP_COLUMNS),
    stepsOnSheet: Joi.number().integer().min(1).max(12),
    trays: Joi.valid(...TRAY_PLACES),
    contents: Joi.boolean(),
    label: Joi.boolean(),
    figures: Joi.boolean(),
    withoutDecals: Joi.boolean(),
    reference: Joi.boolean(),
    people: Joi.number().integer().min(1).max(20),
    difficulty: Joi.valid(...DIFFICULTIES),
    language: Joi.valid(...LANGUAGES),
    errata: notes,
    credits: notes,
    terms: notes,
    ideas: notes,
  }),
  photos,
})
