import { ADVICE_IN_ENGLISH } from '../language'
import { copiesOf, sectionUses, type ModelDocument } from '../model'
import type { PlannedModel } from '../plan'
import type { StepLook } from '../picture'
import type { SectionReading } from '../reading'
import type { Check, Level, Scope, Subject } from './check'
import type { Finding, Severity } from './finding'
import { CHECKS, type FindingCode } from './registry'

/** What the checks go by. */
export interface CheckOptions {
  readonly level?: Level
  /** How each section reads; missing where nobody has looked. */
  readonly readings?: readonly SectionReading[]
}

const RANK: readonly Severity[] = ['error', 'warning', 'note']

/**
 * Everything the checks find, errors first, then in building order.
 * @param looks for each section, each step: what shows in it
 */
export function findFindings(
  model: ModelDocument,
  planned: PlannedModel,
  looks: readonly (readonly StepLook[])[] = [],
  { level = 'home', readings }: CheckOptions = {},
): Finding<FindingCode>[] {
  const standing = standingSections(model)
  const uses = sectionUses(model)
  const byId = new Map(planned.built.map((built) => [built.id, built]))
  const findings = planned.built.flatMap((built, i) => {
    const subject: Subject = {
      model,
      built,
      looks: looks[i] ?? [],
      misreadings: readings?.[i]?.misreadings ?? [],
      use: uses.get(built.base)!,
      isStanding: standing.has(built.id),
      whole: built.derivedFrom === undefined ? undefined : byId.get(built.derivedFrom),
      level,
    }
    return CHECKS.flatMap((check) => (isWithin(subject, check.scope) ? runCheck(check, subject) : []))
  })
  return findings
    .map((found, i) => ({ found, i }))
    .sort((a, b) => RANK.indexOf(a.found.severity) - RANK.indexOf(b.found.severity) || a.i - b.i)
    .map(({ found }) => found)
}

const runCheck = <Code extends string>({ code, severity, find }: Check<Code>, subject: Subject): Finding<Code>[] =>
  find(subject).map((found) => ({
    code,
    severity: found.severity ?? severity,
    section: found.section ?? subject.built.id,
    step: found.step,
    parts: found.parts,
    message: ADVICE_IN_ENGLISH.say(found.said),
    said: found.said,
  }))

function isWithin({ built, model }: Subject, scope: Scope): boolean {
  if (scope === 'rail') return true
  if (scope === 'unit') return built.derivedFrom !== undefined
  return scope === 'model' ? built.id === model.root : built.derivedFrom === undefined
}

/** Sections that stand on the table as they grow; a unit, or what only hangs on a joint at an angle, is held in the hand. */
function standingSections(model: ModelDocument): Set<string> {
  const copies = model.sections.flatMap(copiesOf)
  const upright = new Set(copies.filter((copy) => !copy.joint && !copy.rotate).map((copy) => copy.section))
  const used = new Set(copies.map((copy) => copy.section))
  return new Set(model.sections.map(({ id }) => id).filter((id) => upright.has(id) || !used.has(id)))
}
