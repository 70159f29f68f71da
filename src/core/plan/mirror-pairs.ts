import type { Scene } from '../scene'

/** From this share of parts with a partner on, a section is taken for symmetric. */
const SYMMETRIC = 0.6
/** In larger things, such as houses, walls are symmetric too, and a reader rather goes round. */
const MOST_NODES = 300

/**
 * For each part of a section that is the same on two sides, the part that stands opposite: the same piece or its mirror
 * twin, at the mirrored place. Left and right are tried first, then front and back.
 *
 * @returns the partner of each node; −1 where there is none, or where the section is not symmetric
 */
export function findMirrorPairs(scene: Scene): Int32Array {
  const none = new Int32Array(scene.nodes.length).fill(-1)
  if (scene.nodes.length > MOST_NODES) return none
  for (const axis of [0, 1] as const) {
    const pairs = pairsAcross(scene, axis)
    let paired = 0
    for (const partner of pairs) if (partner >= 0) paired++
    if (paired >= SYMMETRIC * scene.nodes.length && paired > 2) return pairs
  }
  return none
}

function pairsAcross({ nodes, nodeBoxes }: Scene, axis: 0 | 1): Int32Array {
  let low = Infinity
  let high = -Infinity
  for (const { min, max } of nodeBoxes) {
    low = Math.min(low, min[axis])
    high = Math.max(high, max[axis])
  }
  const key = (node: number, side: 'own' | 'mirrored'): string => {
    const { min, max } = nodeBoxes[node]!
    const placed = nodes[node]!.parts[0]
    if (nodes[node]!.kind !== 'part' || !placed) return `${node}`
    const twin = placed.shape.mirror.twin ?? placed.shape.id
    const isMirrored = side === 'mirrored'
    const start = isMirrored ? low + high - max[axis] : min[axis]
    const end = isMirrored ? low + high - min[axis] : max[axis]
    return `${isMirrored ? twin : placed.shape.id} ${placed.colour} ${start} ${end} ${min[1 - axis]} ${max[1 - axis]} ${min[2]}`
  }
  const at = new Map<string, number>()
  nodes.forEach((_, node) => at.set(key(node, 'own'), node))
  return Int32Array.from(nodes, (_, node) => {
    const partner = at.get(key(node, 'mirrored')) ?? -1
    return partner === node ? -1 : partner
  })
}
