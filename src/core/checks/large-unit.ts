import { cutOut } from '../edits'
import type { Said } from '../language'
import type { BuiltSection, Move } from '../plan'
import { sizeOf, STUD_PITCH, unite } from '../space'
import { defineCheck, type Trouble, type WayOut } from './check'
import { idsOf } from './naming'

/** What one hand holds while the other builds: about 16 cm, or so many parts. */
const HAND = 20 * STUD_PITCH
const HANDFUL = 48

/** A large unit is better a section, with a lane and a name of its own. What comes to lie on the table needs no hand. */
export const largeUnit = defineCheck({
  code: 'large-unit',
  severity: 'warning',
  about: 'A unit that only goes in as one is too large to hold in a hand.',
  scope: 'unit',
  find({ built, whole }) {
    if (!whole || lowest(built) === lowest(whole)) return []
    const { nodes, nodeBoxes, parts } = built.scene
    const size = Math.max(...sizeOf(nodeBoxes.reduce(unite)))
    if (size <= HAND && parts.length <= HANDFUL) return []
    const own = nodes.flatMap((spec, node) => (spec.kind === 'derived' ? [] : [node]))
    const said: Said = { key: 'find.largeUnit', n: parts.length, about: { length: Math.round((size * 0.8) / 10) } }
    return [{ step: null, parts: idsOf(built, own), said }]
  },
  waysOut: (trouble) => [makeSection(trouble)],
})

const lowest = ({ scene }: BuiltSection): number => scene.nodeBoxes.reduce((low, box) => Math.min(low, box.min[2]), Infinity)

/** A unit's own parts are named by the finding; those of units inside it by their plans. */
function makeSection({ section, finding, plans }: Trouble): WayOut {
  const inner = (id: string): string[] =>
    plans.flatMap((plan) =>
      plan.derivedFrom === id ? [...plan.steps.flatMap(({ moves }) => moves.flatMap(idsOfMove)), ...inner(plan.id)] : [],
    )
  const ids = [...finding.parts, ...inner(finding.section)]
  return { label: { key: 'act.makeSection' }, change: (model) => cutOut(model, section.id, ids, `${section.name}, unit`) }
}

const idsOfMove = (move: Move): readonly string[] => ('parts' in move ? move.parts : 'copy' in move ? [move.copy] : [])
