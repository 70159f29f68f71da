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
/** What a server has not used for so long belongs to one that is gone, ms. */
const FORGOTTEN_MS = 3600 * 1000
/** Work that would begin later than this part of its lease is given up. */
const SAFE_SHARE = 0.7

/**
 * One after another, among any number of servers that share nothing but the store. Each server has one object beside a thing, in
 * which it says whether it wants to change it; then it looks whether another does. Of two that want to at once, at least the later
 * one sees the other, and whoever sees another steps back and tries again: never do two go on (the first half of Lamport's bakery,
 * 1974, without its numbers). Stores need not compare and swap for this; reading and listing must show what was written before, as
 * folders and S3 (since 2020) do. The objects are written over, not deleted: stores stumble over what goes while they list it.
 * Within one server they queue, so that they do not step back from each other.
 */
export class Turns {
  private readonly queues = new Map<string, Promise<unknown>>()
  private readonly server = randomUUID()

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
    const mine = folder + this.server
    const asked = Date.now()
    for (let attempt = 0; Date.now() - asked < this.times.patience; attempt++) {
      if ((await this.others(folder, mine, asked)).length === 0) {
        const since = Date.now()
        await this.store.put(mine, `wanted ${since}`)
        try {
          if (await this.isFirst(folder, mine, { asked, since })) return await act(() => this.assertTurn(since))
        } finally {
          await this.release(mine)
        }
      }
      await wait(10 + Math.random() * Math.min(500, 20 * 2 ** attempt))
    }
    throw busy()
  }

  /** Whoever is first by name keeps its claim while the others step back, so that they do not step back from each other for ever. */
  private async isFirst(folder: string, mine: string, { asked, since }: { asked: number; since: number }): Promise<boolean> {
    while (Date.now() - since < (this.times.lease * SAFE_SHARE) / 2) {
      const others = await this.others(folder, mine, asked)
      if (others.length === 0) return true
      if (others.some((other) => other < mine)) return false
      await wait(10)
    }
    return false
  }

  /** What was done is done, also where this cannot be said: then the claim ends by its lease. */
  private async release(mine: string): Promise<void> {
    try {
      await this.store.put(mine, `free ${Date.now()}`)
    } catch {
      await this.store.delete(mine).catch(() => undefined)
    }
  }

  /** Claims of others that want to change it now. */
  private async others(folder: string, mine: string, asked: number): Promise<string[]> {
    const now = Date.now()
    const wanting: string[] = []
    for (const claim of await this.store.list(folder)) {
      if (claim === mine) continue
      const text = (await this.store.get(claim))?.toString('utf8') ?? ''
      const [, state, time] = /^(wanted|free) (\d+)$/.exec(text) ?? []
      const age = now - Number(time)
      if (state === 'free') {
        if (age > FORGOTTEN_MS) await this.store.delete(claim)
        // Half of one is being written, or was when its server died: it is waited for as long as for any.
      } else if (state === 'wanted' ? age <= this.times.lease : now - asked <= this.times.lease) wanting.push(claim)
    }
    return wanting
  }

  private assertTurn(since: number): void {
    if (Date.now() - since > this.times.lease * SAFE_SHARE) throw busy()
  }
}

const busy = (): Fault =>
  new Fault('booklet-busy', 'Too much happens to this booklet at once.', { wayOut: 'Try again in a moment; nothing was changed.' })
