import type { GivenStep, StepNoteKind } from '../model'

/** What stands before a note, by what it is for. */
export const NOTE_WORDS: Readonly<Record<StepNoteKind, string>> = {
  note: 'Note',
  caution: 'Take care',
  align: 'Stands so first',
  try: 'Try it now',
  tune: 'If it does not work',
  'same-way': 'All the same way',
  aside: 'Set aside',
  hold: 'Hold while pressing',
}

/** What is said of a step: note and caution, and every other note with what it is for. */
export function notesOfStep({ note = '', caution = '', notes = [] }: GivenStep = {}): {
  readonly note: string
  readonly caution: string
  readonly signs: readonly string[]
} {
  return { note, caution, signs: notes.map(({ kind, text }) => `${NOTE_WORDS[kind]}: ${text}`) }
}
