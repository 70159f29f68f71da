import type { Joints } from '../joints'
import type { Scene } from '../scene'
import { middle, PLATE_HEIGHT, sizeOf, STUD_PITCH, type Box, type Vec } from '../space'
import { findClusters } from './clusters'
import { Groups } from './groups'
import { fitsLimits, stepPart, type StepPart } from './limits'
import { MANNERS, type Manner } from './manner'
import type { Precedence } from './precede'
import { ReadyGrid } from './ready-grid'
import { REST_STEPS, type StepLimits } from './types'

const COST = {
  /** Ties a loose group to the rest; more when it has lain there long. */
  ties: -60,
  tiesLate: -400,
  /** Goes on with what lies loose, until it reaches the rest. */
  bringsOn: -15,
  /** Each group that lies about already makes another dearer. */
  looseGroup: 2,
  /** Copies of one section are joined together, wherever they stand. */
  sameCopy: -80,
} as const

/** A candidate may cost this much more than the best and still be taken because it fits the open step. */
const SLACK = 6
/** More neighbours than this do not make a part more of a core. */
const MOST_JOINTS = 12
/** Plates of a floor that may lie loose side by side at the price of the next one. */
const MOST_OF_FLOOR = 8
/** Two studs, u². */
const SMALL_PLATE = 200
/** Copies joined in one step. */
const MOST_COPIES = 4
/** Placements for which what is ready waits for the wishes of others; then they are given up. */
const PATIENCE = 80
/** A finished section can wait longer without harm. */
const JUMP_PATIENCE = 600

/** What the peel laid down with nothing to hold it: the only nodes that may begin a group, and the plane of the first. */
export interface Starters {
  readonly isStarter: Uint8Array
  readonly firstPlane: number
}

/** What a schedule must keep: who waits for whom, and who may lie on the table. */
export interface Frame {
  readonly scene: Scene
  readonly joints: Joints
  readonly order: Precedence
  readonly starters: Starters
  /** 1 for what comes in from a side: cladding, as a rule. */
  readonly isSideways: Uint8Array
}

/** Wishes of the eye: the first of each pair comes in an earlier step than the second, as far as the frame allows. */
export type Wish = readonly [first: number, then: number]

export interface ScheduleOptions {
  readonly limits: StepLimits
  readonly manner?: Manner
  readonly wishes?: readonly Wish[]
}

/**
 * Puts nodes into steps: forward, always one whose predecessors are in and which something present (or the table) holds.
 * With directions fixed by the peel no choice can deadlock, so the choice is free to please the reader: near, layer by
 * layer, like after like, loose parts tied soon (Agrawala et al. 2003, "Designing effective step-by-step assembly
 * instructions").
 *
 * @returns the nodes of each step, in order
 */
export function schedule(frame: Frame, options: ScheduleOptions): number[][] {
  return new Scheduler(frame, options).run()
}

class Scheduler {
  private readonly scene: Scene
  private readonly waits: Int32Array
  /** Wishes still open for a node; it is passed over while anything else can be done. */
  private readonly wished: Int32Array
  private readonly wishesAfter = new Map<number, number[]>()
  private readonly apart = new Map<number, Set<number>>()
  private readonly present: Uint8Array
  private readonly held: Int32Array
  private readonly groups: Groups
  private readonly loose = new Set<number>()
  private readonly ready: ReadyGrid
  private readonly steps: number[][] = [[]]
  private readonly info: readonly StepPart[]
  private readonly middles: readonly Vec[]
  private readonly cluster: Int32Array
  private readonly scores: Float64Array
  private readonly manner: Manner
  private readonly readySince: Int32Array
  private placed = 0
  private main = -1
  /** The lowest plane of what is there. */
  private table = Infinity
  private last = -1

  constructor(
    private readonly frame: Frame,
    private readonly options: ScheduleOptions,
  ) {
    const { scene, joints, order } = frame
    const count = scene.nodes.length
    this.scene = scene
    this.manner = options.manner ?? MANNERS['ground-up'][0]!
    this.waits = order.waits.slice()
    this.wished = new Int32Array(count)
    this.present = new Uint8Array(count)
    this.held = new Int32Array(count)
    this.groups = new Groups(count)
    this.info = scene.nodes.map((_, node) => stepPart(scene, node))
    this.middles = scene.nodeBoxes.map(middle)
    this.cluster = findClusters(scene, joints.adjacency)
    this.scores = new Float64Array(count)
    this.ready = new ReadyGrid(scene.nodeBoxes)
    this.readySince = new Int32Array(count)
    for (const wish of options.wishes ?? []) this.addWish(wish)
    for (let node = 0; node < count; node++) if (this.waits[node] === 0) this.makeReady(node)
  }

  private addWish([first, then]: Wish): void {
    if (mustPrecede(this.frame, then, first)) return
    const list = this.wishesAfter.get(first)
    if (list) list.push(then)
    else this.wishesAfter.set(first, [then])
    this.wished[then]!++
    const kept = this.apart.get(then)
    if (kept) kept.add(first)
    else this.apart.set(then, new Set([first]))
  }

  run(): number[][] {
    for (let left = this.scene.nodes.length; left > 0; left--) this.place(this.choose())
    return this.steps.filter((step) => step.length > 0)
  }

  private get step(): number[] {
    return this.steps[this.steps.length - 1]!
  }

  private planeOf(node: number): number {
    return this.scene.nodeBoxes[node]!.min[2]
  }

  /** Held by something present, or lying on the table where the peel has found it may. */
  private isSupported(node: number): boolean {
    if (this.scene.nodes[node]!.parts.length === 0) return true
    const plane = this.planeOf(node)
    // Nothing goes below the table while something lies loose on it, unless it ties all that: the rest would be lifted.
    if (plane < this.table && this.looseBeside(node) > 0) return false
    return this.held[node]! > 0 || (this.frame.starters.isStarter[node] === 1 && plane === this.table)
  }

  /** Loose groups that would still be loose with `node` in place. */
  private looseBeside(node: number): number {
    if (this.loose.size === 0) return 0
    const touched = this.groupsAround(node)
    const isTied = touched.has(this.groups.of(this.main)) || touched.size > 1
    return isTied ? [...this.loose].filter((group) => !touched.has(group)).length : this.loose.size
  }

  private groupsAround(node: number): Set<number> {
    const touched = new Set<number>()
    const { start, list } = this.frame.joints.adjacency
    for (let k = start[node]!; k < start[node + 1]!; k++) {
      const other = list[k]!
      if (this.present[other] === 1) touched.add(this.groups.of(other))
    }
    return touched
  }

  /** The next node; closes the open step where it does not fit. */
  private choose(): number {
    if (this.last < 0) return this.chooseFirst()
    const candidates = this.candidates()
    let best = candidates[0]!
    for (const node of candidates) {
      this.scores[node] = this.score(node)
      if (this.scores[node] < this.scores[best]! || (this.scores[node] === this.scores[best] && node < best)) best = node
    }
    if (this.fits(best)) return best
    const other = this.bestThatFits(candidates, this.scores[best]! + SLACK)
    if (other >= 0) return other
    this.steps.push([])
    return best
  }

  /** What can be done now, the better choice first: near and without open wishes, near, anywhere; at last what nothing holds. */
  private candidates(): number[] {
    const near: number[] = []
    this.ready.eachNear(this.scene.nodeBoxes[this.last]!, (node) => {
      if (this.isSupported(node)) near.push(node)
    })
    const wanted = near.filter((node) => this.isWanted(node))
    if (wanted.some((node) => this.cluster[node] === this.cluster[this.last])) return wanted
    const all: number[] = []
    const hovering: number[] = []
    this.ready.each((node) => (this.isSupported(node) ? all : hovering).push(node))
    const wantedOfAll = all.filter((node) => this.isWanted(node))
    if (wantedOfAll.length > 0) return wantedOfAll
    // Only what nothing holds is left: it is put in all the same, and the checks report it.
    return all.length > 0 ? all : hovering
  }

  private isWanted(node: number): boolean {
    const patience = this.scene.nodes[node]!.kind === 'part' ? PATIENCE : JUMP_PATIENCE
    return this.wished[node]! <= 0 || this.placed - this.readySince[node]! > patience
  }

  private bestThatFits(candidates: readonly number[], bound: number): number {
    const { scores } = this
    const near = candidates.filter((node) => scores[node]! <= bound)
    near.sort((a, b) => scores[a]! - scores[b]! || a - b)
    return near.slice(0, 24).find((node) => this.fits(node)) ?? -1
  }

  /** Begins on the table, with the largest: a base carries what follows. */
  private chooseFirst(): number {
    const area = (node: number): number => {
      const size = sizeOf(this.scene.nodeBoxes[node]!)
      return size[0] * size[1]
    }
    const ready: number[] = []
    this.ready.each((node) => ready.push(node))
    const { isStarter, firstPlane } = this.frame.starters
    const onTable = ready.filter((node) => isStarter[node] === 1 && this.planeOf(node) === firstPlane)
    const candidates = onTable.length > 0 ? onTable : ready
    return candidates.reduce((a, b) => (area(b) > area(a) || (area(b) === area(a) && b < a) ? b : a))
  }

  private score(node: number): number {
    const { manner, last, info } = this
    const from = this.middles[last]!
    const to = this.middles[node]!
    const way = (Math.abs(to[0] - from[0]) + Math.abs(to[1] - from[1])) / STUD_PITCH
    // What would lie loose is chosen by how soon it is held, not by what it looks like.
    const isLike = info[node]!.likeness === info[last]!.likeness && this.held[node]! > 0
    let score = way * (isLike ? manner.likeWay : manner.way) + (isLike ? manner.sameLikeness : 0)
    const rise = (this.planeOf(node) - this.planeOf(last)) / PLATE_HEIGHT
    const newLayer = Math.max(-1, Math.min(1, rise)) * manner.newLayer
    const nearer = nearness(to) - nearness(from)
    if (this.cluster[node] === this.cluster[last]) score += manner.layer * rise + newLayer + manner.nearer * nearer
    else score += manner.leaveCluster + rise + manner.nearerCluster * nearer
    if (this.step.some((other) => info[other]!.piece === info[node]!.piece)) score += manner.inStepAlready
    if (this.scene.nodes[node]!.kind !== 'part') score += isLike ? COST.sameCopy : manner.jump
    if (this.frame.isSideways[node] === 1) score += manner.sideways
    if (manner.perJoint !== 0) score += manner.perJoint * Math.min(MOST_JOINTS, this.jointCount(node))
    return score + this.looseness(node)
  }

  private jointCount(node: number): number {
    const { start } = this.frame.joints.adjacency
    return start[node + 1]! - start[node]!
  }

  private looseness(node: number): number {
    if (this.held[node] === 0) {
      const price =
        Math.min(this.manner.looseMost, this.manner.looseForEach * this.partsUntilHeld(node)) + COST.looseGroup * this.loose.size
      const isNextOfFloor = this.loose.size < MOST_OF_FLOOR && this.isFlat(node) && this.touchesWork(node)
      return (this.isLate() ? 4 : isNextOfFloor ? this.manner.floorShare : 1) * price
    }
    if (this.loose.size === 0) return 0
    const around = this.groupsAround(node)
    if (around.size > 1) return this.isLate() ? COST.tiesLate : COST.ties
    return [...around].some((group) => this.loose.has(group)) ? COST.bringsOn : 0
  }

  /** Whether something has lain loose for so long that it must be held in the next step. */
  private isLate(): boolean {
    let oldest = this.steps.length
    for (const group of this.loose) oldest = Math.min(oldest, this.groups.bornIn(group))
    return this.loose.size > 0 && this.steps.length - oldest >= REST_STEPS - 1
  }

  private isFlat(node: number): boolean {
    const box = this.scene.nodeBoxes[node]!
    return box.max[2] - box.min[2] <= PLATE_HEIGHT
  }

  /** Whether it lies right beside, over or under a part of the open step, seen from above. */
  private touchesWork(node: number): boolean {
    const { nodeBoxes } = this.scene
    const box = nodeBoxes[node]!
    const touches = (other: number): boolean => {
      const b = nodeBoxes[other]!
      return box.min[0] <= b.max[0] && b.min[0] <= box.max[0] && box.min[1] <= b.max[1] && b.min[1] <= box.max[1]
    }
    return this.step.some(touches) || touches(this.last)
  }

  /** How many parts must come, this one included, until one can come that ties it to others. */
  private partsUntilHeld(node: number): number {
    let least = this.manner.looseMost
    for (const next of this.frame.order.after[node]!) least = Math.min(least, this.waits[next]!)
    return least
  }

  private fits(node: number): boolean {
    const { step, info } = this
    if (step.length === 0) return true
    const kind = this.scene.nodes[node]!.kind
    const first = this.scene.nodes[step[0]!]!
    if (kind !== 'part' || first.kind !== 'part') {
      const isLikeCopy = kind === 'copy' && first.kind === 'copy' && info[node]!.piece === info[step[0]!]!.piece
      return isLikeCopy && step.length < MOST_COPIES
    }
    const apart = this.apart.get(node)
    if (apart && step.some((member) => apart.has(member))) return false
    if (this.cluster[node] !== this.cluster[this.last]) return false
    const isHigher = this.planeOf(node) > this.planeOf(this.last)
    if (isHigher && step.length >= this.manner.closeAtLayer) return false
    if (this.isFar(node) || step.some((below) => this.covers(node, below))) return false
    return fitsLimits(
      [...step, node].map((member) => info[member]!),
      this.options.limits,
    )
  }

  private isFar(node: number): boolean {
    const from = this.middles[this.last]!
    const to = this.middles[node]!
    const way = (Math.abs(to[0] - from[0]) + Math.abs(to[1] - from[1])) / STUD_PITCH
    return way > (this.info[node]!.likeness === this.info[this.last]!.likeness ? this.manner.likeStretch : this.manner.stretch)
  }

  /** Whether `node` would hide most of the flat `below`, so that a reader could not see both in one picture. */
  private covers(node: number, below: number): boolean {
    const a = this.scene.nodeBoxes[node]!
    const b = this.scene.nodeBoxes[below]!
    if (!this.isFlat(below) || a.min[2] !== b.max[2]) return false
    const area = (b.max[0] - b.min[0]) * (b.max[1] - b.min[1])
    // Of a small plate the sides show enough.
    if (area <= SMALL_PLATE) return false
    const shared = (above: Box): number => (above.min[2] === b.max[2] ? overlapLength(above, b, 0) * overlapLength(above, b, 1) : 0)
    const covered = this.step.reduce((sum, other) => sum + shared(this.scene.nodeBoxes[other]!), shared(a))
    return shared(a) > 0 && covered * 2 > area
  }

  private place(node: number): void {
    this.ready.remove(node)
    this.placed++
    this.step.push(node)
    this.present[node] = 1
    this.last = node
    const isEmpty = this.scene.nodes[node]!.parts.length === 0
    if (!isEmpty) this.table = Math.min(this.table, this.planeOf(node))
    this.groups.lay(node, this.steps.length)
    if (this.held[node] === 0 && !isEmpty) {
      if (this.main < 0) this.main = node
      else this.loose.add(node)
    }
    const { start, list } = this.frame.joints.adjacency
    for (let k = start[node]!; k < start[node + 1]!; k++) {
      const other = list[k]!
      this.held[other]!++
      if (this.present[other] === 1) this.tie(node, other)
    }
    for (const then of this.wishesAfter.get(node) ?? []) this.wished[then]!--
    for (const next of this.frame.order.after[node]!) if (--this.waits[next]! === 0) this.makeReady(next)
  }

  private makeReady(node: number): void {
    this.ready.add(node)
    this.readySince[node] = this.placed
  }

  private tie(a: number, b: number): void {
    const mainGroup = this.groups.of(this.main)
    const joined = this.groups.join(a, b)
    if (!joined) return
    const wasLoose = this.loose.delete(joined.kept)
    const otherWasLoose = this.loose.delete(joined.gone)
    const isMain = mainGroup === joined.kept || mainGroup === joined.gone
    if (!isMain && (wasLoose || otherWasLoose)) this.loose.add(joined.kept)
  }
}

/** How far a chain of demands is followed; a longer one is taken for none, since a wish gives way in time. */
const LONGEST_CHAIN = 600

/** Whether the frame demands `first` before `then`, or `first` alone holds `then`. */
function mustPrecede({ order, joints }: Frame, first: number, then: number): boolean {
  const { start, list } = joints.adjacency
  const holders = list.subarray(start[then], start[then + 1])
  if (holders.length > 0 && holders.every((other) => other === first)) return true
  const seen = new Set([first])
  for (const node of seen) {
    if (seen.size > LONGEST_CHAIN) return false
    for (const next of order.after[node]!) {
      if (next === then) return true
      seen.add(next)
    }
  }
  return false
}

/** How near to the reader's eye, in studs: the usual view is from the front, a little from the right (`picture/view.ts`). */
const nearness = (at: Vec): number => (0.54 * at[0] - 0.84 * at[1]) / STUD_PITCH

const overlapLength = (a: Box, b: Box, axis: 0 | 1): number =>
  Math.max(0, Math.min(a.max[axis], b.max[axis]) - Math.max(a.min[axis], b.min[axis]))
