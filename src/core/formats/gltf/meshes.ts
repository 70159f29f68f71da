import type { Triangles } from '../../form'
import { readAccessor } from './accessors'
import { broken, type Gltf, type GltfPrimitive } from './container'

/** A mesh as triangles in the axes and units of its file, and the material that covers most of it. */
export interface GltfMesh {
  readonly triangles: Triangles
  readonly material: number | undefined
}

const TRIANGLES = 4
const STRIP = 5
const FAN = 6

/** @returns nothing where it has no triangles */
export function readMesh(gltf: Gltf, index: number): GltfMesh | undefined {
  const mesh = gltf.json.meshes?.[index]
  if (!mesh) throw broken('a node names a mesh that is not there')
  const pieces = (mesh.primitives ?? []).flatMap((primitive) => {
    const triangles = primitiveTriangles(gltf, primitive)
    return triangles.length === 0 ? [] : [{ triangles, material: primitive.material, area: areaOf(triangles) }]
  })
  if (pieces.length === 0) return undefined
  const triangles = new Float64Array(pieces.reduce((sum, piece) => sum + piece.triangles.length, 0))
  let at = 0
  for (const piece of pieces) {
    triangles.set(piece.triangles, at)
    at += piece.triangles.length
  }
  if (!triangles.every(Number.isFinite)) throw broken('a corner of a mesh is no number')
  const largest = pieces.reduce((best, piece) => (piece.area > best.area ? piece : best))
  return { triangles, material: largest.material }
}

function primitiveTriangles(gltf: Gltf, primitive: GltfPrimitive): Triangles {
  const mode = primitive.mode ?? TRIANGLES
  const position = primitive.attributes?.POSITION
  if (position === undefined || mode < TRIANGLES || mode > FAN) return new Float64Array(0)
  const corners = readAccessor(gltf, position, 'VEC3')
  const order = primitive.indices === undefined ? undefined : readAccessor(gltf, primitive.indices, 'SCALAR')
  const count = order?.length ?? corners.length / 3
  const cornerAt = (i: number): number => (order ? order[i]! : i)
  const faces = mode === TRIANGLES ? Math.floor(count / 3) : Math.max(0, count - 2)
  const triangles = new Float64Array(faces * 9)
  for (let face = 0; face < faces; face++) {
    const first = mode === TRIANGLES ? face * 3 : mode === STRIP ? face : 0
    const ends = mode === FAN ? [0, face + 1, face + 2] : [first, first + 1, first + 2]
    ends.forEach((end, k) => {
      const corner = cornerAt(end)
      if (corner * 3 + 2 >= corners.length) throw broken('a face names a corner that is not there')
      for (let axis = 0; axis < 3; axis++) triangles[face * 9 + k * 3 + axis] = corners[corner * 3 + axis]!
    })
  }
  return triangles
}

/** Twice its area, in the units of the file: enough to compare. */
function areaOf(t: Triangles): number {
  let area = 0
  for (let i = 0; i < t.length; i += 9) {
    const [ux, uy, uz] = [t[i + 3]! - t[i]!, t[i + 4]! - t[i + 1]!, t[i + 5]! - t[i + 2]!]
    const [vx, vy, vz] = [t[i + 6]! - t[i]!, t[i + 7]! - t[i + 1]!, t[i + 8]! - t[i + 2]!]
    area += Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx)
  }
  return area
}
