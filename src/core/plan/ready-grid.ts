import type { Box } from '../space'

/** Side of a cell, u. */
const CELL = 80
/** Rings of cells around a place that count as near. */
const RINGS = 2

/**
 * What is ready to be built, by where it stands: those near a place are found without asking all the others. Things wider
 * than a cell stand in a list of their own and are always near.
 */
export class ReadyGrid {
  private readonly cells = new Map<number, number[]>()
  private readonly wide: number[] = []
  /** Of each node, the list it stands in and where. */
  private readonly home: (number[] | undefined)[]
  private readonly slot: Int32Array

  constructor(private readonly boxes: readonly Box[]) {
    this.home = new Array<number[] | undefined>(boxes.length).fill(undefined)
    this.slot = new Int32Array(boxes.length)
  }

  add(node: number): void {
    const list = this.listFor(this.boxes[node]!)
    this.home[node] = list
    this.slot[node] = list.push(node) - 1
  }

  remove(node: number): void {
    const list = this.home[node]!
    const last = list.pop()!
    if (last !== node) {
      list[this.slot[node]!] = last
      this.slot[last] = this.slot[node]!
    }
    this.home[node] = undefined
  }

  /** Calls `visit` with every node near the box. */
  eachNear(box: Box, visit: (node: number) => void): void {
    for (const node of this.wide) visit(node)
    const [x, y] = cellOf(box)
    for (let i = x - RINGS; i <= x + RINGS; i++)
      for (let j = y - RINGS; j <= y + RINGS; j++) for (const node of this.cells.get(keyOf(i, j)) ?? []) visit(node)
  }

  each(visit: (node: number) => void): void {
    for (const node of this.wide) visit(node)
    for (const cell of this.cells.values()) for (const node of cell) visit(node)
  }

  private listFor(box: Box): number[] {
    if (box.max[0] - box.min[0] > CELL || box.max[1] - box.min[1] > CELL) return this.wide
    const key = keyOf(...cellOf(box))
    let cell = this.cells.get(key)
    if (!cell) this.cells.set(key, (cell = []))
    return cell
  }
}

const cellOf = (box: Box): [number, number] => [
  Math.floor((box.min[0] + box.max[0]) / (2 * CELL)),
  Math.floor((box.min[1] + box.max[1]) / (2 * CELL)),
]

const keyOf = (i: number, j: number): number => (i + 32768) * 65536 + j + 32768
