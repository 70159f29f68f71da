import { memo } from '../memo'
import { isLoose, partsOf, sectionById, type Part, type Section } from '../model'
import type { SectionPlan } from '../plan'
import type { BookletSource, PictureRef } from './pages'

/** A planned section, and the section of the document whose lattice it stands in. */
interface PlannedSection {
  readonly plan: SectionPlan
  readonly base: Section
}

/** A section whose moves bring nothing with a place has no picture. */
export function isDrawn({ plan, base }: PlannedSection): boolean {
  const placed = placedIds(partsOf(base))
  return plan.steps.some((step) => step.moves.some((move) => !('parts' in move) || move.parts.some((id) => placed.has(id))))
}

/** The ids of those that have a place. */
const placedIds = memo((parts: readonly Part[]): ReadonlySet<string> => new Set(parts.filter((part) => !isLoose(part)).map(({ id }) => id)))

/** A section as it stands when it is finished; nothing where it has no picture. */
export const finishedPicture = ({ plan, base }: PlannedSection): PictureRef | null =>
  plan.steps.length === 0 || !isDrawn({ plan, base }) ? null : { section: plan.id, step: plan.steps.length - 1, view: 0 }

/** The picture of the cover, without a word of what stands on it: a painter has no need of those. */
export function coverPicture({ model, plan }: BookletSource): PictureRef | null {
  const root = plan.sections.find(({ id }) => id === model.root)
  return root ? finishedPicture({ plan: root, base: sectionById(model, model.root) }) : null
}
