import { copiesOf, partsOf, sectionsById, type Copy, type GivenStep, type Part, type Section } from '../model'
import type { Move, PlanStep, SectionPlan } from '../plan'
import { sectionLetter, type BookletSource } from './pages'

/** A planned section and what pages ask of it again and again. */
export interface IndexedSection {
  readonly plan: SectionPlan
  /** Its place in the order of building, from 0. */
  readonly index: number
  readonly letter: string
  /** The section of the document whose lattice it stands in. */
  readonly base: Section
}

/** Everything of a source by its id, so that no page searches: made once for each source. */
export class PlanIndex {
  private readonly plans: ReadonlyMap<string, IndexedSection>
  private readonly insets: ReadonlyMap<string, NonNullable<BookletSource['insets']>[number]>

  constructor(readonly source: BookletSource) {
    const sections = sectionsById(source.model)
    const plans = new Map(source.plan.sections.map((plan) => [plan.id, plan]))
    const baseOf = (plan: SectionPlan): Section => {
      let at = plan
      // A forged plan may go round in circles: no chain is longer than there are sections.
      for (let i = 0; at.derivedFrom !== undefined && i < plans.size; i++) at = plans.get(at.derivedFrom) ?? at
      return sections.get(at.id) ?? { id: at.id, name: at.id }
    }
    this.plans = new Map(
      source.plan.sections.map((plan, index) => [plan.id, { plan, index, letter: sectionLetter(index), base: baseOf(plan) }]),
    )
    this.insets = new Map((source.insets ?? []).map((inset) => [`${inset.section}/${inset.step}`, inset]))
  }

  /** In building order. */
  get sections(): IterableIterator<IndexedSection> {
    return this.plans.values()
  }

  section(id: string): IndexedSection | undefined {
    return this.plans.get(id)
  }

  inset(section: string, step: number) {
    return this.insets.get(`${section}/${step}`)
  }

  /** A section whose moves bring nothing with a place has no picture. */
  isDrawn({ plan, base }: IndexedSection): boolean {
    const { placed } = partIndex(partsOf(base))
    return plan.steps.some((step) => step.moves.some((move) => !('parts' in move) || move.parts.some((id) => placed.has(id))))
  }

  /** Which section a move joins, if any. */
  joined({ base }: IndexedSection, move: Move): { id: string; mirrored: boolean } | undefined {
    if ('section' in move) return { id: move.section, mirrored: false }
    if (!('copy' in move)) return undefined
    const copy = copyById(copiesOf(base), move.copy)
    return copy && { id: copy.section, mirrored: copy.mirror !== undefined }
  }

  /** What the designer says of a planned step. */
  given({ plan, base }: IndexedSection, step: PlanStep): GivenStep | undefined {
    if (plan.derivedFrom !== undefined || !base.steps) return undefined
    return base.planRest === true ? lockOf(base.steps, step) : base.steps[step.number - 1]
  }
}

const partIndexes = new WeakMap<readonly Part[], { readonly placed: ReadonlySet<string> }>()

/** Lists of parts and copies are never changed in place, so what is made of one holds as long as it does. */
function partIndex(parts: readonly Part[]): { readonly placed: ReadonlySet<string> } {
  let known = partIndexes.get(parts)
  if (!known) partIndexes.set(parts, (known = { placed: new Set(parts.filter(({ at }) => at !== undefined).map(({ id }) => id)) }))
  return known
}

const copyIndexes = new WeakMap<readonly Copy[], ReadonlyMap<string, Copy>>()

export function copyById(copies: readonly Copy[], id: string): Copy | undefined {
  let known = copyIndexes.get(copies)
  if (!known) copyIndexes.set(copies, (known = new Map(copies.map((copy) => [copy.id, copy]))))
  return known.get(id)
}

const lockIndexes = new WeakMap<readonly GivenStep[], ReadonlyMap<string, GivenStep>>()

/** The locked step that a planned one is: a locked step is never drawn together with anything else. */
function lockOf(steps: readonly GivenStep[], planned: PlanStep): GivenStep | undefined {
  let known = lockIndexes.get(steps)
  if (!known) {
    const firsts = steps.flatMap((step): [string, GivenStep][] => {
      const first = step.add?.[0] ?? step.join?.[0]
      return step.locked === true && first !== undefined ? [[first, step]] : []
    })
    lockIndexes.set(steps, (known = new Map(firsts)))
  }
  for (const move of planned.moves) {
    const ids = 'parts' in move ? move.parts : 'copy' in move ? [move.copy] : []
    for (const id of ids) {
      const found = known.get(id)
      if (found) return found
    }
  }
  return undefined
}
