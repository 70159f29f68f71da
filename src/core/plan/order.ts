import type { ModelDocument, Section } from '../model'
import type { BuiltSection } from './built'
import { baseSection, plansById } from './derived-sections'
import type { SectionPlan } from './types'

/**
 * The order last shown of every section that the program laid: by section, its printed plan and those of its derived
 * sections, in building order. Sections with given steps carry their order themselves.
 */
export type PlanOrder = Readonly<Record<string, readonly SectionPlan[]>>

/** Whether all steps of a section are the designer's. */
export const isGiven = ({ steps, planRest }: Section): boolean => steps !== undefined && planRest !== true

/** Whether two printed orders bring the same in the same steps and the same way. */
export function isSameOrder(a: readonly SectionPlan[], b: readonly SectionPlan[]): boolean {
  if (a.length !== b.length) return false
  return a.every((section, i) => {
    const other = b[i]!
    if (section.id !== other.id || section.derivedFrom !== other.derivedFrom || section.steps.length !== other.steps.length) return false
    return section.steps.every(({ moves }, k) => {
      const known = other.steps[k]!.moves
      return moves === known || JSON.stringify(moves) === JSON.stringify(known)
    })
  })
}

/**
 * The sections whose order is to be kept: all that the program laid, but for those in which something found no way in, since
 * there the next plan may find one.
 */
export function keepable(model: ModelDocument, built: readonly BuiltSection[]): string[] {
  const given = new Set(model.sections.filter(isGiven).map(({ id }) => id))
  const blocked = new Set(built.filter(({ blocks }) => blocks.length > 0).map(({ base }) => base))
  return [...new Set(built.map(({ base }) => base))].filter((base) => !given.has(base) && !blocked.has(base))
}

/** The order of some sections of a printed plan. */
export function orderFrom(printed: readonly SectionPlan[], kept: readonly string[]): PlanOrder {
  const plans = plansById(printed)
  const order = new Map<string, SectionPlan[]>(kept.map((id) => [id, []]))
  for (const section of printed) order.get(baseSection(section, plans)!.id)?.push(section)
  return Object.fromEntries(order)
}
