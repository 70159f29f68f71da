import type { Catalogue, Mesh, Shape } from '../../catalogue'
import type { Part } from '../../model'
import { apply, MM_PER_U, multiply, scale, transpose, type Matrix, type Pose, type Vec } from '../../space'
import { linearOf } from './colours'
import { LITTLE_ENDIAN } from './container'
import { TO_OURS } from './pieces'

/** Metres a u: 1 unit of a drawing is 1 m. */
const METRES = MM_PER_U / 1000
const TO_GLTF = transpose(TO_OURS)
/** How much a see-through piece lets through. */
const CLEAR_ALPHA = 0.5

export interface WrittenNode {
  readonly name: string
  readonly mesh?: number
  readonly translation?: Vec
  readonly rotation?: readonly number[]
  readonly scale?: Vec
  readonly extras?: Record<string, unknown>
  children?: number[]
}

/** The lists of a drawing that is being written: 1 unit is 1 m, y is up; numbers are shared by all nodes of a shape. */
export class GltfBuffers {
  protected readonly nodes: WrittenNode[] = []
  private readonly meshes: object[] = []
  private readonly materials: object[] = []
  private readonly accessors: object[] = []
  private readonly bufferViews: object[] = []
  private readonly runs: Float32Array[] = []
  private length = 0
  private readonly meshIds = new Map<string, number>()
  private readonly materialIds = new Map<string, number>()
  private readonly accessorIds = new Map<string, { POSITION: number; NORMAL: number }>()

  constructor(protected readonly catalogue: Catalogue) {}

  /** The whole as a `.glb`. */
  glb(root: number): Uint8Array<ArrayBuffer> {
    return glbOf(this.json(root), this.binary())
  }

  private json(root: number): object {
    const lists = { meshes: this.meshes, materials: this.materials, accessors: this.accessors, bufferViews: this.bufferViews }
    return {
      asset: { version: '2.0', generator: 'Jump Rail' },
      scene: 0,
      scenes: [{ nodes: [root] }],
      nodes: this.nodes,
      ...(this.length > 0 ? { ...lists, buffers: [{ byteLength: this.length }] } : {}),
    }
  }

  private binary(): Uint8Array {
    const bytes = new Uint8Array(this.length)
    let at = 0
    for (const run of this.runs) {
      bytes.set(new Uint8Array(run.buffer, run.byteOffset, run.byteLength), at)
      at += run.byteLength
    }
    return bytes
  }

  node(node: WrittenNode): number {
    return this.nodes.push(node) - 1
  }

  /** Numbers are shared by all colours of a shape. */
  mesh(part: Part, colour: string, shape: Shape): number {
    const form = `${shape.id} ${part.length ?? ''}`
    const key = `${form} ${colour}`
    let id = this.meshIds.get(key)
    if (id === undefined) {
      let attributes = this.accessorIds.get(form)
      if (!attributes) this.accessorIds.set(form, (attributes = this.attributes(shape.mesh)))
      const primitives = [{ attributes, material: this.material(colour) }]
      this.meshIds.set(key, (id = this.meshes.push({ name: shape.id, primitives }) - 1))
    }
    return id
  }

  private attributes(mesh: Mesh): { POSITION: number; NORMAL: number } {
    const [positions, normals]: [number[], number[]] = [[], []]
    for (const { corners, normal } of mesh) {
      const up = apply(TO_GLTF, normal)
      for (let i = 2; i < corners.length; i++) {
        for (const corner of [corners[0]!, corners[i - 1]!, corners[i]!]) {
          positions.push(...apply(TO_GLTF, scale(corner, METRES)))
          normals.push(...up)
        }
      }
    }
    return { POSITION: this.accessor(new Float32Array(positions), { hasBounds: true }), NORMAL: this.accessor(new Float32Array(normals)) }
  }

  private accessor(numbers: Float32Array, { hasBounds = false }: { readonly hasBounds?: boolean } = {}): number {
    this.bufferViews.push({ buffer: 0, byteOffset: this.length, byteLength: numbers.byteLength, target: 34962 })
    this.runs.push(numbers)
    this.length += numbers.byteLength
    const bounds = hasBounds ? { min: boundsOf(numbers, Math.min), max: boundsOf(numbers, Math.max) } : {}
    return (
      this.accessors.push({
        bufferView: this.bufferViews.length - 1,
        componentType: 5126,
        count: numbers.length / 3,
        type: 'VEC3',
        ...bounds,
      }) - 1
    )
  }

  private material(id: string): number {
    let material = this.materialIds.get(id)
    if (material === undefined) {
      const { hex, finish } = this.catalogue.colours.get(id)!
      const isClear = finish === 'clear'
      const factor = [linearOf(hex, 1), linearOf(hex, 3), linearOf(hex, 5), isClear ? CLEAR_ALPHA : 1]
      const surface = { baseColorFactor: factor, metallicFactor: finish === 'metal' ? 1 : 0, roughnessFactor: 0.5 }
      this.materials.push({ name: id, pbrMetallicRoughness: surface, ...(isClear ? { alphaMode: 'BLEND' } : {}) })
      this.materialIds.set(id, (material = this.materials.length - 1))
    }
    return material
  }
}

const boundsOf = (numbers: Float32Array, pick: (a: number, b: number) => number): Vec => {
  const bounds: [number, number, number] = [numbers[0]!, numbers[1]!, numbers[2]!]
  for (let i = 3; i < numbers.length; i++) bounds[(i % 3) as 0 | 1 | 2] = pick(bounds[(i % 3) as 0 | 1 | 2], numbers[i]!)
  return bounds
}

/** Where a node stands. */
export function placed({ matrix, at }: Pose): Pick<WrittenNode, 'translation' | 'rotation'> {
  const turned = multiply(multiply(TO_GLTF, matrix), TO_OURS)
  const place = apply(TO_GLTF, scale(at, METRES))
  const isTurned = turned.some((value, i) => Math.abs(value - (i % 4 === 0 ? 1 : 0)) > 1e-9)
  return {
    ...(place.some((value) => value !== 0) ? { translation: place } : {}),
    ...(isTurned ? { rotation: quaternionOf(turned) } : {}),
  }
}

/** The quaternion x, y, z, w of a turning matrix (Shepperd 1978, "Quaternion from rotation matrix"). */
function quaternionOf(m: Matrix): number[] {
  const trace = m[0] + m[4] + m[8]
  const largest = [m[0], m[4], m[8], trace].indexOf(Math.max(m[0], m[4], m[8], trace))
  const raw = [
    [1 + m[0] - m[4] - m[8], m[1] + m[3], m[2] + m[6], m[7] - m[5]],
    [m[1] + m[3], 1 - m[0] + m[4] - m[8], m[5] + m[7], m[2] - m[6]],
    [m[2] + m[6], m[5] + m[7], 1 - m[0] - m[4] + m[8], m[3] - m[1]],
    [m[7] - m[5], m[2] - m[6], m[3] - m[1], 1 + trace],
  ][largest]!
  const size = Math.hypot(...raw)
  return raw.map((value) => value / size + 0)
}

const padded = (bytes: Uint8Array, filler: number): Uint8Array => {
  const whole = new Uint8Array(Math.ceil(bytes.length / 4) * 4).fill(filler)
  whole.set(bytes)
  return whole
}

function glbOf(json: object, binary: Uint8Array): Uint8Array<ArrayBuffer> {
  const text = padded(new TextEncoder().encode(JSON.stringify(json)), 0x20)
  const body = padded(binary, 0)
  const chunks =
    body.length > 0
      ? [
          { kind: 0x4e4f534a, bytes: text },
          { kind: 0x004e4942, bytes: body },
        ]
      : [{ kind: 0x4e4f534a, bytes: text }]
  const length = 12 + chunks.reduce((sum, { bytes }) => sum + 8 + bytes.length, 0)
  const file = new Uint8Array(length)
  const view = new DataView(file.buffer)
  ;[0x46546c67, 2, length].forEach((value, i) => view.setUint32(i * 4, value, LITTLE_ENDIAN))
  let at = 12
  for (const { kind, bytes } of chunks) {
    view.setUint32(at, bytes.length, LITTLE_ENDIAN)
    view.setUint32(at + 4, kind, LITTLE_ENDIAN)
    file.set(bytes, at + 8)
    at += 8 + bytes.length
  }
  return file
}
