import type { Joints } from '../joints'
import { asOriented, insideRound, MARK, ROLE, tableBox, type BoxTable, type FreeBody, type Scene } from '../scene'
import { boxesMeet, FREE_TOLERANCE, length, subtract, sweptMeets, type Vec } from '../space'
import { Columns } from './columns'

/** Two parts, by index into the scene, whose bodies share space, or of which one's stud is inside the other. */
export interface Overlap {
  readonly a: number
  readonly b: number
}

/**
 * All overlaps between different nodes, by part. A stud in a socket that receives it is none.
 *
 * In the lattice they are neighbours in columns: columns along z hold bodies and the studs that lie sideways, columns along x
 * hold bodies and the studs that stand up. Near-linear. Bodies in free poses are tested against all, by their hulls first.
 */
export function findOverlaps(scene: Scene, joints: Joints): Overlap[] {
  const received = receivedPlaces(joints, scene.parts.length)
  const found = new Map<number, Overlap>()
  const note = (a: Item, b: Item): void => {
    const key = pairKey(a.part, b.part, scene.parts.length)
    if (found.has(key) || isReceived(a, b, received.get(key))) return
    found.set(key, { a: Math.min(a.part, b.part), b: Math.max(a.part, b.part) })
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

/** Free bodies against each other and against everything in the lattice. */
function meetFree(scene: Scene, rows: LatticeRows, note: (a: Item, b: Item) => void): void {
  const free = freeItems(scene)
  free.forEach(({ body, item }, i) => {
    for (let source = 0; source < rows.count; source++) {
      const { table, row, isStud } = rows.row(source)
      if (table.node[row] === item.node) continue
      const hull = tableBox(table, row)
      if (!boxesMeet(body.hull, hull) || passes(item, rows.item(source), body.isStud, isStud)) continue
      const isRound = !isStud && table.mark[row] === MARK.round
      if (sweptMeets(body.shape, asOriented(isRound ? insideRound(hull) : hull), STILL)) note(item, rows.item(source))
    }
    for (const other of free.slice(i + 1)) {
      if (other.item.node === item.node || !boxesMeet(body.hull, other.body.hull)) continue
      if (passes(item, other.item, body.isStud, other.body.isStud)) continue
      if (sweptMeets(body.shape, other.body.shape, STILL)) note(item, other.item)
    }
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
