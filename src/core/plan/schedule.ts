import type { Joints } from '../joints'
import type { Scene } from '../scene'
import { PLATE_HEIGHT, sizeOf, unite, type Box } from '../space'
import { Groups } from './groups'
import { fitsLimits } from './limits'
import type { Locks } from './locks'
import { STRATEGY_WEIGHTS, type SchedulingWeights } from './scheduling-weights'
import type { NodeFacts } from './node-facts'
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
/** Farther apart than this, in studs, two sides of a thing are done one after the other. */
const OPPOSITE_REACH = 10
/** More neighbours than this do not make a part more of a core. */
const MOST_JOINTS = 12
/** Plates of a floor that may lie loose side by side at the cost of the next one. */
const MOST_OF_FLOOR = 8
/** From more sides at once hands and eyes lose count: a step has no more ways in. */
const MOST_WAYS = 2
/** Parts of one step stand within this of each other, u: a picture of more would show studs too small to count. */
const MOST_REACH = 420
/** Two studs, u². */
const SMALL_PLATE = 200
/** Copies joined in one step. */
const MOST_COPIES = 4
/** Placements for which what is ready waits for the visibility constraints of others; then those are given up. */
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
  readonly facts: NodeFacts
  readonly locks?: Locks
  /** 1 for what comes in from a side: cladding, as a rule. */
  readonly isSideways: Uint8Array
  /** Of each node a number of the way it comes: equal for equal ways. */
  readonly ways: Int32Array
}

/** A visibility constraint: the first of the pair comes in an earlier step than the second, as far as the frame allows. */
export type VisibilityConstraint = readonly [first: number, then: number]

export interface ScheduleOptions {
  readonly limits: StepLimits
  readonly weights?: SchedulingWeights
  readonly visibilityConstraints?: readonly VisibilityConstraint[]
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
  /** Visibility constraints still open for a node; it is passed over while anything else can be done. */
  private readonly constrained: Int32Array
  private readonly constraintsAfter = new Map<number, number[]>()
  private readonly apart = new Map<number, Set<number>>()
  private readonly present: Uint8Array
  private readonly held: Int32Array
  private readonly groups: Groups
  private readonly loose = new Set<number>()
  private readonly ready: ReadyGrid
  private readonly steps: number[][] = [[]]
  private readonly facts: NodeFacts
  private readonly scores: Float64Array
  private readonly weights: SchedulingWeights
  private readonly readySince: Int32Array
  /** Of each node, for how many of its own locked step it waits: they come with it. */
  private readonly waitsInside: Int32Array
  /** Of each locked step, how many of its nodes wait for nothing outside it. */
  private readonly free: Int32Array
  /** Of each piece, the number of the last step that brought it. */
  private readonly pieceInStep: Int32Array
  private placed = 0
  private isLate = false
  private main = -1
  /** The lowest plane of what is there. */
  private table = Infinity
  private last = -1

  constructor(
    private readonly frame: Frame,
    private readonly options: ScheduleOptions,
  ) {
    const { scene, order } = frame
    const count = scene.nodes.length
    this.scene = scene
    this.weights = options.weights ?? STRATEGY_WEIGHTS['ground-up'][0]!
    this.waits = order.waits.slice()
    this.constrained = new Int32Array(count)
    this.present = new Uint8Array(count)
    this.held = new Int32Array(count)
    this.groups = new Groups(count)
    this.facts = frame.facts
    this.scores = new Float64Array(count)
    this.ready = new ReadyGrid(scene.nodeBoxes)
    this.readySince = new Int32Array(count)
    this.pieceInStep = new Int32Array(count)
    this.waitsInside = waitsInside(frame, count)
    this.free = new Int32Array(frame.locks?.steps.length ?? 0)
    for (const constraint of options.visibilityConstraints ?? []) this.addConstraint(constraint)
    for (let node = 0; node < count; node++) if (this.waits[node] === this.waitsInside[node]) this.makeReady(node)
  }

  private addConstraint([first, then]: VisibilityConstraint): void {
    if (mustPrecede(this.frame, then, first)) return
    const list = this.constraintsAfter.get(first)
    if (list) list.push(then)
    else this.constraintsAfter.set(first, [then])
    this.constrained[then]!++
    const kept = this.apart.get(then)
    if (kept) kept.add(first)
    else this.apart.set(then, new Set([first]))
  }

  run(): number[][] {
    const { locks } = this.frame
    while (this.placed < this.scene.nodes.length) {
      const node = this.choose()
      const lock = locks ? locks.of[node]! : -1
      if (lock < 0) this.place(node)
      else {
        for (const member of locks!.steps[lock]!) this.place(member)
        this.steps.push([])
      }
    }
    return this.steps.filter((step) => step.length > 0)
  }

  private get step(): number[] {
    return this.steps[this.steps.length - 1]!
  }

  private planeOf(node: number): number {
    return this.facts.plane[node]!
  }

  /** Held by something present, or lying on the table where the peel has found it may. */
  private isSupported(node: number): boolean {
    if (this.facts.isEmpty[node] === 1) return true
    const plane = this.planeOf(node)
    // Nothing goes below the table while something lies loose on it, unless it ties all that: the rest would be lifted.
    if (plane < this.table && this.looseBeside(node) > 0) return false
    const isStarter = this.frame.starters.isStarter[node] === 1
    return this.held[node]! > 0 || (isStarter && (plane === this.table || this.standsApart(node)))
  }

  private standsApart(node: number): boolean {
    return this.scene.nodes[node]!.standsApart === true
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
    this.isLate = this.findLate()
    const candidates = this.candidates()
    let best = candidates[0]!
    let least = Infinity
    for (const node of candidates) {
      const score = this.score(node, least + SLACK)
      this.scores[node] = score
      if (score > least || (score === least && node > best)) continue
      best = node
      least = score
    }
    if (this.fits(best)) return best
    const other = this.bestThatFits(candidates, this.scores[best]! + SLACK)
    if (other >= 0) return other
    this.steps.push([])
    return best
  }

  /** What can be done now, the better choice first: near and with no open visibility constraint, near, anywhere; at last what nothing holds. */
  private candidates(): number[] {
    const wanted: number[] = []
    const { cluster } = this.facts
    const here = cluster[this.last]!
    let staysHere = false
    this.ready.eachNear(this.scene.nodeBoxes[this.last]!, (node) => {
      if (!this.isSupported(node) || !this.isWanted(node)) return
      wanted.push(node)
      if (cluster[node] === here) staysHere = true
    })
    if (staysHere) return wanted
    const all: number[] = []
    const hovering: number[] = []
    this.ready.each((node) => (this.isSupported(node) ? all : hovering).push(node))
    const wantedOfAll = all.filter((node) => this.isWanted(node))
    if (wantedOfAll.length > 0) return wantedOfAll
    // Only what nothing holds is left: it is put in all the same, and the checks report it.
    return all.length > 0 ? all : hovering
  }

  private isWanted(node: number): boolean {
    return this.constrained[node]! <= 0 || this.placed - this.readySince[node]! > (this.facts.isPart[node] === 1 ? PATIENCE : JUMP_PATIENCE)
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
    const lying = onTable.length > 0 ? onTable : ready
    const parts = this.weights.beginsWithPart > 0 ? lying.filter((node) => this.facts.isPart[node] === 1) : []
    const candidates = parts.length > 0 ? parts : lying
    return candidates.reduce((a, b) => (area(b) > area(a) || (area(b) === area(a) && b < a) ? b : a))
  }

  /** What a choice costs the reader. Where it is certain to be more than `most`, the rest is not asked. */
  private score(node: number, most: number): number {
    const { weights, last, facts } = this
    const { x, y, cluster, likeness, piece } = facts
    const isLike = likeness[node] === likeness[last]
    const way = Math.abs(x[node]! - x[last]!) + Math.abs(y[node]! - y[last]!)
    const rise = (facts.plane[node]! - facts.plane[last]!) / PLATE_HEIGHT
    const nearer = nearness(x[node]!, y[node]!) - nearness(x[last]!, y[last]!)
    const isHeld = this.held[node]! > 0
    // What would lie loose is chosen by how soon it is held, not by what it looks like.
    let score = isLike && isHeld ? way * weights.likeWay + weights.sameLikeness : way * weights.way
    if (cluster[node] === cluster[last]) {
      score += weights.layer * rise + Math.max(-1, Math.min(1, rise)) * weights.newLayer + weights.nearer * nearer
    } else score += weights.leaveCluster + rise + weights.nearerCluster * nearer
    if (facts.partner[node] === last && way <= OPPOSITE_REACH) score += weights.opposite
    if (this.pieceInStep[piece[node]!] === this.steps.length) score += weights.inStepAlready
    if (facts.isPart[node] === 0) score += isLike && isHeld ? COST.sameCopy : weights.jump
    if (this.frame.isSideways[node] === 1) score += weights.sideways
    if (weights.perJoint !== 0) score += weights.perJoint * Math.min(MOST_JOINTS, this.jointCount(node))
    if (!isHeld) return score > most ? score : score + this.priceOfLoose(node)
    return this.loose.size === 0 ? score : score + this.priceOfTies(node)
  }

  private jointCount(node: number): number {
    const { start } = this.frame.joints.adjacency
    return start[node + 1]! - start[node]!
  }

  private priceOfLoose(node: number): number {
    const { weights } = this
    const cost = Math.min(weights.looseMost, weights.looseForEach * this.partsUntilHeld(node)) + COST.looseGroup * this.loose.size
    if (this.isLate) return 4 * cost
    const isNextOfFloor = this.loose.size < MOST_OF_FLOOR && this.facts.isFlat[node] === 1 && this.touchesWork(node)
    return isNextOfFloor ? weights.floorShare * cost : cost
  }

  private priceOfTies(node: number): number {
    const around = this.groupsAround(node)
    if (around.size > 1) return this.isLate ? COST.tiesLate : COST.ties
    for (const group of around) return this.loose.has(group) ? COST.bringsOn : 0
    return 0
  }

  /** Whether something has lain loose for so long that it must be held in the next step. */
  private findLate(): boolean {
    if (this.loose.size === 0) return false
    let oldest = this.steps.length
    for (const group of this.loose) oldest = Math.min(oldest, this.groups.bornIn(group))
    return this.steps.length - oldest >= REST_STEPS - 1
  }

  /** Whether it lies right beside, over or under a part of the open step, seen from above. */
  private touchesWork(node: number): boolean {
    for (const other of this.step) if (this.touches(node, other)) return true
    return this.touches(node, this.last)
  }

  private touches(node: number, other: number): boolean {
    const a = this.scene.nodeBoxes[node]!
    const b = this.scene.nodeBoxes[other]!
    return a.min[0] <= b.max[0] && b.min[0] <= a.max[0] && a.min[1] <= b.max[1] && b.min[1] <= a.max[1]
  }

  /** How many parts must come, this one included, until one can come that ties it to others. */
  private partsUntilHeld(node: number): number {
    let least = this.weights.looseMost
    for (const next of this.frame.order.after[node]!) least = Math.min(least, this.waits[next]!)
    return least
  }

  private fits(node: number): boolean {
    const { step, facts } = this
    const first = step[0]
    if (first === undefined) return true
    if (this.frame.locks && this.frame.locks.of[node]! >= 0) return false
    if (facts.isPart[node] === 0 || facts.isPart[first] === 0) {
      const isLikeCopy = this.isCopy(node) && this.isCopy(first) && facts.piece[node] === facts.piece[first]
      return isLikeCopy && step.length < MOST_COPIES
    }
    const apart = this.apart.get(node)
    if (apart && step.some((member) => apart.has(member))) return false
    if (facts.cluster[node] !== facts.cluster[this.last]) return false
    const isHigher = this.planeOf(node) > this.planeOf(this.last)
    if (isHigher && step.length >= this.weights.closeAtLayer) return false
    if (this.isFar(node) || this.reachesTooFar(node) || this.comesAnotherWay(node) || step.some((below) => this.covers(node, below)))
      return false
    return fitsLimits(
      [...step, node].map((member) => facts.stepParts[member]!),
      this.options.limits,
    )
  }

  /** Whether what is in the step comes in as many ways as a step may have, and a node by none of them. */
  private comesAnotherWay(node: number): boolean {
    const { ways } = this.frame
    if (ways[node] === ways[this.last]) return false
    const known = new Set(this.step.map((member) => ways[member]!))
    return !known.has(ways[node]!) && known.size >= MOST_WAYS
  }

  private isCopy(node: number): boolean {
    return this.scene.nodes[node]!.kind === 'copy'
  }

  private isFar(node: number): boolean {
    const { x, y, likeness } = this.facts
    const way = Math.abs(x[node]! - x[this.last]!) + Math.abs(y[node]! - y[this.last]!)
    return way > (likeness[node] === likeness[this.last] ? this.weights.likeStretch : this.weights.stretch)
  }

  /** Whether a picture of the step with a node would have to show so much ground that its studs are small. */
  private reachesTooFar(node: number): boolean {
    const { nodeBoxes } = this.scene
    const reach = [...this.step, node].map((member) => nodeBoxes[member]!).reduce(unite)
    return reach.max[0] - reach.min[0] > MOST_REACH || reach.max[1] - reach.min[1] > MOST_REACH
  }

  /** Whether `node` would hide most of the flat `below`, so that a reader could not see both in one picture. */
  private covers(node: number, below: number): boolean {
    const a = this.scene.nodeBoxes[node]!
    const b = this.scene.nodeBoxes[below]!
    if (this.facts.isFlat[below] === 0 || a.min[2] !== b.max[2]) return false
    const area = (b.max[0] - b.min[0]) * (b.max[1] - b.min[1])
    // Of a small plate the sides show enough.
    if (area <= SMALL_PLATE) return false
    const shared = (above: Box): number => (above.min[2] === b.max[2] ? overlapLength(above, b, 0) * overlapLength(above, b, 1) : 0)
    const covered = this.step.reduce((sum, other) => sum + shared(this.scene.nodeBoxes[other]!), shared(a))
    return shared(a) > 0 && covered * 2 > area
  }

  private place(node: number): void {
    if (this.ready.has(node)) this.ready.remove(node)
    this.placed++
    this.step.push(node)
    this.pieceInStep[this.facts.piece[node]!] = this.steps.length
    this.present[node] = 1
    this.last = node
    const isEmpty = this.facts.isEmpty[node] === 1
    if (!isEmpty) this.table = Math.min(this.table, this.planeOf(node))
    this.groups.lay(node, this.steps.length)
    if (this.held[node] === 0 && !isEmpty) {
      if (this.main < 0) this.main = node
      else if (!this.standsApart(node)) this.loose.add(node)
    }
    const { start, list } = this.frame.joints.adjacency
    for (let k = start[node]!; k < start[node + 1]!; k++) {
      const other = list[k]!
      this.held[other]!++
      if (this.present[other] === 1) this.tie(node, other)
    }
    for (const then of this.constraintsAfter.get(node) ?? []) this.constrained[then]!--
    for (const next of this.frame.order.after[node]!) if (--this.waits[next]! === this.waitsInside[next]) this.makeReady(next)
  }

  private makeReady(node: number): void {
    const { locks } = this.frame
    const lock = locks ? locks.of[node]! : -1
    if (lock >= 0) {
      // The first of a locked step stands for all of them.
      const members = locks!.steps[lock]!
      if (++this.free[lock]! < members.length) return
      node = members[0]!
    }
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

function waitsInside({ locks, order }: Frame, count: number): Int32Array {
  const waits = new Int32Array(count)
  for (const nodes of locks?.steps ?? []) {
    for (const node of nodes) for (const next of order.after[node]!) if (locks!.of[next] === locks!.of[node]) waits[next]!++
  }
  return waits
}

/** How far a chain of demands is followed; a longer one is taken for none, since a visibility constraint gives way in time. */
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
const nearness = (x: number, y: number): number => 0.54 * x - 0.84 * y

const overlapLength = (a: Box, b: Box, axis: 0 | 1): number =>
  Math.max(0, Math.min(a.max[axis], b.max[axis]) - Math.max(a.min[axis], b.min[axis]))
