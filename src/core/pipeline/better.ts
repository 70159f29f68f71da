import { stepCount, type Measures } from '../plan'
import { plural } from '../words'
import type { Report } from './report'

/** What two plans of one model are compared by. */
export interface PlanWorth {
  readonly steps: number
  readonly errors: number
  readonly measures: Measures
}

export const worthOfPlan = ({ sections, findings, measures }: Pick<Report, 'sections' | 'findings' | 'measures'>): PlanWorth => ({
  steps: stepCount(sections),
  errors: findings.filter(({ severity }) => severity === 'error').length,
  measures,
})

/** Steps in a hundred, studs of way and shares that are worth the same to a reader. */
const STEP = 0.02
const STUD = 0.1
const LIKE = 4
const POOR = 6
/** A plan that is better by less than this is not worth learning anew. */
const WORTH_TELLING = 0.02

const cost = ({ steps, measures }: PlanWorth, parts: number): number =>
  STEP * ((100 * steps) / Math.max(1, parts)) +
  STUD * measures.meanJump +
  LIKE * (1 - measures.likeTogether) +
  POOR * measures.poorlyVisible

/** Whether another order reads so much better that a designer should be told of it. */
export function isBetterPlan(now: PlanWorth, other: PlanWorth, parts: number): boolean {
  if (other.errors !== now.errors) return other.errors < now.errors
  return cost(now, parts) - cost(other, parts) > WORTH_TELLING
}

/** What is better about it, in words: "36 steps instead of 39, nearer together". */
export function betterWords(now: PlanWorth, other: PlanWorth): string {
  const words =
    other.steps === now.steps ? [`${plural(other.steps, 'step')} as before`] : [`${plural(other.steps, 'step')} instead of ${now.steps}`]
  if (other.errors < now.errors) words.push(other.errors === 0 ? 'no errors left' : 'fewer errors')
  if (now.measures.meanJump - other.measures.meanJump > 0.05) words.push('nearer together')
  if (other.measures.likeTogether - now.measures.likeTogether > 0.005) words.push('more like parts together')
  if (now.measures.poorlyVisible - other.measures.poorlyVisible > 0.0005) words.push('more of the parts show')
  return words.join(', ')
}
