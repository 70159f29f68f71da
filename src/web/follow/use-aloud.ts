import { onUnmounted, ref, watch } from 'vue'
import type { Language } from '@core/language'

/** Reads the page that is open aloud, and each next one, until it is switched off. @param text of the page */
export function useAloud(text: () => string, language: Language) {
  const isThere = 'speechSynthesis' in globalThis
  const isOn = ref(false)

  function say(): void {
    if (!isThere) return
    speechSynthesis.cancel()
    const words = new SpeechSynthesisUtterance(text())
    words.lang = language
    speechSynthesis.speak(words)
  }
  function toggle(): void {
    isOn.value = !isOn.value
    if (isOn.value) say()
    else speechSynthesis.cancel()
  }
  watch(text, () => isOn.value && say())
  onUnmounted(() => isThere && speechSynthesis.cancel())
  return { isThere, isOn, say, toggle }
}
