import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { plainFault } from '@core/fault'
import type { ModelDocument } from '@core/model'
import { faultText, say } from '../language'
import { toBytes, newState } from '../../workers/plan-messages'
import { openChangesChannel, type ChangesChannel } from '../storage/changes-channel'
import type { StoredModel } from '../storage/library'
import { useLibrary } from '../storage/open-library'
import { useDescribing } from './describing'
import { useShelfActs } from './shelf-acts'

/** The shelf: what stands on it, bringing in, and the quiet work of planning and picturing what has just come in. */
export const useShelf = defineStore('shelf', () => {
  const models = shallowRef<readonly StoredModel[]>([])
  const [isLoaded, isLasting, problem] = [ref(false), ref(true), ref('')]
  let channel: ChangesChannel | undefined

  let asked = 0
  /** What was asked for last is shown, whatever is answered last. */
  async function refresh(): Promise<void> {
    const mine = ++asked
    const list = await (await useLibrary()).list()
    if (mine === asked) models.value = list
  }
  const describing = useDescribing({ models, problem, refresh })

  async function load(): Promise<void> {
    describing.open()
    try {
      const library = await useLibrary()
      isLasting.value = library.isLasting
      await library.forgetOldDeletions()
      if (await library.isNew()) await (await import('./demos')).addDemos(library)
      await refresh()
      channel ??= openChangesChannel(() => void refresh())
      void describing.begin(library)
    } catch (thrown) {
      problem.value = faultText(plainFault(thrown))
    } finally {
      isLoaded.value = true
    }
  }

  /** A model with nothing in it yet, to be filled. */
  async function addNew(): Promise<StoredModel> {
    const name = say('common.newModel')
    const model: ModelDocument = {
      format: 'jump-rail-model',
      version: 1,
      name,
      root: 'main',
      sections: [{ id: 'main', name: say('stores.main'), parts: [] }],
    }
    const stored = await (await useLibrary()).add(name, toBytes(newState(model)))
    await refresh()
    return stored
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
    load,
    stop: describing.stop,
    addNew,
    ...useShelfActs(refresh, describing.next),
    close,
  }
})
