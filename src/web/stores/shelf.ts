import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { Fault, faultLine, plainFault } from '@core/fault'
import { LIMITS, type ModelDocument } from '@core/model'
import { toBytes } from '../../workers/plan-messages'
import { openChangesChannel, type ChangesChannel } from '../storage/changes-channel'
import type { StoredModel } from '../storage/library'
import { useLibrary } from '../storage/open-library'
import { ReaderClient } from '../workers/reader-client'
import { addDemos } from './demos'
import { ShelfDescriber } from './shelf-describer'

/** The shelf: what stands on it, bringing in, and the quiet work of planning and picturing what has just come in. */
export const useShelf = defineStore('shelf', () => {
  const models = shallowRef<readonly StoredModel[]>([])
  const isLoaded = ref(false)
  const isLasting = ref(true)
  const problem = ref('')
  /** Name of the model being looked at, and how far. */
  const working = ref<{ name: string; fraction: number } | null>(null)
  /** A file that is being read. */
  const reading = ref('')

  const reader = new ReaderClient()
  let describer: ShelfDescriber | undefined
  let channel: ChangesChannel | undefined
  /** The shelf is on the screen. */
  let isOpen = false

  async function refresh(): Promise<void> {
    models.value = await (await useLibrary()).list()
  }

  async function load(): Promise<void> {
    isOpen = true
    try {
      const library = await useLibrary()
      isLasting.value = library.isLasting
      await library.forgetOldDeletions()
      if (await library.isNew()) await addDemos(library)
      await refresh()
      channel ??= openChangesChannel(() => void refresh())
      void describeNext()
    } catch (thrown) {
      problem.value = faultLine(plainFault(thrown))
    } finally {
      isLoaded.value = true
    }
  }

  /** Looks at one model after another whose picture is missing or of another revision. */
  async function describeNext(): Promise<void> {
    if (working.value || !isOpen) return
    const next = models.value.find((stored) => stored.describedAt !== stored.revision)
    if (!next) return
    working.value = { name: next.name, fraction: 0 }
    describer ??= new ShelfDescriber(await useLibrary())
    try {
      const isTold = await describer.describe(next, (fraction) => {
        if (working.value) working.value = { name: next.name, fraction }
      })
      if (!isTold) return
      await refresh()
    } catch (thrown) {
      problem.value = `${next.name}: ${faultLine(plainFault(thrown))}`
      return
    } finally {
      working.value = null
    }
    void describeNext()
  }

  /** Ends the looking; models without a picture are looked at when the shelf is opened again. */
  function stop(): void {
    describer?.close()
    describer = undefined
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
      void describeNext()
      return stored
    } finally {
      reading.value = ''
    }
  }

  async function duplicate(stored: StoredModel): Promise<void> {
    const name = `${stored.name.slice(0, LIMITS.nameLength - 7)}, copy`
    await (await useLibrary()).duplicate(stored.id, name, toBytes)
    await refresh()
  }

  async function remove(id: string): Promise<void> {
    await (await useLibrary()).remove(id)
    await refresh()
  }

  async function restore(id: string): Promise<void> {
    await (await useLibrary()).restore(id)
    await refresh()
  }

  /** The document of a model, to be saved as a file. */
  const documentOf = async (id: string): Promise<ModelDocument> => (await (await useLibrary()).open(id)).state.model

  /** What could not be painted is tried again. */
  async function tryAgain(id: string): Promise<void> {
    await (await useLibrary()).describe(id, { unpainted: '', describedAt: 0 })
    await refresh()
    void describeNext()
  }

  function close(): void {
    isOpen = false
    stop()
    channel?.close()
    channel = undefined
    working.value = null
  }

  const stopReading = (): void => reader.stop()

  return {
    models,
    isLoaded,
    isLasting,
    problem,
    working,
    reading,
    load,
    stop,
    stopReading,
    importFile,
    duplicate,
    remove,
    restore,
    documentOf,
    tryAgain,
    close,
  }
})
