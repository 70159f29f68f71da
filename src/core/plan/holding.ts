import type { Joints } from '../joints'
import type { Scene } from '../scene'
import { Groups } from './groups'
import { REST_STEPS } from './types'

/** Something in the order of steps that hands could not keep together. */
export interface HoldingProblem {
  readonly code: 'unheld' | 'rests'
  /** Index of the step. */
  readonly step: number
  readonly nodes: readonly number[]
}

export interface Holding {
  /** For each step, one node of every loose group laid down in it; the first group of all is not named. */
  readonly rests: readonly (readonly number[])[]
  readonly problems: readonly HoldingProblem[]
}

/**
 * Follows the steps forward and looks, after each, at what holds together: all parts to the first group, or resting on the
 * table (the lowest plane of what is there) and held within the next three steps. O(nodes + joints).
 */
export function followHolding(scene: Scene, joints: Joints, steps: readonly (readonly number[])[]): Holding {
  return new Follower(scene, joints).follow(steps)
}

interface LooseGroup {
  isReported: boolean
  /** What was said of it as lying loose for too long. */
  rests: HoldingProblem[]
}

class Follower {
  private readonly groups: Groups
  private readonly present: Uint8Array
  /** Groups that hold to nothing, by their root. A group is a chain of nodes through `next`, from its root to `last`. */
  private readonly loose = new Map<number, LooseGroup>()
  private readonly next: Int32Array
  private readonly last: Int32Array
  /** A node of the first group of all, which is never loose; −1 before it is laid. */
  private first = -1
  private table = Infinity
  private readonly problems: HoldingProblem[] = []

  constructor(
    private readonly scene: Scene,
    private readonly joints: Joints,
  ) {
    const count = scene.nodes.length
    this.groups = new Groups(count)
    this.present = new Uint8Array(count)
    this.next = new Int32Array(count).fill(-1)
    this.last = Int32Array.from({ length: count }, (_, i) => i)
  }

  follow(steps: readonly (readonly number[])[]): Holding {
    const rests = steps.map((step, index) => {
      for (const node of step) this.lay(node, index)
      return this.lookAt(index, index === steps.length - 1)
    })
    this.judgeWhatIsLeft()
    return { rests, problems: this.problems }
  }

  private lay(node: number, index: number): void {
    const { scene, groups, present } = this
    // A copy of a section without parts is joined, but there is nothing to hold.
    if (scene.nodes[node]!.parts.length === 0) return
    present[node] = 1
    this.table = Math.min(this.table, scene.nodeBoxes[node]!.min[2])
    groups.lay(node, index)
    if (this.first < 0) this.first = node
    const { start, list } = this.joints.adjacency
    let holds = false
    for (let k = start[node]!; k < start[node + 1]!; k++) {
      if (present[list[k]!] === 0) continue
      holds = true
      this.tie(node, list[k]!)
    }
    if (!holds && node !== this.first) this.loose.set(node, { isReported: false, rests: [] })
  }

  private tie(node: number, other: number): void {
    const { groups, loose, next, last } = this
    const isAlone = groups.of(node) === node && next[node] === -1 && last[node] === node
    const joined = groups.join(node, other)
    if (!joined) return
    const { kept, gone } = joined
    next[last[kept]!] = gone
    last[kept] = last[gone]!
    const keptLoose = loose.get(kept)
    const goneLoose = loose.get(gone)
    loose.delete(gone)
    loose.delete(kept)
    const fresh = keptLoose ?? goneLoose
    if (!fresh) return
    // What has just come and was held by nothing yet joins a loose group; else two groups meet, one of them perhaps the first.
    if (keptLoose && goneLoose) {
      keptLoose.isReported ||= goneLoose.isReported
      keptLoose.rests.push(...goneLoose.rests)
      loose.set(kept, keptLoose)
    } else if (isAlone && groups.of(this.first) !== kept) loose.set(kept, fresh)
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
    for (let node = root; node >= 0; node = this.next[node]!) if (this.scene.nodeBoxes[node]!.min[2] === this.table) return true
    return false
  }
}
