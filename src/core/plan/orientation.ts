import type { Travel } from '../motion'
import { NO_TURN, PLUS_Z, turnFromText, type Turn } from '../space'
import type { Holding } from './holding'

/** So many steps in a row from below are worth turning the work over once; a single one is done with the work lifted. */
const WORTH_TURNING = 2

/** Upside down, its front to the back. */
const TURNED_OVER = turnFromText('+x-y')!

interface Laid {
  readonly steps: readonly (readonly number[])[]
  readonly arrives: readonly Travel[]
  readonly holding: Holding
}

/**
 * How the work lies in each step. What comes in from below needs the work lifted; a run of such steps turns it over, as long
 * as nothing lies loose that would fall apart.
 */
export function orientationsOfSteps({ steps, arrives, holding }: Laid): Turn[] {
  const orientations = steps.map(() => NO_TURN)
  let from = 0
  while (from < steps.length) {
    let to = from
    while (to < steps.length && isFromBelow(steps[to]!, arrives)) to++
    if (to - from >= WORTH_TURNING && !hasLoose(holding, from, to)) orientations.fill(TURNED_OVER, from, to)
    from = Math.max(to, from + 1)
  }
  return orientations
}

const isFromBelow = (step: readonly number[], arrives: readonly Travel[]): boolean =>
  step.length > 0 && step.every((node) => arrives[node] === PLUS_Z)

const hasLoose = ({ looseAfter }: Holding, from: number, to: number): boolean =>
  looseAfter.slice(Math.max(0, from - 1), to).some((groups) => groups > 0)

/** Stands for the work in the builder's hand, beside the numbers of turns. */
const LIFTED = -1

function isLifted(step: readonly number[], arrives: readonly Travel[]): boolean {
  for (const node of step) if (arrives[node] === PLUS_Z) return true
  return false
}

/** How often a reader must turn the work or lift it to work from below; setting it down again costs nothing. */
export function countTurns(orientations: readonly Turn[], { steps, arrives }: Pick<Laid, 'steps' | 'arrives'>): number {
  let turns = 0
  let before = NO_TURN
  for (let i = 0; i < steps.length; i++) {
    const orientation = orientations[i] ?? NO_TURN
    const now = orientation !== NO_TURN ? orientation : isLifted(steps[i]!, arrives) ? LIFTED : NO_TURN
    if (now !== before && now !== NO_TURN) turns++
    before = now
  }
  return turns
}
