import { findOverlaps, MOST_OVERLAPS, type PartOverlap } from '../motion'
import type { BuiltSection } from '../plan'
import { defineCheck, type Found } from './check'
import { idsOf, lastStep, nameParts } from './naming'

/** Overlaps of the section's parts and copies; those inside a derived section are found here too, since it keeps its parts. */
export const overlap = defineCheck({
  code: 'overlap',
  severity: 'error',
  title: 'Two parts in one place',
  about: 'Parts or copies share space.',
  scope: 'section',
  find({ built }) {
    const all = built.scene.tables.of(overlapsOf, built)
    const more = `More than ${MOST_OVERLAPS} pairs of parts share space; those beyond are not told. Move these apart first.`
    const rest: Found[] = all.length >= MOST_OVERLAPS ? [{ section: built.base, step: null, parts: [], message: more }] : []
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
    const inside = isInside ? ` They meet at ${nameParts([...new Set(paths)])}.` : ''
    const message = `${nameParts(parts)} share space.${inside} Move one of them.`
    return { section: built.base, step: lastStep(built, nodes), parts, message }
  })
}
