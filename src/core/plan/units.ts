import type { SpaceLeft } from '../motion'
import { neighboursOf } from '../joints'
import type { Direction } from '../space'
import type { CutOffSearch } from './cut-off'

export interface Unit {
  readonly nodes: readonly number[]
  readonly travel: Direction
}

/** Sizes of units tried one after another; most are small, and a small bound keeps the search cheap. */
const SIZES = [6, 48, 384, Infinity]
/** Nodes put into closures before the search gives up: a bound on time, not on size. */
const BUDGET = 400_000

/**
 * The smallest set that can only leave as one body, and can: a part with all that its removal would cut off, or a set
 * locked across axes. Built as the closure of each present node under "is in the way", "holds it across" and "would hang
 * in the air"; only closed sets leave.
 */
export function findUnit(space: SpaceLeft, cutOffs: CutOffSearch, directions: readonly Direction[], budget = BUDGET): Unit | undefined {
  const there: number[] = []
  for (let node = space.isThere.length - 1; node >= 0; node--) if (space.isThere[node] === 1) there.push(node)
  const work = { left: budget }
  for (const size of SIZES) {
    let best: Unit | undefined
    for (const travel of directions) {
      for (const node of there) {
        if (work.left <= 0) return best
        const bound = Math.min(best ? best.nodes.length - 1 : size, there.length - 1)
        const nodes = closure(space, cutOffs, { node, travel, bound }, work)
        if (nodes && isConnected(space, nodes)) best = { nodes, travel }
        if (best?.nodes.length === 2) return best
      }
    }
    if (best) return best
    if (size >= there.length) return undefined
  }
  return undefined
}

function closure(
  space: SpaceLeft,
  cutOffs: CutOffSearch,
  { node: seed, travel, bound }: { readonly node: number; readonly travel: Direction; readonly bound: number },
  work: { left: number },
): number[] | undefined {
  const inside = new Set([seed])
  // What is in the way of all is what is in the way of each: only those that have just come are asked.
  let fresh: readonly number[] = [seed]
  for (;;) {
    const before = inside.size
    work.left -= fresh.length
    const came: number[] = []
    space.eachBlocker(fresh, travel, (other) => {
      if (inside.has(other)) return
      inside.add(other)
      came.push(other)
    })
    if (inside.size > bound) return undefined
    fresh = came
    if (came.length > 0) continue
    const nodes = [...inside]
    work.left -= nodes.length
    for (const group of cutOffs.find(nodes)) {
      work.left -= group.nodes.length
      if (group.touchesFloor) continue
      for (const node of group.nodes) inside.add(node)
    }
    fresh = [...inside].slice(before)
    if (inside.size > bound) return undefined
    if (inside.size === before) return nodes
  }
}

function isConnected(space: SpaceLeft, nodes: readonly number[]): boolean {
  const inside = new Set(nodes)
  const seen = new Set([nodes[0]!])
  const queue = [nodes[0]!]
  for (const node of queue) {
    for (const other of neighboursOf(space.joints, node)) {
      if (!inside.has(other) || seen.has(other)) continue
      seen.add(other)
      queue.push(other)
    }
  }
  return seen.size === nodes.length
}
