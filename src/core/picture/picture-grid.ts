import type { Window } from './g-buffer'
import type { PictureSize } from './view'

/** Side of a cell, px: about a small part. */
const CELL = 20
/** What a part can reach: left, top, right, bottom, px, then its nearest and farthest depth, u. */
export const REACH = 6

/** Which parts can reach into which cell of a picture, the nearest first, so that a window asks only what may stand in front. */
export class PictureGrid {
  private readonly across: number
  private readonly down: number
  private readonly cells: number[][]
  private readonly seen: Int32Array
  private asked = 0

  /** @param reaches of each part six numbers, see `REACH` */
  constructor(
    size: PictureSize,
    private readonly reaches: Float32Array,
  ) {
    this.across = Math.ceil(size.width / CELL)
    this.down = Math.ceil(size.height / CELL)
    this.cells = Array.from({ length: this.across * this.down }, () => [])
    const count = reaches.length / REACH
    this.seen = new Int32Array(count)
    const nearestFirst = Int32Array.from({ length: count }, (_, part) => part).sort(
      (a, b) => reaches[a * REACH + 4]! - reaches[b * REACH + 4]! || a - b,
    )
    for (const part of nearestFirst) {
      const at = part * REACH
      const window = { left: reaches[at]!, top: reaches[at + 1]!, right: reaches[at + 2]!, bottom: reaches[at + 3]! }
      this.eachCell(window, (cell) => cell.push(part))
    }
  }

  /** Each part that reaches into the window and begins no farther away than `depth` u, once. */
  partsBefore(depth: number, window: Window): number[] {
    const stamp = ++this.asked
    const windows = [window]
    const { seen, reaches } = this
    const found: number[] = []
    this.eachCell(window, (cell) => {
      for (const part of cell) {
        if (reaches[part * REACH + 4]! > depth) return
        if (seen[part] === stamp) continue
        seen[part] = stamp
        if (this.reachesAny(part, windows)) found.push(part)
      }
    })
    return found
  }

  /** Whether a part can be seen in one of some windows. */
  reachesAny(part: number, windows: readonly Window[]): boolean {
    const at = part * REACH
    const { reaches } = this
    for (const { left, right, top, bottom } of windows)
      if (reaches[at]! <= right && reaches[at + 1]! <= bottom && reaches[at + 2]! >= left && reaches[at + 3]! >= top) return true
    return false
  }

  private eachCell({ left, top, right, bottom }: Window, visit: (cell: number[]) => void): void {
    const from = Math.max(0, Math.floor(left / CELL))
    const to = Math.min(this.across - 1, Math.floor(right / CELL))
    const last = Math.min(this.down - 1, Math.floor(bottom / CELL))
    for (let row = Math.max(0, Math.floor(top / CELL)); row <= last; row++)
      for (let column = from; column <= to; column++) visit(this.cells[row * this.across + column]!)
  }
}
