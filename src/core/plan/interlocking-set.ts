import type { SpaceLeft } from '../motion'
import { DIRECTIONS } from '../space'

/** Larger sets are named by what blocks whom alone: finding the smallest would take long and tell little. */
const MOST_NODES = 48

/** Parts that lock each other, and those of them without which all others could come apart. */
export interface InterlockingSet {
  readonly core: readonly number[]
  readonly keys: readonly number[]
}

/**
 * A smallest set around a stuck node that no member can leave singly, found by leaving out one after another as long as the
 * rest stays stuck (the deletion filter of Chinneck and Dravnieks 1991 for infeasible constraints). Only ways are looked at,
 * not what holds; the set is empty where holding alone is the trouble.
 */
export function findInterlockingSet(space: SpaceLeft, seed: number): InterlockingSet {
  const around = reachBlockers(space, seed)
  if (around.length > MOST_NODES) return { core: [], keys: [] }
  return space.withPresenceAmongLeft(() => filterSet(space, around))
}

function filterSet(space: SpaceLeft, around: readonly number[]): InterlockingSet {
  const without = (nodes: readonly number[], gone: number): number[] =>
    stuckAmong(
      space,
      nodes.filter((other) => other !== gone),
    )
  let core = stuckAmong(space, around)
  for (const node of [...core]) {
    const rest = without(core, node)
    if (rest.length > 0) core = rest
  }
  return { core, keys: core.filter((node) => without(around, node).length === 0) }
}

/** The node, who blocks it, who blocks those, and so on. */
function reachBlockers(space: SpaceLeft, seed: number): number[] {
  const seen = new Set([seed])
  for (const node of seen) {
    if (seen.size > MOST_NODES) break
    for (const direction of DIRECTIONS) {
      const by = space.blocker(node, direction)
      if (by >= 0) seen.add(by)
    }
  }
  return [...seen]
}

/** What is left of some nodes, alone in space, when all that can leave singly has left. */
function stuckAmong(space: SpaceLeft, nodes: readonly number[]): number[] {
  space.isThere.fill(0)
  const left = new Set(nodes)
  for (const node of left) space.isThere[node] = 1
  for (let before = -1; before !== left.size;) {
    before = left.size
    for (const node of left) {
      if (!DIRECTIONS.some((direction) => space.blocker(node, direction) < 0)) continue
      space.isThere[node] = 0
      left.delete(node)
    }
  }
  return [...left]
}
