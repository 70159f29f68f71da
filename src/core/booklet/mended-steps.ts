import type { Bundle } from './bundle'
import { makePages } from './page-index'
import type { StepPage } from './pages'

/** A step that reads otherwise than in an older version. */
export interface MendedStep {
  readonly section: string
  readonly number: number
  readonly label: string
}

/** Steps of the newer version that do not read as the step of that number did, or that were not there. Layout and views do not count. */
export function mendedSteps(before: Bundle, after: Bundle): MendedStep[] {
  const known = new Map(stepPages(before).map((page) => [keyOf(page), contentOf(page, before)]))
  return stepPages(after)
    .filter((page) => known.get(keyOf(page)) !== contentOf(page, after))
    .map(({ section, number, label }) => ({ section, number, label }))
}

const stepPages = (bundle: Bundle): StepPage[] =>
  makePages(bundle).filter((page): page is StepPage => page.kind === 'step' || page.kind === 'jump')

const keyOf = ({ section, number }: StepPage): string => JSON.stringify([section, number])

function contentOf({ section, number, note, caution, signs, joins, turn }: StepPage, { plan }: Bundle): string {
  const step = plan.sections.find(({ id }) => id === section)!.steps[number - 1]!
  return JSON.stringify([step.moves, step.callout, note, caution, signs, joins, turn])
}
