import { extentOf, transformed, type Triangles } from '../../form'
import { apply, determinant, dot, length, multiply, posed, scale, transpose, type Matrix, type Pose, type Vec } from '../../space'
import type { Gltf } from './container'
import { readMesh, type GltfMesh } from './meshes'
import type { PlacedNode } from './nodes'

/** A form that nodes share: triangles in units of the file, our axes, lowest corner at the origin. */
export interface DrawnForm {
  readonly triangles: Triangles
  readonly size: Vec
  uses: number
}

/** A node with a mesh, in units of the file and our axes. */
export interface DrawnPiece {
  readonly node: PlacedNode
  readonly meshName: string
  readonly material: number | undefined
  readonly form: DrawnForm
  /** How the form is turned (never mirrored: that is in the form), and where its lowest corner stands. */
  readonly pose: Pose
}

/** glTF's x stays x, its y becomes z, its z becomes −y. */
export const TO_OURS: Matrix = [1, 0, 0, 0, 0, -1, 0, 1, 0]
/** From axes as if y were up to those of a file where z is. */
export const Z_UP: Matrix = [1, 0, 0, 0, 0, 1, 0, -1, 0]

/** Collects the pieces of a file; what is drawn alike is one form, however often it stands in the file. */
export class PieceReader {
  private readonly meshes = new Map<number, GltfMesh | undefined>()
  private readonly forms = new Map<string, DrawnForm>()
  private readonly ofMesh = new Map<string, { form: DrawnForm; low: Vec }>()

  constructor(private readonly gltf: Gltf) {}

  /** @returns nothing where the mesh has no triangles. @throws Fault `bad-drawing` */
  read(node: PlacedNode, mesh: number): DrawnPiece | undefined {
    if (!this.meshes.has(mesh)) this.meshes.set(mesh, readMesh(this.gltf, mesh))
    const drawn = this.meshes.get(mesh)
    if (!drawn) return undefined
    const world = multiply(multiply(TO_OURS, node.world.matrix), transpose(TO_OURS))
    const { turned, rest } = taken(world)
    const key = `${mesh} ${rest.map((value) => value.toPrecision(5)).join()}`
    let known = this.ofMesh.get(key)
    if (!known) this.ofMesh.set(key, (known = this.formOf(transformed(drawn.triangles, multiply(rest, TO_OURS)))))
    known.form.uses++
    const pose: Pose = { matrix: turned, at: apply(TO_OURS, node.world.at) }
    return {
      node,
      meshName: this.gltf.json.meshes?.[mesh]?.name ?? '',
      material: drawn.material,
      form: known.form,
      pose: { matrix: turned, at: posed(pose, known.low) },
    }
  }

  get all(): DrawnForm[] {
    return [...this.forms.values()]
  }

  private formOf(triangles: Triangles): { form: DrawnForm; low: Vec } {
    const { min, size } = extentOf(triangles)
    for (let i = 0; i < triangles.length; i++) triangles[i] = triangles[i]! - min[i % 3]!
    const key = keyOf(triangles, Math.max(...size))
    let form = this.forms.get(key)
    if (!form) this.forms.set(key, (form = { triangles, size, uses: 0 }))
    return { form, low: min }
  }
}

/** Takes a matrix apart: a turn, and what is left to do before it (scale, mirror, shear). */
function taken(m: Matrix): { readonly turned: Matrix; readonly rest: Matrix } {
  const columns = [0, 1, 2].map((i): Vec => [m[i]!, m[i + 3]!, m[i + 6]!]) as [Vec, Vec, Vec]
  const sizes = columns.map(length) as [number, number, number]
  const most = Math.max(...sizes)
  const isSquare =
    Math.min(...sizes) > most * 1e-6 &&
    [
      [0, 1],
      [0, 2],
      [1, 2],
    ].every(([a, b]) => Math.abs(dot(columns[a!]!, columns[b!]!)) < sizes[a!]! * sizes[b!]! * 1e-3)
  if (!isSquare) return { turned: [1, 0, 0, 0, 1, 0, 0, 0, 1], rest: m }
  const flip = determinant(m) < 0 ? -1 : 1
  const [x, y, z] = [scale(columns[0], flip / sizes[0]), scale(columns[1], 1 / sizes[1]), scale(columns[2], 1 / sizes[2])]
  // Rounding of a file in single precision is not a turn.
  const turned = [x[0], y[0], z[0], x[1], y[1], z[1], x[2], y[2], z[2]].map(snapped) as unknown as Matrix
  return { turned, rest: [flip * sizes[0], 0, 0, 0, sizes[1], 0, 0, 0, sizes[2]] }
}

const snapped = (value: number): number => (Math.abs(value - Math.round(value)) < 1e-4 ? Math.round(value) + 0 : value)

const STEPS = 2048

/** Triangles to a 2048th of their size, hashed: forms drawn at another place have the same key. */
function keyOf(triangles: Triangles, most: number): string {
  let [one, other] = [0x811c9dc5, 0x9747b28c]
  for (const value of triangles) {
    const step = Math.round((value / most) * STEPS)
    one = Math.imul(one ^ step, 0x01000193)
    other = Math.imul(other ^ (step + 7), 0x85ebca6b) ^ (other >>> 13)
  }
  return `${triangles.length} ${most.toPrecision(4)} ${one} ${other}`
}
