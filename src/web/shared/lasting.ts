import { useTimeoutFn } from '@vueuse/core'
import { ref, watch, type Ref } from 'vue'

/** What takes less than this, ms, is over before anybody could read of it. */
const NOTICED_MS = 300

/** Whether work has gone on long enough to be spoken of: what is over at once would only flicker. */
export function useLasting(isWorking: () => boolean, ms = NOTICED_MS): Readonly<Ref<boolean>> {
  const isLasting = ref(false)
  const { start, stop } = useTimeoutFn(() => (isLasting.value = true), ms, { immediate: false })
  watch(
    isWorking,
    (works) => {
      if (works) return start()
      stop()
      isLasting.value = false
    },
    { immediate: true, flush: 'sync' },
  )
  return isLasting
}
