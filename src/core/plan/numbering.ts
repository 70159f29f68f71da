import { memo, memoLast } from '../memo'
import type { PlanStep, SectionPlan } from './types'

/**
 * Steps without their numbers: a step's number is its place, and an edit near the start of a long rail would otherwise change
 * every step after it.
 */
export type PlainStep = Omit<PlanStep, 'number'>
export type PlainSection = Omit<SectionPlan, 'steps'> & { readonly steps: readonly PlainStep[] }

/** The same object for a step that has only been renumbered. */
const plainStep = ({ moves, callout, rests, turn }: PlanStep): PlainStep => plainStepOf(moves, callout, rests, turn)

const plainStepOf = memoLast(
  (moves: PlanStep['moves'], callout: PlanStep['callout'], rests: PlanStep['rests'], turn: PlanStep['turn']): PlainStep => ({
    moves,
    callout,
    rests,
    ...(turn === undefined ? {} : { turn }),
  }),
)

const numberedStep = memoLast((plain: PlainStep, number: number): PlanStep => ({ number, ...plain }))

export const withoutNumbers = (sections: readonly SectionPlan[]): PlainSection[] =>
  sections.map((section) => ({ ...section, steps: section.steps.map(plainStep) }))

const numberedSection = memo((section: PlainSection): SectionPlan => ({
  ...section,
  steps: section.steps.map((step, i) => numberedStep(step, i + 1)),
}))

/** The same objects for what is the same. */
export const withNumbers = (sections: readonly PlainSection[]): SectionPlan[] => sections.map(numberedSection)
