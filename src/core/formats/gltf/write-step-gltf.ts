import type { Catalogue } from '../../catalogue'
import type { PlacedPart } from '../../model'
import { GltfBuffers, placed } from './gltf-buffers'

/** A step to be turned in a viewer of drawings: what was there, and what comes in. */
export interface DrawnStep {
  /** "B 07". */
  readonly name: string
  readonly before: readonly PlacedPart[]
  readonly added: readonly PlacedPart[]
}

/** A step as a `.glb`: a group of what was there before and a group of what is new, one node a part, in their places; 1 unit is 1 m, y is up. */
export function writeStepGltf({ name, before, added }: DrawnStep, catalogue: Catalogue): Uint8Array<ArrayBuffer> {
  const writing = new GltfBuffers(catalogue)
  const group = (title: string, parts: readonly PlacedPart[]): number[] => {
    if (parts.length === 0) return []
    const children = parts.map(({ path, part, shape, colour, pose }) =>
      writing.node({ name: path, mesh: writing.mesh(part, colour, shape), ...placed(pose), extras: { shape: shape.id, colour } }),
    )
    return [writing.node({ name: title, children })]
  }
  const children = [...group('Already there', before), ...group('New in this step', added)]
  return writing.glb(writing.node({ name, ...(children.length > 0 ? { children } : {}) }))
}
