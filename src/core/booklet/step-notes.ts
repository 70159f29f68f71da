import { ENGLISH, type Words } from '../language'
import type { GivenStep, Photo, StepNoteKind } from '../model'

/**
 * A sign of our own for each kind, drawn as strokes in a square of 24 units, as the path data of SVG and PDF: a sheet; a triangle; two
 * pieces against one edge; to and fro; two sliders; three arrows side by side; a piece moved away; a piece pressed from both sides.
 */
export const NOTE_SIGNS: Readonly<Record<StepNoteKind, string>> = {
  note: 'M5 3H15L19 7V21H5ZM9 11H15M9 15H15',
  caution: 'M12 3L22 20H2ZM12 9V14.5M12 16.8V17.4',
  align: 'M4 3V21M4 5H15V11H4M4 13H20V19H4',
  try: 'M3 12H21M7.5 7.5L3 12L7.5 16.5M16.5 7.5L21 12L16.5 16.5',
  tune: 'M3 7H6M12 7H21M12 7A3 3 0 1 1 6 7A3 3 0 1 1 12 7M3 17H12M18 17H21M18 17A3 3 0 1 1 12 17A3 3 0 1 1 18 17',
  'same-way': 'M5 20V5M2 8.5L5 5L8 8.5M12 20V5M9 8.5L12 5L15 8.5M19 20V5M16 8.5L19 5L22 8.5',
  aside: 'M3 8H10V16H3ZM13 12H21M17.5 8L21.5 12L17.5 16',
  hold: 'M9 6H15V18H9ZM1 12H7M4.5 9L7.5 12L4.5 15M23 12H17M19.5 9L16.5 12L19.5 15',
}

/** What stands before a note, by what it is for. */
export const noteTitle = (kind: StepNoteKind, { say }: Words = ENGLISH): string => say(`note.${kind}`)

/** A note as it stands in a booklet: behind the sign of its kind, with what it is for. */
export interface StepSign {
  readonly kind: StepNoteKind
  readonly text: string
}

/** What is said of a step, and shown: note and caution, every other note with what it is for, all that can hurt, photos. */
export function notesOfStep(
  { note = '', caution = '', notes = [], photos = [] }: GivenStep = {},
  words: Words = ENGLISH,
): {
  readonly note: string
  readonly caution: string
  readonly signs: readonly StepSign[]
  readonly cautions: readonly string[]
  readonly photos: readonly Photo[]
} {
  const signs = notes.map(({ kind, text }): StepSign => ({ kind, text: words.say('note.told', { title: noteTitle(kind, words), text }) }))
  const cautions = [caution, ...notes.filter(({ kind }) => kind === 'caution').map(({ text }) => text)].filter((text) => text !== '')
  return { note, caution, signs, cautions, photos }
}
