import { memo } from '../memo'
import type { Bundle } from '../booklet'
import { Fault } from '../fault'
import { catalogueOf, copiesOf, partsOf, sectionsById, type Section } from '../model'
import { baseSection, plansById, type Move, type SectionPlan } from '../plan'
import { MOST_INSETS } from '../picture'
import { turnFromText } from '../space'

const mismatch = (sentence: string, place: string): Fault =>
  new Fault('bundle-mismatch', sentence, { place, wayOut: 'Publish the booklet again from the model.' })

/**
 * A plan against its model: every id exists, no section comes out of itself, every part and copy comes in once at most and where it
 * belongs, every step has its view. A plan that someone made by hand must not freeze or blank whoever opens it.
 * @throws Fault `bundle-mismatch`
 */
export function checkPlan(bundle: Pick<Bundle, 'model' | 'plan' | 'views' | 'insets' | 'bags'>): void {
  const { model, plan, views, insets, bags } = bundle
  const plans = plansById(plan.sections)
  if (plans.size !== plan.sections.length) throw mismatch('Two sections of the plan have one id.', 'plan.sections')
  const bases = basesOf(plan.sections, plans, sectionsById(model))
  checkViews(plan.sections, views)
  const { shapes, colours } = catalogueOf(model)
  const seen = new Map<string, Set<string>>()
  plan.sections.forEach((section, i) => {
    const base = bases.get(section.id)!
    const known = seen.get(base.id) ?? new Set()
    seen.set(base.id, known)
    section.steps.forEach((step, k) => {
      const place = `plan.sections[${i}].steps[${k}]`
      if (step.number !== k + 1) throw mismatch('The steps are not numbered in order.', place)
      if (step.turn !== undefined && turnFromText(step.turn) === undefined) throw mismatch('The work lies in no turn that is known.', place)
      for (const move of step.moves) checkMove(move, { section, base, plans, seen: known }, place)
      for (const { shape, colour } of step.callout) {
        if (!shapes.has(shape) || !colours.has(colour))
          throw mismatch(`The callout names the piece “${shape}” in “${colour}”, which is not known.`, place)
      }
    })
  })
  for (const { shape, colour } of plan.inventory) {
    if (!shapes.has(shape) || !colours.has(colour))
      throw mismatch(`The inventory names the piece “${shape}” in “${colour}”, which is not known.`, 'plan.inventory')
  }
  for (const { colour } of plan.colours) if (!colours.has(colour)) throw mismatch(`The colour “${colour}” is not known.`, 'plan.colours')
  const insetsOfStep = new Map<string, number>()
  insets?.forEach(({ section, step }, i) => {
    if (step > (plans.get(section)?.steps.length ?? 0)) throw mismatch('An inset belongs to no step.', `insets[${i}]`)
    const count = (insetsOfStep.get(`${section}/${step}`) ?? 0) + 1
    if (count > MOST_INSETS) throw mismatch(`A step has more than ${MOST_INSETS} insets.`, `insets[${i}]`)
    insetsOfStep.set(`${section}/${step}`, count)
  })
  bags?.forEach(({ section, step }, i) => {
    if (step > (plans.get(section)?.steps.length ?? 0)) throw mismatch('A bag begins at no step.', `bags[${i}]`)
  })
}

/** Of each planned section, the section of the model in whose lattice it stands. */
function basesOf(
  all: readonly SectionPlan[],
  plans: ReadonlyMap<string, SectionPlan>,
  sections: ReadonlyMap<string, Section>,
): Map<string, Section> {
  const bases = new Map<string, Section>()
  all.forEach((section, i) => {
    const at = baseSection(section, plans)
    const base = at && sections.get(at.id)
    if (!base) throw mismatch(`The plan has a section “${section.id}” that comes out of none of the model.`, `plan.sections[${i}]`)
    bases.set(section.id, base)
  })
  return bases
}

function checkViews(sections: readonly SectionPlan[], views: Bundle['views']): void {
  if (views.length > sections.length) throw mismatch('There are more views than sections.', 'views')
  views.forEach((own, i) => {
    if (own.length > sections[i]!.steps.length) throw mismatch('There are more views than steps.', `views[${i}]`)
  })
}

const idsOf = memo((section: Section) => ({
  parts: new Set(partsOf(section).map(({ id }) => id)),
  copies: new Set(copiesOf(section).map(({ id }) => id)),
}))

/** What a move is checked against. */
interface MoveContext {
  readonly section: SectionPlan
  /** The section of the model in whose lattice it stands. */
  readonly base: Section
  readonly plans: ReadonlyMap<string, SectionPlan>
  /** What has come into that section already. */
  readonly seen: Set<string>
}

function checkMove(move: Move, { section, base, plans, seen }: MoveContext, place: string): void {
  const once = (key: string, id: string): void => {
    if (seen.has(key)) throw mismatch(`“${id}” comes in twice.`, place)
    seen.add(key)
  }
  if ('parts' in move) {
    for (const id of move.parts) {
      if (!idsOf(base).parts.has(id)) throw mismatch(`The plan brings the part “${id}”, which section “${base.id}” does not have.`, place)
      once(`part ${id}`, id)
    }
  } else if ('copy' in move) {
    if (!idsOf(base).copies.has(move.copy))
      throw mismatch(`The plan joins the copy “${move.copy}”, which section “${base.id}” does not have.`, place)
    once(`copy ${move.copy}`, move.copy)
  } else {
    if (plans.get(move.section)?.derivedFrom !== section.id)
      throw mismatch(`The plan joins “${move.section}” where it does not belong.`, place)
    once(`section ${move.section}`, move.section)
  }
  if (typeof move.direction !== 'string' && !(Math.hypot(...move.direction) > 0.5 && Math.hypot(...move.direction) < 1.5))
    throw mismatch('A way in has no direction.', place)
}
