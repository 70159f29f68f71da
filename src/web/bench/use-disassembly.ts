import { computed, ref, shallowRef, watch } from 'vue'
import { Disassembly, keepDisassembly, plannedRemovals, type Stuck, type TakenOff } from '@core/plan'
import { say } from '../language'
import { useOpenModel } from '../stores/open-model'
import { remember, remembered } from './taken-memory'
import type { BenchSection } from './use-section'
import { useSliding } from './use-sliding'

/** How far the section is apart. */
function createState(on: BenchSection) {
  const open = useOpenModel()
  const at = shallowRef<Disassembly>()
  /** Counts what was taken off and put back: the disassembly itself is no value. */
  const version = ref(0)
  const stuck = shallowRef<(Stuck & { readonly ids: readonly string[] }) | null>(null)
  const last = shallowRef<TakenOff | null>(null)
  /** So many were off at the place that is looked at; all that are off where nobody looks back. */
  const looked = ref<number | null>(null)

  const place = computed(() => `jump-rail taken apart ${open.id} ${on.id.value}`)
  const taken = computed(() => {
    void version.value
    return at.value ? [...at.value.taken] : []
  })
  const left = computed(() => {
    void version.value
    return at.value?.left ?? 0
  })
  /** What is there at the place looked at, by id. */
  const present = computed(() => {
    const off = new Set(taken.value.slice(0, looked.value ?? taken.value.length).flatMap(({ ids }) => ids))
    return new Set(on.nodes.value.map(({ id }) => id).filter((id) => !off.has(id)))
  })

  /** Begins anew with what stands on the bench, and takes off again what was off before. */
  function begin(): void {
    stuck.value = null
    last.value = null
    looked.value = null
    if (!on.model.value) return
    const plans = open.report?.sections ?? []
    const plan = plans.find(({ id }) => id === on.id.value)
    const fresh = new Disassembly(on.model.value, on.id.value, plan && plannedRemovals(plan, plans))
    for (const ids of remembered(place.value)) if (fresh.take(ids).kind === 'stuck') break
    at.value = fresh
    version.value++
  }
  watch([() => open.snapshot?.version, on.id], begin, { immediate: true })

  return { at, version, stuck, last, looked, place, taken, left, present, begin }
}

type DisassemblyState = ReturnType<typeof createState>

/** What a person does: takes off, puts back. */
function createActs(on: BenchSection, { at, version, stuck, last, looked, place, taken }: DisassemblyState) {
  const { sliding, slide } = useSliding(on)

  function keep(): void {
    version.value++
    remember(
      place.value,
      taken.value.map(({ ids }) => ids),
    )
  }

  /** @returns whether it came off */
  function take(ids: readonly string[]): boolean {
    looked.value = null
    const answer = at.value?.take(ids)
    if (!answer) return false
    if (answer.kind === 'stuck') {
      stuck.value = { ...answer, ids }
      return false
    }
    ;[stuck.value, last.value] = [null, answer.taken]
    slide(answer.taken)
    keep()
    return true
  }
  /** @returns whether anything came off */
  const suggest = (): boolean => {
    const ids = at.value?.suggest()
    return ids !== undefined && take(ids)
  }
  /** Takes off all that is left as the planner would. @returns how many came off */
  function takeRest(): number {
    let count = 0
    for (let ids = at.value?.suggest(); ids; ids = at.value?.suggest()) {
      if (at.value!.take(ids).kind === 'stuck') break
      count++
    }
    stuck.value = null
    keep()
    return count
  }
  function putBack(): boolean {
    stuck.value = null
    looked.value = null
    const back = at.value?.putBack()
    last.value = at.value?.taken.at(-1) ?? null
    if (back) keep()
    return back !== undefined
  }
  return { sliding, take, suggest, takeRest, putBack }
}

/** What ends the taking apart: all forgotten, or the order kept. */
function createEnds(on: BenchSection, { at, place, begin }: DisassemblyState) {
  const open = useOpenModel()
  const startAgain = (): void => {
    remember(place.value, null)
    begin()
  }

  /** Makes the order the section's own, turned round. @returns whether it was made */
  async function keepOrder(): Promise<boolean> {
    const disassembly = at.value
    if (!disassembly) return false
    const section = on.id.value
    const forgotten = place.value
    const isDone = await open.edit(say('bench.takeTheOrderFromTaking'), (model) => keepDisassembly(model, section, disassembly), {
      fresh: [section],
    })
    if (isDone) remember(forgotten, null)
    return isDone
  }

  return { startAgain, keepOrder }
}

/** Taking a section apart by hand; what is off is remembered until the order is kept, also over a reload. */
export function useDisassembly(on: BenchSection) {
  const state = createState(on)
  const { taken, left, present, stuck, last, looked } = state
  return { taken, left, present, stuck, last, looked, ...createActs(on, state), ...createEnds(on, state) }
}
