import type { GivenStep } from './types'

/** A step whose notes are about no part that is not there any more; the same step where they are about none such. */
export function keepNoteParts(step: GivenStep, isThere: (id: string) => boolean): GivenStep {
  if (!step.notes?.some(({ parts }) => parts?.some((id) => !isThere(id)))) return step
  return { ...step, notes: step.notes.map((note) => (note.parts ? { ...note, parts: note.parts.filter(isThere) } : note)) }
}
