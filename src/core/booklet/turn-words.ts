import { apply, directionOf, turnFromText, TURNS, transpose } from '../space'

/** What a builder does so that a side of the model comes to lie on the table, by that side. */
const LAID: Readonly<Record<number, string>> = {
  0: 'Lay the work on its right side',
  1: 'Lay the work on its left side',
  2: 'Lay the work on its back',
  3: 'Lay the work on its front',
  4: 'Turn the work upside down',
  5: 'Set the work on its foot',
}

/** A turn of the work, as the plan writes it, in words; empty where the work stays as it lies. */
export function turnWords(turn: string | undefined): string {
  const known = turn === undefined ? undefined : turnFromText(turn)
  if (known === undefined) return ''
  const matrix = TURNS[known]!
  const down = directionOf(apply(transpose(matrix), [0, 0, -1]))!
  const isTurnedRound = down === 5 && matrix[0] !== 1
  return isTurnedRound ? 'Turn the work round on the table' : LAID[down]!
}
