import { neighboursOf, type Joints } from '../joints'
import type { Scene } from '../scene'
import { middle, PLATE_HEIGHT, sizeOf, STUD_PITCH, turnOfMatrix, type Box, type Vec } from '../space'
import { Groups } from './groups'
import { fitsLimits, type StepPart } from './limits'
import type { Precedence } from './precede'
import { REST_STEPS, type StepLimits } from './types'

/** What the reader pays, in studs of way: the weights of the next choice. */
const COST = {
  /** One plate higher or lower than where the work is. */
  layer: 3,
  /** A new kind of piece after the last; an old one saves. */
  samePiece: -3,
  inStepAlready: -2,
  /** Ties a loose group to the rest. */
  ties: -40,
  /** Lies loose on the table; less when the next part can hold it at once. */
  loose: 12,
  looseButSoonHeld: 3,
  /** A copy or a derived section waits until the parts around it are in. */
  jump: 20,
  /** Copies of one section are joined together, wherever they stand. */
  sameCopy: -80,
} as const

/** A candidate may cost this much more than the best and still be taken because it fits the open step. */
const SLACK = 6
/** Farther than this from the last part, in studs, a new step begins. */
const STRETCH = 14
/** Copies joined in one step. */
const MOST_COPIES = 4

/** What the peel laid down with nothing to hold it: the only nodes that may begin a group, and the plane of the first. */
export interface Starters {
  readonly isStarter: Uint8Array
  readonly firstPlane: number
}

export interface Schedule {
  /** Nodes of each step, in order. */
  readonly steps: readonly (readonly number[])[]
}

/**
 * Puts nodes into steps: forward, always one whose predecessors are in and which something present (or the table) holds.
 * With directions fixed by the peel no choice can deadlock, so the choice is free to please the reader: near, layer by
 * layer, like after like, loose parts tied soon (Agrawala et al. 2003, "Designing effective step-by-step assembly
 * instructions").
 */
export function schedule(scene: Scene, joints: Joints, order: Precedence, starters: Starters, limits: StepLimits): Schedule {
  return new Scheduler(scene, joints, order, starters, limits).run()
}

class Scheduler {
  private readonly waits: Int32Array
  private readonly present: Uint8Array
  private readonly held: Int32Array
  private readonly groups: Groups
  private readonly loose = new Set<number>()
  private readonly ready: number[] = []
  private readonly steps: number[][] = [[]]
  private readonly info: readonly StepPart[]
  private readonly middles: readonly Vec[]
  private main = -1
  /** The lowest plane of what is there. */
  private table = Infinity
  private last = -1

  constructor(
    private readonly scene: Scene,
    private readonly joints: Joints,
    private readonly order: Precedence,
    private readonly starters: Starters,
    private readonly limits: StepLimits,
  ) {
    const count = scene.nodes.length
    this.waits = order.waits.slice()
    this.present = new Uint8Array(count)
    this.held = new Int32Array(count)
    this.groups = new Groups(count)
    this.info = scene.nodes.map((spec, node) => stepPart(scene, node, spec.kind === 'part'))
    this.middles = scene.nodeBoxes.map(middle)
    for (let node = 0; node < count; node++) if (this.waits[node] === 0) this.ready.push(node)
  }

  run(): Schedule {
    for (let left = this.scene.nodes.length; left > 0; left--) this.place(this.choose())
    return { steps: this.steps.filter((step) => step.length > 0) }
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
    return this.held[node]! > 0 || (this.starters.isStarter[node] === 1 && plane === this.table)
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
    for (const other of neighboursOf(this.joints, node)) if (this.present[other] === 1) touched.add(this.groups.of(other))
    return touched
  }

  /** The next node; closes the open step where it does not fit. */
  private choose(): number {
    if (this.last < 0) return this.chooseFirst()
    const scores = new Map<number, number>()
    let best = -1
    let bestScore = Infinity
    for (const node of this.ready) {
      if (!this.isSupported(node)) continue
      const score = this.score(node)
      scores.set(node, score)
      if (score < bestScore || (score === bestScore && node < best)) {
        best = node
        bestScore = score
      }
    }
    if (best < 0) {
      // Only what nothing holds is left: it is put in all the same, and the checks report it.
      best = this.ready.reduce((a, b) => (this.score(b) < this.score(a) ? b : a))
    }
    if (this.fits(best)) return best
    const other = this.bestThatFits(scores, bestScore + SLACK)
    if (other >= 0) return other
    this.steps.push([])
    return best
  }

  private bestThatFits(scores: ReadonlyMap<number, number>, bound: number): number {
    const near = [...scores].filter(([, score]) => score <= bound).sort((a, b) => a[1] - b[1] || a[0] - b[0])
    return near.slice(0, 24).find(([node]) => this.fits(node))?.[0] ?? -1
  }

  /** Begins on the table, with the largest: a base carries what follows. */
  private chooseFirst(): number {
    const area = (node: number): number => {
      const size = sizeOf(this.scene.nodeBoxes[node]!)
      return size[0] * size[1]
    }
    const onTable = this.ready.filter((node) => this.starters.isStarter[node] === 1 && this.planeOf(node) === this.starters.firstPlane)
    const candidates = onTable.length > 0 ? onTable : this.ready
    return candidates.reduce((a, b) => (area(b) > area(a) || (area(b) === area(a) && b < a) ? b : a))
  }

  private score(node: number): number {
    const from = this.middles[this.last]!
    const to = this.middles[node]!
    const box = this.scene.nodeBoxes[node]!
    const lastBox = this.scene.nodeBoxes[this.last]!
    const way = (Math.abs(to[0] - from[0]) + Math.abs(to[1] - from[1])) / STUD_PITCH
    let score = way + (COST.layer * (box.min[2] - lastBox.min[2])) / PLATE_HEIGHT
    const info = this.info[node]!
    if (info.likeness === this.info[this.last]!.likeness) score += COST.samePiece
    if (this.step.some((other) => this.info[other]!.piece === info.piece)) score += COST.inStepAlready
    if (this.scene.nodes[node]!.kind !== 'part') {
      const isSame = info.likeness === this.info[this.last]!.likeness
      score += isSame ? COST.sameCopy : COST.jump
    }
    return score + this.looseness(node)
  }

  private looseness(node: number): number {
    if (this.held[node] === 0) {
      const oldest = Math.min(this.steps.length, ...[...this.loose].map((group) => this.groups.bornIn(group)))
      const isLate = this.loose.size > 0 && this.steps.length - oldest >= REST_STEPS - 1
      return (isLate ? 4 : 1) * (this.canBeHeldNext(node) ? COST.looseButSoonHeld : COST.loose)
    }
    if (this.loose.size === 0) return 0
    return this.groupsAround(node).size > 1 ? COST.ties : 0
  }

  /** Whether some part that would tie this one to what is there waits for nothing else. */
  private canBeHeldNext(node: number): boolean {
    return this.order.after[node]!.some((next) => this.waits[next] === 1 && this.held[next]! > 0)
  }

  private fits(node: number): boolean {
    const { step } = this
    if (step.length === 0) return true
    const kind = this.scene.nodes[node]!.kind
    const first = this.scene.nodes[step[0]!]!
    if (kind !== 'part' || first.kind !== 'part') {
      const isLikeCopy = kind === 'copy' && first.kind === 'copy' && this.info[node]!.piece === this.info[step[0]!]!.piece
      return isLikeCopy && step.length < MOST_COPIES
    }
    const from = this.middles[this.last]!
    const to = this.middles[node]!
    if ((Math.abs(to[0] - from[0]) + Math.abs(to[1] - from[1])) / STUD_PITCH > STRETCH && !this.isAlike(node)) return false
    if (step.some((below) => this.covers(node, below))) return false
    return fitsLimits(
      [...step, node].map((member) => this.info[member]!),
      this.limits,
    )
  }

  private isAlike(node: number): boolean {
    return this.info[node]!.likeness === this.info[this.last]!.likeness
  }

  /** Whether `node` would hide most of the flat `below`, so that a reader could not see both in one picture. */
  private covers(node: number, below: number): boolean {
    const a = this.scene.nodeBoxes[node]!
    const b = this.scene.nodeBoxes[below]!
    const flat = b.max[2] - b.min[2] <= PLATE_HEIGHT
    if (!flat || a.min[2] !== b.max[2]) return false
    const shared = overlapLength(a, b, 0) * overlapLength(a, b, 1)
    return shared * 2 > (b.max[0] - b.min[0]) * (b.max[1] - b.min[1])
  }

  private place(node: number): void {
    this.ready.splice(this.ready.indexOf(node), 1)
    this.step.push(node)
    this.present[node] = 1
    this.last = node
    this.table = Math.min(this.table, this.planeOf(node))
    this.groups.lay(node, this.steps.length)
    if (this.held[node] === 0) {
      if (this.main < 0) this.main = node
      else this.loose.add(node)
    }
    for (const other of neighboursOf(this.joints, node)) {
      this.held[other]!++
      if (this.present[other] === 1) this.tie(node, other)
    }
    for (const next of this.order.after[node]!) if (--this.waits[next]! === 0) this.ready.push(next)
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

const overlapLength = (a: Box, b: Box, axis: 0 | 1): number =>
  Math.max(0, Math.min(a.max[axis], b.max[axis]) - Math.max(a.min[axis], b.min[axis]))

/** What a step sees of a node; copies of one section are one kind of piece. */
function stepPart(scene: Scene, node: number, isPart: boolean): StepPart {
  const placed = scene.nodes[node]!.parts[0]
  const box = scene.nodeBoxes[node]!
  const { source } = scene.nodes[node]!
  if (!placed || !isPart) return { piece: source, likeness: source, box }
  const piece = `${placed.shape.id} ${placed.colour}`
  return { piece, likeness: `${piece} ${turnOfMatrix(placed.pose.matrix) ?? 'free'}`, box }
}
