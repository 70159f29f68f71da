import type { Joints } from './joints'

/** Connected groups among the nodes for which `isThere` holds, joined by joints both of whose ends are there. */
export function heldGroups(nodeCount: number, joints: Joints, isThere: (node: number) => boolean): number[][] {
  const seen = new Uint8Array(nodeCount)
  const groups: number[][] = []
  for (let start = 0; start < nodeCount; start++) {
    if (seen[start] === 1 || !isThere(start)) continue
    const group = [start]
    seen[start] = 1
    for (let i = 0; i < group.length; i++) {
      for (const other of neighboursOf(joints, group[i]!)) {
        if (seen[other] === 1 || !isThere(other)) continue
        seen[other] = 1
        group.push(other)
      }
    }
    groups.push(group)
  }
  return groups
}

/** Nodes that hold to `node`; one that holds along two axes comes twice. */
export function neighboursOf(joints: Joints, node: number): number[] {
  return joints.ofNode[node]!.map((index) => {
    const joint = joints.list[index]!
    return joint.a === node ? joint.b : joint.a
  })
}
