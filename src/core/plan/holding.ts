import { memo } from '../memo'
import type { Joints } from '../joints'
import { flatNodeBoxes, type Scene } from '../scene'
import { Groups } from './groups'
import { REST_STEPS } from './types'

/** Something in the order of steps that hands could not keep together. */
interface HoldingProblem {
  readonly code: 'unheld' | 'rests'
  /** Index of the step. */
  readonly step: number
  readonly nodes: readonly number[]
}

export interface Holding {
  /** For each step, one node of every loose group laid down in it; the first group of all is not named. */
  readonly rests: readonly (readonly number[])[]
  /** After each step, how many groups lie loose. */
  readonly looseAfter: readonly number[]
  readonly problems: readonly HoldingProblem[]
}

/**
 * Follows the steps forward and looks, after each, at what holds together: all parts to the first group, or resting on the
 * table (the lowest plane of what is there) and held within the next three steps. What stands apart need not be held, but
 * stands on the lowest plane of all. O(nodes + joints).
 */
export function followHolding(scene: Scene, joints: Joints, steps: readonly (readonly number[])[]): Holding {
  return new Follower(scene, joints).follow(steps)
}

const NONE: readonly number[] = []

/** 1 for each copy of a section without parts. */
const emptyNodes = memo(({ nodes }: Scene) => Uint8Array.from(nodes, ({ parts }) => (parts.length === 0 ? 1 : 0)))

function lowestOf(boxes: Float64Array, isEmpty: Uint8Array): number {
  let low = Infinity
  for (let node = 0; node < isEmpty.length; node++) if (isEmpty[node] === 0) low = Math.min(low, boxes[node * 6 + 2]!)
  return low
}

interface LooseGroup {
  isReported: boolean
  /** What was said of it as lying loose for too long. */
  rests: HoldingProblem[]
}

class Follower {
  /** 1 for what holds to the first group of all. */
  private readonly isMain: Uint8Array
  /** What lies loose, in groups by their root. A group is a chain of nodes through `next`, from its root to `last`. */
  private readonly groups: Groups
  private readonly loose = new Map<number, LooseGroup>()
  private readonly isLoose: Uint8Array
  private readonly next: Int32Array
  private readonly last: Int32Array
  private readonly boxes: Float64Array
  private readonly isEmpty: Uint8Array
  private hasMain = false
  private table = Infinity
  /** The plane on which things may stand by themselves; none where all must hold together. */
  private readonly floor: number
  private readonly problems: HoldingProblem[] = []

  constructor(
    scene: Scene,
    private readonly joints: Joints,
  ) {
    const count = scene.nodes.length
    this.isMain = new Uint8Array(count)
    this.isLoose = new Uint8Array(count)
    this.groups = new Groups(count)
    this.next = new Int32Array(count).fill(-1)
    this.last = new Int32Array(count)
    for (let i = 0; i < count; i++) this.last[i] = i
    this.boxes = flatNodeBoxes(scene)
    this.isEmpty = emptyNodes(scene)
    this.floor = scene.nodes.some(({ standsApart }) => standsApart) ? lowestOf(this.boxes, this.isEmpty) : NaN
  }

  follow(steps: readonly (readonly number[])[]): Holding {
    const looseAfter: number[] = []
    const rests = steps.map((step, index) => {
      for (const node of step) this.lay(node, index)
      looseAfter.push(this.loose.size)
      return this.loose.size === 0 ? NONE : this.lookAt(index, index === steps.length - 1)
    })
    this.judgeWhatIsLeft()
    return { rests, looseAfter, problems: this.problems }
  }

  private lay(node: number, index: number): void {
    const { isMain } = this
    // A copy of a section without parts is joined, but there is nothing to hold.
    if (this.isEmpty[node] === 1) return
    if (this.boxes[node * 6 + 2]! < this.table) this.table = this.boxes[node * 6 + 2]!
    const { start, list } = this.joints.adjacency
    const end = start[node + 1]!
    let holdsToMain = !this.hasMain || this.boxes[node * 6 + 2] === this.floor
    this.hasMain = true
    for (let k = start[node]!; k < end && !holdsToMain; k++) holdsToMain = isMain[list[k]!] === 1
    if (holdsToMain) isMain[node] = 1
    else {
      this.groups.lay(node, index)
      this.isLoose[node] = 1
      this.loose.set(node, { isReported: false, rests: [] })
    }
    // With nothing loose, as a rule, there is nobody else to tie.
    if (holdsToMain && this.loose.size === 0) return
    for (let k = start[node]!; k < end; k++) {
      if (this.isLoose[list[k]!] === 0) continue
      if (holdsToMain) this.joinMain(this.groups.of(list[k]!))
      else this.joinLoose(node, list[k]!)
    }
  }

  private joinMain(root: number): void {
    this.loose.delete(root)
    for (let node = root; node >= 0; node = this.next[node]!) {
      this.isLoose[node] = 0
      this.isMain[node] = 1
    }
  }

  private joinLoose(node: number, other: number): void {
    const { loose, next, last } = this
    const joined = this.groups.join(node, other)
    if (!joined) return
    const { kept, gone } = joined
    next[last[kept]!] = gone
    last[kept] = last[gone]!
    const more = loose.get(kept)!
    const fewer = loose.get(gone)!
    more.isReported ||= fewer.isReported
    more.rests.push(...fewer.rests)
    loose.delete(gone)
  }

  /** What lies loose after a step. @returns one node of every group laid down in it */
  private lookAt(index: number, isLast: boolean): number[] {
    const { groups } = this
    const laid: number[] = []
    for (const [root, group] of this.loose) {
      const born = groups.bornIn(root)
      if (born === index) laid.push(this.lowestNumber(root))
      if (group.isReported) continue
      if (!this.isOnTable(root)) {
        this.problems.push({ code: 'unheld', step: index, nodes: this.nodesOf(root) })
        group.isReported = true
      } else if (index - born >= REST_STEPS && !isLast) {
        const problem: HoldingProblem = { code: 'rests', step: born, nodes: this.nodesOf(root) }
        this.problems.push(problem)
        group.rests.push(problem)
        group.isReported = true
      }
    }
    return laid.sort((a, b) => a - b)
  }

  private judgeWhatIsLeft(): void {
    for (const [root, group] of this.loose) {
      // What lay loose for too long and is never held is not late: nothing holds it.
      for (const problem of group.rests) this.problems.splice(this.problems.indexOf(problem), 1)
      if (group.isReported && group.rests.length === 0) continue
      this.problems.push({ code: 'unheld', step: this.groups.bornIn(root), nodes: this.nodesOf(root) })
    }
  }

  private nodesOf(root: number): number[] {
    const nodes: number[] = []
    for (let node = root; node >= 0; node = this.next[node]!) nodes.push(node)
    return nodes
  }

  private lowestNumber(root: number): number {
    return Math.min(...this.nodesOf(root))
  }

  private isOnTable(root: number): boolean {
    for (let node = root; node >= 0; node = this.next[node]!) if (this.boxes[node * 6 + 2] === this.table) return true
    return false
  }
}
