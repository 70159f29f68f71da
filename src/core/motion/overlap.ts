import { Budget } from '../fault'
import type { Joints } from '../joints'
import { asOriented, insideRound, MARK, ROLE, tableBox, type BoxTable, type FreeBody, type Scene } from '../scene'
import { BoxTree, FREE_TOLERANCE, length, subtract, sweptMeets, type Box, type Vec } from '../space'
import { Columns } from './columns'

/** Two parts, by index into the scene, whose bodies share space, or of which one's stud is inside the other. */
export interface PartOverlap {
  readonly a: number
  readonly b: number
}

/** More overlaps than this are not looked for: a model with so many is not looked through one by one. */
export const MOST_OVERLAPS = 2000

/**
 * Overlaps between different nodes, by part; `MOST_OVERLAPS` at most. A stud in a socket that receives it is none.
 *
 * In the lattice they are neighbours in columns: columns along z hold bodies and the studs that lie sideways, columns along x
 * hold bodies and the studs that stand up. Near-linear. Bodies in free poses are tested against those that a tree of boxes names.
 * @throws Fault `too-much-work` where too many bodies in free poses lie in one place
 */
export function findOverlaps(scene: Scene, joints: Joints): PartOverlap[] {
  const received = receivedPlaces(joints, scene.parts.length)
  const found = new Map<number, PartOverlap>()
  /** @returns whether there are enough */
  const note = (a: Item, b: Item): boolean => {
    const key = pairKey(a.part, b.part, scene.parts.length)
    if (!found.has(key) && !isReceived(a, b, received.get(key)))
      found.set(key, { a: Math.min(a.part, b.part), b: Math.max(a.part, b.part) })
    return found.size >= MOST_OVERLAPS
  }
  const rows = new LatticeRows(scene)
  for (const axis of [2, 0] as const) new Columns(scene, axis).eachMeeting((one, other) => note(rows.item(one), rows.item(other)))
  if (scene.freeBodies.length > 0) meetFree(scene, rows, note)
  return [...found.values()].sort((one, other) => one.a - other.a || one.b - other.b)
}

interface Item {
  readonly node: number
  readonly part: number
  readonly isOpen: boolean
  /** Of a stud: where it stands. */
  readonly foot: Vec | undefined
}

/** Bodies, then studs, by one running number. */
class LatticeRows {
  private readonly feet: readonly Vec[]
  readonly count: number

  constructor(private readonly scene: Scene) {
    this.feet = studFeet(scene)
    this.count = scene.bodies.count + scene.studs.count
  }

  row(source: number): { table: BoxTable; row: number; isStud: boolean } {
    const { bodies, studs } = this.scene
    const isStud = source >= bodies.count
    return { table: isStud ? studs : bodies, row: isStud ? source - bodies.count : source, isStud }
  }

  hull(source: number): Box {
    const { table, row } = this.row(source)
    return tableBox(table, row)
  }

  item(source: number): Item {
    const { table, row, isStud } = this.row(source)
    const isOpen = !isStud && table.mark[row] === 1
    return { node: table.node[row]!, part: table.part[row]!, isOpen, foot: isStud ? this.feet[row]! : undefined }
  }
}

/** Where each row of the stud table stands: the rows are in the order of the studs among the grips. */
function studFeet(scene: Scene): Vec[] {
  const feet: Vec[] = []
  const { at, role, count } = scene.grips
  for (let i = 0; i < count; i++) if (role[i] === ROLE.stud) feet.push([at[i * 3]!, at[i * 3 + 1]!, at[i * 3 + 2]!])
  return feet
}

const pairKey = (a: number, b: number, parts: number): number => Math.min(a, b) * parts + Math.max(a, b)

function receivedPlaces({ held }: Joints, parts: number): Map<number, Vec[]> {
  const places = new Map<number, Vec[]>()
  for (let i = 0; i < held.studPart.length; i++) {
    const key = pairKey(held.studPart[i]!, held.socketPart[i]!, parts)
    const place: Vec = [held.places[i * 3]!, held.places[i * 3 + 1]!, held.places[i * 3 + 2]!]
    const known = places.get(key)
    if (known) known.push(place)
    else places.set(key, [place])
  }
  return places
}

function isReceived(a: Item, b: Item, places: readonly Vec[] | undefined): boolean {
  const foot = a.foot ?? b.foot
  if (!foot || !places || (a.foot && b.foot)) return false
  return places.some((place) => length(subtract(place, foot)) <= FREE_TOLERANCE)
}

const STILL: Vec = [0, 0, 0]

/** Pairs of boxes that may be compared: some seconds of work. */
const MOST_PAIRS = 1_000_000

/** Free bodies against each other and against everything in the lattice. */
function meetFree(scene: Scene, rows: LatticeRows, note: (a: Item, b: Item) => boolean): void {
  const budget = new Budget(MOST_PAIRS, 'comparing of pieces that stand at free angles', 'Put fewer of them into one place.')
  const free = freeItems(scene)
  const freeTree = new BoxTree(free.map(({ body }) => body.hull))
  const lattice = new BoxTree(Array.from({ length: rows.count }, (_, source) => rows.hull(source)))
  free.every(({ body, item }, i) => {
    const meetsLattice = (source: number): boolean => {
      const { table, row, isStud } = rows.row(source)
      if (table.node[row] === item.node || passes(item, rows.item(source), body.isStud, isStud)) return false
      budget.spend()
      const hull = rows.hull(source)
      const isRound = !isStud && table.mark[row] === MARK.round
      return sweptMeets(body.shape, asOriented(isRound ? insideRound(hull) : hull), STILL) && note(item, rows.item(source))
    }
    const meetsFree = (k: number): boolean => {
      const other = free[k]!
      if (k <= i || other.item.node === item.node || passes(item, other.item, body.isStud, other.body.isStud)) return false
      budget.spend()
      return sweptMeets(body.shape, other.body.shape, STILL) && note(item, other.item)
    }
    return !lattice.each(body.hull, meetsLattice) && !freeTree.each(body.hull, meetsFree)
  })
}

/** A stud passes the cut cells of a wedge plate. */
const passes = (a: Item, b: Item, aIsStud: boolean, bIsStud: boolean): boolean => (aIsStud && b.isOpen) || (bIsStud && a.isOpen)

/** Free studs stand in the order of their connectors, as the scene lists both part by part. */
function freeItems(scene: Scene): { body: FreeBody; item: Item }[] {
  const feet = scene.freeConnectors.filter((connector) => connector.isStud).map((connector) => connector.at)
  let stud = 0
  return scene.freeBodies.map((body) => {
    const foot = body.isStud ? feet[stud++] : undefined
    return { body, item: { node: body.node, part: body.part, isOpen: body.isOpen, foot } }
  })
}
