import type { Move, SectionPlan } from './types'

/** Derived sections are numbered within the section of the document that they are made of. */
export const MARK = '~'

export const derivedId = (base: string, number: number): string => `${base}${MARK}${number}`

/** The id of the section of the document that a derived one is made of; an id of the document stays as it is. */
export const baseOfDerived = (id: string): string => id.replace(/(~\d+)+$/, '')

/**
 * The section of the document that a printed one is made of, be it by units within units; itself where it is one.
 * @param plans all printed sections by id
 * @returns undefined where one of those between is not there, or the section comes out of itself
 */
export function baseSection(section: SectionPlan, plans: ReadonlyMap<string, SectionPlan>): SectionPlan | undefined {
  let at: SectionPlan | undefined = section
  for (let count = 0; at?.derivedFrom !== undefined; count++) {
    if (count > plans.size) return undefined
    at = plans.get(at.derivedFrom)
  }
  return at
}

/** Printed sections by id. */
export const plansById = (plans: readonly SectionPlan[]): ReadonlyMap<string, SectionPlan> => new Map(plans.map((plan) => [plan.id, plan]))

/**
 * What each step of a section brings, by the ids of the document: each part and copy alone, and what a derived section holds together,
 * since it comes in as one.
 */
export function broughtBySteps(plan: SectionPlan, plans: readonly SectionPlan[]): string[][][] {
  const byId = plansById(plans)
  const thingsOf = (move: Move): string[][] => {
    if ('parts' in move) return move.parts.map((id) => [id])
    if ('copy' in move) return [[move.copy]]
    const derived = byId.get(move.section)
    return derived ? [derived.steps.flatMap((step) => step.moves.flatMap((inner) => thingsOf(inner).flat()))] : []
  }
  return plan.steps.map((step) => step.moves.flatMap(thingsOf))
}
