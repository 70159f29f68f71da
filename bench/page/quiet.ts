import { readFileSync } from 'node:fs'

/** Ticks of all processors since the machine started: those another machine took, and all. */
export interface Ticks {
  readonly taken: number
  readonly all: number
}

/** Reads the processors' ticks from `/proc/stat`; where there is none, nothing is known to be taken. */
export function ticks(): Ticks {
  try {
    const [, ...fields] = readFileSync('/proc/stat', 'utf8').split('\n', 1)[0]!.trim().split(/\s+/)
    // user, nice, system, idle, waiting, interrupts (two kinds), taken by other machines on the same computer
    const numbers = fields.slice(0, 8).map(Number)
    return { taken: numbers[7] ?? 0, all: numbers.reduce((sum, value) => sum + value, 0) }
  } catch {
    return { taken: 0, all: 1 }
  }
}

/** Share of the processors' time that other machines took between two readings, %. */
export const takenShare = (before: Ticks, after: Ticks): number =>
  (100 * (after.taken - before.taken)) / Math.max(1, after.all - before.all)

/** Time of one fixed sum on this machine now, ms: the middle of seven. Two tables compare where this compares. */
export function fixedSum(): number {
  const times = Array.from({ length: 7 }, () => {
    const start = performance.now()
    const values = new Float64Array(1 << 19)
    let seed = 1
    for (let i = 0; i < values.length; i++) {
      seed = (seed * 48271) % 2147483647
      values[i] = seed
    }
    values.sort()
    return performance.now() - start
  })
  return times.sort((a, b) => a - b)[3]!
}
