import type { Joints } from '../joints'
import type { Scene } from '../scene'

/** How a selection grows from one node to others. */
export type SelectBy = 'alike' | 'shape' | 'colour' | 'layer' | 'hangs'

/** The nodes of a scene, by number, that go with one of them; that one is among them. O(nodes and joints). */
export function selectBy(scene: Scene, joints: Joints, node: number, by: SelectBy): number[] {
  const first = scene.nodes[node]!
  if (by === 'hangs') return [node, ...hangingOn(scene, joints, node)]
  const colour = first.parts[0]?.colour
  const bottom = scene.nodeBoxes[node]!.min[2]
  const goes = (other: number): boolean => {
    const spec = scene.nodes[other]!
    if (by === 'layer') return scene.nodeBoxes[other]!.min[2] === bottom
    const isShape = spec.kind === first.kind && spec.source === first.source
    const isColour = spec.parts[0]?.colour === colour
    return by === 'shape' ? isShape : by === 'colour' ? isColour && spec.kind === 'part' : isShape && isColour
  }
  return scene.nodes.flatMap((_, other) => (other === node || goes(other) ? [other] : []))
}

/** What nothing would hold to the table any more without a node: all that no chain of joints leads to from the lowest plane. */
function hangingOn(scene: Scene, joints: Joints, gone: number): number[] {
  const floor = scene.nodeBoxes.reduce(
    (low, { min }, node) => (scene.nodes[node]!.parts.length > 0 ? Math.min(low, min[2]) : low),
    Infinity,
  )
  const reachedWithout = (left: number): Uint8Array => {
    const reached = new Uint8Array(scene.nodes.length)
    const open = scene.nodes.flatMap((spec, node) =>
      node !== left && spec.parts.length > 0 && scene.nodeBoxes[node]!.min[2] === floor ? [node] : [],
    )
    for (const node of open) reached[node] = 1
    const { start, list } = joints.adjacency
    while (open.length > 0) {
      const node = open.pop()!
      for (let k = start[node]!; k < start[node + 1]!; k++) {
        const other = list[k]!
        if (other === left || reached[other] === 1) continue
        reached[other] = 1
        open.push(other)
      }
    }
    return reached
  }
  const [before, after] = [reachedWithout(-1), reachedWithout(gone)]
  return scene.nodes.flatMap((_, node) => (node !== gone && before[node] === 1 && after[node] === 0 ? [node] : []))
}
