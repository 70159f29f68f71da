import type { Box } from '../space'

/** Side of the cells of the finest level, u; each level's are four times as wide as those of the one before. */
const CELL = 80
const COARSER = 4
/** Rings of cells around a place that count as near. */
const RINGS = 2

/**
 * What is ready to be built, by where it stands: those near a place are found without asking all the others. A thing stands
 * on the finest level whose cells hold it, so that wide things are looked for farther out.
 */
export class ReadyGrid {
  private readonly levels: Map<number, number[]>[] = []
  /** Of each level, the lists around the cell that was asked for last. */
  private readonly around: ({ readonly x: number; readonly y: number; readonly lists: readonly number[][] } | undefined)[] = []
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

  has(node: number): boolean {
    return this.home[node] !== undefined
  }

  /** Calls `visit` with every node near the box. */
  eachNear(box: Box, visit: (node: number) => void): void {
    for (let level = 0, side = CELL; level < this.levels.length; level++, side *= COARSER) {
      for (const list of this.near(level, cellAt(box, 0, side), cellAt(box, 1, side))) for (const node of list) visit(node)
    }
  }

  /** The lists around a cell. What is built next stands beside what was built last, so the last answer is kept. */
  private near(level: number, x: number, y: number): readonly number[][] {
    const known = this.around[level]
    if (known?.x === x && known.y === y) return known.lists
    const cells = this.levels[level]!
    const lists: number[][] = []
    for (let i = x - RINGS; i <= x + RINGS; i++) {
      for (let j = y - RINGS; j <= y + RINGS; j++) {
        const list = cells.get(keyOf(i, j))
        if (list) lists.push(list)
      }
    }
    this.around[level] = { x, y, lists }
    return lists
  }

  each(visit: (node: number) => void): void {
    for (const cells of this.levels) for (const list of cells.values()) for (const node of list) visit(node)
  }

  private listFor(box: Box): number[] {
    const width = Math.max(box.max[0] - box.min[0], box.max[1] - box.min[1])
    let level = 0
    let side = CELL
    for (; side < width; side *= COARSER) level++
    while (this.levels.length <= level) this.levels.push(new Map())
    const cells = this.levels[level]!
    const key = keyOf(cellAt(box, 0, side), cellAt(box, 1, side))
    let list = cells.get(key)
    if (!list) {
      cells.set(key, (list = []))
      this.around[level] = undefined
    }
    return list
  }
}

const cellAt = (box: Box, axis: 0 | 1, side: number): number => Math.floor((box.min[axis] + box.max[axis]) / (2 * side))

const keyOf = (i: number, j: number): number => (i + 32768) * 65536 + j + 32768
