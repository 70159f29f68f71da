import { ENGLISH, type Words } from '../language'
import { apply, directionOf, NO_TURN, turnFromText, TURNS, turnText, transpose, type Turn } from '../space'

/** What a builder does so that a side of the model comes to lie on the table, by that side. */
const LAID = ['right', 'left', 'back', 'front', 'over', 'foot'] as const

/** How the work lies when that side of the model is on the table. */
const LIES: Readonly<Record<number, string>> = {
  5: 'upright',
  4: 'upside down',
  3: 'on its front',
  2: 'on its back',
  1: 'on its left side',
  0: 'on its right side',
}

const DOWN = [0, 0, -1] as const
const sideOnTable = (turn: Turn): number => directionOf(apply(transpose(TURNS[turn]!), DOWN))!

/** A way the work can lie: as a turn in text, and in words. */
export interface Laying {
  readonly turn: string
  readonly words: string
}

/** The six ways the work can lie, upright first; of each the turn that changes least. */
export const LAYINGS: readonly Laying[] = [5, 4, 3, 2, 1, 0].map((side) => {
  const turns = TURNS.map((_, turn) => turn).filter((turn) => sideOnTable(turn) === side)
  const kept = (turn: Turn): number => TURNS[turn]![0] + TURNS[turn]![4] + TURNS[turn]![8]
  return { turn: turnText(turns.reduce((best, turn) => (kept(turn) > kept(best) ? turn : best))), words: LIES[side]! }
})

/** How the work lies under a turn; upright where none was said. Another turn round on the table is one of the six all the same. */
export const layingOf = (turn: string | undefined): Laying =>
  LAYINGS.find(({ words }) => words === LIES[sideOnTable((turn === undefined ? undefined : turnFromText(turn)) ?? NO_TURN)])!

/** A turn of the work, as the plan writes it, in words; empty where the work stays as it lies. */
export function turnWords(turn: string | undefined, { say }: Words = ENGLISH): string {
  const known = turn === undefined ? undefined : turnFromText(turn)
  if (known === undefined) return ''
  const matrix = TURNS[known]!
  const down = sideOnTable(known)
  const isTurnedRound = down === 5 && matrix[0] !== 1
  return say(`turn.${isTurnedRound ? 'round' : LAID[down]!}`)
}
