import type { SpaceLeft } from '../motion'
import { DIRECTIONS, MINUS_Z, PLUS_Z, type Direction } from '../space'
import type { Removal } from './peel'

/** Sections of more nodes are too many orders to try: each set of nodes is looked at once at most. */
const MOST_EXACT = 13

/** From above first, from below last. */
const ORDER: readonly Direction[] = [PLUS_Z, ...DIRECTIONS.filter((way) => way !== PLUS_Z && way !== MINUS_Z), MINUS_Z]

/**
 * Takes a small section apart node by node, if any order does it: what is left must always rest on the table, group by group.
 * The greedy peel never goes back; where it ends with a unit or an interlocking set, this finds out whether that was needed.
 *
 * A depth-first walk over the sets of nodes that are left, each visited once.
 *
 * @returns undefined where some nodes must go as one, or where the section is too large
 */
export function peelExactly(space: SpaceLeft): Removal[] | undefined {
  const count = space.scene.nodes.length
  if (count > MOST_EXACT || space.scene.freeBodies.length > 0) return undefined
  return space.withPresence((isThere) => walkSets(space, isThere))
}

function walkSets(space: SpaceLeft, isThere: Uint8Array): Removal[] | undefined {
  const count = isThere.length
  const removals: Removal[] = []
  const seen = new Uint8Array(1 << count)
  const walk = (left: number): boolean => {
    if (left === 0) return true
    if (seen[left] === 1) return false
    seen[left] = 1
    for (const travel of ORDER) {
      for (let node = count - 1; node >= 0; node--) {
        const bit = 1 << node
        if ((left & bit) === 0 || seen[left & ~bit] === 1) continue
        if (space.blocker(node, travel) >= 0) continue
        isThere[node] = 0
        if (restsOnTable(space, isThere)) {
          removals.push({ nodes: [node], travel })
          if (walk(left & ~bit)) return true
          removals.pop()
        }
        isThere[node] = 1
      }
    }
    return false
  }
  return walk((1 << count) - 1) ? removals : undefined
}

/** Whether every group of what is there reaches down to the lowest plane. */
function restsOnTable({ scene, joints }: SpaceLeft, isThere: Uint8Array): boolean {
  const { start, list } = joints.adjacency
  let table = Infinity
  for (let node = 0; node < isThere.length; node++) if (isThere[node] === 1) table = Math.min(table, scene.nodeBoxes[node]!.min[2])
  const reached = new Uint8Array(isThere.length)
  const queue: number[] = []
  for (let node = 0; node < isThere.length; node++) {
    if (isThere[node] === 0 || scene.nodeBoxes[node]!.min[2] !== table) continue
    reached[node] = 1
    queue.push(node)
  }
  for (const node of queue) {
    for (let k = start[node]!; k < start[node + 1]!; k++) {
      const other = list[k]!
      if (isThere[other] === 0 || reached[other] === 1) continue
      reached[other] = 1
      queue.push(other)
    }
  }
  for (let node = 0; node < isThere.length; node++) if (isThere[node] === 1 && reached[node] === 0) return false
  return true
}
