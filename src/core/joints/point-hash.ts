/**
 * A hash of lattice points to the last value put there, with chains through `next`.
 *
 * Open addressing over typed arrays (Knuth 1973, The Art of Computer Programming 3, 6.4, linear probing): no objects, no
 * string keys, so joints of 100,000 parts cost tens of milliseconds.
 */
export class PointHash {
  private readonly mask: number
  private readonly keys: Int32Array
  private readonly heads: Int32Array
  /** The value put at the same point before, or −1. */
  readonly next: Int32Array
  /** Slots looked at, as a measure of work. */
  probes = 0

  constructor(capacity: number) {
    let size = 16
    while (size < capacity * 2) size *= 2
    this.mask = size - 1
    this.keys = new Int32Array(size * 4)
    this.heads = new Int32Array(size).fill(-1)
    this.next = new Int32Array(Math.max(1, capacity)).fill(-1)
  }

  private slot(x: number, y: number, z: number, w: number): number {
    let hash = Math.imul(x, 0x9e3779b1) ^ Math.imul(y, 0x85ebca77) ^ Math.imul(z, 0xc2b2ae3d) ^ Math.imul(w, 0x27d4eb2f)
    hash ^= hash >>> 15
    let slot = hash & this.mask
    for (;;) {
      this.probes++
      if (this.heads[slot]! < 0) return slot
      const key = slot * 4
      const { keys } = this
      if (keys[key] === x && keys[key + 1] === y && keys[key + 2] === z && keys[key + 3] === w) return slot
      slot = (slot + 1) & this.mask
    }
  }

  put(x: number, y: number, z: number, w: number, value: number): void {
    const slot = this.slot(x, y, z, w)
    const key = slot * 4
    this.keys[key] = x
    this.keys[key + 1] = y
    this.keys[key + 2] = z
    this.keys[key + 3] = w
    this.next[value] = this.heads[slot]!
    this.heads[slot] = value
  }

  /** @returns the last value put at the point, or −1; follow `next` for the others. */
  first(x: number, y: number, z: number, w: number): number {
    return this.heads[this.slot(x, y, z, w)]!
  }
}
