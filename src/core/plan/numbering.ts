import type { PlanStep, SectionPlan } from './types'

/**
 * Steps without their numbers: a step's number is its place, and an edit near the start of a long rail would otherwise change
 * every step after it.
 */
export type PlainStep = Omit<PlanStep, 'number'>
export type PlainSection = Omit<SectionPlan, 'steps'> & { readonly steps: readonly PlainStep[] }

const plainSteps = new WeakMap<PlanStep['moves'], { readonly step: PlanStep; readonly plain: PlainStep }>()

/** The same object for a step that has only been renumbered. */
function plainStep(step: PlanStep): PlainStep {
  const known = plainSteps.get(step.moves)
  if (known && known.step.callout === step.callout && known.step.rests === step.rests && known.step.turn === step.turn) return known.plain
  const { number: _number, ...plain } = step
  plainSteps.set(step.moves, { step, plain })
  return plain
}

const numberedSteps = new WeakMap<PlainStep, PlanStep>()

function numberedStep(plain: PlainStep, number: number): PlanStep {
  const known = numberedSteps.get(plain)
  if (known?.number === number) return known
  const step = { number, ...plain }
  numberedSteps.set(plain, step)
  return step
}

export const withoutNumbers = (sections: readonly SectionPlan[]): PlainSection[] =>
  sections.map((section) => ({ ...section, steps: section.steps.map(plainStep) }))

const numberedSections = new WeakMap<PlainSection, SectionPlan>()

/** The same objects for what is the same. */
export const withNumbers = (sections: readonly PlainSection[]): SectionPlan[] =>
  sections.map((section) => {
    let known = numberedSections.get(section)
    if (!known) {
      known = { ...section, steps: section.steps.map((step, i) => numberedStep(step, i + 1)) }
      numberedSections.set(section, known)
    }
    return known
  })
