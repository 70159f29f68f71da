import { ADVICE_IN_ENGLISH, type Said } from '../language'
import { stepCount, type Measures } from '../plan'
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
export function betterWords(now: PlanWorth, other: PlanWorth, { say } = ADVICE_IN_ENGLISH): string {
  const said: Said[] = [
    other.steps === now.steps
      ? { key: 'better.asBefore', n: other.steps }
      : { key: 'better.instead', n: other.steps, about: { now: now.steps } },
  ]
  if (other.errors < now.errors) said.push({ key: other.errors === 0 ? 'better.noErrors' : 'better.fewerErrors' })
  if (now.measures.meanJump - other.measures.meanJump > 0.05) said.push({ key: 'better.nearer' })
  if (other.measures.likeTogether - now.measures.likeTogether > 0.005) said.push({ key: 'better.alike' })
  if (now.measures.poorlyVisible - other.measures.poorlyVisible > 0.0005) said.push({ key: 'better.shows' })
  return said.map(say).join(', ')
}
