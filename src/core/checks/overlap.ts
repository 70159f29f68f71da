import { findOverlaps, MOST_OVERLAPS, type PartOverlap } from '../motion'
import type { BuiltSection } from '../plan'
import type { Said } from '../language'
import { defineCheck, type Found } from './check'
import { idsOf, lastStep } from './naming'

/** Overlaps of the section's parts and copies; those inside a derived section are found here too, since it keeps its parts. */
export const overlap = defineCheck({
  code: 'overlap',
  severity: 'error',
  about: 'Parts or copies share space.',
  scope: 'section',
  find({ built }) {
    const all = built.scene.tables.of(overlapsOf, built)
    const more: Said = { key: 'find.overlapMore', about: { n: MOST_OVERLAPS } }
    const rest: Found[] = all.length >= MOST_OVERLAPS ? [{ section: built.base, step: null, parts: [], said: more }] : []
    return [...byNodes(built, all), ...rest]
  },
})

/** Overlaps do not depend on steps. */
const overlapsOf = ({ scene, joints }: BuiltSection): PartOverlap[] => findOverlaps(scene, joints)

/** One finding for each pair of parts or copies, with the places inside them. */
function byNodes(built: BuiltSection, overlaps: readonly PartOverlap[]): Found[] {
  const { scene } = built
  const pairs = new Map<string, { paths: string[]; nodes: [number, number] }>()
  for (const { a, b } of overlaps) {
    const nodes: [number, number] = [scene.partNode[a]!, scene.partNode[b]!]
    const entry = pairs.get(nodes.join()) ?? { paths: [], nodes }
    entry.paths.push(scene.parts[a]!.path, scene.parts[b]!.path)
    pairs.set(nodes.join(), entry)
  }
  return [...pairs.values()].map(({ nodes, paths }) => {
    const parts = idsOf(built, nodes)
    const isInside = paths.length > 2 || paths.some((path) => path.includes('/'))
    const said: Said = isInside
      ? { key: 'find.overlapAt', about: { parts: { parts }, paths: { parts: [...new Set(paths)] } } }
      : { key: 'find.overlap', about: { parts: { parts } } }
    return { section: built.base, step: lastStep(built, nodes), parts, said }
  })
}
