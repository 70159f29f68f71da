import type { Said } from '../../language'
import { sectionUses, type ModelDocument } from '../../model'
import type { Format } from '../format'
import { gltfNeighbours } from './container'
import { readGltf } from './read-gltf'
import { writeGltf } from './write-gltf'

export const drawing = {
  id: 'gltf',
  title: 'drawing',
  short: 'drawing',
  extensions: ['.glb', '.gltf'],
  mediaType: 'model/gltf-binary',
  about: 'One node a part, groups follow sections, 1 unit is 1 m, y is up; read from any program, pieces recognised by name or by form.',
  read: readGltf,
  write: writeGltf,
  neighbours: gltfNeighbours,
  losses: gltfLosses,
} satisfies Format

/** What nothing joins has no place, so a drawing cannot show it. */
function gltfLosses(model: ModelDocument): Said[] {
  const unused = [...sectionUses(model).values()].filter(({ times, mirrored }) => times + mirrored === 0).length
  const { options = [], variants = [] } = model
  return [
    ...(unused > 0 ? [{ key: 'loss.unjoined', n: unused } as const] : []),
    ...(options.length > 0 ? [{ key: 'loss.options', n: options.length } as const] : []),
    ...(variants.length > 0 ? [{ key: 'loss.versions', n: variants.length } as const] : []),
  ]
}
