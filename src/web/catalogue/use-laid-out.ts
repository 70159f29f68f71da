import { computed, onScopeDispose, ref, watch, type ComputedRef } from 'vue'
import { nextTask } from '../shared/next-task'

/** Some of a list go into the page in one task: few enough that keys are answered between. */
export const AT_ONCE = 16

interface ShapeGroup<Thing> {
  readonly title: string
  readonly shapes: readonly Thing[]
}

/** A group as far as it is laid out, and how many it has in all. */
interface LaidGroup<Thing> extends ShapeGroup<Thing> {
  readonly count: number
}

/** Hundreds of things in groups, laid out some at a time from the first on; from the first again when the groups change. */
export function useLaidOut<Thing>(groups: () => readonly ShapeGroup<Thing>[]): ComputedRef<LaidGroup<Thing>[]> {
  const laid = ref(AT_ONCE)
  let run = 0
  async function layOut(): Promise<void> {
    const mine = ++run
    laid.value = AT_ONCE
    const all = groups().reduce((sum, { shapes }) => sum + shapes.length, 0)
    for (await nextTask(); mine === run && laid.value < all; await nextTask()) laid.value += AT_ONCE
  }
  watch(groups, layOut, { immediate: true })
  onScopeDispose(() => run++)
  return computed(() => {
    let left = laid.value
    return groups().flatMap(({ title, shapes }) => {
      const shown = shapes.slice(0, Math.max(0, left))
      left -= shown.length
      return shown.length > 0 ? [{ title, shapes: shown, count: shapes.length }] : []
    })
  })
}
