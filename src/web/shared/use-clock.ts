import { useNow } from '@vueuse/core'
import { computed, ref } from 'vue'

/** A clock that is taken from step to step, and stands still while it is paused. */
export function useClock() {
  const now = useNow({ interval: 500 })
  const since = ref(Date.now())
  const isPaused = ref(false)
  /** Seconds that ran since it was taken last. */
  const running = computed(() => (isPaused.value ? 0 : Math.max(0, (now.value.getTime() - since.value) / 1000)))

  /** The seconds until now; it begins anew. */
  function take(): number {
    const seconds = isPaused.value ? 0 : (Date.now() - since.value) / 1000
    since.value = Date.now()
    return seconds
  }
  function goOn(): void {
    since.value = Date.now()
    isPaused.value = false
  }
  return { running, isPaused, take, goOn, pause: (): void => void (isPaused.value = true) }
}
