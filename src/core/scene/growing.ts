/** Whole numbers in a typed array that doubles when it is full: no boxing, and one copy at the end. */
export class GrowingInts {
  private values: Int32Array
  length = 0

  constructor(capacity = 1024) {
    this.values = new Int32Array(capacity)
  }

  push(value: number): void {
    if (this.length === this.values.length) this.grow(this.length + 1)
    this.values[this.length++] = value
  }

  /** Makes room for `count` more and returns where they begin; write them through `data`. */
  reserve(count: number): number {
    const from = this.length
    if (from + count > this.values.length) this.grow(from + count)
    this.length += count
    return from
  }

  /** The array behind; a later `push` or `reserve` may replace it. */
  get data(): Int32Array {
    return this.values
  }

  /** The numbers, without the room left over. */
  take(): Int32Array {
    return this.values.subarray(0, this.length)
  }

  private grow(least: number): void {
    const larger = new Int32Array(Math.max(least, this.values.length * 2))
    larger.set(this.values)
    this.values = larger
  }
}
