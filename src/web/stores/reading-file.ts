import { ref, shallowRef, type Ref } from 'vue'
import { plainFault, type PlainFault } from '@core/fault'
import type { Alias } from '@core/names'
import type { ReadChoices, ReadPreview } from '../../workers/plan-messages'
import { ReaderClient } from '../workers/reader-client'

/** A file that is looked at, with the files that came beside it. */
export interface OpenedFile {
  readonly name: string
  readonly bytes: Uint8Array
  readonly neighbours: ReadonlyMap<string, Uint8Array>
}

/** Reads one file again and again, as it is mended and told otherwise; only the last reading is shown. */
export function useReadingFile(file: Readonly<Ref<OpenedFile | undefined>>, names: () => readonly Alias[]) {
  const choices = shallowRef<ReadChoices>({})
  const preview = shallowRef<ReadPreview>()
  const fault = shallowRef<PlainFault>()
  const isReading = ref(false)
  const fraction = ref(0)
  const reader = new ReaderClient()
  let latest = 0

  async function read(): Promise<void> {
    const now = file.value
    if (!now) return
    const mine = ++latest
    isReading.value = true
    fraction.value = 0
    try {
      const beside = now.neighbours.size > 0 ? { neighbours: now.neighbours } : {}
      const found = await reader.read(now.bytes, now.name, { ...choices.value, names: [...names()], ...beside }, (share) => {
        if (mine === latest) fraction.value = share
      })
      if (mine !== latest) return
      preview.value = found
      fault.value = undefined
    } catch (thrown) {
      if (mine !== latest) return
      preview.value = undefined
      fault.value = plainFault(thrown)
    } finally {
      if (mine === latest) isReading.value = false
    }
  }

  function forget(): void {
    latest++
    isReading.value = false
    choices.value = {}
    preview.value = undefined
    fault.value = undefined
  }

  return { choices, preview, fault, isReading, fraction, read, forget, stop: (): void => reader.stop() }
}
