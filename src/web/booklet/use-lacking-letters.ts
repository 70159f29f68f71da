import { onUnmounted, ref, watch, type Ref } from 'vue'
import type { ModelDocument } from '@core/model'
import { lettersLackingIn } from '@press/index'
import { askPress } from './press-worker'

/** The letters in a model's words that no typeface of ours has; told before they are printed. */
export function useLackingLetters(model: () => ModelDocument | null): Ref<readonly string[]> {
  const lacking = ref<readonly string[]>([])
  let latest = 0
  watch(
    model,
    async (now) => {
      const mine = ++latest
      // Where a font cannot be loaded, printing says so itself.
      const found = now ? await lettersLackingIn(now, (letters) => askPress((press) => press.lacking(letters))).catch(() => []) : []
      if (mine === latest) lacking.value = found
    },
    { immediate: true },
  )
  onUnmounted(() => latest++)
  return lacking
}
