import type { Counter } from './limits'

/** Keys that are over are swept when so many are known. */
const SWEEP = 10_000

/** Counts in this server alone: one that starts again begins anew. */
export class MemoryCounter implements Counter {
  private readonly counts = new Map<string, { count: number; until: number }>()

  constructor(private readonly now: () => number = Date.now) {}

  count(key: string, windowMs: number): Promise<{ count: number; leftMs: number }> {
    const now = this.now()
    if (this.counts.size > SWEEP) for (const [known, { until }] of this.counts) if (until <= now) this.counts.delete(known)
    let entry = this.counts.get(key)
    if (!entry || entry.until <= now) this.counts.set(key, (entry = { count: 0, until: now + windowMs }))
    entry.count++
    return Promise.resolve({ count: entry.count, leftMs: entry.until - now })
  }

  uncount(key: string): Promise<void> {
    const entry = this.counts.get(key)
    if (entry && entry.count > 0) entry.count--
    return Promise.resolve()
  }

  close(): Promise<void> {
    return Promise.resolve()
  }
}
