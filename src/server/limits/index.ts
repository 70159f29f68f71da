import type { Counter } from './limits'
import { MemoryCounter } from './memory-counter'

/** Limits: how often one address may do something. */
export { addressKey, Limits, LIMITS_BY_ADDRESS, TooOften, type Counter, type Limit, type LimitName } from './limits'
export { MemoryCounter } from './memory-counter'

/** Opens the counter that the environment names: `redis://…`, or else one of this server alone. */
export async function openCounter(name: string | undefined, onTrouble: (error: Error) => void): Promise<Counter> {
  if (name === undefined || name === '') return new MemoryCounter()
  const { RedisCounter } = await import('./redis-counter')
  return new RedisCounter(name, onTrouble)
}
