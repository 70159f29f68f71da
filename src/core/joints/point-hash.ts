/** Lattice points with a code each: `at` three to a point, `code` one. */
export interface Points {
  readonly count: number
  readonly at: Int32Array
  readonly code: Uint8Array
}

/** Share of the slots that may be taken: beyond it, looking for a free one takes long. */
const FULL = 0.6

/**
 * A hash of some of the points of a table, with chains through `next` for those at the same place.
 *
 * Open addressing over typed arrays (Knuth 1973, The Art of Computer Programming 3, 6.4, linear probing): no objects, no
 * string keys, so joints of 100,000 parts cost tens of milliseconds. The keys stay in the table: of a large model they
 * are more than all else.
 */
export class PointHash {
  private readonly mask: number
  private readonly heads: Int32Array
  /** The point put at the same place before, or −1. */
  readonly next: Int32Array
  /** Slots looked at, as a measure of work. */
  probes = 0

  /** @param expected how many points will be put */
  constructor(
    private readonly points: Points,
    expected = points.count,
  ) {
    let size = 16
    while (size * FULL < expected) size *= 2
    this.mask = size - 1
    this.heads = new Int32Array(size).fill(-1)
    this.next = new Int32Array(Math.max(1, points.count)).fill(-1)
  }

  private slot(x: number, y: number, z: number, code: number): number {
    const { at, code: codes } = this.points
    let hash = Math.imul(x, 0x9e3779b1) ^ Math.imul(y, 0x85ebca77) ^ Math.imul(z, 0xc2b2ae3d) ^ Math.imul(code, 0x27d4eb2f)
    hash ^= hash >>> 15
    let slot = hash & this.mask
    for (;;) {
      this.probes++
      const head = this.heads[slot]!
      if (head < 0 || (at[head * 3] === x && at[head * 3 + 1] === y && at[head * 3 + 2] === z && codes[head] === code)) return slot
      slot = (slot + 1) & this.mask
    }
  }

  /** Puts a point of the table. */
  put(point: number): void {
    const { at, code: codes } = this.points
    const slot = this.slot(at[point * 3]!, at[point * 3 + 1]!, at[point * 3 + 2]!, codes[point]!)
    this.next[point] = this.heads[slot]!
    this.heads[slot] = point
  }

  /** @returns the last point put at the place, or −1; follow `next` for the others. */
  first(x: number, y: number, z: number, code: number): number {
    return this.heads[this.slot(x, y, z, code)]!
  }
}
