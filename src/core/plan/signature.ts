import { memo } from '../memo'

/**
 * A set of nodes as one number that does not depend on order: the exclusive or of a number for each (Zobrist 1970, "A new
 * hashing method with application for game playing"). Two lanes of 26 bits make one whole number that JavaScript holds exactly;
 * different sets of the sizes met here agree by chance about once in 10¹⁵.
 */
export type Signature = number

export const NO_NODES: Signature = 0

const LANE = 2 ** 26

export function signatureWith(set: Signature, node: number): Signature {
  const high = Math.floor(set / LANE) ^ (scramble(node * 2 + 1) >>> 6)
  const low = (set % LANE) ^ (scramble(node * 2 + 2) >>> 6)
  return high * LANE + low
}

/** Of each node of an order, the set of those before it; at last the set of all. */
function signaturesBefore(order: ArrayLike<number>): Float64Array {
  const before = new Float64Array(order.length + 1)
  let high = 0
  let low = 0
  for (let i = 0; i < order.length; i++) {
    before[i] = high * LANE + low
    high ^= scramble(order[i]! * 2 + 1) >>> 6
    low ^= scramble(order[i]! * 2 + 2) >>> 6
  }
  before[order.length] = high * LANE + low
  return before
}

/** The nodes of all steps, and the set of those before each; worked out once for a list of steps. */
export interface OrderSets {
  readonly order: Int32Array
  readonly before: Float64Array
}

export const orderSets = memo((steps: readonly (readonly number[])[]): OrderSets => {
  const order = orderOf(steps)
  return { order, before: signaturesBefore(order) }
})

/** The nodes of all steps, one after another. */
function orderOf(steps: readonly (readonly number[])[]): Int32Array {
  let count = 0
  for (const step of steps) count += step.length
  const order = new Int32Array(count)
  let at = 0
  for (const step of steps) for (let i = 0; i < step.length; i++) order[at++] = step[i]!
  return order
}

/** Spreads a small number over 32 bits (the finaliser of MurmurHash3, Appleby 2011). */
function scramble(value: number): number {
  let h = Math.imul(value, 0x9e3779b1)
  h ^= h >>> 16
  h = Math.imul(h, 0x85ebca6b)
  h ^= h >>> 13
  h = Math.imul(h, 0xc2b2ae35)
  return (h ^ (h >>> 16)) >>> 0
}
