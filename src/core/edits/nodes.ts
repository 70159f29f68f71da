import { coloursOf, trayOf, type ColourCount } from '../count'
import { Fault } from '../fault'
import {
  catalogueOf,
  copiesOf,
  copyPose,
  isLoose,
  keepNoteParts,
  LIMITS,
  partPose,
  partsOf,
  sectionById,
  sectionsById,
  shapeOfPart,
  type Copy,
  type GivenStep,
  type ModelDocument,
  type Part,
  type Section,
} from '../model'
import { nodesThrough, placeOf, type LatticePlace } from '../placing'
import {
  composePoses,
  IDENTITY,
  inversePose,
  middle,
  NO_TURN,
  posedBox,
  STUD_PITCH,
  turnFromText,
  vecOf,
  type Pose,
  type Vec,
} from '../space'

/**
 * Edits of what stands in a section: put in, taken out, moved, recoloured, exchanged. Given steps follow: what is new comes in a step
 * of its own at the end, and what is gone is gone from its step.
 */

/** What is put into a section. */
export interface NewNodes {
  readonly parts?: readonly Part[]
  readonly copies?: readonly Copy[]
}

const withSection = (model: ModelDocument, next: Section): ModelDocument => ({
  ...model,
  sections: model.sections.map((section) => (section.id === next.id ? next : section)),
})

/** Whether a section uses another, however deep. */
export function sectionUsesOther(model: ModelDocument, id: string, other: string): boolean {
  if (id === other) return true
  return copiesOf(sectionsById(model).get(id)!).some((copy) => sectionUsesOther(model, copy.section, other))
}

/** Ids that nothing in a section has yet: "brick-2x4", "brick-2x4-2" … */
function freeIds(section: Section): (wish: string) => string {
  const taken = new Set([...partsOf(section), ...copiesOf(section)].map(({ id }) => id))
  const next = new Map<string, number>()
  return (wish) => {
    const base = wish.replace(/-\d+$/, '')
    let number = next.get(base) ?? 1
    let id = number === 1 ? base : `${base}-${number}`
    while (taken.has(id)) id = `${base}-${++number}`
    next.set(base, number)
    taken.add(id)
    return id
  }
}

/**
 * The document with parts and copies put into a section; each gets an id that is free.
 * @returns also the ids, parts first, in their order
 * @throws Fault `cannot-join` where a section would hold itself
 */
export function addNodes(
  model: ModelDocument,
  sectionId: string,
  { parts = [], copies = [] }: NewNodes,
): { model: ModelDocument; ids: string[] } {
  const section = sectionById(model, sectionId)
  const holdsItself = copies.find((copy) => sectionUsesOther(model, copy.section, sectionId))
  if (holdsItself) {
    throw new Fault('cannot-join', `“${sectionById(model, holdsItself.section).name}” holds “${section.name}”, so it cannot stand in it.`)
  }
  const idFor = freeIds(section)
  const newParts = parts.map((part) => ({ ...part, id: idFor(part.shape) }))
  const newCopies = copies.map((copy) => ({ ...copy, id: idFor(copy.section) }))
  const ids = [...newParts, ...newCopies].map(({ id }) => id)
  if (ids.length === 0) return { model, ids }
  const step: GivenStep = {
    ...(newParts.length > 0 ? { add: newParts.map(({ id }) => id) } : {}),
    ...(newCopies.length > 0 ? { join: newCopies.map(({ id }) => id) } : {}),
  }
  const next: Section = {
    ...section,
    ...(newParts.length > 0 ? { parts: [...partsOf(section), ...newParts] } : {}),
    ...(newCopies.length > 0 ? { copies: [...copiesOf(section), ...newCopies] } : {}),
    ...(section.steps && section.planRest !== true ? { steps: [...section.steps, step] } : {}),
  }
  return { model: withSection(model, next), ids }
}

/** The document without some parts and copies of a section, and without what is said of them. */
export function removeNodes(model: ModelDocument, sectionId: string, ids: ReadonlySet<string>): ModelDocument {
  const section = sectionById(model, sectionId)
  const isLeft = ({ id }: { readonly id: string }): boolean => !ids.has(id)
  if ([...partsOf(section), ...copiesOf(section)].every(isLeft)) return model
  const { parts: _parts, copies: _copies, steps, places, ...rest } = section
  // What hangs on a part that goes keeps its place no longer: it goes as well.
  const copies = copiesOf(section).filter((copy) => isLeft(copy) && !(copy.joint && ids.has(copy.joint.on.part)))
  const left = new Set([...partsOf(section).filter(isLeft), ...copies].map(({ id }) => id))
  const next: Section = {
    ...rest,
    parts: partsOf(section).filter(isLeft),
    ...(copies.length > 0 ? { copies } : {}),
    ...(places?.some(({ part }) => left.has(part)) ? { places: places.filter(({ part }) => left.has(part)) } : {}),
    ...(steps ? { steps: stepsWithout(steps, left) } : {}),
  }
  return withoutJointsOn(withoutExceptions(withSection(model, next), sectionId, left), sectionId, left)
}

function stepsWithout(steps: readonly GivenStep[], left: ReadonlySet<string>): GivenStep[] {
  const isLeft = (id: string): boolean => left.has(id)
  return steps.flatMap((step) => {
    const { add = [], join = [], ...texts } = keepNoteParts(step, isLeft)
    const [kept, joined] = [add.filter(isLeft), join.filter(isLeft)]
    // What a designer wrote or photographed is not thrown away with a piece.
    const isEmptied = kept.length + joined.length === 0 && add.length + join.length > 0
    if (isEmptied && !step.photos) return []
    return [{ ...texts, ...(kept.length > 0 ? { add: kept } : {}), ...(joined.length > 0 ? { join: joined } : {}) }]
  })
}

/** Exceptions of copies that named what is gone are gone too. */
function withoutExceptions(model: ModelDocument, sectionId: string, left: ReadonlySet<string>): ModelDocument {
  const fits = (copy: Copy): Copy => {
    if (copy.section !== sectionId || !copy.except) return copy
    const { except, ...rest } = copy
    const kept = Object.entries(except).filter(([path]) => left.has(path.split('/')[0]!))
    return kept.length === Object.keys(except).length ? copy : kept.length > 0 ? { ...rest, except: Object.fromEntries(kept) } : rest
  }
  return eachCopy(model, fits)
}

/** Copies of a section that hung by a part that is gone stand where they are written, or at the origin. */
const withoutJointsOn = (model: ModelDocument, sectionId: string, left: ReadonlySet<string>): ModelDocument =>
  eachCopy(model, (copy) => {
    if (copy.section !== sectionId || !copy.joint || left.has(copy.joint.by.part)) return copy
    const { joint: _joint, ...rest } = copy
    return { at: [0, 0, 0], ...rest }
  })

function eachCopy(model: ModelDocument, change: (copy: Copy) => Copy): ModelDocument {
  const sections = model.sections.map((section) => {
    const copies = copiesOf(section)
    const changed = copies.map(change)
    return changed.every((copy, i) => copy === copies[i]) ? section : { ...section, copies: changed }
  })
  return sections.every((section, i) => section === model.sections[i]) ? model : { ...model, sections }
}

/** The document with parts and copies of a section put where others of the same ids say; all else of them stays. */
export function placeNodes(model: ModelDocument, sectionId: string, { parts = [], copies = [] }: NewNodes): ModelDocument {
  const section = sectionById(model, sectionId)
  const [partById, copyById] = [new Map(parts.map((part) => [part.id, part])), new Map(copies.map((copy) => [copy.id, copy]))]
  const next: Section = {
    ...section,
    ...(parts.length > 0 ? { parts: partsOf(section).map((part) => partById.get(part.id) ?? part) } : {}),
    ...(copies.length > 0 ? { copies: copiesOf(section).map((copy) => copyById.get(copy.id) ?? copy) } : {}),
  }
  return withSection(model, next)
}

function changeParts(model: ModelDocument, sectionId: string, change: (part: Part) => Part): ModelDocument {
  const section = sectionById(model, sectionId)
  const parts = partsOf(section).map(change)
  return parts.every((part, i) => part === partsOf(section)[i]) ? model : withSection(model, { ...section, parts })
}

/** The document with parts of a section in another colour. */
export const recolourParts = (model: ModelDocument, sectionId: string, ids: ReadonlySet<string>, colour: string): ModelDocument =>
  changeParts(model, sectionId, (part) => (ids.has(part.id) && part.colour !== colour ? { ...part, colour } : part))

/** Where colours are exchanged: everywhere, in one section, or in some parts of it. */
export interface RecolourScope {
  readonly section?: string
  readonly ids?: ReadonlySet<string>
}

const isInScope = ({ section, ids }: RecolourScope, sectionId: string, partId: string): boolean =>
  (section === undefined || section === sectionId) && (ids === undefined || ids.has(partId))

/** The document with colours exchanged for others, all at once, so that two can change places. @param map by id */
export const recolourModel = (model: ModelDocument, map: ReadonlyMap<string, string>, scope: RecolourScope = {}): ModelDocument =>
  model.sections.reduce(
    (next, { id }) =>
      changeParts(next, id, (part) => {
        const colour = isInScope(scope, id, part.id) ? map.get(part.colour) : undefined
        return colour === undefined || colour === part.colour ? part : { ...part, colour }
      }),
    model,
  )

/** How many pieces of each colour there are, each section once; most first. */
export const coloursInScope = (model: ModelDocument, scope: RecolourScope = {}): ColourCount[] =>
  coloursOf(trayOf(model.sections.flatMap(({ id, parts = [] }) => parts.filter((part) => isInScope(scope, id, part.id)))))

/** The document with one part of a section exactly at a place of the lattice, u. @throws Fault `bad-value` where it is none */
export function placePartAt(model: ModelDocument, sectionId: string, id: string, { at, turn }: LatticePlace): ModelDocument {
  if (!at.every(Number.isInteger)) throw new Fault('bad-value', 'Places are whole u.', { wayOut: 'A stud is 10, a plate 4.' })
  return changeParts(model, sectionId, (part) => {
    if (part.id !== id) return part
    const { turn: _turn, ...rest } = part
    return { ...rest, at, ...(turn === undefined || turnFromText(turn) === NO_TURN ? {} : { turn }) }
  })
}

/**
 * The document with parts of a section exchanged for another shape: turned the same, the middle of its underside where that of the
 * old one was, as near as the grid lets.
 */
export function replaceShape(model: ModelDocument, sectionId: string, ids: ReadonlySet<string>, shapeId: string): ModelDocument {
  const { shapes } = catalogueOf(model)
  const shape = shapes.get(shapeId)
  if (!shape) throw new Fault('unknown-shape', `There is no shape “${shapeId}”.`)
  return changeParts(model, sectionId, (part) => {
    if (!ids.has(part.id) || part.shape === shapeId) return part
    const { length: _length, ...rest } = part
    if (isLoose(part)) return { ...rest, shape: shapeId }
    const old = partPose(part, shapeOfPart(part, shapes))
    const still: Pose = { matrix: old.matrix, at: [0, 0, 0] }
    const under = (of: typeof shape): Vec => {
      const { min, max } = posedBox(still, { min: [0, 0, 0], max: of.box })
      const [x, y] = middle({ min, max })
      return [x, y, min[2]]
    }
    const [was, is] = [under(shapeOfPart(part, shapes)), under(shape)]
    const shift = vecOf((axis) => (axis < 2 ? Math.round((was[axis] - is[axis]) / STUD_PITCH) * STUD_PITCH + 0 : was[axis] - is[axis]))
    const pose = composePoses({ ...SAME, at: shift }, old)
    const { turn: _turn, ...kept } = rest
    return { ...kept, shape: shapeId, ...placeOf(shape, pose) }
  })
}

const SAME: Pose = { matrix: IDENTITY, at: [0, 0, 0] }

/** How one section's lattice lies in another's: by a copy of one in the other, else they are taken as the same. */
function frameIn(model: ModelDocument, from: Section, to: Section): Pose {
  const inner = copiesOf(from).find((copy) => copy.section === to.id)
  if (inner) return inversePose(copyPose(model, from, inner))
  const outer = copiesOf(to).find((copy) => copy.section === from.id)
  return outer ? copyPose(model, to, outer) : SAME
}

/**
 * The document with parts and copies moved from a section into another, where they stay where they are in space: by the first copy of
 * one in the other.
 * @throws Fault `cannot-move` for what hangs on a joint and where no place of the lattice is the same, `no-mirror-image`
 */
export function moveNodesTo(model: ModelDocument, from: string, ids: ReadonlySet<string>, to: string): ModelDocument {
  if (from === to) return model
  const [section, target] = [sectionById(model, from), sectionById(model, to)]
  const hung = copiesOf(section).find((copy) => ids.has(copy.id) && copy.joint)
  if (hung) throw new Fault('cannot-move', `“${hung.id}” hangs on a joint of “${section.name}”, so it stays there.`)
  const { parts, copies } = nodesThrough(model, section, ids, frameIn(model, section, target))
  const loose = partsOf(section).filter((part) => ids.has(part.id) && isLoose(part))
  return addNodes(removeNodes(model, from, ids), to, { parts: [...parts, ...loose], copies }).model
}

/** An id for a new section that no section has. */
function freeSectionId(model: ModelDocument, name: string): string {
  const base =
    name
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 60) || 'section'
  const taken = sectionsById(model)
  let id = base
  for (let number = 2; taken.has(id); number++) id = `${base}-${number}`
  return id
}

/** The document with an empty section more. */
export function addSection(model: ModelDocument, name: string): { model: ModelDocument; id: string } {
  const plain = name.trim().slice(0, LIMITS.nameLength) || 'Section'
  const id = freeSectionId(model, plain)
  return { model: { ...model, sections: [...model.sections, { id, name: plain, parts: [] }] }, id }
}
