import type { Window } from './g-buffer'
import type { PictureSize } from './view'

/** Side of a cell, px. */
const CELL = 40

/** Which parts can reach into which cell of a picture, so that a window asks only those near it. */
export class PictureGrid {
  private readonly across: number
  private readonly down: number
  private readonly cells: number[][]
  private readonly seen: Int32Array
  private asked = 0

  /** @param reaches of each part left, top, right, bottom, px, `stride` numbers apart */
  constructor(size: PictureSize, reaches: Float32Array, stride: number) {
    this.across = Math.ceil(size.width / CELL)
    this.down = Math.ceil(size.height / CELL)
    this.cells = Array.from({ length: this.across * this.down }, () => [])
    const count = reaches.length / stride
    this.seen = new Int32Array(count)
    for (let part = 0; part < count; part++) {
      const at = part * stride
      const window = { left: reaches[at]!, top: reaches[at + 1]!, right: reaches[at + 2]!, bottom: reaches[at + 3]! }
      this.eachCell(window, (cell) => cell.push(part))
    }
  }

  /** Each part that may reach into the window, once, in the order of their numbers within a cell. */
  partsIn(window: Window): number[] {
    const stamp = ++this.asked
    const found: number[] = []
    this.eachCell(window, (cell) => {
      for (const part of cell) {
        if (this.seen[part] === stamp) continue
        this.seen[part] = stamp
        found.push(part)
      }
    })
    return found
  }

  private eachCell({ left, top, right, bottom }: Window, visit: (cell: number[]) => void): void {
    const from = Math.max(0, Math.floor(left / CELL))
    const to = Math.min(this.across - 1, Math.floor(right / CELL))
    const last = Math.min(this.down - 1, Math.floor(bottom / CELL))
    for (let row = Math.max(0, Math.floor(top / CELL)); row <= last; row++)
      for (let column = from; column <= to; column++) visit(this.cells[row * this.across + column]!)
  }
}
