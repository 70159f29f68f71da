import type { Joint, Joints } from '../joints'
import { allBoxes, asOriented, insideRound, MARK, tableBox, type FreeBody, type Scene } from '../scene'
import {
  axisOf,
  dot,
  DIRECTION_VECTORS,
  scale,
  senseOf,
  sweptMeets,
  type Axis,
  type Box,
  type Direction,
  type OrientedBox,
  type Vec,
} from '../space'
import { Columns, Scratch } from './columns'

/** How something travels: along a lattice direction, or along a unit vector (across a free pose). */
export type Travel = Direction | Vec

export const travelVector = (travel: Travel): Vec => (typeof travel === 'number' ? DIRECTION_VECTORS[travel]! : travel)
export const reverseTravel = (travel: Travel): Travel => (typeof travel === 'number' ? ((travel ^ 1) as Direction) : scale(travel, -1))

/**
 * Who is still there, and what is in the way of whom. Nodes can only leave: a plan is found by taking a model apart.
 */
export class SpaceLeft {
  readonly columns: readonly [Columns, Columns, Columns]
  readonly isThere: Uint8Array
  count: number
  /** Marks of a group that leaves together; `blocker` calls that name no group use one of their own. */
  private readonly group: Int32Array
  private stamp = 0
  /** Something was taken out of the columns. */
  private isUnlinked = false
  private readonly freeOf: ReadonlyMap<number, readonly FreeBody[]>
  private readonly reach: number
  private readonly bodiesOf: readonly (readonly number[])[] | undefined

  /** @param columns columns of the same boxes, when they are known already */
  constructor(
    readonly scene: Scene,
    readonly joints: Joints,
    columns?: readonly [Columns, Columns, Columns],
  ) {
    this.columns = columns ?? columnsOf(scene)
    this.count = scene.nodes.length
    this.isThere = new Uint8Array(this.count).fill(1)
    this.group = new Int32Array(this.count)
    const freeOf = new Map<number, FreeBody[]>()
    for (const body of scene.freeBodies) {
      const list = freeOf.get(body.node)
      if (list) list.push(body)
      else freeOf.set(body.node, [body])
    }
    this.freeOf = freeOf
    this.reach = 3 * widest(scene)
    if (freeOf.size > 0) this.bodiesOf = rowsByNode(scene)
  }

  get visits(): number {
    return this.columns[0].visits + this.columns[1].visits + this.columns[2].visits
  }

  remove(node: number): void {
    this.isUnlinked = true
    this.isThere[node] = 0
    this.count--
    for (const columns of this.columns) columns.remove(node)
  }

  /** The same space with nodes drawn together, everything there. This one must not be used any more. */
  contract(scene: Scene, joints: Joints, newOf: Int32Array): SpaceLeft {
    for (const columns of this.columns) columns.relabel(newOf, scene.nodes.length)
    return new SpaceLeft(scene, joints, this.columns)
  }

  /** Everything is there again. */
  restore(): void {
    this.count = this.scene.nodes.length
    this.isThere.fill(1)
    if (this.isUnlinked) for (const columns of this.columns) columns.restore()
    this.isUnlinked = false
  }

  /**
   * Everything is there again; who is not is then told through `isThere` alone. Nothing is taken out of the columns, so that
   * a few questions about a large section cost little; many are cheaper with `remove`, which keeps neighbours near.
   */
  restoreLinked(): Uint8Array {
    this.restore()
    return this.isThere
  }

  /** A node in the way of `node` leaving along `travel`, be it in its path or holding it across; −1 when there is none. */
  blocker(node: number, travel: Travel): number {
    this.group[node] = ++this.stamp
    return this.blockerOfMarked(node, travel)
  }

  /** The same for several nodes that leave as one body. */
  groupBlocker(nodes: readonly number[], travel: Travel): number {
    this.stamp++
    for (const node of nodes) this.group[node] = this.stamp
    for (const node of nodes) {
      const blocker = this.blockerOfMarked(node, travel)
      if (blocker >= 0) return blocker
    }
    return -1
  }

  private blockerOfMarked(node: number, travel: Travel): number {
    const across = this.holderAcross(node, travel)
    if (across >= 0) return across
    if (typeof travel === 'number') {
      const found = this.columns[axisOf(travel)].blocker(node, senseOf(travel), this.isThere, this.group, this.stamp)
      if (found >= 0) return found
    }
    return this.freeOf.size === 0 ? -1 : this.freeBlocker(node, travel)
  }

  private holderAcross(node: number, travel: Travel): number {
    const { start, list, joint: jointAt } = this.joints.adjacency
    for (let k = start[node]!; k < start[node + 1]!; k++) {
      const other = list[k]!
      const joint = this.joints.list[jointAt[k]!]!
      if (this.isThere[other] === 0 || this.group[other] === this.stamp) continue
      if (!isAlong(joint, travel)) return other
    }
    return -1
  }

  /** Every node in the way of `node`, next to it in its columns or holding it across. */
  eachBlocker(nodes: readonly number[], travel: Direction, found: (other: number) => void): void {
    this.stamp++
    for (const node of nodes) this.group[node] = this.stamp
    for (const node of nodes) {
      const { start, list, joint: jointAt } = this.joints.adjacency
      for (let k = start[node]!; k < start[node + 1]!; k++) {
        const other = list[k]!
        const joint = this.joints.list[jointAt[k]!]!
        if (this.isThere[other] === 1 && this.group[other] !== this.stamp && !isAlong(joint, travel)) found(other)
      }
      this.columns[axisOf(travel)].eachBlocker(node, senseOf(travel), this.isThere, this.group, this.stamp, found)
      const free = this.freeOf.size === 0 ? -1 : this.freeBlocker(node, travel)
      if (free >= 0) found(free)
    }
  }

  private freeBlocker(node: number, travel: Travel): number {
    let found = -1
    this.eachFreeBlocker(node, travel, (other) => {
      found = other
      return true
    })
    return found
  }

  /** Every node in the path of `node`, near or far, of which a body is in a free pose (or all, where the travel is free). */
  eachInFreePath(node: number, travel: Travel, found: (other: number) => void): void {
    if (this.freeOf.size === 0) return
    this.group[node] = ++this.stamp
    this.eachFreeBlocker(node, travel, (other) => {
      found(other)
      return false
    })
  }

  /** Asks every pair of which one body at least is not in the lattice; stops when `found` returns true. */
  private eachFreeBlocker(node: number, travel: Travel, found: (other: number) => boolean): void {
    const way = scale(travelVector(travel), this.reach)
    const needsLattice = typeof travel !== 'number'
    const reported = new Set<number>()
    for (const mine of this.bodies(node)) {
      const swept = sweptHull(mine.hull, way)
      for (let other = 0; other < this.isThere.length; other++) {
        if (this.isThere[other] === 0 || this.group[other] === this.stamp) continue
        if (reported.has(other) || (!mine.isFree && !needsLattice && !this.freeOf.has(other))) continue
        if (!hullsMeet(swept, this.scene.nodeBoxes[other]!)) continue
        for (const theirs of this.bodies(other)) {
          if (!mine.isFree && !theirs.isFree && !needsLattice) continue
          if (isPassable(mine, theirs, travelVector(travel)) || !hullsMeet(swept, theirs.hull)) continue
          if (!sweptMeets(mine.shape, theirs.shape, way)) continue
          reported.add(other)
          if (found(other)) return
          break
        }
      }
    }
  }

  private bodies(node: number): LooseBody[] {
    const { scene } = this
    const list: LooseBody[] = []
    for (const row of this.bodiesOf![node]!) {
      const isStud = row >= scene.bodies.count
      const table = isStud ? scene.studs : scene.bodies
      const i = isStud ? row - scene.bodies.count : row
      const hull = tableBox(table, i)
      const axis: Vec = isStud ? DIRECTION_VECTORS[table.mark[i]! * 2]! : [0, 0, 0]
      const isRound = !isStud && table.mark[i] === MARK.round
      list.push({
        hull,
        shape: asOriented(isRound ? insideRound(hull) : hull),
        isStud,
        isOpen: !isStud && table.mark[i] === 1,
        axis,
        isFree: false,
      })
    }
    for (const body of this.freeOf.get(node) ?? []) list.push({ ...body, isFree: true })
    return list
  }
}

function columnsOf(scene: Scene): [Columns, Columns, Columns] {
  const boxes = allBoxes(scene)
  const scratch = new Scratch()
  const along = (axis: Axis): Columns => new Columns(scene, axis, boxes, scratch)
  return [along(0), along(1), along(2)]
}

interface LooseBody {
  readonly hull: Box
  readonly shape: OrientedBox
  readonly isStud: boolean
  readonly isOpen: boolean
  readonly axis: Vec
  readonly isFree: boolean
}

const ALONG = 0.99996

/** Whether a joint lets go along the travel. */
export function isAlong({ lets, ways }: Joint, travel: Travel): boolean {
  if (lets !== 0 && typeof travel === 'number') return ((lets >> axisOf(travel)) & 1) === 1
  const way = travelVector(travel)
  return ways.some((vector) => Math.abs(dot(vector, way)) > ALONG)
}

/** Studs do not count for travel along their own axis, and pass through open bodies. */
function isPassable(a: LooseBody, b: LooseBody, travel: Vec): boolean {
  if ((a.isStud && b.isOpen) || (b.isStud && a.isOpen)) return true
  const alongOwn = (body: LooseBody): boolean => body.isStud && Math.abs(dot(body.axis, travel)) > ALONG
  return alongOwn(a) || alongOwn(b)
}

const sweptHull = (hull: Box, way: Vec): Box => ({
  min: hull.min.map((value, i) => value + Math.min(0, way[i]!)) as unknown as Vec,
  max: hull.max.map((value, i) => value + Math.max(0, way[i]!)) as unknown as Vec,
})

/** Node boxes leave out studs, which reach 2 u further. */
function hullsMeet(a: Box, b: Box): boolean {
  return [0, 1, 2].every((i) => a.min[i]! < b.max[i]! + 2 && b.min[i]! - 2 < a.max[i]!)
}

function widest(scene: Scene): number {
  let most = 100
  for (const box of scene.nodeBoxes)
    for (const axis of [0, 1, 2] as Axis[]) most = Math.max(most, Math.abs(box.min[axis]), Math.abs(box.max[axis]))
  return most
}

function rowsByNode(scene: Scene): number[][] {
  const rows: number[][] = scene.nodes.map(() => [])
  scene.bodies.node.forEach((node, i) => rows[node]!.push(i))
  scene.studs.node.forEach((node, i) => rows[node]!.push(scene.bodies.count + i))
  return rows
}

/** Both senses of each way that a joint lets go. */
export const waysAlong = ({ ways }: Joint): Vec[] => ways.flatMap((way) => [way, scale(way, -1)])
