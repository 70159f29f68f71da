import { createMoving } from './hand-moving'
import { createPutting } from './hand-putting'
import { createHandState } from './hand-state'
import { createTaking } from './hand-taking'
import type { BenchSection } from './use-section'

/** The hand over the bench: it holds pieces or sections, moves them, and puts them down as commands. */
export function useHand(on: BenchSection, onPut: (ids: readonly string[]) => void) {
  const state = createHandState(on)
  const { held, ghosts, verdict, box, stride } = state
  return {
    held,
    ghosts,
    verdict,
    box,
    stride,
    ...createTaking(on, state),
    ...createMoving(on, state),
    ...createPutting(on, state, onPut),
  }
}

export type BenchHand = ReturnType<typeof useHand>
