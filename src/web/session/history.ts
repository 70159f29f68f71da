import { computed, shallowRef, type ComputedRef } from 'vue'
import type { StoredChange } from '../storage/database'

/** A change as history knows it. */
export type HistoryEntry = Omit<StoredChange, 'model'>

export interface History {
  /** What undo would take back, in words; empty when there is nothing. */
  readonly undoLabel: ComputedRef<string>
  readonly redoLabel: ComputedRef<string>
  /** The change that undo takes back, or that redo makes again. */
  readonly undoable: ComputedRef<HistoryEntry | undefined>
  readonly redoable: ComputedRef<HistoryEntry | undefined>
  readonly cursor: ComputedRef<number>
  load(entries: readonly HistoryEntry[], cursor: number): void
  /** Notes a change; what was undone before is gone. With `replaces` the last change gives way to it. */
  push(change: Omit<HistoryEntry, 'number'>, replaces: boolean): void
  moveTo(cursor: number): void
  /** The oldest changes are no longer kept. */
  drop(count: number): void
}

/** Undo and redo as a list of changes and a place in it: the same list that is stored. */
export function createHistory(): History {
  const state = shallowRef<{ entries: readonly HistoryEntry[]; cursor: number }>({ entries: [], cursor: 0 })
  const find = (number: number): HistoryEntry | undefined => state.value.entries.find((entry) => entry.number === number)
  const undoable = computed(() => find(state.value.cursor))
  const redoable = computed(() => find(state.value.cursor + 1))

  return {
    undoable,
    redoable,
    undoLabel: computed(() => undoable.value?.label ?? ''),
    redoLabel: computed(() => redoable.value?.label ?? ''),
    cursor: computed(() => state.value.cursor),
    load(entries, cursor) {
      state.value = { entries, cursor }
    },
    push(change, replaces) {
      const { entries, cursor } = state.value
      const number = replaces ? cursor : cursor + 1
      state.value = { entries: [...entries.filter((entry) => entry.number < number), { ...change, number }], cursor: number }
    },
    moveTo(cursor) {
      state.value = { ...state.value, cursor }
    },
    drop(count) {
      const { entries } = state.value
      state.value = { ...state.value, entries: entries.slice(count) }
    },
  }
}
