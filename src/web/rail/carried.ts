import { shallowRef } from 'vue'
import type { PieceCount } from '@core/count'

/** What is dragged over the rail from outside of its lanes: the pieces of a tray's row, or a lane by its name. */
export type Carried = { readonly kind: 'pieces'; readonly piece: PieceCount } | { readonly kind: 'lane'; readonly section: string }

const carried = shallowRef<Carried | null>(null)

/** One thing is dragged at a time, whichever part of the page it comes from. */
export function useCarried() {
  return {
    carried,
    /** Begins to drag; browsers want something to carry. */
    carry: (event: DragEvent, what: Carried): void => {
      carried.value = what
      event.dataTransfer?.setData('text/plain', what.kind)
    },
    letGo: (): void => void (carried.value = null),
  }
}
