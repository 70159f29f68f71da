import { computed, nextTick, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { sectionChoices } from '../shared/choices'
import type { ModelSight } from './model-picture'
import type { BenchSection } from './use-section'

/** The address says which section is shown, and the choice of another goes there. */
export function useAddress(on: BenchSection, sight: () => ModelSight | undefined) {
  const route = useRoute()
  const router = useRouter()
  watch(
    () => route.query['section'],
    (asked) => {
      if (typeof asked === 'string') on.sectionId.value = asked
    },
    { immediate: true },
  )
  function show(id: string): void {
    if (id === on.id.value) return
    on.sectionId.value = id
    void router.replace({ query: { section: id } })
    void nextTick(() => sight()?.fit())
  }
  return { sections: computed(() => sectionChoices(on.model.value)), show }
}
