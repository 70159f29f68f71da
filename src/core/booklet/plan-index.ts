import { openBagWords, type BagStart } from '../bags'
import { catalogueIn, type Catalogue } from '../catalogue'
import { wordsIn, type Words } from '../language'
import { memo } from '../memo'
import { catalogueOf, copiesOf, sectionsById, type Copy, type GivenStep, type Section } from '../model'
import { baseSection, derivedName, plansById, type Move, type PlanStep, type SectionPlan } from '../plan'
import type { ShownInset } from '../pipeline'
import { sectionLetter, type BookletSource } from './pages'

/** A planned section and what pages ask of it again and again. */
export interface IndexedSection {
  readonly plan: SectionPlan
  /** Its place in the order of building, from 0. */
  readonly index: number
  readonly letter: string
  /** In the language of the booklet, where the planner named it. */
  readonly name: string
  /** The section of the document whose lattice it stands in. */
  readonly base: Section
}

/** A unit of one step is built where it goes in: its pieces lie in the tray of what joins it, and it has no tray of its own. */
export const isSmallUnit = ({ plan }: IndexedSection): boolean => plan.derivedFrom !== undefined && plan.steps.length === 1

/** What belongs to steps, by section and step. */
function byStep<Item extends { readonly section: string; readonly step: number }>(items: readonly Item[] = []): Map<string, Item[]> {
  const found = new Map<string, Item[]>()
  for (const item of items) {
    const key = `${item.section}/${item.step}`
    found.set(key, [...(found.get(key) ?? []), item])
  }
  return found
}

/** Everything of a source by its id, so that no page searches: made once for each source. */
export class PlanIndex {
  private readonly plans: ReadonlyMap<string, IndexedSection>
  private readonly bags: ReadonlyMap<string, readonly BagStart[]>
  private readonly insets: ReadonlyMap<string, readonly ShownInset[]>

  readonly words: Words
  /** With pieces and colours as the booklet's language calls them. */
  readonly catalogue: Catalogue

  constructor(readonly source: BookletSource) {
    this.words = wordsIn(source.language)
    this.catalogue = catalogueIn(catalogueOf(source.model), this.words)
    const sections = sectionsById(source.model)
    const plans = plansById(source.plan.sections)
    const baseOf = (plan: SectionPlan): Section => {
      const { id } = baseSection(plan, plans) ?? plan
      return sections.get(id) ?? { id, name: id }
    }
    const nameOf = (plan: SectionPlan): string => {
      const from = plan.derivedFrom === undefined || !baseSection(plan, plans) ? undefined : plans.get(plan.derivedFrom)
      return from ? derivedName(nameOf(from), baseOf(plan).id, plan.id, this.words) : plan.name
    }
    this.plans = new Map(
      source.plan.sections.map((plan, index) => [
        plan.id,
        { plan, index, letter: sectionLetter(index), name: nameOf(plan), base: baseOf(plan) },
      ]),
    )
    this.bags = byStep(source.bags)
    this.insets = byStep(source.insets)
  }

  /** In building order. */
  get sections(): IterableIterator<IndexedSection> {
    return this.plans.values()
  }

  section(id: string): IndexedSection | undefined {
    return this.plans.get(id)
  }

  /** Small pictures of a step (from 1). */
  insetsOf = (section: string, step: number): readonly ShownInset[] => this.insets.get(`${section}/${step}`) ?? []

  /** Which bags begin at a step (from 1), in words. */
  bag = (section: string, step: number): string => openBagWords(this.bags.get(`${section}/${step}`) ?? [], this.words)

  /** Which section a move joins, if any. */
  joined({ base }: IndexedSection, move: Move): { id: string; mirrored: boolean } | undefined {
    if ('section' in move) return { id: move.section, mirrored: false }
    if (!('copy' in move)) return undefined
    const copy = copyById(copiesOf(base), move.copy)
    return copy && { id: copy.section, mirrored: copy.mirror !== undefined }
  }

  /** What the designer says of a planned step. */
  given({ plan, base }: IndexedSection, step: PlanStep): GivenStep | undefined {
    return plan.derivedFrom === undefined ? givenStep(base, step) : undefined
  }
}

const copyIndex = memo((copies: readonly Copy[]): ReadonlyMap<string, Copy> => new Map(copies.map((copy) => [copy.id, copy])))

export const copyById = (copies: readonly Copy[], id: string): Copy | undefined => copyIndex(copies).get(id)

/** Locked steps by the first thing they bring. */
const lockIndex = memo((steps: readonly GivenStep[]): ReadonlyMap<string, GivenStep> => {
  const firsts = steps.flatMap((step): [string, GivenStep][] => {
    const first = step.add?.[0] ?? step.join?.[0]
    return step.locked === true && first !== undefined ? [[first, step]] : []
  })
  return new Map(firsts)
})

/** What a section's given steps say of a planned one; where the rest is planned, only locked steps say something. */
export const givenStep = ({ steps, planRest }: Section, planned: PlanStep): GivenStep | undefined =>
  planRest === true ? lockOf(steps ?? [], planned) : steps?.[planned.number - 1]

/** The locked step that a planned one is: a locked step is never drawn together with anything else. */
function lockOf(steps: readonly GivenStep[], planned: PlanStep): GivenStep | undefined {
  const known = lockIndex(steps)
  for (const move of planned.moves) {
    const ids = 'parts' in move ? move.parts : 'copy' in move ? [move.copy] : []
    for (const id of ids) {
      const found = known.get(id)
      if (found) return found
    }
  }
  return undefined
}
