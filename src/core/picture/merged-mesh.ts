import { studMesh, type Mesh } from '../catalogue'
import { memo } from '../memo'
import { apply, DIRECTION_VECTORS, directionOf, posed, type Matrix, type Pose, type Vec } from '../space'
import type { DrawnPart, PartGroup } from './part-groups'

/** Triangles that face one of the six directions, and last all others: what faces away need not be drawn. */
const FACING_SORTS = 7
const OTHER = 6

/** The colours of a part, 0 to 255: of its faces with how solid they are, and of its lines. */
export interface PartTint {
  readonly face: readonly [number, number, number, number]
  readonly line: readonly [number, number, number]
}

/** Many parts as one mesh for a graphics card, in the lattice of their section, u. */
export interface MergedMesh {
  /** x, y, z of each corner. */
  readonly corners: Float32Array
  /** The way its facet faces, in 1/127, and one byte to spare. */
  readonly normals: Int8Array
  readonly tints: Uint8Array
  /** Three corners a triangle, for each sort of facing. */
  readonly triangles: readonly Uint32Array[]
  /** x, y, z of each end of a line, and its colour. */
  readonly lines: Float32Array
  readonly inks: Uint8Array
}

/** How studs are drawn: whole, with few sides and no lines where there are many, their tops alone where there are very many. */
export type StudDetail = 'round' | 'plain' | 'disc' | 'none'

const MOST_ROUND_STUDS = 2_000
const MOST_STUDS_WITH_SIDES = 20_000

/** How studs are drawn where so many show. */
export const studDetail = (count: number): StudDetail =>
  count <= MOST_ROUND_STUDS ? 'round' : count <= MOST_STUDS_WITH_SIDES ? 'plain' : 'disc'

const key = ([x, y, z]: Vec): string => `${Math.round(x * 64)},${Math.round(y * 64)},${Math.round(z * 64)}`

/** Both ends of each line of a mesh: where two surfaces meet. u. */
const linesOf = memo((mesh: Mesh): Float32Array => {
  const edges = new Map<string, { readonly ends: readonly [Vec, Vec]; readonly surfaces: Set<number> }>()
  for (const { corners, surface } of mesh) {
    corners.forEach((corner, i) => {
      const next = corners[(i + 1) % corners.length]!
      const name = [key(corner), key(next)].sort().join(' ')
      const known = edges.get(name)
      if (known) known.surfaces.add(surface)
      else edges.set(name, { ends: [corner, next], surfaces: new Set([surface]) })
    })
  }
  return Float32Array.from([...edges.values()].filter(({ surfaces }) => surfaces.size > 1).flatMap(({ ends }) => [...ends[0], ...ends[1]]))
})

/** A mesh as flat tables: its corners facet by facet, and of each facet where they begin and which way it faces. */
interface FlatMesh {
  readonly corners: Float32Array
  readonly starts: Uint32Array
  readonly normals: readonly Vec[]
}

const flatMesh = memo((mesh: Mesh): FlatMesh => {
  const starts = new Uint32Array(mesh.length + 1)
  mesh.forEach(({ corners }, i) => (starts[i + 1] = starts[i]! + corners.length))
  return { corners: Float32Array.from(mesh.flatMap(({ corners }) => corners.flat())), starts, normals: mesh.map(({ normal }) => normal) }
})

/** A stud as it is drawn alone, with few sides among many, and its top alone among very many; made once. */
let known: Readonly<Record<Exclude<StudDetail, 'none'>, Mesh>> | undefined
function studMeshes(): NonNullable<typeof known> {
  const plain = studMesh(8)
  return (known ??= { round: studMesh(), plain, disc: plain.filter(({ normal }) => normal[2] === 1) })
}

/** One thing to be merged: a mesh, where it stands, and its colours. */
interface PlacedMesh {
  readonly mesh: Mesh
  readonly lines: Mesh | undefined
  readonly pose: Pose
  readonly tint: PartTint
}

function placedOf({ parts, studs }: PartGroup, tintOf: (part: DrawnPart) => PartTint, detail: StudDetail): PlacedMesh[] {
  const placed = parts.map((part): PlacedMesh => {
    const { plainMesh } = part.shape
    return { mesh: plainMesh, lines: plainMesh, pose: part.pose, tint: tintOf(part) }
  })
  if (detail === 'none') return placed
  const mesh = studMeshes()[detail]
  for (let i = 0; i < studs.length; i += 2) {
    const { shape, pose } = parts[studs[i]!]!
    const { at, facing } = shape.connectors[studs[i + 1]!]!
    placed.push({
      mesh,
      lines: detail === 'round' ? mesh : undefined,
      pose: { matrix: upright(apply(pose.matrix, DIRECTION_VECTORS[facing]!)), at: posed(pose, at) },
      tint: placed[studs[i]!]!.tint,
    })
  }
  return placed
}

/** A matrix that turns +z to a way. */
function upright(way: Vec): Matrix {
  const [x, y, z] = way
  const side: Vec = Math.abs(z) > 0.9 ? [1, 0, 0] : [-y / Math.hypot(x, y), x / Math.hypot(x, y), 0]
  // Across way × side, so that the frame is right-handed.
  const other: Vec = [y * side[2] - z * side[1], z * side[0] - x * side[2], x * side[1] - y * side[0]]
  return [side[0], other[0], x, side[1], other[1], y, side[2], other[2], z]
}

/** Draws the parts of a group together into one mesh. O(facets). */
export function mergeGroup(group: PartGroup, tintOf: (part: DrawnPart) => PartTint, detail: StudDetail): MergedMesh {
  const placed = placedOf(group, tintOf, detail)
  const made = new Builder(placed)
  for (const each of placed) made.add(each)
  return made.mesh
}

/** Tables of known size, filled one after another. */
class Builder {
  readonly mesh: MergedMesh
  private corner = 0
  private end = 0
  private readonly filled = new Uint32Array(FACING_SORTS)

  constructor(placed: readonly PlacedMesh[]) {
    let corners = 0
    let ends = 0
    const triangles = new Uint32Array(FACING_SORTS)
    for (const { mesh, lines, pose } of placed) {
      const { starts } = flatMesh(mesh)
      corners += starts[mesh.length]!
      if (lines) ends += linesOf(lines).length / 3
      const sorts = sortsOf(mesh, pose.matrix)
      for (let i = 0; i < mesh.length; i++) triangles[sorts[i]!]! += starts[i + 1]! - starts[i]! - 2
    }
    this.mesh = {
      corners: new Float32Array(corners * 3),
      normals: new Int8Array(corners * 4),
      tints: new Uint8Array(corners * 4),
      triangles: Array.from(triangles, (count) => new Uint32Array(count * 3)),
      lines: new Float32Array(ends * 3),
      inks: new Uint8Array(ends * 4),
    }
  }

  add({ mesh, lines, pose, tint }: PlacedMesh): void {
    const { corners, normals, tints, triangles } = this.mesh
    const { matrix: m, at } = pose
    const flat = flatMesh(mesh)
    const sorts = sortsOf(mesh, m)
    let corner = this.corner
    for (let facet = 0; facet < mesh.length; facet++) {
      const [from, to] = [flat.starts[facet]!, flat.starts[facet + 1]!]
      const normal = apply(m, flat.normals[facet]!)
      const first = corner
      for (let k = from; k < to; k++, corner++) {
        transform(flat.corners, k, corners, corner, m, at)
        for (let axis = 0; axis < 3; axis++) normals[corner * 4 + axis] = Math.round(normal[axis]! * 127)
        tints.set(tint.face, corner * 4)
      }
      const list = triangles[sorts[facet]!]!
      let next = this.filled[sorts[facet]!]!
      for (let k = 2; k < to - from; k++) {
        list[next++] = first
        list[next++] = first + k - 1
        list[next++] = first + k
      }
      this.filled[sorts[facet]!] = next
    }
    this.corner = corner
    if (lines) this.addLines(linesOf(lines), pose, tint)
  }

  private addLines(own: Float32Array, { matrix, at }: Pose, { line }: PartTint): void {
    for (let k = 0; k < own.length / 3; k++, this.end++) {
      transform(own, k, this.mesh.lines, this.end, matrix, at)
      this.mesh.inks.set(line, this.end * 4)
      this.mesh.inks[this.end * 4 + 3] = 255
    }
  }
}

// eslint-disable-next-line max-params -- runs for every corner of a model
function transform(from: Float32Array, i: number, to: Float32Array, j: number, m: Matrix, at: Vec): void {
  const [x, y, z] = [from[i * 3]!, from[i * 3 + 1]!, from[i * 3 + 2]!]
  to[j * 3] = m[0] * x + m[1] * y + m[2] * z + at[0]
  to[j * 3 + 1] = m[3] * x + m[4] * y + m[5] * z + at[1]
  to[j * 3 + 2] = m[6] * x + m[7] * y + m[8] * z + at[2]
}

const KNOWN_SORTS = new WeakMap<Mesh, Map<string, Uint8Array>>()

/** Of each facet of a mesh that is turned so, the sort of its facing; kept for each attitude. */
function sortsOf(mesh: Mesh, matrix: Matrix): Uint8Array {
  const known = KNOWN_SORTS.get(mesh) ?? new Map<string, Uint8Array>()
  KNOWN_SORTS.set(mesh, known)
  const name = matrix.join()
  let sorts = known.get(name)
  if (!sorts) {
    sorts = Uint8Array.from(mesh, ({ normal }) => {
      const [x, y, z] = apply(matrix, normal)
      const rounded: Vec = [Math.round(x) + 0, Math.round(y) + 0, Math.round(z) + 0]
      const isExact = Math.abs(x - rounded[0]) + Math.abs(y - rounded[1]) + Math.abs(z - rounded[2]) < 1e-6
      return (isExact ? directionOf(rounded) : undefined) ?? OTHER
    })
    known.set(name, sorts)
  }
  return sorts
}
