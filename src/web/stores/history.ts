import { computed, shallowRef, type ShallowRef } from 'vue'

const MOST = 200

/** Undo and redo over whole documents, which share all that an edit does not touch. */
interface Entry<T> {
  readonly value: T
  readonly label: string
}

export function createHistory<T>() {
  const current: ShallowRef<T | null> = shallowRef(null)
  const past: ShallowRef<Entry<T>[]> = shallowRef([])
  const future: ShallowRef<Entry<T>[]> = shallowRef([])

  return {
    current,
    /** What undo would take back, in words; empty when there is nothing. */
    undoLabel: computed(() => past.value[past.value.length - 1]?.label ?? ''),
    redoLabel: computed(() => future.value[future.value.length - 1]?.label ?? ''),
    reset(value: T): void {
      current.value = value
      past.value = []
      future.value = []
    },
    push(value: T, label: string): void {
      if (current.value !== null) past.value = [...past.value.slice(-MOST + 1), { value: current.value, label }]
      future.value = []
      current.value = value
    },
    undo: () => step(past, future),
    redo: () => step(future, past),
  }

  /** Takes the last of one stack and puts what was current on the other. @returns whether there was one */
  function step(from: ShallowRef<Entry<T>[]>, to: ShallowRef<Entry<T>[]>): boolean {
    const entry = from.value[from.value.length - 1]
    if (!entry || current.value === null) return false
    to.value = [...to.value, { value: current.value, label: entry.label }]
    current.value = entry.value
    from.value = from.value.slice(0, -1)
    return true
  }
}
