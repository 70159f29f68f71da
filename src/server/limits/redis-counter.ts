import { Redis } from 'ioredis'
import type { Counter } from './limits'
import { MemoryCounter } from './memory-counter'

const PREFIX = 'jump-rail:limit:'
/** Counting and its end are one act, so that no count is left without an end. */
const COUNT = `local n = redis.call('INCR', KEYS[1])
if n == 1 or redis.call('PTTL', KEYS[1]) < 0 then redis.call('PEXPIRE', KEYS[1], ARGV[1]) end
return { n, redis.call('PTTL', KEYS[1]) }`
const UNCOUNT = `if redis.call('EXISTS', KEYS[1]) == 1 then return redis.call('DECR', KEYS[1]) end
return 0`

/** Counts in a store that all servers share. While that cannot be reached, each server counts for itself: limits get wider, but stay. */
export class RedisCounter implements Counter {
  private readonly redis: Redis
  private readonly ownCounts = new MemoryCounter()

  constructor(address: string, onTrouble: (error: Error) => void = () => undefined) {
    this.redis = new Redis(address, { maxRetriesPerRequest: 1, connectTimeout: 2000, commandTimeout: 2000, enableOfflineQueue: true })
    this.redis.on('error', onTrouble)
  }

  async count(key: string, windowMs: number): Promise<{ count: number; leftMs: number }> {
    try {
      const [count, leftMs] = (await this.redis.eval(COUNT, 1, PREFIX + key, windowMs)) as [number, number]
      return { count, leftMs }
    } catch {
      return this.ownCounts.count(key, windowMs)
    }
  }

  async uncount(key: string): Promise<void> {
    try {
      await this.redis.eval(UNCOUNT, 1, PREFIX + key)
    } catch {
      await this.ownCounts.uncount(key)
    }
  }

  close(): Promise<void> {
    this.redis.disconnect()
    return Promise.resolve()
  }
}
