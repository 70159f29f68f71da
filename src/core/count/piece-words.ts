import type { WorkKind } from '../model'
import type { PieceCount } from './count'

const WORK_WORDS: Readonly<Record<WorkKind, string>> = {
  cut: 'cut',
  paint: 'painted',
  print: 'printed',
  decal: 'with a decal',
  glue: 'glued',
  erase: 'print taken off',
  custom: 'made for this',
}

/** What a tray says of a piece besides its shape and colour: its length, and what was done to it. Empty for most. */
export function pieceExtras({ length, work = [] }: Pick<PieceCount, 'length' | 'work'>): string {
  const done = work.map(({ kind, note }) => (note ? `${WORK_WORDS[kind]} (${note})` : WORK_WORDS[kind]))
  return [...(length === undefined ? [] : [`${length} mm long`]), ...done].join(', ')
}
