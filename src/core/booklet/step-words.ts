import { total } from '../count'
import { ENGLISH, type Words } from '../language'
import type { Move, PlanStep } from '../plan'
import { directionFromText, opposite } from '../space'
import { fromWords } from '../words'
import type { Join } from './pages'

type ViewKey = '0' | '1' | '2' | '3' | '4' | '5' | '6' | '7'
const fromSide = (view: number, { say }: Words): string => say(`view.from.${String(view & 7) as ViewKey}`)

/** Where the viewer of an inset stands. */
export const insetWords = (view: number, words: Words = ENGLISH): string => words.say('view.small', { from: fromSide(view, words) })

/** Where the viewer of a view stands, in words; empty for the usual place: in front, on the right, looking down. */
export const seenFromWords = (view: number, words: Words = ENGLISH): string =>
  view === 0 ? '' : words.say('view.seen', { from: fromSide(view, words) })

/** Told in the step before, where the picture of the next is seen from another side; else empty. */
export const aheadWords = (view: number, next: number, words: Words = ENGLISH): string =>
  next === view ? '' : words.say(next === 0 ? 'view.nextAgain' : 'view.next', { from: fromSide(next, words) })

/** What goes in by `-z` comes from above. */
const sideWords = (direction: Move['direction'], words: Words): string =>
  typeof direction === 'string' ? fromWords(opposite(directionFromText(direction)!), words) : words.say('step.alongJoint')

const wayWords = ({ direction, press }: Move, words: Words): string => {
  const way = sideWords(direction, words)
  return press === undefined ? way : words.say('step.pressed', { way })
}

/** What is done with a finished section: the act on its own, and with the section's name. */
export function joinWords(
  { label, name, mirrored, count, standsApart }: Join,
  words: Words = ENGLISH,
): { readonly act: string; readonly named: string; readonly whole: string } {
  const act = words.count(standsApart ? 'join.place' : 'join.act', count, { label })
  const asIs = (text: string): string => (mirrored ? words.say('join.mirrored', { text }) : text)
  return { act, named: asIs(name), whole: asIs(words.say('join.named', { act, name })) }
}

/** What is said of a step in one breath. */
export interface SpokenStep {
  readonly label: string
  readonly step: PlanStep
  readonly joins: readonly Join[]
  /** What to do with the work before; else empty. */
  readonly turn: string
}

/** A step in words, for ears and for those who print without pictures. */
export function spokenStep({ label, step, joins, turn }: SpokenStep, words: Words = ENGLISH): string {
  const pieces = total(step.callout)
  const ways = [...new Set(step.moves.map((move) => wayWords(move, words)))]
  const sentences = [words.say('step.said', { label })]
  if (turn !== '') sentences.push(`${turn}.`)
  if (pieces > 0) sentences.push(words.count('step.add', pieces, { ways: words.list(ways) }))
  for (const join of joins) {
    const { whole } = joinWords(join, words)
    sentences.push(join.standsApart ? words.say('join.standsApart', { text: whole }) : `${whole}.`)
  }
  if (step.rests.length > 0) sentences.push(words.say('step.loose'))
  return sentences.join(' ')
}
