import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { Fault, faultLine, plainFault } from '@core/fault'
import { LIMITS } from '@core/model'
import { openChangesChannel, type ChangesChannel } from '../storage/changes-channel'
import type { StoredModel } from '../storage/library'
import { useLibrary } from '../storage/open-library'
import { ReaderClient } from '../workers/reader-client'
import { addDemos } from './demos'
import { useDescribing } from './describing'
import { useShelfActs } from './shelf-acts'

/** The shelf: what stands on it, bringing in, and the quiet work of planning and picturing what has just come in. */
export const useShelf = defineStore('shelf', () => {
  const models = shallowRef<readonly StoredModel[]>([])
  const [isLoaded, isLasting, problem] = [ref(false), ref(true), ref('')]
  /** A file that is being read. */
  const reading = ref('')

  const reader = new ReaderClient()
  let channel: ChangesChannel | undefined

  async function refresh(): Promise<void> {
    models.value = await (await useLibrary()).list()
  }
  const describing = useDescribing({ models, problem, refresh })

  async function load(): Promise<void> {
    describing.open()
    try {
      const library = await useLibrary()
      isLasting.value = library.isLasting
      await library.forgetOldDeletions()
      if (await library.isNew()) await addDemos(library)
      await refresh()
      channel ??= openChangesChannel(() => void refresh())
      void describing.next()
    } catch (thrown) {
      problem.value = faultLine(plainFault(thrown))
    } finally {
      isLoaded.value = true
    }
  }

  /** Reads a file and puts it on the shelf. @throws Fault; then nothing has changed */
  async function importFile(file: File): Promise<StoredModel> {
    if (file.size > LIMITS.fileBytes)
      throw new Fault('too-large', 'The file is larger than 64 MiB.', { wayOut: 'Split the model into several files.' })
    reading.value = file.name
    try {
      const { name, bytes } = await reader.read(file)
      const stored = await (await useLibrary()).add(name, bytes)
      await refresh()
      void describing.next()
      return stored
    } finally {
      reading.value = ''
    }
  }

  function close(): void {
    describing.close()
    channel?.close()
    channel = undefined
  }

  return {
    models,
    isLoaded,
    isLasting,
    problem,
    working: describing.working,
    reading,
    load,
    stop: describing.stop,
    stopReading: (): void => reader.stop(),
    importFile,
    ...useShelfActs(refresh, describing.next),
    close,
  }
})
