import { useEventListener, useWakeLock } from '@vueuse/core'

/** The screen stays on while somebody builds, from the first touch or key on; where the browser can. */
export function useAwake(): void {
  const { isSupported, isActive, request } = useWakeLock()
  const ask = (): void => {
    // A device that is short of power may refuse: then it goes dark as it always does.
    if (isSupported.value && !isActive.value) void request('screen').catch(() => undefined)
  }
  useEventListener(window, 'pointerdown', ask, { passive: true })
  useEventListener(window, 'keydown', ask)
}
