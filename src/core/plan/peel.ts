import { findCutNodes, jointsOf } from '../joints'
import type { SpaceLeft } from '../motion'
import { pressBlocker, PRESSES, travelVector, waysAlong, type Travel } from '../motion'
import { DIRECTIONS, MINUS_X, MINUS_Y, MINUS_Z, PLUS_X, PLUS_Y, PLUS_Z, sizeOf, type Direction } from '../space'
import { CutOffSearch, type CutOff } from './cut-off'
import { Heap } from './heap'
import { findInterlockingSet } from './interlocking-set'
import type { Block } from './types'
import { findUnit } from './units'

/** One thing taken off the model: a node, or a unit of several nodes that only leaves as one body. */
export interface Removal {
  readonly nodes: readonly number[]
  /** Where it goes: the reverse of how it comes in. */
  readonly travel: Travel
  /** Set when it slides and is pressed: the direction it goes home along. */
  readonly press?: Direction
  /** Set when nothing could leave any more and this was taken by force. */
  readonly block?: Block
  /** The id of the derived section it is, where that was given before. */
  readonly unit?: string
  /** Set when it is a node with what hangs under it: a choice, not a necessity. */
  readonly isHanging?: boolean
}

/** Pairs of parts that the search for slide and press may compare each time it is asked. */
const PRESS_BUDGET = 400_000
/** Nodes put into closures where only a quick answer is wanted. */
const QUICK_BUDGET = 40_000
/** More parts than this do not stay loose on the table: they are built apart and laid down as one. */
const MOST_LOOSE = 6
/** Most nodes that hang under a lid and are built into it. */
const MOST_HANGING = 12

const UPWARD_FIRST: readonly Direction[] = [PLUS_Z, MINUS_Y, PLUS_Y, PLUS_X, MINUS_X, MINUS_Z]

/** Up first, since what leaves upward comes in from above; then sideways; downward means lifting the work. */
const classOf = (travel: Travel): number => {
  const z = travelVector(travel)[2]
  return z > 0.5 ? 0 : z > -0.5 ? 1 : 2
}

/**
 * Takes a finished section apart: who can leave, which way, leaving the rest held. Read backwards it is an order in which
 * the section can be built (Wilson and Latombe 1994, "Geometric reasoning about mechanical assembly").
 *
 * Leaving only ever makes room, so a node waits for one blocker a direction and is looked at again when that has left.
 */
export class Peeler {
  private readonly removals: Removal[] = []
  private readonly heaps = [new Heap(), new Heap(), new Heap()]
  /** What is free to go but would leave something loose; by class as in `heaps`. */
  private readonly parked = [new Heap(), new Heap(), new Heap()]
  /** A bit for each way of a node that is parked. */
  private readonly parkedWays: Uint8Array
  /** Of each node, the last (node × 8 + travel index) that waits for it, and from each of those the one before; −1 ends. */
  private readonly lastWaiting: Int32Array
  private readonly waitingBefore: Int32Array
  private readonly onFloor: Uint8Array
  private floorLeft = 0
  /** What could leave upward but for what hangs under it. */
  private readonly hung = new Set<number>()
  /** Something was taken by force. */
  private isStuck = false
  private readonly cutOffs: CutOffSearch
  private readonly hasFreeJoints: boolean
  /** 1 for what would cut the whole in two as it stands at first; 0 again as soon as a neighbour has left. */
  private readonly cutAtFirst: Uint8Array

  constructor(
    private readonly space: SpaceLeft,
    private readonly progress: (done: number, all: number) => void = () => undefined,
  ) {
    const count = space.scene.nodes.length
    this.lastWaiting = new Int32Array(count).fill(-1)
    this.waitingBefore = new Int32Array(count * 8)
    this.parkedWays = new Uint8Array(count)
    this.cutAtFirst = findCutNodes(space.joints, count)
    this.onFloor = new Uint8Array(count)
    this.findFloor()
    this.hasFreeJoints = space.joints.list.some((joint) => joint.lets === 0)
    this.cutOffs = new CutOffSearch(space, this.onFloor)
  }

  /** The table is the lowest plane of what is there; it rises when all that stood on it has left. */
  private findFloor(): void {
    const { scene, isThere } = this.space
    let floor = Infinity
    const hasBody = (node: number): boolean => isThere[node] === 1 && scene.nodes[node]!.parts.length > 0
    scene.nodeBoxes.forEach((box, node) => {
      if (hasBody(node)) floor = Math.min(floor, box.min[2])
    })
    scene.nodeBoxes.forEach((box, node) => {
      this.onFloor[node] = hasBody(node) && box.min[2] === floor ? 1 : 0
    })
    this.floorLeft = this.onFloor.reduce((sum, flag) => sum + flag, 0)
  }

  /** @returns everything in the order it left. */
  run(): Removal[] {
    const all = this.space.count
    for (let node = 0; node < all; node++) this.travels(node).forEach((_, i) => this.look(node, i))
    while (this.space.count > 0) {
      if (!this.takeNext()) this.takeUnitOrForce()
      if (this.removals.length % 256 === 0) this.progress(all - this.space.count, all)
    }
    return this.removals
  }

  /** Whether everything can leave without force; it ends with the first that cannot. */
  canAllLeave(): boolean {
    const all = this.space.count
    for (let node = 0; node < all; node++) this.travels(node).forEach((_, i) => this.look(node, i))
    while (this.space.count > 0) {
      if (this.takeNext() || this.takePressed()) continue
      const unit = findUnit(this.space, this.cutOffs, UPWARD_FIRST, QUICK_BUDGET)
      if (!unit) return false
      this.takeOff(unit.nodes, unit.travel)
    }
    return true
  }

  /** The ways a node may try: the six directions, or along its joint where that does not lie in the lattice. */
  private travels(node: number): readonly Travel[] {
    if (!this.hasFreeJoints) return DIRECTIONS
    for (const joint of jointsOf(this.space.joints, node)) {
      if (joint.lets === 0) return waysAlong(joint)
    }
    return DIRECTIONS
  }

  /** Puts a node and a way into the heap of its class, or lets it wait for its blocker. */
  private look(node: number, way: number): void {
    const travel = this.travels(node)[way]!
    const blocker = this.space.blocker(node, travel)
    if (blocker >= 0) this.wait(blocker, node, way)
    else this.heaps[classOf(travel)]!.push(node * 8 + way, this.priority(node, travel))
  }

  private wait(blocker: number, node: number, way: number): void {
    this.waitingBefore[node * 8 + way] = this.lastWaiting[blocker]!
    this.lastWaiting[blocker] = node * 8 + way
  }

  /** Upward the highest first. Sideways and downward the smallest: cladding comes off before what carries it. */
  private priority(node: number, travel: Travel): number {
    const box = this.space.scene.nodeBoxes[node]!
    if (classOf(travel) === 0) return box.max[2] * 4 + box.min[2]
    const size = sizeOf(box)
    return -size[0] * size[1] * size[2]
  }

  /**
   * First what leaves the rest in one piece, upward before sideways; then what lays something loose; from below last. A floor that
   * went in from below would come after its walls: a lid is rather built with what hangs under it.
   */
  private takeNext(): boolean {
    const [up, aside, down] = [0, 1, 2] as const
    return (
      this.takeHolding(up) ||
      this.takeHolding(aside) ||
      this.takeLoosening(up) ||
      this.takeLoosening(aside) ||
      this.takeHolding(down, 'off the floor') ||
      this.takeHanging() ||
      this.takeHolding(down) ||
      this.takeLoosening(down)
    )
  }

  /** Takes a node upward with what hangs under it, where that is little and goes with it. */
  private takeHanging(): boolean {
    for (const node of this.hung) {
      this.hung.delete(node)
      if (this.space.isThere[node] === 0) continue
      const hanging = this.cutOffs.find([node]).filter(({ touchesFloor }) => !touchesFloor)
      const nodes = [node, ...hanging.flatMap((group) => group.nodes)]
      if (nodes.length === 1 || nodes.length > 1 + MOST_HANGING || nodes.length * 2 > this.space.count) continue
      if (!hanging.every((group) => this.isInRoom(node, group.nodes))) continue
      if (this.space.groupBlocker(nodes, PLUS_Z) >= 0 || this.cutOffs.find(nodes).some(({ touchesFloor }) => !touchesFloor)) continue
      this.takeOff(nodes, PLUS_Z, { isHanging: true })
      return true
    }
    return false
  }

  /** A floor is under it, and walls on three sides of it at least; what has a free way down is put in from below. */
  private isInRoom(lid: number, nodes: readonly number[]): boolean {
    const facing = (direction: Direction): number => {
      let found = -1
      this.space.eachBlocker(nodes, direction, (other) => {
        if (other !== lid && !nodes.includes(other)) found = other
      })
      return found
    }
    const floor = facing(MINUS_Z)
    const walls = [MINUS_X, PLUS_X, MINUS_Y, PLUS_Y].map(facing)
    return floor >= 0 && new Set(walls.filter((wall) => wall >= 0 && wall !== floor)).size >= 3
  }

  /**
   * Takes the first of a class that leaves the rest in one piece. What would loosen something is parked until a neighbour leaves.
   * @param which only what does not stand on the table, or whatever there is
   */
  private takeHolding(kind: number, which: 'off the floor' | 'any' = 'any'): boolean {
    const heap = this.heaps[kind]!
    for (let item = heap.pop(); item !== undefined; item = heap.pop()) {
      const node = item >> 3
      if (this.space.isThere[node] === 0) continue
      if (which === 'off the floor' && this.onFloor[node] === 1) {
        heap.push(item, this.priority(node, this.travels(node)[item & 7]!))
        return false
      }
      const outcome = this.tryTake(node, item & 7, 'hold')
      if (outcome === 'taken') return true
      if (outcome === 'loosens') {
        this.parkedWays[node]! |= 1 << (item & 7)
        this.parked[kind]!.push(item, this.priority(node, this.travels(node)[item & 7]!))
      }
    }
    return false
  }

  private takeLoosening(kind: number): boolean {
    const heap = this.parked[kind]!
    for (let item = heap.pop(); item !== undefined; item = heap.pop()) {
      const node = item >> 3
      const way = 1 << (item & 7)
      if (this.space.isThere[node] === 0 || (this.parkedWays[node]! & way) === 0) continue
      this.parkedWays[node]! &= ~way
      if (this.tryTake(node, item & 7, 'rest') === 'taken') return true
    }
    return false
  }

  /** A group that a node would cut off can only vanish when a neighbour of the node leaves: then it is asked again. */
  private unparkAround(node: number): void {
    const { start, list } = this.space.joints.adjacency
    for (let k = start[node]!; k < start[node + 1]!; k++) {
      const other = list[k]!
      this.cutAtFirst[other] = 0
      const ways = this.parkedWays[other]!
      if (ways === 0 || this.space.isThere[other] === 0) continue
      this.parkedWays[other] = 0
      for (let way = 0; way < 8; way++) if ((ways & (1 << way)) !== 0) this.look(other, way)
    }
  }

  /**
   * Takes a node whose way is free, if what it leaves behind is held or can rest.
   * @param left what the rest must do: hold in one piece, or at least rest on the table
   */
  private tryTake(node: number, way: number, left: 'hold' | 'rest'): 'taken' | 'loosens' | 'waits' {
    const travel = this.travels(node)[way]!
    if (left === 'hold') {
      // Nothing has left yet that could have freed a node which cut the whole from the beginning.
      if (this.cutAtFirst[node] === 1 || this.cutOffs.cuts(node)) return 'loosens'
      this.takeOff([node], travel)
      return 'taken'
    }
    const cut = this.cutOffs.find([node])
    const hovering = cut.length > 0 ? this.findHovering(node, cut) : undefined
    if (hovering !== undefined) {
      if (travel === PLUS_Z) this.hung.add(node)
      this.wait(hovering, node, way)
      return 'waits'
    }
    this.takeOff([node], travel)
    for (const group of cut) {
      if (group.nodes.length <= MOST_LOOSE) continue
      const free = UPWARD_FIRST.find((direction) => direction !== MINUS_Z && this.space.groupBlocker(group.nodes, direction) < 0)
      if (free !== undefined) this.takeOff(group.nodes, free)
    }
    return 'taken'
  }

  /** A node of a group that would hang in the air if `node` left: every group, and the rest, must touch the table there is then. */
  private findHovering(node: number, cut: readonly CutOff[]): number | undefined {
    if (this.floorLeft - this.onFloor[node]! > 0) {
      const hovering = cut.find((group) => !group.touchesFloor)
      if (hovering) return hovering.nodes[0]
      const touching = cut.reduce((sum, group) => sum + this.floorCount(group.nodes), 0)
      return this.floorLeft - touching - this.onFloor[node]! > 0 ? undefined : cut[0]!.nodes[0]
    }
    // With `node` the table itself goes: what is lowest then lies on the table.
    const { nodeBoxes } = this.space.scene
    const inGroup = new Map(cut.flatMap((group, i) => group.nodes.map((member) => [member, i] as const)))
    const lowest = new Array<number>(cut.length + 1).fill(Infinity)
    nodeBoxes.forEach((box, other) => {
      if (this.space.isThere[other] === 0 || other === node) return
      const group = inGroup.get(other) ?? cut.length
      lowest[group] = Math.min(lowest[group]!, box.min[2])
    })
    const table = Math.min(...lowest)
    const high = lowest.findIndex((plane) => plane !== table)
    return high < 0 ? undefined : (cut[high] ?? cut[0])!.nodes[0]
  }

  private floorCount(nodes: readonly number[]): number {
    return nodes.reduce((sum, node) => sum + this.onFloor[node]!, 0)
  }

  private takeOff(nodes: readonly number[], travel: Travel, more: Pick<Removal, 'press' | 'block' | 'isHanging'> = {}): void {
    for (const node of nodes) {
      this.space.remove(node)
      this.floorLeft -= this.onFloor[node]!
    }
    if (this.floorLeft === 0) this.findFloor()
    this.removals.push({ nodes, travel, ...more })
    for (const node of nodes) {
      let waiter = this.lastWaiting[node]!
      this.lastWaiting[node] = -1
      while (waiter >= 0) {
        const before = this.waitingBefore[waiter]!
        if (this.space.isThere[waiter >> 3] === 1) this.look(waiter >> 3, waiter & 7)
        waiter = before
      }
      this.unparkAround(node)
    }
  }

  private takeUnitOrForce(): void {
    if (this.takePressed()) return
    const unit = findUnit(this.space, this.cutOffs, UPWARD_FIRST)
    if (unit) this.takeOff(unit.nodes, unit.travel)
    else this.force()
  }

  /** Where nothing goes straight, one part that slides out when it is lifted off its studs, and leaves the rest held. */
  private takePressed(): boolean {
    const { space } = this
    if (space.scene.freeBodies.length > 0) return false
    let budget = PRESS_BUDGET
    for (let node = space.isThere.length - 1; node >= 0 && budget > 0; node--) {
      if (space.isThere[node] === 0 || this.cutOffs.cuts(node)) continue
      for (const { out, press } of PRESSES) {
        budget -= space.count
        if (pressBlocker(space, node, out, press) >= 0) continue
        this.takeOff([node], out, { press })
        return true
      }
    }
    return false
  }

  /** Nothing can leave: the highest part that holds nothing else up goes all the same, and carries who was in its way. */
  private force(): void {
    const there: number[] = []
    this.space.isThere.forEach((flag, node) => {
      if (flag === 1) there.push(node)
    })
    there.sort((a, b) => this.priority(b, PLUS_Z) - this.priority(a, PLUS_Z) || a - b)
    const isSafe = (node: number): boolean => this.cutOffs.find([node]).every((group) => group.touchesFloor)
    const node = there.slice(0, 200).find(isSafe) ?? there[0]!
    const blockers = this.travels(node).map((travel) => ({ travel, by: this.space.blocker(node, travel) }))
    // One interlocking set is told in full; what follows from it is only named.
    const interlocking = this.isStuck ? undefined : findInterlockingSet(this.space, node)
    this.isStuck = true
    const block: Block = {
      node,
      blockers: blockers.filter(({ by }) => by >= 0),
      ...(interlocking && interlocking.core.length > 1 ? { interlocking } : {}),
    }
    this.takeOff([node], PLUS_Z, { block })
  }
}
