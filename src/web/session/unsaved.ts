import { computed, ref, shallowReactive, type ComputedRef, type Ref } from 'vue'

/** Where what a person has done is on its way to the store: nothing of it may be lost without a word. */
type Unsaved = 'nothing' | 'typed' | 'waiting' | 'saving' | 'failed'

export interface UnsavedWork {
  readonly state: ComputedRef<Unsaved>
  /** A text that is being typed; the function hands it over as a command. @returns takes the text off */
  typed(handOver: () => void): () => void
  /** Hands over all that is typed. */
  flush(): void
}

/** The one owner of the question whether all is saved: what is typed, queued, under way, failed. */
export function createUnsavedWork(waiting: Readonly<Ref<number>>, saving: Readonly<Ref<'saved' | 'saving' | 'failed'>>): UnsavedWork {
  const texts = shallowReactive(new Set<() => void>())
  return {
    state: computed(() => {
      if (saving.value === 'failed') return 'failed'
      if (texts.size > 0) return 'typed'
      if (waiting.value > 0) return 'waiting'
      return saving.value === 'saving' ? 'saving' : 'nothing'
    }),
    typed(handOver) {
      texts.add(handOver)
      return () => void texts.delete(handOver)
    },
    flush() {
      for (const handOver of [...texts]) handOver()
    },
  }
}

/** Where no model is open, nothing is unsaved. */
export const nothingUnsaved = (): UnsavedWork => createUnsavedWork(ref(0), ref('saved'))
