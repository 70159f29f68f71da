import { findJoints, placesOf } from '../joints'
import {
  catalogueOf,
  copiesOf,
  isSameList,
  jointReach,
  restsOn,
  sectionById,
  type Flattener,
  type JointReach,
  type ModelDocument,
  type PlacedPart,
  type Section,
} from '../model'
import { buildScene, partHull, sectionNodes } from '../scene'
import { boxAt, unite, type Box, type Vec } from '../space'

/** What one thing of a section holds of another, and where, u. */
interface HoldPlaces {
  readonly other: number
  readonly places: readonly Vec[]
}

/** Where the parts of a section stand and what they hold by: all that a picture needs which no order of steps changes. */
export interface SectionSpace {
  readonly own: ReadonlyMap<string, PlacedPart>
  /** The parts of each copy, by the copy's id. */
  readonly copies: ReadonlyMap<string, readonly PlacedPart[]>
  /** The number of each part and copy, by id. */
  readonly nodeOf: ReadonlyMap<string, number>
  /** How far the joints of copies let them move, by the copy's id. */
  readonly reaches: ReadonlyMap<string, JointReach>
  holdsOf(node: number): readonly HoldPlaces[]
  readonly hullOf: (part: PlacedPart) => Box
  /** How many parts stand in it. */
  readonly parts: number
  /** Around all of them, u. */
  box(): Box
}

const known = new WeakMap<object, { readonly key: readonly unknown[]; readonly space: SectionSpace }>()
const NOTHING_OWN = {}
/** Something to look at where nothing is. */
const EMPTY_BOX = boxAt([0, 0, 0], [10, 10, 4])

/** Made once for as long as nothing of the section moves, is recoloured or worked on. */
export function spaceOf(model: ModelDocument, flattener: Flattener, sectionId: string): SectionSpace {
  const section = sectionById(model, sectionId)
  const at = section.parts ?? section.copies ?? NOTHING_OWN
  const key = restsOn(model, section)
  const entry = known.get(at)
  if (entry && isSameList(entry.key, key)) return entry.space
  const space = makeSpace(model, flattener, section)
  if (at !== NOTHING_OWN) known.set(at, { key, space })
  return space
}

function makeSpace(model: ModelDocument, flattener: Flattener, section: Section): SectionSpace {
  const specs = sectionNodes(model, flattener, section.id)
  const hulls = new Map<PlacedPart, Box>()
  const hullOf = (part: PlacedPart): Box => {
    let hull = hulls.get(part)
    if (!hull) hulls.set(part, (hull = partHull(part)))
    return hull
  }
  const parts = specs.reduce((sum, spec) => sum + spec.parts.length, 0)
  let box: Box | undefined
  let holds: (readonly HoldPlaces[])[] | undefined
  return {
    own: new Map(specs.flatMap(({ id, kind, parts }) => (kind === 'part' ? [[id, parts[0]!]] : []))),
    copies: new Map(specs.flatMap(({ id, kind, parts }) => (kind === 'copy' ? [[id, parts]] : []))),
    nodeOf: new Map(specs.map(({ id }, node) => [id, node])),
    reaches: reachesOf(model, section),
    hullOf,
    parts,
    box: () =>
      (box ??= boxAround(
        specs.flatMap((spec) => spec.parts),
        hullOf,
      )),
    holdsOf(node) {
      // A look at what shows does not ask for them, so they are found when a picture does.
      holds ??= findHolds(specs)
      return holds[node]!
    },
  }
}

/** Around some parts, u. */
export const boxAround = (parts: readonly PlacedPart[], hullOf: SectionSpace['hullOf']): Box =>
  parts.length === 0 ? EMPTY_BOX : parts.map(hullOf).reduce(unite)

function findHolds(specs: ReturnType<typeof sectionNodes>): HoldPlaces[][] {
  const joints = findJoints(buildScene(specs))
  const holds: HoldPlaces[][] = specs.map(() => [])
  joints.list.forEach(({ a, b }, i) => {
    const places = placesOf(joints, i)
    holds[a]!.push({ other: b, places })
    holds[b]!.push({ other: a, places })
  })
  return holds
}

function reachesOf(model: ModelDocument, section: Section): Map<string, JointReach> {
  const found = new Map<string, JointReach>()
  for (const copy of copiesOf(section)) {
    const reach = copy.joint ? jointReach(model, section, copy, catalogueOf(model)) : undefined
    if (reach) found.set(copy.id, reach)
  }
  return found
}
