import { Fault } from '../fault'
import { isLoose, partsOf, pieceCount, sectionById, type GivenStep, type ModelDocument, type Part } from '../model'
import type { SectionPlan } from '../plan'
import { changeSteps, keepSteps, refuseLocked, sizeOfStep, tidy, type StepPlace } from './steps'

/** Moves parts and copies of a step to another step of their section (from 0, as the steps stand now); a step left empty goes. */
export function moveToStep(
  model: ModelDocument,
  plans: readonly SectionPlan[],
  { section, step }: StepPlace,
  { ids, to }: { readonly ids: readonly string[]; readonly to: number },
): ModelDocument {
  return changeSteps(model, plans, section, (steps) => {
    const [from, target] = [steps[step]!, steps[to]]
    if (!target) throw new Fault('unknown-step', `There is no step ${to + 1}.`)
    if (to === step || ids.length === 0) return steps
    refuseLocked(steps, step, to)
    const wanted = new Set(ids)
    const next = steps.slice()
    for (const key of ['add', 'join'] as const) {
      const moved = (from[key] ?? []).filter((id) => wanted.has(id))
      const list = target[key] ?? []
      next[step] = { ...next[step], [key]: (from[key] ?? []).filter((id) => !wanted.has(id)) }
      next[to] = { ...next[to], [key]: to < step ? [...list, ...moved] : [...moved, ...list] }
    }
    return next.map((each, i) => (i === step || i === to ? tidy(each) : each)).filter((each, i) => i !== step || sizeOfStep(each) > 0)
  })
}

/**
 * Moves a part or a copy to the step before (−1) or after (1); a step left empty goes. Of a loose part that stands for several
 * pieces one piece moves.
 */
export function moveToNeighbour(
  model: ModelDocument,
  plans: readonly SectionPlan[],
  place: StepPlace,
  { id, way }: { readonly id: string; readonly way: -1 | 1 },
): ModelDocument {
  const { section, step } = place
  const loose = sectionById(model, section).parts?.find((part) => part.id === id)
  if (loose && isLoose(loose) && pieceCount(loose) > 1) return moveOneLoose(keepSteps(model, plans, section), place, loose, way)
  return changeSteps(model, plans, section, (steps) => {
    const from = steps[step]!
    const isCopy = from.join?.includes(id) ?? false
    if (!isCopy && !from.add?.includes(id)) throw new Fault('unknown-part', `Step ${step + 1} does not bring “${id}”.`)
    const key = isCopy ? 'join' : 'add'
    const target = steps[step + way]
    if (step + way < 0) throw new Fault('cannot-move', 'This is the first step.')
    refuseLocked(steps, step, step + way)
    const rest = { ...from, [key]: from[key]!.filter((other) => other !== id) }
    const list = target?.[key] ?? []
    const moved = { ...(target ?? {}), [key]: way === -1 ? [...list, id] : [id, ...list] }
    const next = steps.slice()
    next[step + way] = tidy(moved)
    next[step] = tidy(rest)
    return next.filter((candidate, i) => i !== step || sizeOfStep(candidate) > 0)
  })
}

/** One piece of a loose part goes to the step beside: to a part of the same piece there, or as a part of its own. */
function moveOneLoose(model: ModelDocument, { section: sectionId, step }: StepPlace, loose: Part, way: -1 | 1): ModelDocument {
  const section = sectionById(model, sectionId)
  const steps = section.steps ?? []
  if (step + way < 0) throw new Fault('cannot-move', 'This is the first step.')
  refuseLocked(steps, step, step + way)
  const there = new Set(steps[step + way]?.add ?? [])
  const { id, count: _count, ...piece } = loose
  const isSame = ({ id: _id, count: _n, ...other }: Part): boolean => JSON.stringify(other) === JSON.stringify(piece)
  const parts = partsOf(section)
  const twin = parts.find((part) => there.has(part.id) && isLoose(part) && isSame(part))
  const own: Part = twin ?? { ...piece, id: freeId(parts, id), count: 0 }
  const counted = parts.map((part) =>
    part.id === id ? { ...part, count: pieceCount(part) - 1 } : part.id === own.id ? { ...part, count: pieceCount(part) + 1 } : part,
  )
  const all = twin ? counted : [...counted, { ...own, count: 1 }]
  const target: GivenStep = { ...steps[step + way], add: twin ? [...there] : way === -1 ? [...there, own.id] : [own.id, ...there] }
  const next = steps.slice()
  next[step + way] = target
  const sections = model.sections.map((each) => (each.id === sectionId ? { ...each, parts: all, steps: next } : each))
  return { ...model, sections }
}

function freeId(parts: readonly Part[], id: string): string {
  const taken = new Set(parts.map((part) => part.id))
  let number = 2
  while (taken.has(`${id}-${number}`)) number++
  return `${id}-${number}`
}
