import type { ModelDocument, Section } from '../model'
import type { BuiltSection } from './built'
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
 * What of a plan is to be kept: all that the program laid, but for sections in which something found no way in, since there
 * the next plan may find one.
 */
export function orderOf(model: ModelDocument, built: readonly BuiltSection[], printed: readonly SectionPlan[]): PlanOrder {
  const given = new Set(model.sections.filter(isGiven).map(({ id }) => id))
  const blocked = new Set(built.filter(({ blocks }) => blocks.length > 0).map(({ base }) => base))
  const order: Record<string, SectionPlan[]> = Object.create(null) as Record<string, SectionPlan[]>
  built.forEach(({ base }, i) => {
    if (given.has(base) || blocked.has(base)) return
    ;(order[base] ??= []).push(printed[i]!)
  })
  return { ...order }
}
