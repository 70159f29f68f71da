import type { BuiltSection } from '../plan'
import type { Finding } from './finding'
import { sizeOf, STUD_PITCH, unite } from '../space'
import { finding } from './finding'
import { idsOf } from './place'

/** What one hand holds while the other builds: about 16 cm, or so many parts. */
const HAND = 20 * STUD_PITCH
const HANDFUL = 48

/**
 * A unit that goes in as one but is too large to hold: it is better a section, with a lane and a name of its own. What
 * comes to lie on the table needs no hand.
 *
 * @param whole what joins the unit
 */
export function largeUnit(built: BuiltSection, whole: BuiltSection | undefined): Finding[] {
  if (!whole || lowest(built) === lowest(whole)) return []
  const { nodes, nodeBoxes, parts } = built.scene
  const size = Math.max(...sizeOf(nodeBoxes.reduce(unite)))
  if (size <= HAND && parts.length <= HANDFUL) return []
  const ids = idsOf(
    built,
    nodes.flatMap((spec, node) => (spec.kind === 'derived' ? [] : [node])),
  )
  const message = `${parts.length} parts, ${Math.round((size * 0.8) / 10)} cm long, can only go in as one, which is much to hold in a hand. Make them a section, so that builders know what they build and can lay it down.`
  return [finding('large-unit', { section: built.id, step: null, parts: ids }, message)]
}

const lowest = ({ scene }: BuiltSection): number => scene.nodeBoxes.reduce((low, box) => Math.min(low, box.min[2]), Infinity)
