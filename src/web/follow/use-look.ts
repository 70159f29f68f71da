import { useLocalStorage } from '@vueuse/core'
import { computed, watchEffect } from 'vue'

/** How a builder likes the booklet, kept on the device. */
export interface Look {
  readonly isLarge: boolean
  readonly isDark: boolean
  readonly isLeftHand: boolean
}

const PLAIN: Look = { isLarge: false, isDark: false, isLeftHand: false }

/** How the page looks: large letters and buttons, dark, for the left hand. */
export function useLook() {
  const kept = useLocalStorage<Partial<Look>>('jump-rail-look', {})
  const look = computed((): Look => ({
    isLarge: kept.value.isLarge === true,
    isDark: kept.value.isDark === true,
    isLeftHand: kept.value.isLeftHand === true,
  }))
  watchEffect(() => {
    document.documentElement.classList.toggle('large', look.value.isLarge)
    document.documentElement.classList.toggle('dark', look.value.isDark)
  })
  const choose = (change: Partial<Look>): void => void (kept.value = { ...PLAIN, ...look.value, ...change })
  return { look, choose }
}
