import { ADVICE_IN_ENGLISH } from '../language'
import type { ModelDocument } from '../model'
import { baseOfDerived, type SectionPlan } from '../plan'
import type { WayOut } from './check'
import type { Finding } from './finding'
import { checkOf } from './registry'

/** What the program can do about a finding; empty where only the designer can. */
export function waysOut(
  model: ModelDocument,
  finding: Finding,
  plans: readonly SectionPlan[] = [],
  advice = ADVICE_IN_ENGLISH,
): readonly WayOut[] {
  const base = baseOfDerived(finding.section)
  const section = model.sections.find(({ id }) => id === finding.section) ?? model.sections.find(({ id }) => id === base)
  return (section && checkOf(finding.code)?.waysOut?.({ model, finding, section, plans, advice })) ?? []
}
