import { ref, shallowRef, type Ref, type ShallowRef } from 'vue'
import { betterWords, worthOfPlan } from '@core/pipeline'
import { screenAdvice } from '../language'
import { fromBytes, toBytes, type Printed } from '../../workers/plan-messages'
import type { PlannerLike } from '../workers/planner-client'
import { makeSnapshot, type Snapshot } from './snapshot'

/** A better order that was found: it is looked at and taken, or left; it never takes the place of the one on screen by itself. */
interface Offer {
  /** "36 steps instead of 39, nearer together". */
  readonly words: string
  /** As it would be shown; of the same state but for the order. */
  readonly snapshot: Snapshot
}

export interface Offers {
  /** How far the search is, 0 to 1; null when none is under way. */
  readonly fraction: Readonly<Ref<number | null>>
  readonly offer: Readonly<ShallowRef<Offer | null>>
  /** Looks for a better order of what is shown; an offer of something else is gone. */
  search(shown: Snapshot): Promise<void>
  /** Ends the search, and takes the offer away: what is shown has changed. */
  drop(): void
}

/** Searches in a planner of its own, so that edits never wait for it. */
export function createOffers(makePlanner: () => PlannerLike): Offers {
  const fraction = ref<number | null>(null)
  const offer = shallowRef<Offer | null>(null)
  let searcher: PlannerLike | undefined

  function drop(): void {
    searcher?.close()
    searcher = undefined
    fraction.value = null
    offer.value = null
  }

  return {
    fraction,
    offer,
    drop,
    async search(shown) {
      drop()
      if (shown.settings.effort === 'quick') return
      const mine = (searcher = makePlanner())
      fraction.value = 0
      const now = worthOfPlan(shown.report)
      try {
        const found = await mine.better(toBytes({ ...shown.state, order: {} }), now, (part) => {
          if (searcher === mine) fraction.value = part
        })
        if (searcher !== mine || !found) return
        const snapshot = makeSnapshot(shown.version, shown.state, fromBytes<Printed>(found.printed))
        offer.value = { words: betterWords(now, found.worth, screenAdvice()), snapshot }
      } catch {
        // Stopped, or ended by itself: the order that is shown stands as it is.
      } finally {
        if (searcher === mine) {
          mine.close()
          searcher = undefined
          fraction.value = null
        }
      }
    },
  }
}
