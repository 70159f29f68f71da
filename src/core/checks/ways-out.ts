import { catalogueOf, partsOf, sectionById, type GivenStep, type ModelDocument, type Part, type Section } from '../model'
import { type Move, type SectionPlan } from '../plan'
import { type Finding } from './finding'
import { cutOut, forgetSteps, halvesOf, setStepText, withParts, withSteps } from '../edits'
import { nameParts } from './place'

/** Something that can be done about a finding with one click, and undone. */
export interface WayOut {
  readonly label: string
  readonly change: (model: ModelDocument) => ModelDocument
}

/** What the program can do about a finding; empty where only the designer can. */
export function waysOut(model: ModelDocument, finding: Finding, plans: readonly SectionPlan[] = []): WayOut[] {
  const base = finding.section.replace(/(~\d+)+$/, '')
  const section = model.sections.find((candidate) => candidate.id === finding.section || candidate.id === base)
  if (!section) return []
  if (finding.code === 'blocked' && (!section.steps || section.planRest)) return untie(model, section, finding)
  if (finding.code === 'large-unit') return [makeSection(section, finding, plans)]
  if (finding.code === 'never-seen') return [freeColour(section.id, finding)]
  if (finding.code === 'turn-trap' || finding.code === 'alike-colours') return noteOf(section, finding, plans)
  if (!section.steps) return []
  switch (finding.code) {
    case 'step-missing':
      return [
        {
          label: 'Put them into a last step',
          change: (now) => withSteps(now, section.id, (steps) => [...steps, stepOf(now, section.id, finding)]),
        },
        planAgain(section.id),
      ]
    case 'step-twice':
      return [
        {
          label: 'Keep it only where it comes first',
          change: (now) => withSteps(now, section.id, (steps) => keepFirst(steps, finding.parts[0]!)),
        },
      ]
    case 'lock-lost':
      return [
        { label: 'Unlock it', change: (now) => withSteps(now, section.id, (steps) => steps.filter((step) => !isAbout(step, finding))) },
      ]
    case 'blocked':
    case 'unheld':
    case 'rests':
    case 'hidden':
      return [planAgain(section.id)]
    default:
      return []
  }
}

const freeColour = (section: string, { parts }: Finding): WayOut => ({
  label: parts.length === 1 ? 'Let its colour be free' : 'Let their colours be free',
  change: (model) =>
    withParts(model, section, (all) => all.map((part) => (parts.includes(part.id) ? { ...part, showsColour: false } : part))),
})

/** A note says what the picture cannot; only where the step has none yet. */
function noteOf(section: Section, finding: Finding, plans: readonly SectionPlan[]): WayOut[] {
  const { section: id, step, parts } = finding
  if (step === null || id !== section.id || (section.steps?.[step - 1]?.note ?? '') !== '') return []
  const what = finding.code === 'turn-trap' ? 'which way round' : 'where'
  const text = `Mind ${what} ${nameParts(parts)} ${parts.length === 1 ? 'goes' : 'go'}.`
  return [{ label: 'Write a note into the step', change: (model) => setStepText(model, plans, id, step - 1, 'note', text) }]
}

/** A knot is untied by a part less, or by shorter pieces in its place. */
function untie(model: ModelDocument, section: Section, finding: Finding): WayOut[] {
  const part = partsOf(section).find((candidate) => candidate.id === finding.parts[0])
  if (!part) return []
  const halves = halvesOf(part, catalogueOf(model).shapes, idsOf(section))
  const replaceBy = (parts: readonly Part[]) => (now: ModelDocument) =>
    withParts(now, section.id, (all) => all.flatMap((other) => (other.id === part.id ? parts : [other])))
  return [
    ...(halves ? [{ label: `Swap “${part.id}” for two shorter pieces`, change: replaceBy(halves) }] : []),
    { label: `Leave “${part.id}” out for now`, change: replaceBy([]) },
  ]
}

/** A unit's own parts are named by the finding; those of units inside it by their plans. */
function makeSection(section: Section, finding: Finding, plans: readonly SectionPlan[]): WayOut {
  const inner = (id: string): string[] =>
    plans.flatMap((plan) =>
      plan.derivedFrom === id ? [...plan.steps.flatMap(({ moves }) => moves.flatMap(idsOfMove)), ...inner(plan.id)] : [],
    )
  const ids = [...finding.parts, ...inner(finding.section)]
  return { label: 'Make it a section', change: (model) => cutOut(model, section.id, ids, `${section.name}, unit`) }
}

const idsOfMove = (move: Move): readonly string[] => ('parts' in move ? move.parts : 'copy' in move ? [move.copy] : [])

const idsOf = ({ parts, copies }: Section): Set<string> => new Set([...(parts ?? []), ...(copies ?? [])].map(({ id }) => id))

const planAgain = (section: string): WayOut => ({ label: 'Plan this section again', change: (model) => forgetSteps(model, section) })

const isAbout = (step: GivenStep, finding: Finding): boolean =>
  [...(step.add ?? []), ...(step.join ?? [])].every((id) => finding.parts.includes(id))

function stepOf(model: ModelDocument, sectionId: string, finding: Finding): GivenStep {
  const copies = new Set((sectionById(model, sectionId).copies ?? []).map((copy) => copy.id))
  const add = finding.parts.filter((id) => !copies.has(id))
  const join = finding.parts.filter((id) => copies.has(id))
  return { ...(add.length > 0 ? { add } : {}), ...(join.length > 0 ? { join } : {}) }
}

function keepFirst(steps: readonly GivenStep[], id: string): GivenStep[] {
  let isMet = false
  const once = (ids: readonly string[] | undefined): string[] | undefined =>
    ids?.filter((other) => {
      if (other !== id) return true
      const isFirst = !isMet
      isMet = true
      return isFirst
    })
  return steps
    .map((step) => {
      const [add, join] = [once(step.add), once(step.join)]
      return { ...step, ...(add ? { add } : {}), ...(join ? { join } : {}) }
    })
    .filter((step) => (step.add?.length ?? 0) + (step.join?.length ?? 0) > 0)
}
