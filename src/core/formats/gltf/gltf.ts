import { plural } from '../../words'
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
function gltfLosses(model: ModelDocument): string[] {
  const unused = [...sectionUses(model).values()].filter(({ times, mirrored }) => times + mirrored === 0).length
  const { options = [], variants = [] } = model
  return [
    ...(unused > 0 ? [plural(unused, 'section that nothing joins', 'sections that nothing joins')] : []),
    ...(options.length > 0 ? [plural(options.length, 'option')] : []),
    ...(variants.length > 0 ? [plural(variants.length, 'version')] : []),
  ]
}
