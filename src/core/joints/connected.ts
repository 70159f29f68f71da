import type { Joint, Joints } from './joints'

/** Nodes that hold to `node`; one that holds along two axes comes twice. */
export function neighboursOf({ adjacency }: Joints, node: number): Int32Array {
  return adjacency.list.subarray(adjacency.start[node], adjacency.start[node + 1])
}

/** The joints of `node`. */
export function jointsOf({ adjacency, list }: Joints, node: number): Joint[] {
  return Array.from(adjacency.joint.subarray(adjacency.start[node], adjacency.start[node + 1]), (index) => list[index]!)
}

/** Connected groups among the nodes for which `isThere` holds, joined by joints both of whose ends are there. */
export function heldGroups(nodeCount: number, joints: Joints, isThere: (node: number) => boolean): number[][] {
  const seen = new Uint8Array(nodeCount)
  const groups: number[][] = []
  for (let start = 0; start < nodeCount; start++) {
    if (seen[start] === 1 || !isThere(start)) continue
    const group = [start]
    seen[start] = 1
    for (const node of group) {
      for (const other of neighboursOf(joints, node)) {
        if (seen[other] === 1 || !isThere(other)) continue
        seen[other] = 1
        group.push(other)
      }
    }
    groups.push(group)
  }
  return groups
}
