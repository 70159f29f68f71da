import type { Joints } from './joints'

/** A joint without which the graph falls apart: the nodes beyond it, on the side away from the search's beginning. */
export interface Bridge {
  readonly joint: number
  readonly beyond: readonly number[]
}

/**
 * All bridges of the joint graph (Tarjan 1974, "A note on finding the bridges of a graph"), without recursion. A pair that
 * holds along two axes has two joints and is no bridge. O(nodes + joints), and the size of what lies beyond.
 */
export function findBridges(joints: Joints, nodeCount: number): Bridge[] {
  const { start, list, joint } = joints.adjacency
  const order = new Int32Array(nodeCount).fill(-1)
  const low = new Int32Array(nodeCount)
  const cursor = start.slice(0, nodeCount)
  const via = new Int32Array(nodeCount).fill(-1)
  /** Nodes in the order they were met: what lies beyond a bridge is a run of it. */
  const met: number[] = []
  const bridges: Bridge[] = []
  for (let root = 0; root < nodeCount; root++) {
    if (order[root]! >= 0) continue
    const stack = [root]
    order[root] = low[root] = met.push(root) - 1
    while (stack.length > 0) {
      const node = stack[stack.length - 1]!
      if (cursor[node]! < start[node + 1]!) {
        const k = cursor[node]!++
        const other = list[k]!
        if (joint[k] === via[node]) continue
        if (order[other]! >= 0) low[node] = Math.min(low[node]!, order[other]!)
        else {
          via[other] = joint[k]!
          order[other] = low[other] = met.push(other) - 1
          stack.push(other)
        }
        continue
      }
      stack.pop()
      const parent = stack[stack.length - 1]
      if (parent === undefined) continue
      low[parent] = Math.min(low[parent]!, low[node]!)
      // Nothing beyond leads back: all that was met since belongs to the far side.
      if (low[node] === order[node]) bridges.push({ joint: via[node]!, beyond: met.slice(order[node]) })
    }
  }
  return bridges
}

/**
 * Nodes whose loss makes one group more (Tarjan 1972, "Depth-first search and linear graph algorithms"), without recursion.
 * @returns 1 for each of them
 */
export function findCutNodes(joints: Joints, nodeCount: number): Uint8Array {
  const { start, list } = joints.adjacency
  const order = new Int32Array(nodeCount).fill(-1)
  const low = new Int32Array(nodeCount)
  const cursor = start.slice(0, nodeCount)
  const isCut = new Uint8Array(nodeCount)
  let count = 0
  for (let root = 0; root < nodeCount; root++) {
    if (order[root]! >= 0) continue
    const stack = [root]
    order[root] = low[root] = count++
    let children = 0
    while (stack.length > 0) {
      const node = stack[stack.length - 1]!
      if (cursor[node]! < start[node + 1]!) {
        const other = list[cursor[node]!++]!
        if (order[other]! >= 0) low[node] = Math.min(low[node]!, order[other]!)
        else {
          order[other] = low[other] = count++
          stack.push(other)
          if (node === root) children++
        }
        continue
      }
      stack.pop()
      const parent = stack[stack.length - 1]
      if (parent === undefined) continue
      low[parent] = Math.min(low[parent]!, low[node]!)
      if (parent !== root && low[node]! >= order[parent]!) isCut[parent] = 1
    }
    if (children > 1) isCut[root] = 1
  }
  return isCut
}
