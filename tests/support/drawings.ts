import type { Shape } from '@core/catalogue'
import type { Triangles } from '@core/form'
import { DIRECTION_VECTORS, STUD_HEIGHT, type Vec } from '@core/space'
import { drawing } from '@core/formats'
import type { ModelDocument } from '@core/model'

/** How another program might draw a piece. */
export interface DrawnAs {
  /** Sides of a stud. */
  readonly sides: number
  /** Each triangle is cut in four. */
  readonly isFine?: boolean
  /** The body is this much smaller on each side, u. */
  readonly smaller?: number
  /** Nothing is drawn that faces down: no undersides, not of studs either. */
  readonly isOpenBelow?: boolean
}

/** A shape in its own frame, drawn in another way than the catalogue does. */
export function drawnAs(shape: Shape, { sides, isFine = false, smaller = 0, isOpenBelow = false }: DrawnAs): Triangles {
  const numbers: number[] = []
  const middle = shape.box.map((side) => side / 2) as unknown as Vec
  const factor = shape.box.map((side) => (side - 2 * smaller) / side)
  const put = (a: Vec, b: Vec, c: Vec): void => {
    if (!isFine) return void numbers.push(...a, ...b, ...c)
    const half = (p: Vec, q: Vec): Vec => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2, (p[2] + q[2]) / 2]
    const [ab, bc, ca] = [half(a, b), half(b, c), half(c, a)]
    numbers.push(...a, ...ab, ...ca, ...ab, ...b, ...bc, ...ca, ...bc, ...c, ...ab, ...bc, ...ca)
  }
  const shrunk = (corner: Vec): Vec => corner.map((value, i) => middle[i]! + (value - middle[i]!) * factor[i]!) as unknown as Vec
  for (const { corners, normal } of shape.plainMesh) {
    if (isOpenBelow && normal[2] < -0.99) continue
    const plain = corners.map(shrunk)
    for (let i = 2; i < plain.length; i++) put(plain[0]!, plain[i - 1]!, plain[i]!)
  }
  for (const { kind, at, facing } of shape.connectors) {
    if (kind !== 'stud') continue
    const axis = DIRECTION_VECTORS[facing]!
    const [u, v] = acrossOf(axis)
    const circle = (height: number): Vec[] =>
      Array.from({ length: sides }, (_, i) => {
        const [c, s] = [3 * Math.cos((2 * Math.PI * i) / sides), 3 * Math.sin((2 * Math.PI * i) / sides)]
        return [0, 1, 2].map((k) => at[k]! + axis[k]! * height + u[k]! * c + v[k]! * s) as unknown as Vec
      })
    const [low, high] = [circle(-smaller), circle(STUD_HEIGHT)]
    high.forEach((corner, i) => {
      const next = (i + 1) % sides
      put(low[i]!, low[next]!, high[next]!)
      put(low[i]!, high[next]!, corner)
      if (i > 1) put(high[0]!, high[i - 1]!, corner)
      if (i > 1 && !isOpenBelow) put(low[0]!, low[i]!, low[i - 1]!)
    })
  }
  return Float64Array.from(numbers)
}

const acrossOf = (axis: Vec): [Vec, Vec] =>
  axis[2] !== 0
    ? [
        [1, 0, 0],
        [0, 1, 0],
      ]
    : axis[0] !== 0
      ? [
          [0, 1, 0],
          [0, 0, 1],
        ]
      : [
          [1, 0, 0],
          [0, 0, 1],
        ]

/** The JSON of a drawing, changed. */
export function changedDrawing(glb: Uint8Array, change: (json: GltfSketch) => void): Uint8Array {
  const view = new DataView(glb.buffer, glb.byteOffset)
  const length = view.getUint32(12, true)
  const json = JSON.parse(new TextDecoder().decode(glb.subarray(20, 20 + length))) as GltfSketch
  change(json)
  const text = new TextEncoder().encode(JSON.stringify(json))
  const rest = glb.subarray(20 + length)
  const padded = Math.ceil(text.length / 4) * 4
  const file = new Uint8Array(20 + padded + rest.length).fill(0x20)
  file.set(glb.subarray(0, 20))
  file.set(text, 20)
  file.set(rest, 20 + padded)
  new DataView(file.buffer).setUint32(8, file.length, true)
  new DataView(file.buffer).setUint32(12, padded, true)
  return file
}

/** What tests change in a drawing. */
export interface GltfSketch {
  nodes: {
    name?: string
    mesh?: number
    children?: number[]
    translation?: number[]
    rotation?: number[]
    scale?: number[]
    extras?: Record<string, unknown>
  }[]
  meshes: { name?: string }[]
  materials: { name?: string }[]
  scenes: { nodes: number[] }[]
}

/** A model as a drawing without a word about what its pieces are. */
export const namelessDrawing = (model: ModelDocument, change: (json: GltfSketch) => void = () => undefined): Uint8Array =>
  changedDrawing(drawing.write(model), (json) => {
    for (const node of json.nodes) delete node.extras
    json.nodes.forEach((node, i) => node.mesh !== undefined && (node.name = `thing ${i}`))
    for (const each of [...json.meshes, ...json.materials]) delete each.name
    change(json)
  })
