import { LIMITS, type ModelDocument } from '@core/model'
import { say } from '../language'
import { toBytes, newState } from '../../workers/plan-messages'
import type { StoredModel } from '../storage/library'
import { useLibrary } from '../storage/open-library'

/** What a person can do to the models on the shelf. */
export function useShelfActs(refresh: () => Promise<void>, describe: () => Promise<void>) {
  async function duplicate(stored: StoredModel): Promise<void> {
    const name = say('stores.copy', { name: stored.name.slice(0, LIMITS.nameLength - 7) })
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
    void describe()
  }

  /** Puts a model into a folder, a new one where there is none of that name; an empty name takes it out. */
  async function putInFolder(id: string, name: string): Promise<void> {
    await (await useLibrary()).describe(id, { folder: name.trim().slice(0, LIMITS.nameLength) })
    await refresh()
  }

  /** Several models as one, in the order they are named. */
  async function collect(name: string, ids: readonly string[]): Promise<StoredModel> {
    const { makeCollection } = await import('./make-collection')
    const models: ModelDocument[] = []
    for (const id of ids) models.push(await documentOf(id))
    const model = makeCollection(name, models)
    const stored = await (await useLibrary()).add(name, toBytes(newState(model)))
    await refresh()
    void describe()
    return stored
  }

  return { collect, duplicate, remove, restore, documentOf, tryAgain, putInFolder }
}
