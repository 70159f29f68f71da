import type { Finding } from '../checks'
import { catalogueOf, sectionsById, type ModelDocument, type StepNote } from '../model'
import { plansById, type PlanStep, type SectionPlan } from '../plan'
import type { StepPlace } from '../edits'
import { givenStep } from './plan-index'

/** What notes are suggested from. */
export interface NoteSource {
  readonly model: ModelDocument
  readonly sections: readonly SectionPlan[]
  readonly findings: readonly Finding[]
}

/**
 * Notes that would help a builder in a step (from 0), where the program knows why: a piece with a left and a right one, a part that
 * rests, a mirror image, a joint under strain, a weak joint that is pressed on. What the step says already is left out.
 */
export function suggestNotes(source: NoteSource, { section, step: at }: StepPlace): StepNote[] {
  const plan = plansById(source.sections).get(section)
  const step = plan?.steps[at]
  if (!plan || !step) return []
  const own = source.findings.filter((found) => found.section === section && found.step === at + 1)
  const base = sectionsById(source.model).get(section)
  const given = base && givenStep(base, step)
  const said = new Set([given?.note ?? '', ...(given?.notes ?? []).map(({ text }) => text)])
  const all = [...fromFindings(own), ...fromPieces(source.model, step), ...mirrored(source.model, plan, at), ...resting(step)]
  return all.filter(({ text }, i) => !said.has(text) && all.findIndex((other) => other.text === text) === i)
}

const OF_FINDINGS: Readonly<Partial<Record<string, Pick<StepNote, 'kind' | 'text'>>>> = {
  'turn-trap': { kind: 'same-way', text: 'As in the picture: turned round it would go in too.' },
  'weak-joint': { kind: 'hold', text: 'The work from the other side: few studs hold what comes in here.' },
  strained: { kind: 'caution', text: 'Move this joint only as far as it goes by itself: it stands under strain.' },
}

const fromFindings = (findings: readonly Finding[]): StepNote[] =>
  findings.flatMap(({ code, parts }) => {
    const note = OF_FINDINGS[code]
    return note ? [{ ...note, ...(parts.length > 0 ? { parts: [...parts] } : {}) }] : []
  })

/** Left and right pieces are told apart only by who knows that there are two. */
function fromPieces(model: ModelDocument, { callout }: PlanStep): StepNote[] {
  const { shapes } = catalogueOf(model)
  return callout.flatMap(({ shape: id }): StepNote[] => {
    const shape = shapes.get(id)
    const twin = shape?.mirror.twin
    if (!shape || !twin || twin === id || !shapes.has(twin)) return []
    return [{ kind: 'align', text: `${shape.title}: there is one for the other side too, so compare it with the picture.` }]
  })
}

/** A mirrored copy right after one that is not, or beside it. */
function mirrored(model: ModelDocument, plan: SectionPlan, at: number): StepNote[] {
  const copies = new Map((sectionsById(model).get(plan.derivedFrom ?? plan.id)?.copies ?? []).map((copy) => [copy.id, copy]))
  const joined = (step: PlanStep | undefined) =>
    (step?.moves ?? []).flatMap((move) => ('copy' in move ? (copies.get(move.copy) ?? []) : []))
  const [now, before] = [joined(plan.steps[at]), joined(plan.steps[at - 1])]
  const plain = new Set([...now, ...before].filter(({ mirror }) => mirror === undefined).map(({ section }) => section))
  const names = new Set(
    now
      .filter(({ mirror, section }) => mirror !== undefined && plain.has(section))
      .map(({ section }) => sectionsById(model).get(section)?.name ?? section),
  )
  return [...names].map((name) => ({ kind: 'note', text: `${name}: this one is the mirror image of the other.` }))
}

const resting = ({ rests }: PlanStep): StepNote[] =>
  rests.length === 0 ? [] : [{ kind: 'hold', text: 'What lies loose here; the next steps hold it.', parts: [...rests] }]
