import { total } from '../count'
import type { Move, PlanStep } from '../plan'
import { directionFromText, opposite } from '../space'
import { fromWords, listInWords } from '../words'
import type { Join } from './pages'

const SIDES = ['', 'from behind, on the right', 'from behind, on the left', 'from the front, on the left'] as const

/** Where the viewer of an inset stands. */
export const insetWords = (view: number): string => `The small picture is ${sideOf(view)}`

/** "seen from behind, on the left", the usual side too. */
const sideOf = (view: number): string => (seenFromWords(view) || 'Seen from the front, on the right').replace(/^S/, 's')

/** Where the viewer of a view stands, in words; empty for the usual place: in front, on the right, looking down. */
export function seenFromWords(view: number): string {
  const side = SIDES[view & 3]!
  if (view < 4) return side === '' ? '' : `Seen ${side}`
  return side === '' ? 'Seen from below' : `Seen from below, ${side}`
}

/** Told in the step before, where the picture of the next is seen from another side; else empty. */
export const aheadWords = (view: number, next: number): string =>
  next === view ? '' : `The next picture is ${sideOf(next)}${next === 0 ? ', again' : ''}`

/** What goes in by `-z` comes from above. */
const sideWords = (direction: Move['direction']): string =>
  typeof direction === 'string' ? fromWords(opposite(directionFromText(direction)!)) : 'along its joint'

const wayWords = ({ direction, press }: Move): string =>
  `${sideWords(direction)}${press === undefined ? '' : ', lifted a little, and press it home'}`

/** What is done with a finished section: the act on its own, and with the section's name. */
export function joinWords({ label, name, mirrored, count, standsApart }: Join): { readonly act: string; readonly whole: string } {
  const what = `${count > 1 ? `${count} of ` : ''}section ${label}`
  const act = standsApart ? `Put ${what} in place` : `Join ${what}`
  return { act, whole: `${act}, ${name}${mirrored ? ', mirrored' : ''}` }
}

/** A step in words, for ears and for those who print without pictures. */
export function spokenStep(label: string, step: PlanStep, joins: readonly Join[], turn: string): string {
  const pieces = total(step.callout)
  const ways = [...new Set(step.moves.map(wayWords))]
  const sentences = [`Step ${label}.`]
  if (turn !== '') sentences.push(`${turn}.`)
  if (pieces > 0) sentences.push(`Add ${pieces === 1 ? 'one piece' : `${pieces} pieces`} ${listInWords(ways)}.`)
  for (const join of joins) {
    const what = `${join.count > 1 ? `${join.count} times section` : 'section'} ${join.label}, ${join.name}`
    const said = `${what}${join.mirrored ? ', mirrored' : ''}`
    sentences.push(join.standsApart ? `Put ${said} in place: it stands by itself.` : `Join ${said}.`)
  }
  if (step.rests.length > 0) sentences.push('Some parts lie loose on the table until the next steps hold them.')
  return sentences.join(' ')
}
