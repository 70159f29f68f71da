import { isByLength, nearestIds, type Catalogue } from '../catalogue'
import { Fault } from '../fault'
import { jsonValue } from '../words'
import { catalogueOf } from './flatten'
import { LIMITS } from './limits'
import { refuseDoubles, refuseUnknown } from './refuse'
import { modelSchema } from './schema'
import { shapeFault } from './schema-fault'
import { ANGLE_LIMITS, ballBend, connectorOf, doJoin, isBall } from './joint-pose'
import { shapeOfPart } from './lengths'
import { checkNamedPieces } from './check-named-pieces'
import { checkOptions } from './check-options'
import { cleanPhotos } from './photos-of'
import { cleanPicture, pictureSize } from './pictures'
import {
  copiesOf,
  isLoose,
  partsOf,
  sectionsById,
  type Copy,
  type CopyJoint,
  type Decal,
  type GivenStep,
  type JointEnd,
  type ModelDocument,
  type Part,
  type Section,
} from './types'

/** The text of a file as a checked document. @throws Fault `too-large`, `not-json`, or what `checkModel` throws. */
export function readModelText(text: string): ModelDocument {
  if (text.length > LIMITS.fileBytes) {
    throw new Fault('too-large', 'The file is larger than 64 MiB.', { wayOut: 'Split the model into several files.' })
  }
  return checkModel(jsonValue(text, 'Export it again from where it came from, or open a copy.'))
}

/**
 * Checks a value against the contract of the model file and returns it typed.
 * @throws Fault with the path of the first offence: shape of the data, then unknown, doubled and missing ids, then limits.
 */
export function checkModel(value: unknown): ModelDocument {
  if (value === null || typeof value !== 'object' || Array.isArray(value)) {
    throw new Fault('not-a-model', 'The file holds no model: its outermost value is not an object.')
  }
  const result = modelSchema.validate(value, { convert: false, abortEarly: true })
  if (result.error) throw shapeFault(result.error.details[0]!)
  const model = result.value as ModelDocument
  checkReferences(model)
  checkNesting(model)
  const photographed = cleanPhotos(model)
  if (!model.decals) return photographed
  const decals = cleanDecals(model.decals)
  return decals === model.decals ? photographed : { ...photographed, decals }
}

/**
 * The same for a document made from one that was checked: what both share, by identity, is not looked at again, so that the
 * price is that of the change.
 * @throws Fault as `checkModel` does
 */
export function checkChanged(model: ModelDocument, before: ModelDocument): void {
  if (model === before) return
  const thin = withoutShared(model, before)
  // Places are counted in the whole document.
  if (modelSchema.validate(thin, { convert: false, abortEarly: true }).error) checkModel(model)
  checkReferences(model, before)
  if (model.decals && model.decals !== before.decals) cleanDecals(model.decals)
  if (model.photos !== before.photos || model.sections !== before.sections) cleanPhotos(model, before)
  if (model.sections !== before.sections || model.root !== before.root) checkNesting(model)
}

function withoutShared(model: ModelDocument, before: ModelDocument): unknown {
  const old = sectionsById(before)
  const sections = model.sections.map((section) => {
    const known = old.get(section.id)
    if (known === section) return { id: section.id, name: section.name }
    const fresh = Object.entries(section).map(([key, value]: [string, unknown]) => [key, onlyNew(value, known?.[key as keyof Section])])
    return Object.fromEntries(fresh) as Section
  })
  const { decals, shapes, palette, figures, ...rest } = model
  const lists = { decals, shapes, palette, figures }
  const fresh = Object.entries(lists).flatMap(([key, list]) =>
    list === undefined ? [] : [[key, onlyNew(list, before[key as keyof typeof lists])]],
  )
  return { ...rest, sections, ...(Object.fromEntries(fresh) as object) }
}

/** Of a list the entries that the list before does not have; anything else whole. */
function onlyNew(value: unknown, before: unknown): unknown {
  if (!Array.isArray(value) || !Array.isArray(before)) return value
  if (value === before) return []
  const known = new Set<unknown>(before)
  return (value as unknown[]).filter((entry) => typeof entry !== 'object' || !known.has(entry))
}

/** @param before a checked document: sections and lists that both share are taken as checked */
function checkReferences(model: ModelDocument, before?: ModelDocument): void {
  const catalogue = catalogueOf(model)
  refuseDoubles(model.palette ?? [], (i) => `palette[${i}].id`)
  refuseDoubles(model.shapes ?? [], (i) => `shapes[${i}].id`)
  refuseDoubles(model.sections, (i) => `sections[${i}].id`)
  const sections = new Map(model.sections.map((section) => [section.id, section]))
  if (!sections.has(model.root)) {
    throw new Fault('missing-root', `The root section “${model.root}” does not exist.`, {
      place: 'root',
      wayOut: `Name one of: ${nearestIds(model.root, sections.keys()).join(', ')}.`,
    })
  }
  checkOptions(model, catalogue, before)
  refuseDoubles(model.decals ?? [], (i) => `decals[${i}].id`)
  const decals = new Map((model.decals ?? []).map((decal) => [decal.id, decal]))
  refuseDoubles(model.figures ?? [], (i) => `figures[${i}].id`)
  model.figures?.forEach(({ slots }, i) => {
    for (const [slot, entry] of Object.entries(slots)) {
      const place = `figures[${i}].slots.${slot}`
      entry.options.forEach((option, k) => {
        refuseUnknown('shape', option.shape, catalogue.shapes, `${place}.options[${k}].shape`)
        refuseUnknown('colour', option.colour, catalogue.colours, `${place}.options[${k}].colour`)
      })
      checkDecals(entry.options, `${place}.options`, decals)
      if ((entry.chosen ?? 0) >= entry.options.length)
        throw new Fault('out-of-range', 'The chosen option does not exist.', { place: `${place}.chosen` })
    }
  })
  checkNamedPieces(model, catalogue)
  // What a section names may have gone elsewhere, so sections are taken as checked only where nothing they name has changed.
  const isAlike = before?.shapes === model.shapes && before?.palette === model.palette && before?.decals === model.decals
  const checked = new Set(before && isAlike && isSameSections(model, before) ? before.sections : [])
  model.sections.forEach((section, i) => {
    if (checked.has(section)) return
    const known = isAlike ? before && sectionsById(before).get(section.id) : undefined
    checkSection(section, `sections[${i}]`, { sections, catalogue }, known)
    checkDecals(partsOf(section), `sections[${i}].parts`, decals)
  })
}

/** Whether no section has gone, or lost a part that a joint could name. */
const isSameSections = (model: ModelDocument, before: ModelDocument): boolean => {
  const now = sectionsById(model)
  return before.sections.every((section) => now.get(section.id)?.parts === section.parts)
}

/**
 * Pictures are unpacked to see that they are sound; how much that is, is known before, and no more comes out.
 * @returns the decals with nothing in their pictures but what is drawn; the same list where that is so already
 */
function cleanDecals(decals: readonly Decal[]): readonly Decal[] {
  let dots = 0
  decals.forEach(({ picture }, i) => {
    const place = `decals[${i}].picture`
    const { width, height } = pictureSize(picture, place)
    dots += width * height
    if (dots > LIMITS.decalDots) {
      throw new Fault('too-many-dots', `The pictures of all decals together have more than ${LIMITS.decalDots / 1e6} million dots.`, {
        place,
        wayOut: 'Attach smaller ones: 600 dots to the inch print well.',
      })
    }
  })
  const clean = decals.map((decal, i) => {
    const picture = cleanPicture(decal.picture, `decals[${i}].picture`)
    return picture === decal.picture ? decal : { ...decal, picture }
  })
  return clean.every((decal, i) => decal === decals[i]) ? decals : clean
}

/** @param path of the list of pieces */
function checkDecals(pieces: readonly Pick<Part, 'work'>[], path: string, decals: ReadonlyMap<string, unknown>): void {
  pieces.forEach(({ work }, i) =>
    work?.forEach(({ decal }, k) => {
      if (decal === undefined || decals.has(decal)) return
      throw new Fault('unknown-decal', `There is no decal “${decal}”.`, {
        place: `${path}[${i}].work[${k}].decal`,
        wayOut: decals.size === 0 ? 'The model has no decal.' : `The nearest known: ${nearestIds(decal, decals.keys()).join(', ')}.`,
      })
    }),
  )
}

type IdKinds = ReadonlyMap<string, 'part' | 'copy'>

const checkedIds = new WeakMap<readonly Part[], { readonly copies: Section['copies']; readonly ids: IdKinds }>()

/** What a section is checked against. */
interface Surroundings {
  readonly sections: ReadonlyMap<string, Section>
  readonly catalogue: Catalogue
}

/** @param known the section as it was checked before, with the same catalogue: what both share is not looked at again */
function checkSection(section: Section, path: string, { sections, catalogue }: Surroundings, known?: Section): void {
  const isSame = known !== undefined && known.parts === section.parts && known.copies === section.copies
  const kept = section.parts && checkedIds.get(section.parts)
  const ids = isSame && kept && kept.copies === section.copies ? kept.ids : checkThings(section, path, sections, catalogue)
  if (section.parts) checkedIds.set(section.parts, { copies: section.copies, ids })
  section.places?.forEach(({ part }, i) => {
    if (ids.get(part) === 'part') return
    throw new Fault('unknown-part', `The place names the part “${part}”, which section “${section.id}” does not have.`, {
      place: `${path}.places[${i}].part`,
      wayOut: `The nearest known: ${nearestIds(part, idsOfKind(ids, 'part')).join(', ')}.`,
    })
  })
  const checkedSteps = new Set(isSame ? known.steps : [])
  section.steps?.forEach((step, i) => {
    if (!checkedSteps.has(step)) checkStep(step, `${path}.steps[${i}]`, section.id, ids)
  })
}

const idsOfKind = (ids: IdKinds, kind: 'part' | 'copy'): string[] => [...ids].filter(([, k]) => k === kind).map(([id]) => id)

function checkStep(step: GivenStep, path: string, section: string, ids: IdKinds): void {
  const refuse = (id: string, kind: 'part' | 'copy', place: string): void => {
    if (ids.get(id) === kind) return
    const known = idsOfKind(ids, kind)
    throw new Fault(`unknown-${kind}`, `The step names the ${kind} “${id}”, which section “${section}” does not have.`, {
      place,
      wayOut: known.length === 0 ? `The section has no ${kind}.` : `The nearest known: ${nearestIds(id, known).join(', ')}.`,
    })
  }
  step.add?.forEach((id, k) => refuse(id, 'part', `${path}.add[${k}]`))
  step.join?.forEach((id, k) => refuse(id, 'copy', `${path}.join[${k}]`))
  step.notes?.forEach(({ parts }, i) => parts?.forEach((id, k) => refuse(id, 'part', `${path}.notes[${i}].parts[${k}]`)))
}

/** Parts and copies: each with an id of its own, of something that exists, held by what is there. */
function checkThings(section: Section, path: string, sections: ReadonlyMap<string, Section>, catalogue: Catalogue): IdKinds {
  const ids = new Map<string, 'part' | 'copy'>()
  const note = (id: string, kind: 'part' | 'copy', place: () => string): void => {
    if (ids.has(id)) {
      throw new Fault('double-id', `The id “${id}” stands twice in section “${section.id}”.`, {
        place: place(),
        wayOut: 'Give each part and copy of a section its own id.',
      })
    }
    ids.set(id, kind)
  }
  partsOf(section).forEach((part, i) => {
    note(part.id, 'part', () => `${path}.parts[${i}].id`)
    if (part.length !== undefined && !isByLength(part.shape)) refuseLength(part, catalogue, `${path}.parts[${i}].length`)
    if (catalogue.shapes.has(part.shape) && catalogue.colours.has(part.colour)) return
    refuseUnknown('shape', part.shape, catalogue.shapes, `${path}.parts[${i}].shape`)
    refuseUnknown('colour', part.colour, catalogue.colours, `${path}.parts[${i}].colour`)
  })
  copiesOf(section).forEach((copy, i) => {
    const place = `${path}.copies[${i}]`
    note(copy.id, 'copy', () => `${place}.id`)
    if (!sections.has(copy.section)) {
      throw new Fault('unknown-section', `There is no section “${copy.section}”.`, {
        place: `${place}.section`,
        wayOut: `The nearest known: ${nearestIds(copy.section, sections.keys()).join(', ')}.`,
      })
    }
    if (copy.except) checkExceptions(copy, sections, catalogue, `${place}.except`)
    if (copy.joint) {
      checkJointEnd(copy.joint.on, section, catalogue, `${place}.joint.on`)
      checkJointEnd(copy.joint.by, sections.get(copy.section)!, catalogue, `${place}.joint.by`)
      checkJoint(copy.joint, `${place}.joint`)
    }
  })
  return ids
}

/** Exceptions name parts that are there, through copies too, and shapes and colours that are known. */
function checkExceptions({ section, except }: Copy, sections: ReadonlyMap<string, Section>, catalogue: Catalogue, place: string): void {
  for (const [path, exception] of Object.entries(except!)) {
    const at = `${place}[${JSON.stringify(path)}]`
    const names = path.split('/')
    let inside = sections.get(section)
    for (const name of names.slice(0, -1)) {
      const copy = inside && copiesOf(inside).find((each) => each.id === name)
      inside = copy && sections.get(copy.section)
    }
    const parts = inside ? partsOf(inside) : []
    if (!parts.some(({ id }) => id === names.at(-1))) {
      const known = parts.map(({ id }) => id)
      throw new Fault('unknown-part', `The exception names the part “${path}”, which section “${section}” does not have.`, {
        place: at,
        wayOut: known.length === 0 ? 'Remove it.' : `The nearest known: ${nearestIds(names.at(-1)!, known).join(', ')}.`,
      })
    }
    if (exception && 'shape' in exception) refuseUnknown('shape', exception.shape, catalogue.shapes, `${at}.shape`)
    if (exception && 'colour' in exception) refuseUnknown('colour', exception.colour, catalogue.colours, `${at}.colour`)
  }
}

/** Only what is cut from a roll has a length. */
function refuseLength({ shape }: Part, { shapes }: Catalogue, place: string): void {
  if (!shapes.has(shape)) return
  throw new Fault('bad-value', `A ${shapes.get(shape)!.title.toLowerCase()} is not cut to a length.`, {
    place,
    wayOut: 'Remove the length, or take a tube, a cord or a band.',
  })
}

/** An end must name a part in place and one of its connectors. */
function checkJointEnd(end: JointEnd, section: Section, catalogue: Catalogue, place: string): void {
  const part = partsOf(section).find((candidate) => candidate.id === end.part)
  if (!part || isLoose(part)) {
    throw new Fault('unknown-part', `The joint names the part “${end.part}”, which section “${section.id}” does not have in place.`, {
      place: `${place}.part`,
      wayOut: `The nearest known: ${nearestIds(
        end.part,
        partsOf(section).map(({ id }) => id),
      ).join(', ')}.`,
    })
  }
  // An unknown shape is refused where the part itself is looked at.
  if (!catalogue.shapes.has(part.shape)) return
  const shape = shapeOfPart(part, catalogue.shapes)
  if (connectorOf(shape, end)) return
  const known = [...new Set(shape.connectors.map(({ kind }) => kind))]
  throw new Fault('no-such-connector', `“${shape.title}” has no ${end.kind} number ${end.number ?? 1}.`, {
    place,
    wayOut: known.length > 0 ? `It has: ${known.join(', ')}.` : 'It has nothing to hold by.',
  })
}

/** Cosines and back lose so much, degrees. */
const ROUNDING = 1e-6

function checkJoint({ on, by, angles = [] }: CopyJoint, place: string): void {
  if (!doJoin(on.kind, by.kind)) throw new Fault('bad-joint', `A ${by.kind} does not move in a ${on.kind}.`, { place })
  const most = ANGLE_LIMITS[on.kind] ?? 360
  if (isBall(on.kind)) {
    const [, second = 0, third = 0] = angles
    if (ballBend(second, third) <= most + ROUNDING) return
    throw new Fault('out-of-range', `A ball is bent ${most}° from straight at most.`, { place: `${place}.angles` })
  }
  const tooFar = angles.findIndex((angle) => Math.abs(angle) > most)
  if (tooFar < 0) return
  throw new Fault('out-of-range', `This joint turns ${most}° either way at most.`, { place: `${place}.angles[${tooFar}]` })
}

interface Extent {
  /** Copies below copies. */
  depth: number
  /** Parts in place after flattening. */
  parts: number
}

/** Refuses cycles, copies nested too deep below the root and models that grow too large, without flattening them. */
function checkNesting(model: ModelDocument): void {
  const byId = new Map(model.sections.map((section, i) => [section.id, { section, place: `sections[${i}]` }]))
  const done = new Map<string, Extent>()
  const open = new Set<string>()
  const measure = (id: string): Extent => {
    const known = done.get(id)
    if (known) return known
    const { section, place } = byId.get(id)!
    if (open.has(id)) {
      throw new Fault('cycle', `Section “${id}” contains itself.`, { place, wayOut: 'Remove one of the copies on the way.' })
    }
    open.add(id)
    const extent: Extent = { depth: 0, parts: partsOf(section).filter((part) => !isLoose(part)).length }
    for (const copy of copiesOf(section)) {
      const inner = measure(copy.section)
      extent.depth = Math.max(extent.depth, inner.depth + 1)
      extent.parts += inner.parts
    }
    open.delete(id)
    done.set(id, extent)
    return extent
  }
  let all = 0
  model.sections.forEach((section, i) => {
    const { parts } = measure(section.id)
    all += parts
    if (parts <= LIMITS.flatParts && all <= LIMITS.allParts) return
    const what =
      parts > LIMITS.flatParts
        ? `Section “${section.id}” has ${parts} parts; at most ${LIMITS.flatParts}`
        : `All sections together have more than ${LIMITS.allParts} parts; no more`
    throw new Fault('too-many-parts', `${what} are allowed.`, {
      place: section.id === model.root ? 'root' : `sections[${i}]`,
      wayOut: 'Split the model into several files.',
    })
  })
  const root = done.get(model.root)!
  if (root.depth > LIMITS.nesting) {
    throw new Fault('too-deep', `Copies are nested ${root.depth} deep; at most ${LIMITS.nesting} are allowed.`, { place: 'root' })
  }
}
