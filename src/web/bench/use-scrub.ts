import { computed, shallowRef, watch } from 'vue'
import { walkRail, type Walk } from '@core/booklet'
import { broughtBySteps } from '@core/plan'
import { lockedSteps, marksOf } from '../rail/rail-keys'
import { useOpenModel } from '../stores/open-model'
import type { BenchSection } from './use-section'

/** The rail under the bench: choosing a step shows its section as it stands after that step. */
export function useScrub(on: BenchSection) {
  const open = useOpenModel()
  const layout = computed(() => open.snapshot!.layout)
  /** The step looked at, from 0, and its section; the last one where nobody looks back. */
  const chosen = shallowRef<{ readonly section: string; readonly step: number } | null>(null)
  const row = computed(() =>
    Math.max(
      0,
      layout.value.lanes.findIndex((lane) => lane.section === on.id.value),
    ),
  )
  const last = computed(() => Math.max(0, (layout.value.lanes[row.value]?.ties.length ?? 1) - 1))
  const step = computed(() => (chosen.value?.section === on.id.value ? Math.min(chosen.value.step, last.value) : last.value))

  /** What is there after the step, by id; all where it is the last. */
  const present = computed(() => {
    const plans = open.report?.sections ?? []
    const plan = plans.find((section) => section.id === on.id.value)
    if (!plan || step.value >= last.value) return null
    return new Set(
      broughtBySteps(plan, plans)
        .slice(0, step.value + 1)
        .flat(2),
    )
  })
  watch(present, (ids) => (on.present.value = ids))
  // Whoever asks for everything looks back no more.
  watch(on.present, (ids) => {
    if (ids === null) chosen.value = null
  })

  /** @returns the section that the step belongs to; a derived one stands in its base, which is shown whole */
  function go(toRow: number, toStep: number): string {
    const { section } = layout.value.lanes[toRow]!
    const isOfDocument = open.model!.sections.some(({ id }) => id === section)
    chosen.value = isOfDocument ? { section, step: toStep } : null
    return isOfDocument ? section : on.id.value
  }
  function walk(way: Walk): string {
    const next = walkRail(layout.value, row.value, step.value, way)
    return go(next.row, next.step)
  }
  return {
    layout,
    row,
    step,
    go,
    walk,
    marks: computed(() => marksOf(open.report!.findings)),
    locked: computed(() => lockedSteps(open.snapshot!)),
  }
}
