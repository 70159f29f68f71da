import type { Joints } from '../joints'
import { asOriented, tableBox, type BoxTable, type Scene } from '../scene'
import { boxesMeet, FREE_TOLERANCE, length, subtract, sweptMeets, type Box, type OrientedBox, type Vec } from '../space'

/** Two parts, by index into the scene, whose bodies share space, or of which one's stud is inside the other. */
export interface Overlap {
  readonly a: number
  readonly b: number
}

interface Item {
  readonly node: number
  readonly part: number
  readonly hull: Box
  readonly isStud: boolean
  readonly isOpen: boolean
  readonly free: OrientedBox | undefined
  /** Of a stud: where it stands. */
  readonly foot: Vec | undefined
}

/** Side of a bucket, u: wider than most parts, so that few stand in many buckets. */
const BUCKET = 40

/** All overlaps between different nodes. A stud in a socket that receives it is none. O(bodies) for models without heaps. */
export function findOverlaps(scene: Scene, joints: Joints): Overlap[] {
  const items = collect(scene)
  const received = receivedPlaces(joints, scene.parts.length)
  const buckets = new Map<number, number[]>()
  const found = new Map<number, Overlap>()
  items.forEach((item, i) => {
    eachBucket(item.hull, (key) => {
      const bucket = buckets.get(key)
      if (!bucket) {
        buckets.set(key, [i])
        return
      }
      for (const j of bucket) {
        const other = items[j]!
        if (other.node === item.node || !itemsMeet(item, other)) continue
        const pair = pairKey(item.part, other.part, scene.parts.length)
        if (found.has(pair) || isReceived(item, other, received.get(pair))) continue
        found.set(pair, { a: Math.min(item.part, other.part), b: Math.max(item.part, other.part) })
      }
      bucket.push(i)
    })
  })
  return [...found.values()]
}

function collect(scene: Scene): Item[] {
  const items: Item[] = []
  const push = (table: BoxTable, feet: readonly Vec[] | undefined): void => {
    for (let i = 0; i < table.count; i++) {
      const isOpen = !feet && table.mark[i] === 1
      const own = { node: table.node[i]!, part: table.part[i]!, hull: tableBox(table, i) }
      items.push({ ...own, isStud: feet !== undefined, isOpen, free: undefined, foot: feet?.[i] })
    }
  }
  push(scene.bodies, undefined)
  push(scene.studs, studFeet(scene))
  // Free studs stand in the order of their connectors, as the scene lists both part by part.
  const freeFeet = scene.freeConnectors.filter((connector) => connector.isStud).map((connector) => connector.at)
  let stud = 0
  for (const body of scene.freeBodies) {
    items.push({ ...body, free: body.shape, foot: body.isStud ? freeFeet[stud++] : undefined })
  }
  return items
}

/** Where each row of the stud table stands: the rows are in the order of the studs among the connectors. */
function studFeet(scene: Scene): Vec[] {
  const feet: Vec[] = []
  const { at, isStud, count } = scene.connectors
  for (let i = 0; i < count; i++) if (isStud[i] === 1) feet.push([at[i * 3]!, at[i * 3 + 1]!, at[i * 3 + 2]!])
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
  if (!foot || !places || (a.isStud && b.isStud)) return false
  return places.some((place) => length(subtract(place, foot)) <= FREE_TOLERANCE)
}

const STILL: Vec = [0, 0, 0]

function itemsMeet(a: Item, b: Item): boolean {
  if ((a.isStud && b.isOpen) || (b.isStud && a.isOpen) || !boxesMeet(a.hull, b.hull)) return false
  if (!a.free && !b.free) return true
  return sweptMeets(a.free ?? asOriented(a.hull), b.free ?? asOriented(b.hull), STILL)
}

function eachBucket(box: Box, visit: (key: number) => void): void {
  const from = box.min.map((value) => Math.floor(value / BUCKET))
  const to = box.max.map((value) => Math.ceil(value / BUCKET))
  for (let x = from[0]!; x < to[0]!; x++)
    for (let y = from[1]!; y < to[1]!; y++)
      for (let z = from[2]!; z < to[2]!; z++) visit(((x + 8192) * 16384 + (y + 8192)) * 16384 + (z + 8192))
}
