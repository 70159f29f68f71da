import type { GivenStep, Photo, StepNoteKind } from '../model'

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

/** What is said of a step, and shown: note and caution, every other note with what it is for, photos. */
export function notesOfStep({ note = '', caution = '', notes = [], photos = [] }: GivenStep = {}): {
  readonly note: string
  readonly caution: string
  readonly signs: readonly string[]
  readonly photos: readonly Photo[]
} {
  return { note, caution, signs: notes.map(({ kind, text }) => `${NOTE_WORDS[kind]}: ${text}`), photos }
}
