import type { Shape } from '../catalogue'
import { PointHash } from '../joints'
import { memo } from '../memo'
import type { PlacedPart } from '../model'
import { isLatticePose, posed, type Vec } from '../space'

/** What of a part tells how it is drawn as a mesh: plain values, so that it can go to another thread. */
export type DrawnPart = Pick<PlacedPart, 'colour' | 'pose'> & { readonly shape: Pick<Shape, 'box' | 'connectors' | 'plainMesh'> }

/** Parts that stand near each other and are drawn as one mesh, and which of their studs no other piece covers. */
export interface PartGroup {
  readonly parts: readonly DrawnPart[]
  /** Two numbers for each stud that shows: its part, by its place in the group, and its connector. */
  readonly studs: Uint32Array
}

/** Parts that begin in one cube of so many u go together. */
const CELL = 96
/** So many groups are enough for so many parts; a power of two, so that few edits change it. */
const GROUPS: readonly (readonly [parts: number, groups: number])[] = [
  [600, 1],
  [4_000, 8],
  [12_000, 32],
  [Infinity, 64],
]

/**
 * Puts parts into groups by where they stand, so that what is drawn of one group holds as long as nothing near it changes.
 * O(connectors).
 * @param before groups of the same picture before: one in which nothing has changed is that very object again
 */
export function groupParts(
  parts: readonly DrawnPart[],
  before: readonly PartGroup[] = [],
  { hasStuds }: { readonly hasStuds: boolean } = { hasStuds: true },
): readonly PartGroup[] {
  const count = GROUPS.find(([most]) => parts.length <= most)![1]
  const lists = Array.from({ length: count }, (): DrawnPart[] => [])
  for (const part of parts) lists[cellOf(part) % count]!.push(part)
  const sockets = hasStuds ? hashSockets(parts) : undefined
  return lists.map((list, i) => {
    const group: PartGroup = { parts: list, studs: sockets ? shownStuds(list, sockets) : NO_STUDS }
    const old = before.length === count ? before[i] : undefined
    return old && isSameGroup(old, group) ? old : group
  })
}

const NO_STUDS = new Uint32Array(0)

/** How many studs show. */
export const studCount = (groups: readonly PartGroup[]): number => groups.reduce((sum, { studs }) => sum + studs.length / 2, 0)

function isSameGroup(a: PartGroup, b: PartGroup): boolean {
  return (
    a.parts.length === b.parts.length &&
    a.studs.length === b.studs.length &&
    a.parts.every((part, i) => part === b.parts[i]) &&
    a.studs.every((value, i) => value === b.studs[i])
  )
}

/** Two large odd numbers spread the cells over the groups (Teschner et al. 2003, "Optimized spatial hashing"). */
function cellOf({ pose: { at } }: DrawnPart): number {
  const [x, y, z] = at.map((value) => Math.floor(value / CELL))
  return (Math.imul(x!, 73_856_093) ^ Math.imul(y!, 19_349_663) ^ Math.imul(z!, 83_492_791)) >>> 0
}

function hashSockets(parts: readonly DrawnPart[]): PointHash {
  const count = parts.reduce((sum, part) => sum + gripsOf(part).sockets.length / 3, 0)
  const points = { count, at: new Int32Array(count * 3), code: new Uint8Array(count) }
  let filled = 0
  for (const part of parts) {
    const { sockets } = gripsOf(part)
    points.at.set(sockets, filled)
    filled += sockets.length
  }
  const hash = new PointHash(points)
  for (let point = 0; point < count; point++) hash.put(point)
  return hash
}

function shownStuds(parts: readonly DrawnPart[], sockets: PointHash): Uint32Array {
  const shown: number[] = []
  parts.forEach((part, i) => {
    const { studs, connectors } = gripsOf(part)
    connectors.forEach((connector, k) => {
      if (sockets.first(studs[k * 3]!, studs[k * 3 + 1]!, studs[k * 3 + 2]!, ANY) < 0) shown.push(i, connector)
    })
  })
  return Uint32Array.from(shown)
}
/** Studs and what takes them are all of one kind here. */
const ANY = 0

/** The places of a part's studs and of what takes studs, in half u; sockets count in the lattice only. */
const gripsOf = memo(({ shape, pose }: DrawnPart) => {
  const sockets: number[] = []
  const studs: number[] = []
  const connectors: number[] = []
  const isInLattice = isLatticePose(pose)
  shape.connectors.forEach(({ kind, at }, i) => {
    if (kind === 'stud') {
      studs.push(...halfUnits(posed(pose, at)))
      connectors.push(i)
    } else if (isInLattice && (kind === 'socket' || kind === 'mouth')) sockets.push(...halfUnits(posed(pose, at)))
  })
  return { sockets: Int32Array.from(sockets), studs: Int32Array.from(studs), connectors }
})

const halfUnits = (place: Vec): readonly number[] => place.map((value) => Math.round(value * 2))
