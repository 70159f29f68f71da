import { Fault } from '@core/fault'
import type { ObjectStore } from './object-store'

/** The same store, whose failures are refusals that a person can read; what the store itself said goes to the log. */
export function tellingStore(store: ObjectStore, onTrouble: (error: Error) => void): ObjectStore {
  const telling = async <T>(act: () => Promise<T>, sentence: string): Promise<T> => {
    try {
      return await act()
    } catch (thrown) {
      onTrouble(thrown as Error)
      throw new Fault('no-store', sentence, { wayOut: 'Try again later.' })
    }
  }
  const writing = 'Booklets cannot be kept at the moment; nothing was changed.'
  const reading = 'Booklets cannot be read at the moment.'
  return {
    prepare: () => store.prepare(),
    get: (key) => telling(() => store.get(key), reading),
    put: (key, bytes) => telling(() => store.put(key, bytes), writing),
    delete: (key) => telling(() => store.delete(key), writing),
    list: (prefix) => telling(() => store.list(prefix), reading),
    probe: () => telling(() => store.probe(), writing),
    close: () => store.close(),
  }
}
