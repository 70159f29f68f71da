import { Fault } from '../fault'
import { partsOf, sectionById, type GivenStep, type ModelDocument, type Section, type StepNote } from '../model'
import { baseSection, plansById, type SectionPlan } from '../plan'

/**
 * Edits of a rail. Each takes the document and the plan it is seen through and returns a new document in which the section
 * has given steps. Derived sections of the plan become sections of their own, since given steps can only name parts and copies.
 */

/** A step of a section, from 0. */
export interface StepPlace {
  readonly section: string
  readonly step: number
}

/** The document with the section's planned steps written into it; unchanged when it has given steps already. */
export function keepSteps(model: ModelDocument, plans: readonly SectionPlan[], sectionId: string): ModelDocument {
  const section = sectionById(model, sectionId)
  if (section.steps && !section.planRest) return model
  const plan = plans.find((candidate) => candidate.id === sectionId)
  if (!plan) throw new Fault('unknown-section', `There is no section “${sectionId}”.`)
  const byId = plansById(plans)
  const derived = plans.filter((candidate) => candidate.id !== sectionId && baseSection(candidate, byId)?.id === sectionId)
  const made = derived.map((unit) => sectionFrom(section, unit))
  const taken = new Set(derived.flatMap((unit) => partIds(unit)))
  const copies = derived.filter((unit) => unit.derivedFrom === sectionId)
  const { planRest: _planRest, ...all } = section
  const kept: Section = {
    ...all,
    parts: partsOf(section).filter((part) => !taken.has(part.id)),
    ...(section.copies || copies.length > 0
      ? { copies: [...(section.copies ?? []).filter((c) => !joinedIn(derived, c.id)), ...copies.map(copyOf)] }
      : {}),
    steps: withLocks(stepsOf(plan), section),
  }
  const sections = model.sections.flatMap((candidate) => (candidate.id === sectionId ? [kept, ...made] : [candidate]))
  return { ...model, sections }
}

const partIds = (plan: SectionPlan): string[] =>
  plan.steps.flatMap((step) => step.moves.flatMap((move) => ('parts' in move ? move.parts : [])))

const joinedIn = (plans: readonly SectionPlan[], copyId: string): boolean =>
  plans.some((plan) => plan.steps.some((step) => step.moves.some((move) => 'copy' in move && move.copy === copyId)))

const copyOf = (unit: SectionPlan) => ({ id: unit.id, section: unit.id, at: [0, 0, 0] as const })

function sectionFrom(base: Section, unit: SectionPlan): Section {
  const ids = new Set(partIds(unit))
  const inner = unit.steps.flatMap((step) => step.moves.flatMap((move) => ('section' in move ? [move.section] : [])))
  const copies = [
    ...(base.copies ?? []).filter((copy) => joinedIn([unit], copy.id)),
    ...inner.map((id) => ({ id, section: id, at: [0, 0, 0] as const })),
  ]
  return {
    id: unit.id,
    name: unit.name,
    parts: partsOf(base).filter((part) => ids.has(part.id)),
    ...(copies.length > 0 ? { copies } : {}),
    steps: stepsOf(unit),
  }
}

function stepsOf(plan: SectionPlan): GivenStep[] {
  return plan.steps.map((step) => {
    const add = step.moves.flatMap((move) => ('parts' in move ? move.parts : []))
    const join = step.moves.flatMap((move) => ('copy' in move ? [move.copy] : 'section' in move ? [move.section] : []))
    return {
      ...(add.length > 0 ? { add } : {}),
      ...(join.length > 0 ? { join } : {}),
      ...(step.turn === undefined ? {} : { turn: step.turn }),
    }
  })
}

/** Locked steps come back with their notes and stay locked. */
function withLocks(steps: readonly GivenStep[], { steps: given, planRest }: Section): GivenStep[] {
  if (planRest !== true) return [...steps]
  const locks = new Map((given ?? []).map((step) => [idsIn(step)[0], step]))
  return steps.map((step) => {
    const lock = idsIn(step)
      .map((id) => locks.get(id))
      .find((known) => known !== undefined)
    return lock && idsIn(lock).length === idsIn(step).length ? { ...lock, ...step } : step
  })
}

const idsIn = (step: GivenStep): string[] => [...(step.add ?? []), ...(step.join ?? [])]

export type StepChange = (steps: readonly GivenStep[]) => readonly GivenStep[]

export function changeSteps(model: ModelDocument, plans: readonly SectionPlan[], sectionId: string, change: StepChange): ModelDocument {
  return withSteps(keepSteps(model, plans, sectionId), sectionId, change)
}

/** The document with the given steps of one section changed. */
export function withSteps(model: ModelDocument, sectionId: string, change: StepChange): ModelDocument {
  const sections = model.sections.map((section) =>
    section.id === sectionId ? { ...section, steps: change(section.steps ?? []) } : section,
  )
  return { ...model, sections }
}

export const sizeOfStep = (step: GivenStep): number => (step.add?.length ?? 0) + (step.join?.length ?? 0)

/** @throws Fault `locked-step` where one of the steps is locked */
export function refuseLocked(steps: readonly GivenStep[], ...numbers: readonly number[]): void {
  const locked = numbers.find((step) => steps[step]?.locked === true)
  if (locked === undefined) return
  throw new Fault('locked-step', `Step ${locked + 1} is locked, so it stays as it is.`, {
    place: `step ${locked + 1}`,
    wayOut: 'Unlock it first.',
  })
}

/** Locks a step, or unlocks it: other edits and plans then leave it as it is. */
export function setLocked(
  model: ModelDocument,
  plans: readonly SectionPlan[],
  { section, step }: StepPlace,
  locked: boolean,
): ModelDocument {
  return changeSteps(model, plans, section, (steps) =>
    steps.map((given, i) => {
      if (i !== step) return given
      const { locked: _locked, ...open } = given
      return locked ? { ...open, locked: true } : open
    }),
  )
}

/** Keeps the locked steps and lets the program plan everything else. */
export function planAround(model: ModelDocument, sectionId: string): ModelDocument {
  const locked = (sectionById(model, sectionId).steps ?? []).filter((step) => step.locked === true)
  if (locked.length === 0) return forgetSteps(model, sectionId)
  const sections = model.sections.map((section) => (section.id === sectionId ? { ...section, steps: locked, planRest: true } : section))
  return { ...model, sections }
}

/** Takes a whole step out and puts it in before another (from 0, as the steps stand now); locked steps keep their place in the order. */
export function moveStep(
  model: ModelDocument,
  plans: readonly SectionPlan[],
  { section, step: from }: StepPlace,
  to: number,
): ModelDocument {
  return changeSteps(model, plans, section, (steps) => {
    if (to < 0 || to >= steps.length) throw new Fault('cannot-move', to < 0 ? 'This is the first step.' : 'This is the last step.')
    refuseLocked(steps, from)
    const moved = steps.slice()
    moved.splice(to, 0, ...moved.splice(from, 1))
    return moved
  })
}

/**
 * Cuts a step in two; the first keeps the first half of what it brings, and the note. Steps count from 0.
 * @param after what the first step ends with; its middle where that is not said
 */
export function splitStep(
  model: ModelDocument,
  plans: readonly SectionPlan[],
  { section, step }: StepPlace,
  after?: string,
): ModelDocument {
  return changeSteps(model, plans, section, (steps) => {
    const whole = steps[step]!
    refuseLocked(steps, step)
    if (sizeOfStep(whole) < 2) throw new Fault('cannot-split', 'A step with one part cannot be split.')
    const add = whole.add ?? []
    const join = whole.join ?? []
    const named = after === undefined ? -1 : [...add, ...join].indexOf(after)
    const half = named < 0 ? Math.ceil(sizeOfStep(whole) / 2) : named + 1
    if (half === sizeOfStep(whole)) throw new Fault('cannot-split', 'Nothing of this step comes after that.')
    const first: GivenStep = { ...whole, add: add.slice(0, half), join: join.slice(0, Math.max(0, half - add.length)) }
    const second: GivenStep = { add: add.slice(half), join: join.slice(Math.max(0, half - add.length)) }
    return [...steps.slice(0, step), tidy(first), tidy(second), ...steps.slice(step + 1)]
  })
}

/** Draws a step and the next one together; notes and cautions are joined. */
export function mergeWithNext(model: ModelDocument, plans: readonly SectionPlan[], { section, step }: StepPlace): ModelDocument {
  return changeSteps(model, plans, section, (steps) => {
    const [a, b] = [steps[step], steps[step + 1]]
    if (!a || !b) throw new Fault('cannot-merge', 'There is no next step to merge with.')
    refuseLocked(steps, step, step + 1)
    const text = (key: 'note' | 'caution'): string => [a[key], b[key]].filter((part) => part).join(' ')
    const merged = {
      ...a,
      add: [...(a.add ?? []), ...(b.add ?? [])],
      join: [...(a.join ?? []), ...(b.join ?? [])],
      note: text('note'),
      caution: text('caution'),
      notes: [...(a.notes ?? []), ...(b.notes ?? [])],
    }
    return [...steps.slice(0, step), tidy(merged), ...steps.slice(step + 2)]
  })
}

export type StepText = 'note' | 'caution'

export function setStepText(
  model: ModelDocument,
  plans: readonly SectionPlan[],
  { section, step }: StepPlace,
  { key, text }: { readonly key: StepText; readonly text: string },
): ModelDocument {
  return changeSteps(model, plans, section, (steps) => steps.map((given, i) => (i === step ? tidy({ ...given, [key]: text }) : given)))
}

/** From which corner a step is seen (0 to 7), or that the program chooses. */
export function setStepView(
  model: ModelDocument,
  plans: readonly SectionPlan[],
  { section, step }: StepPlace,
  view: number | undefined,
): ModelDocument {
  return changeSteps(model, plans, section, (steps) =>
    steps.map((given, i) => {
      if (i !== step) return given
      const { view: _view, ...free } = given
      return view === undefined ? free : { ...free, view }
    }),
  )
}

/** How the work lies from a step on, as a turn in text, up to the next step that says so itself. */
export function setStepTurn(
  model: ModelDocument,
  plans: readonly SectionPlan[],
  { section, step }: StepPlace,
  turn: string,
): ModelDocument {
  return changeSteps(model, plans, section, (steps) => steps.map((given, i) => (i === step ? { ...given, turn } : given)))
}

/** Writes a note of a kind to a step; an empty text changes nothing. */
export function addStepNote(
  model: ModelDocument,
  plans: readonly SectionPlan[],
  { section, step }: StepPlace,
  note: StepNote,
): ModelDocument {
  if (note.text.trim() === '') return model
  return changeSteps(model, plans, section, (steps) =>
    steps.map((given, i) => (i === step ? { ...given, notes: [...(given.notes ?? []), { ...note, text: note.text.trim() }] } : given)),
  )
}

/** Takes the note at a place of a step's list away. */
export function removeStepNote(
  model: ModelDocument,
  plans: readonly SectionPlan[],
  { section, step }: StepPlace,
  at: number,
): ModelDocument {
  return changeSteps(model, plans, section, (steps) =>
    steps.map((given, i) => (i === step ? tidy({ ...given, notes: (given.notes ?? []).filter((_, k) => k !== at) }) : given)),
  )
}

/** Forgets the given steps, so that the program plans the section again. */
export function forgetSteps(model: ModelDocument, sectionId: string): ModelDocument {
  const sections = model.sections.map((section) => {
    if (section.id !== sectionId) return section
    const { steps: _steps, planRest: _planRest, ...rest } = section
    return rest
  })
  return { ...model, sections }
}

/** Empty lists and texts are left out of the document. */
export function tidy(step: GivenStep): GivenStep {
  return Object.fromEntries(
    Object.entries(step).filter(([, value]) => value === true || typeof value === 'number' || (value as { length: number }).length > 0),
  )
}
