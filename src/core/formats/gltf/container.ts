import { Fault } from '../../fault'
import { fromBase64 } from '../../model'

/** The JSON of a glTF file, as far as it is looked at; nothing in it is trusted. */
export interface GltfJson {
  readonly asset?: { readonly version?: string }
  readonly extensionsRequired?: readonly string[]
  readonly scene?: number
  readonly scenes?: readonly { readonly nodes?: readonly number[] }[]
  readonly nodes?: readonly GltfNode[]
  readonly meshes?: readonly { readonly name?: string; readonly primitives?: readonly GltfPrimitive[]; readonly extras?: unknown }[]
  readonly materials?: readonly GltfMaterial[]
  readonly accessors?: readonly GltfAccessor[]
  readonly bufferViews?: readonly GltfBufferView[]
  readonly buffers?: readonly { readonly uri?: string; readonly byteLength?: number }[]
}

export interface GltfNode {
  readonly name?: string
  readonly mesh?: number
  readonly children?: readonly number[]
  readonly matrix?: readonly number[]
  readonly translation?: readonly number[]
  readonly rotation?: readonly number[]
  readonly scale?: readonly number[]
  readonly extras?: unknown
}

export interface GltfPrimitive {
  readonly attributes?: Readonly<Record<string, number>>
  readonly indices?: number
  readonly material?: number
  readonly mode?: number
}

export interface GltfMaterial {
  readonly pbrMetallicRoughness?: { readonly baseColorFactor?: readonly number[]; readonly metallicFactor?: number }
}

export interface GltfAccessor {
  readonly bufferView?: number
  readonly byteOffset?: number
  readonly componentType?: number
  readonly normalized?: boolean
  readonly count?: number
  readonly type?: string
  readonly sparse?: {
    readonly count: number
    readonly indices: { readonly bufferView: number; readonly byteOffset?: number; readonly componentType: number }
    readonly values: { readonly bufferView: number; readonly byteOffset?: number }
  }
}

interface GltfBufferView {
  readonly buffer?: number
  readonly byteOffset?: number
  readonly byteLength?: number
  readonly byteStride?: number
}

/** A glTF file with its buffers. */
export interface Gltf {
  readonly json: GltfJson
  readonly buffers: readonly Uint8Array[]
}

const MAGIC = 0x46546c67
const JSON_CHUNK = 0x4e4f534a
const BINARY_CHUNK = 0x004e4942

/** How all numbers of the format are written. */
export const LITTLE_ENDIAN = true

export const broken = (what: string): Fault =>
  new Fault('bad-drawing', `The drawing is damaged: ${what}.`, { wayOut: 'Export it again from where it came from.' })

const isBinary = (bytes: Uint8Array): boolean => bytes.length >= 12 && viewOf(bytes).getUint32(0, LITTLE_ENDIAN) === MAGIC
export const viewOf = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)

/** What cannot be read without unpacking that other programs do better. */
const READABLE_EXTENSIONS = new Set(['KHR_mesh_quantization', 'KHR_materials_unlit', 'KHR_texture_transform', 'KHR_materials_transmission'])

/**
 * Takes a `.glb` or `.gltf` apart (glTF 2.0, Khronos Group 2021).
 * @throws Fault `bad-drawing`, `not-json`, `missing-neighbour`
 */
export function openGltf(bytes: Uint8Array, neighbours: ReadonlyMap<string, Uint8Array> = new Map()): Gltf {
  const { json, binary } = parts(bytes)
  const packed = (json.extensionsRequired ?? []).find((name) => !READABLE_EXTENSIONS.has(name))
  if (packed !== undefined)
    throw new Fault('bad-drawing', `The drawing needs “${packed}”, which is not read.`, { wayOut: 'Export it without compression.' })
  const buffers = (json.buffers ?? []).map(({ uri }, i) => {
    if (uri === undefined) {
      if (i === 0 && binary) return binary
      throw broken('a buffer is missing')
    }
    if (uri.startsWith('data:')) return dataBytes(uri)
    const found = neighbours.get(neighbourName(uri))
    if (found) return found
    throw new Fault('missing-neighbour', `The drawing needs the file “${neighbourName(uri)}”, which is not there.`, {
      wayOut: 'Bring both files at once, or export the drawing as one .glb file.',
    })
  })
  return { json, buffers }
}

/** Names of the files beside it that it needs. */
export const gltfNeighbours = (bytes: Uint8Array): string[] =>
  (parts(bytes).json.buffers ?? []).flatMap(({ uri }) => (uri === undefined || uri.startsWith('data:') ? [] : [neighbourName(uri)]))

function neighbourName(uri: string): string {
  try {
    return decodeURIComponent(uri)
  } catch {
    return uri
  }
}

function parts(bytes: Uint8Array): { readonly json: GltfJson; readonly binary?: Uint8Array } {
  if (!isBinary(bytes)) return { json: parseJson(bytes) }
  const view = viewOf(bytes)
  let [json, binary]: [GltfJson | undefined, Uint8Array | undefined] = [undefined, undefined]
  for (let at = 12; at + 8 <= bytes.length;) {
    const [size, kind] = [view.getUint32(at, LITTLE_ENDIAN), view.getUint32(at + 4, LITTLE_ENDIAN)]
    if (at + 8 + size > bytes.length) throw broken('it ends too early')
    const chunk = bytes.subarray(at + 8, at + 8 + size)
    if (kind === JSON_CHUNK) json ??= parseJson(chunk)
    else if (kind === BINARY_CHUNK) binary ??= chunk
    at += 8 + size + ((4 - (size % 4)) % 4)
  }
  if (!json) throw broken('its description is missing')
  return binary ? { json, binary } : { json }
}

function parseJson(bytes: Uint8Array): GltfJson {
  let value: unknown
  try {
    value = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes))
  } catch (thrown) {
    throw new Fault('not-json', `The drawing cannot be read: ${(thrown as Error).message}.`, { wayOut: 'Export it again.' })
  }
  if (value === null || typeof value !== 'object' || Array.isArray(value)) throw broken('its outermost value is not an object')
  const json = value as GltfJson
  if (!String(json.asset?.version ?? '').startsWith('2'))
    throw new Fault('bad-drawing', 'This is no glTF of version 2.', { wayOut: 'Export it as glTF 2.0.' })
  const lists = ['scenes', 'nodes', 'meshes', 'materials', 'accessors', 'bufferViews', 'buffers'] as const
  for (const list of lists) {
    const entries: unknown = json[list]
    const isSound =
      entries === undefined || (Array.isArray(entries) && entries.every((entry) => entry !== null && typeof entry === 'object'))
    if (!isSound) throw broken(`“${list}” is no list`)
  }
  return json
}

function dataBytes(uri: string): Uint8Array {
  const comma = uri.indexOf(',')
  if (comma < 0 || !/;base64$/i.test(uri.slice(0, comma))) throw broken('a buffer is neither a file nor base64')
  const bytes = fromBase64(uri.slice(comma + 1))
  if (!bytes) throw broken('a buffer is not base64')
  return bytes
}
