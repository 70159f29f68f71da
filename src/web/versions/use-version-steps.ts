import { computed, onUnmounted, shallowRef, watch } from 'vue'
import { useOpenModel } from '../stores/open-model'
import { VersionsClient } from '../workers/versions-client'

/** How many steps each version takes, planned in a worker while the table stands there already. */
export function useVersionSteps() {
  const open = useOpenModel()
  const planner = new VersionsClient()
  onUnmounted(() => planner.close())
  const steps = shallowRef<ReadonlyMap<string, number>>(new Map())
  watch(
    () => open.snapshot,
    async (snapshot) => {
      if (!snapshot || (snapshot.model.variants ?? []).length === 0) return
      const ids = ['', ...snapshot.model.variants!.map(({ id }) => id)]
      planner.stop()
      // What cannot be planned has no number: the rail says why as soon as it is shown.
      const counts = await planner.count(snapshot.state, ids).catch((): number[] => [])
      if (open.snapshot === snapshot) steps.value = new Map(counts.map((count, i) => [ids[i]!, count]))
    },
    { immediate: true },
  )
  return { steps: computed(() => steps.value) }
}
