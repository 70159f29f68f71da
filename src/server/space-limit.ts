import { Fault } from '@core/fault'

/** How much one address may publish in a while, bytes. Kept in memory: a server that starts again begins to count anew. */
export class SpaceLimit {
  private readonly used = new Map<string, { bytes: number; since: number }>()

  constructor(
    private readonly most: number,
    private readonly windowMs: number,
    private readonly now: () => number = Date.now,
  ) {}

  /** @throws Fault `too-much`; then nothing is counted */
  take(address: string, bytes: number): void {
    const now = this.now()
    for (const [known, { since }] of this.used) if (now - since > this.windowMs) this.used.delete(known)
    const entry = this.used.get(address) ?? { bytes: 0, since: now }
    if (entry.bytes + bytes > this.most)
      throw new Fault('too-much', 'So much was published from this address that it must rest.', { wayOut: 'Try again in an hour.' })
    this.used.set(address, { bytes: entry.bytes + bytes, since: entry.since })
  }
}
