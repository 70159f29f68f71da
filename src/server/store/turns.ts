import { randomUUID } from 'node:crypto'
import { setTimeout as wait } from 'node:timers/promises'
import { Fault } from '@core/fault'
import type { ObjectStore } from './object-store'

export interface TurnTimes {
  /** A claim older than this was left by a server that has died, ms. */
  readonly lease: number
  /** Longest wait for a turn, ms. */
  readonly patience: number
}

const TIMES: TurnTimes = { lease: 10_000, patience: 30_000 }
/** Work that would begin later than this part of its lease is given up. */
const SAFE_SHARE = 0.7

/**
 * One after another, among any number of servers that share nothing but the store. Whoever wants to change a thing writes a claim
 * beside it and looks who else did. Of two whose claims stand at once, at least the later one sees the other, and whoever sees
 * another steps back and tries again: never do two go on (the first half of Lamport's bakery, 1974, without its numbers). Stores
 * need not compare and swap for this; listing must show what was written before, as folders and S3 (since 2020) do.
 * Within one server they queue, so that they do not step back from each other.
 */
export class Turns {
  private readonly queues = new Map<string, Promise<unknown>>()

  constructor(
    private readonly store: ObjectStore,
    private readonly times: TurnTimes = TIMES,
  ) {}

  /**
   * Does `act` while nobody else does anything under `key`. It is short: what takes long is prepared before.
   * @param act is given `assertTurn`, to be called right before what it writes
   * @throws Fault `booklet-busy` when no turn comes in time, or the turn has taken too long
   */
  take<T>(key: string, act: (assertTurn: () => void) => Promise<T>): Promise<T> {
    const before = this.queues.get(key) ?? Promise.resolve()
    const turn = before.then(() => this.claim(key, act))
    const settled = turn.catch(() => undefined)
    this.queues.set(key, settled)
    void settled.then(() => {
      if (this.queues.get(key) === settled) this.queues.delete(key)
    })
    return turn
  }

  private async claim<T>(key: string, act: (assertTurn: () => void) => Promise<T>): Promise<T> {
    const folder = `${key}/turn/`
    const asked = Date.now()
    for (let attempt = 0; Date.now() - asked < this.times.patience; attempt++) {
      const since = Date.now()
      const mine = `${folder}${since}-${randomUUID()}`
      await this.store.put(mine, '')
      try {
        if (await this.isAlone(folder, mine)) return await act(() => this.assertTurn(since))
      } finally {
        await this.store.delete(mine)
      }
      await wait(10 + Math.random() * Math.min(1000, 20 * 2 ** attempt))
    }
    throw busy()
  }

  private async isAlone(folder: string, mine: string): Promise<boolean> {
    let isAlone = true
    for (const claim of await this.store.list(folder)) {
      if (claim === mine) continue
      const since = Number.parseInt(claim.slice(folder.length), 10)
      if (Date.now() - since > this.times.lease) await this.store.delete(claim)
      else isAlone = false
    }
    return isAlone
  }

  private assertTurn(since: number): void {
    if (Date.now() - since > this.times.lease * SAFE_SHARE) throw busy()
  }
}

const busy = (): Fault =>
  new Fault('booklet-busy', 'Too much happens to this booklet at once.', { wayOut: 'Try again in a moment; nothing was changed.' })
