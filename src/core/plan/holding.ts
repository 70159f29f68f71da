import { neighboursOf, type Joints } from '../joints'
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

interface LooseGroup {
  readonly nodes: number[]
  isReported: boolean
  /** What was said of it as lying loose for too long. */
  readonly rests: HoldingProblem[]
}

export interface Holding {
  /** For each step, one node of every loose group laid down in it; the first group of all is not named. */
  readonly rests: readonly (readonly number[])[]
  readonly problems: readonly HoldingProblem[]
}

/**
 * Follows the steps forward and looks, after each, at what holds together: all parts to the first group, or resting on the
 * table (the lowest plane of what is there) and held within the next three steps.
 */
export function followHolding(scene: Scene, joints: Joints, steps: readonly (readonly number[])[]): Holding {
  const groups = new Groups(scene.nodes.length)
  const present = new Uint8Array(scene.nodes.length)
  const loose = new Map<number, LooseGroup>()
  const rests: number[][] = []
  const problems: HoldingProblem[] = []
  const first = steps.flat().find((node) => scene.nodes[node]!.parts.length > 0) ?? -1
  let table = Infinity

  steps.forEach((step, index) => {
    for (const node of step) {
      // A copy of a section without parts is joined, but there is nothing to hold.
      if (scene.nodes[node]!.parts.length === 0) continue
      present[node] = 1
      table = Math.min(table, scene.nodeBoxes[node]!.min[2])
      groups.lay(node, index)
      loose.set(node, { nodes: [node], isReported: false, rests: [] })
      for (const other of neighboursOf(joints, node)) {
        if (present[other] === 0) continue
        const joined = groups.join(node, other)
        if (!joined) continue
        const kept = loose.get(joined.kept)
        const gone = loose.get(joined.gone)
        loose.delete(joined.gone)
        loose.delete(joined.kept)
        // The group of the first node is never loose, so it is kept out of the list.
        if (kept && gone) {
          const [more, fewer] = kept.nodes.length >= gone.nodes.length ? [kept, gone] : [gone, kept]
          for (const member of fewer.nodes) more.nodes.push(member)
          more.isReported ||= fewer.isReported
          more.rests.push(...fewer.rests)
          loose.set(joined.kept, more)
        }
      }
      if (node === first) loose.delete(groups.of(node))
    }
    const laid: number[] = []
    for (const [root, group] of loose) {
      if (groups.bornIn(root) === index) laid.push(group.nodes[0]!)
      if (group.isReported) continue
      const isOnTable = group.nodes.some((node) => scene.nodeBoxes[node]!.min[2] === table)
      if (!isOnTable) {
        problems.push({ code: 'unheld', step: index, nodes: group.nodes.slice() })
        group.isReported = true
      } else if (index - groups.bornIn(root) >= REST_STEPS && index < steps.length - 1) {
        const problem: HoldingProblem = { code: 'rests', step: groups.bornIn(root), nodes: group.nodes.slice() }
        problems.push(problem)
        group.rests.push(problem)
        group.isReported = true
      }
    }
    rests.push(laid.sort((a, b) => a - b))
  })
  for (const [root, group] of loose) {
    // What lay loose for too long and is never held is not late: nothing holds it.
    if (group.rests.length > 0) {
      for (const problem of group.rests) problems.splice(problems.indexOf(problem), 1)
      problems.push({ code: 'unheld', step: groups.bornIn(root), nodes: group.nodes })
    } else if (!group.isReported) problems.push({ code: 'unheld', step: groups.bornIn(root), nodes: group.nodes })
  }
  return { rests, problems }
}
