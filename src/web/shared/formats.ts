import { shallowRef } from 'vue'
import type { WritableFormat } from '@core/formats'

/** Formats of model files as the page shows them; empty until `loadFormats` has come through. */
export const formats = shallowRef<{ readonly readable: readonly string[]; readonly writable: readonly WritableFormat[] }>({
  readable: [],
  writable: [],
})

const painted = (): Promise<void> => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))

/** Loads the readers and writers of files, a third of the first download, once there is something to read. */
export async function loadFormats(): Promise<void> {
  await painted()
  const { READABLE, WRITABLE } = await import('@core/formats')
  formats.value = { readable: READABLE, writable: WRITABLE }
}
