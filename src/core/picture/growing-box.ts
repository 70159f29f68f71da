import type { Box } from '../space'

/** A box around more and more; as long as nothing grows it is the same object. */
export class GrowingBox {
  readonly low: [number, number, number] = [Infinity, Infinity, Infinity]
  readonly high: [number, number, number] = [-Infinity, -Infinity, -Infinity]
  private made: Box | undefined

  add({ min, max }: Box): void {
    for (let axis = 0; axis < 3; axis++) this.reach(axis, min[axis]!, max[axis]!)
  }

  /** @param boxes six numbers each, u @param row which of them */
  addRow(boxes: Float64Array, row: number): void {
    for (let axis = 0; axis < 3; axis++) this.reach(axis, boxes[row * 6 + axis]!, boxes[row * 6 + 3 + axis]!)
  }

  private reach(axis: number, low: number, high: number): void {
    if (low >= this.low[axis]! && high <= this.high[axis]!) return
    this.low[axis] = Math.min(this.low[axis]!, low)
    this.high[axis] = Math.max(this.high[axis]!, high)
    this.made = undefined
  }

  /** Nothing where nothing was added. */
  get box(): Box | undefined {
    if (this.low[0] > this.high[0]) return undefined
    return (this.made ??= { min: [...this.low], max: [...this.high] })
  }
}
