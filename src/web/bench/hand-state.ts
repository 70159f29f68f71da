import { computed, shallowRef } from 'vue'
import { handBox, heldParts, type Hand } from '@core/placing'
import { add, type Box, type Vec } from '@core/space'
import type { BenchSection } from './use-section'

/** What is in the hand: something new, what was taken up, or more of it. */
export interface InHand {
  readonly kind: 'new' | 'moved' | 'copied'
  readonly hand: Hand
  readonly at: Vec
  /** In words: "Brick 2 × 4, slate". */
  readonly title: string
  /** Of what was taken up: its ids. */
  readonly ids: ReadonlySet<string>
  /** It goes where it is sent, and no longer comes down on what stands below. */
  readonly isAloft: boolean
  /** It was put down just here. */
  readonly isPut: boolean
  /** How many are still to be put down; without end where nobody said. */
  readonly left: number
}

export const NOBODY: ReadonlySet<string> = new Set()

/** What is held over the bench, and what would be so if it were put down there. */
export function createHandState(on: BenchSection) {
  const held = shallowRef<InHand | null>(null)
  /** From the place before the last to the last. */
  const stride = shallowRef<Vec | null>(null)
  const lastPut = shallowRef<{ readonly at: Vec; readonly title: string } | null>(null)

  const ghosts = computed(() => (held.value ? heldParts(held.value.hand, held.value.at, on.catalogue.value) : []))
  const movedIds = computed(() => (held.value?.kind === 'moved' ? held.value.ids : NOBODY))
  const verdict = computed(() => (held.value && ghosts.value.length > 0 ? on.judge.value.judge(ghosts.value, movedIds.value) : null))
  const box = computed<Box | null>(() => {
    if (!held.value) return null
    const { min, max } = handBox(held.value.hand)
    return { min: add(min, held.value.at), max: add(max, held.value.at) }
  })
  /** Down, or up, to what stands there. */
  function landed(hand: Hand, at: Vec, except: ReadonlySet<string> = NOBODY): Vec {
    const { min, max } = handBox(hand)
    return [at[0], at[1], on.judge.value.topUnder({ min: add(min, at), max: add(max, at) }, except)]
  }
  const change = (next: Partial<InHand>): void => {
    if (held.value) held.value = { ...held.value, isPut: false, ...next }
  }
  return { held, stride, lastPut, ghosts, movedIds, verdict, box, landed, change }
}

export type HandState = ReturnType<typeof createHandState>
