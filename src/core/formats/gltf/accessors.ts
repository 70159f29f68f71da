import { broken, LITTLE_ENDIAN, viewOf, type Gltf, type GltfAccessor } from './container'

type ReadNumber = (view: DataView, at: number) => number
/** By component type: bytes, how it is read, and what 1 is where numbers are normalised. */
const COMPONENTS: Readonly<Record<number, { readonly bytes: number; readonly read: ReadNumber; readonly one: number }>> = {
  5120: { bytes: 1, read: (view, at) => view.getInt8(at), one: 127 },
  5121: { bytes: 1, read: (view, at) => view.getUint8(at), one: 255 },
  5122: { bytes: 2, read: (view, at) => view.getInt16(at, LITTLE_ENDIAN), one: 32767 },
  5123: { bytes: 2, read: (view, at) => view.getUint16(at, LITTLE_ENDIAN), one: 65535 },
  5125: { bytes: 4, read: (view, at) => view.getUint32(at, LITTLE_ENDIAN), one: 4294967295 },
  5126: { bytes: 4, read: (view, at) => view.getFloat32(at, LITTLE_ENDIAN), one: 1 },
}
const WIDTHS: Readonly<Record<string, number>> = { SCALAR: 1, VEC2: 2, VEC3: 3, VEC4: 4 }
/** Numbers of one accessor: a mesh with more is no piece. */
const MOST_NUMBERS = 60_000_000

/** The numbers of an accessor, component after component. @throws Fault `bad-drawing` where they are not there */
export function readAccessor(gltf: Gltf, index: number, type: 'SCALAR' | 'VEC3'): Float64Array {
  const accessor = gltf.json.accessors?.[index]
  if (!accessor || accessor.type !== type) throw broken('numbers of a mesh are missing')
  const width = WIDTHS[type]!
  const count = accessor.count ?? 0
  if (!Number.isInteger(count) || count < 0 || count * width > MOST_NUMBERS) throw broken('a mesh has too many corners')
  const numbers = new Float64Array(count * width)
  if (accessor.bufferView !== undefined) copyNumbers(gltf, accessor, width, numbers)
  if (accessor.sparse) putSparse(gltf, accessor, width, numbers)
  return numbers
}

interface Run {
  readonly view: DataView
  readonly start: number
  readonly stride: number
}

function runOf(gltf: Gltf, index: number, byteOffset: number, size: { bytes: number; count: number }): Run {
  const bufferView = gltf.json.bufferViews?.[index]
  const buffer = gltf.buffers[bufferView?.buffer ?? -1]
  if (!bufferView || !buffer) throw broken('a part of a buffer is missing')
  const stride = bufferView.byteStride ?? size.bytes
  const start = (bufferView.byteOffset ?? 0) + byteOffset
  const isSound = [stride, start].every((value) => Number.isInteger(value) && value >= 0)
  if (!isSound || (size.count > 0 && start + (size.count - 1) * stride + size.bytes > buffer.length)) throw broken('a buffer is too short')
  return { view: viewOf(buffer), start, stride }
}

function copyNumbers(gltf: Gltf, accessor: GltfAccessor, width: number, into: Float64Array): void {
  const component = COMPONENTS[accessor.componentType ?? 0]
  if (!component) throw broken('numbers are of a kind that is not known')
  const count = into.length / width
  const { view, start, stride } = runOf(gltf, accessor.bufferView!, accessor.byteOffset ?? 0, { bytes: component.bytes * width, count })
  const by = accessor.normalized === true ? 1 / component.one : 1
  for (let i = 0; i < count; i++)
    for (let k = 0; k < width; k++) into[i * width + k] = component.read(view, start + i * stride + k * component.bytes) * by
}

function putSparse(gltf: Gltf, accessor: GltfAccessor, width: number, into: Float64Array): void {
  const { count, indices, values } = accessor.sparse!
  const [ofIndex, ofValue] = [COMPONENTS[indices.componentType], COMPONENTS[accessor.componentType ?? 0]]
  if (!ofIndex || !ofValue || !Number.isInteger(count) || count < 0 || count > into.length)
    throw broken('sparse numbers are of no known kind')
  const where = runOf(gltf, indices.bufferView, indices.byteOffset ?? 0, { bytes: ofIndex.bytes, count })
  const what = runOf(gltf, values.bufferView, values.byteOffset ?? 0, { bytes: ofValue.bytes * width, count })
  for (let i = 0; i < count; i++) {
    const at = ofIndex.read(where.view, where.start + i * where.stride)
    if (at * width >= into.length) throw broken('sparse numbers stand outside their mesh')
    for (let k = 0; k < width; k++) into[at * width + k] = ofValue.read(what.view, what.start + i * what.stride + k * ofValue.bytes)
  }
}
