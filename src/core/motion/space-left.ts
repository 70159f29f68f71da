import type { Joints } from '../joints'
import type { Scene } from '../scene'
import { axisOf, senseOf, type Direction } from '../space'
import { Columns } from './columns'
import { FreeSpace } from './free-space'
import { isAlong, type Travel } from './travel'

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
  private readonly free: FreeSpace | undefined

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
    if (scene.freeBodies.length > 0) this.free = new FreeSpace(scene)
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
   * Asks about other sets of nodes than those that are left: within `act`, who is there is told by the table it is given alone, and
   * everything stands in its columns. That suits a few questions about a large section; many are cheaper with `remove`, which
   * keeps neighbours near. Afterwards everything is there.
   */
  withPresence<Value>(act: (isThere: Uint8Array) => Value): Value {
    this.restore()
    try {
      return act(this.isThere)
    } finally {
      this.isThere.fill(1)
    }
  }

  /** The same among what is left: afterwards that is there again. */
  withPresenceAmongLeft<Value>(act: (isThere: Uint8Array) => Value): Value {
    const left = this.isThere.slice()
    try {
      return act(this.isThere)
    } finally {
      this.isThere.set(left)
    }
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
    return this.freeBlocker(node, travel)
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
      const free = this.freeBlocker(node, travel)
      if (free >= 0) found(free)
    }
  }

  private freeBlocker(node: number, travel: Travel): number {
    let found = -1
    if (!this.free) return found
    this.eachFreeBlocker(node, travel, (other) => {
      found = other
      return true
    })
    return found
  }

  /** Every node in the path of `node`, near or far, of which a body is in a free pose (or all, where the travel is free). */
  eachInFreePath(node: number, travel: Travel, found: (other: number) => void): void {
    if (!this.free) return
    this.group[node] = ++this.stamp
    this.eachFreeBlocker(node, travel, (other) => {
      found(other)
      return false
    })
  }

  private eachFreeBlocker(node: number, travel: Travel, found: (other: number) => boolean): void {
    this.free!.eachBlocker(node, travel, (other) => this.isThere[other] === 1 && this.group[other] !== this.stamp, found)
  }
}

const columnsOf = (scene: Scene): [Columns, Columns, Columns] => [new Columns(scene, 0), new Columns(scene, 1), new Columns(scene, 2)]
