import { ENOUGH } from './visibility-meter'
import { HOME, type StepLook } from './look'
import type { ViewNumber } from './view'

/** What a reader pays for: turning the model in the mind; a small picture beside the large one; a part that nothing shows. */
const CHANGE = 1
const INSET = 0.6
const HIDDEN = 4
/** So many steps on either side of one that is seen from elsewhere may be seen from there too. */
const REACH = 8

/** What a step (from 0) shows from one side. */
export type LookFrom = (step: number, view: ViewNumber) => StepLook

/**
 * Views that stay: for all steps of a rail together the cheapest sides to see them from, where a change of side has a price and a part
 * that shows from another side alone may be shown in an inset (dynamic programming over the rail, Viterbi 1967).
 *
 * @param best each step as it shows best, or from the side that somebody chose
 * @param chosen steps whose side is not free
 * @returns what each step shows from the side it is seen from
 */
export function steadyViews(best: readonly StepLook[], lookFrom: LookFrom, chosen: readonly (ViewNumber | undefined)[] = []): StepLook[] {
  const views = [...new Set<ViewNumber>([HOME, ...best.map(({ view }) => view)])]
  if (views.length < 2) return [...best]
  const looks = views.map((view) => candidates(view, best, lookFrom, chosen))
  // Costs so far of the last two steps by view, and by step the view that the cheapest way comes from.
  let before = new Float64Array(views.length)
  let costs = new Float64Array(views.length)
  const from = new Uint8Array(views.length * best.length)
  for (let step = 0; step < best.length; step++) {
    let least = 0
    for (let v = 1; v < views.length; v++) if (before[v]! < before[least]!) least = v
    const changed = before[least]! + (step === 0 ? 0 : CHANGE)
    for (let v = 0; v < views.length; v++) {
      const look = looks[v]![step]
      const stays = before[v]!
      const came = stays < changed || (stays === changed && v < least) ? v : least
      from[step * views.length + v] = came
      costs[v] = look ? Math.min(stays, changed) + (look === best[step] ? 0 : costOf(look, best[step]!)) : Infinity
    }
    ;[before, costs] = [costs, before]
  }
  const steady = new Array<StepLook>(best.length)
  let v = before.indexOf(Math.min(...before))
  for (let step = best.length - 1; step >= 0; step--) {
    steady[step] = looks[v]![step]!
    v = from[step * views.length + v]!
  }
  return steady
}

/**
 * What does not show costs an inset where the best side shows it, more where nothing does. One inset shows one side: it cannot make up
 * for this side and for what the best side does not show either.
 */
function costOf({ shares }: StepLook, best: StepLook): number {
  let [isInset, isPoorAnyway, hidden] = [false, false, 0]
  shares.forEach((share, i) => {
    if (share >= ENOUGH) return
    if (best.shares[i]! >= ENOUGH) isInset = true
    else isPoorAnyway = true
    if (best.shares[i]! < ENOUGH && best.shares[i]! > share) hidden++
  })
  return (isInset ? INSET : 0) + (isInset && isPoorAnyway ? HIDDEN : 0) + hidden * HIDDEN
}

/** What each step shows from one side, where that side comes into question: the usual one does everywhere, others near steps that need them. */
function candidates(
  view: ViewNumber,
  best: readonly StepLook[],
  lookFrom: LookFrom,
  chosen: readonly (ViewNumber | undefined)[],
): (StepLook | undefined)[] {
  let lastNeed = -Infinity
  const needBefore = best.map((look, step) => (lastNeed = look.view === view ? step : lastNeed))
  let nextNeed = Infinity
  const looks = new Array<StepLook | undefined>(best.length)
  for (let step = best.length - 1; step >= 0; step--) {
    if (best[step]!.view === view) nextNeed = step
    const isNear = step - needBefore[step]! <= REACH || nextNeed - step <= REACH
    if (best[step]!.view === view) looks[step] = best[step]
    else if (chosen[step] === undefined && (view === HOME || isNear)) looks[step] = lookFrom(step, view)
  }
  return looks
}
