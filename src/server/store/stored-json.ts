import { setTimeout as wait } from 'node:timers/promises'
import type { ObjectStore } from './object-store'

/** Tries, and how long after the first the second comes, ms; then twice as long each time. */
const TRIES = 5
const FIRST_WAIT_MS = 20

/**
 * A record as it is stored. A store may show half of one that is being written over, whatever it promises: then it is read again.
 * @throws SyntaxError where it stays half
 */
export async function getJson<Stored>(store: Pick<ObjectStore, 'get'>, key: string): Promise<Stored | undefined> {
  for (let attempt = 1; ; attempt++) {
    const bytes = await store.get(key)
    if (!bytes) return undefined
    try {
      return JSON.parse(bytes.toString('utf8')) as Stored
    } catch (thrown) {
      if (attempt === TRIES) throw thrown
      await wait(FIRST_WAIT_MS * 2 ** (attempt - 1))
    }
  }
}
