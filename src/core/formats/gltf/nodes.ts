import { multiply, posed, type Matrix, type Pose, type Vec } from '../../space'
import { broken, type Gltf, type GltfNode } from './container'

/** A node with its place in the world: p' = at + matrix · p, which may scale, mirror and shear; axes and units of the file. */
export interface PlacedNode {
  readonly index: number
  readonly name: string
  readonly extras: Readonly<Record<string, unknown>>
  readonly mesh: number | undefined
  readonly world: Pose
  readonly children: readonly PlacedNode[]
}

/** Deeper trees come from hostile hands. */
const MOST_DEEP = 200
const MOST_NODES = 400_000

/** The trees of the scene that is shown. @throws Fault `bad-drawing` where nodes are no tree */
export function readNodes({ json }: Gltf): PlacedNode[] {
  const nodes = json.nodes ?? []
  const seen = new Set<number>()
  const place = (index: number, outer: Pose, depth: number): PlacedNode => {
    const node = nodes[index]
    if (!node) throw broken('a node is missing')
    if (seen.has(index)) throw broken('a node stands in two places')
    if (depth > MOST_DEEP || seen.size > MOST_NODES) throw broken('its tree of nodes is too large')
    seen.add(index)
    const world = inside(outer, localPose(node))
    const extras = typeof node.extras === 'object' && node.extras !== null ? (node.extras as Record<string, unknown>) : {}
    const children = (node.children ?? []).map((child) => place(child, world, depth + 1))
    return { index, name: typeof node.name === 'string' ? node.name : '', extras, mesh: node.mesh, world, children }
  }
  const roots = json.scenes?.[json.scene ?? 0]?.nodes ?? rootsOf(nodes)
  return roots.map((index) => place(index, { matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], at: [0, 0, 0] }, 0))
}

/** Where there is no scene: nodes that are nobody's child. */
function rootsOf(nodes: readonly GltfNode[]): number[] {
  const children = new Set(nodes.flatMap((node) => node.children ?? []))
  return nodes.flatMap((_, index) => (children.has(index) ? [] : [index]))
}

const inside = (outer: Pose, inner: Pose): Pose => ({ matrix: multiply(outer.matrix, inner.matrix), at: posed(outer, inner.at) })

function localPose({ matrix, translation, rotation, scale }: GltfNode): Pose {
  const numbers = [...(matrix ?? []), ...(translation ?? []), ...(rotation ?? []), ...(scale ?? [])]
  if (!numbers.every((value) => typeof value === 'number' && Number.isFinite(value))) throw broken('the place of a node is no number')
  if (matrix) {
    const m = matrix
    if (m.length !== 16) throw broken('the matrix of a node has not sixteen numbers')
    return {
      matrix: [m[0]!, m[4]!, m[8]!, m[1]!, m[5]!, m[9]!, m[2]!, m[6]!, m[10]!],
      at: [m[12]!, m[13]!, m[14]!],
    }
  }
  const [x, y, z] = (scale ?? [1, 1, 1]) as Vec
  const turned = rotationOf(rotation ?? [0, 0, 0, 1])
  return { matrix: multiply(turned, [x, 0, 0, 0, y, 0, 0, 0, z]), at: (translation ?? [0, 0, 0]) as Vec }
}

/** The matrix of a quaternion x, y, z, w. */
function rotationOf(quaternion: readonly number[]): Matrix {
  const size = Math.hypot(...quaternion) || 1
  const [x, y, z, w] = quaternion.map((value) => value / size) as [number, number, number, number]
  return [
    1 - 2 * (y * y + z * z),
    2 * (x * y - z * w),
    2 * (x * z + y * w),
    2 * (x * y + z * w),
    1 - 2 * (x * x + z * z),
    2 * (y * z - x * w),
    2 * (x * z - y * w),
    2 * (y * z + x * w),
    1 - 2 * (x * x + y * y),
  ]
}
