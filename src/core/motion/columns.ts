import type { Scene } from '../scene'
import { type Axis } from '../space'

/** What an entry of a column is. A stud meets bodies and studs, but not open bodies (the cut of a wedge plate). */
const SOLID = 0
const OPEN = 1
const STUD = 2

/** Sides of a column's cell along x, y and z, u: a stud pitch, and a plate where the cell stands upright. */
const CELL = [10, 10, 4] as const

const LATERAL: readonly (readonly [Axis, Axis])[] = [
  [1, 2],
  [0, 2],
  [0, 1],
]

/**
 * Space cut into columns along one axis. Each column is a doubly linked list of intervals in rising order; when a node
 * leaves, its entries are spliced out, so that the next neighbour is always one that is there.
 */
export class Columns {
  readonly count: number
  readonly node: Int32Array
  private readonly kind: Uint8Array
  private readonly low: Int32Array
  private readonly high: Int32Array
  /** Lateral rectangle of each entry: min u, min v, max u, max v. */
  private readonly rect: Int32Array
  private readonly next: Int32Array
  private readonly previous: Int32Array
  private readonly nodeStart: Int32Array
  private readonly nodeEntries: Int32Array
  /** Entries looked at, as a measure of work. */
  visits = 0

  constructor(scene: Scene, axis: Axis) {
    const drafts = draftEntries(scene, axis)
    const order = sortedByColumnThenLow(drafts)
    const count = order.length
    this.count = count
    this.node = new Int32Array(count)
    this.kind = new Uint8Array(count)
    this.low = new Int32Array(count)
    this.high = new Int32Array(count)
    this.rect = new Int32Array(count * 4)
    this.next = new Int32Array(count).fill(-1)
    this.previous = new Int32Array(count).fill(-1)
    const [u, v] = LATERAL[axis]!
    let lastColumn = -1
    for (let i = 0; i < count; i++) {
      const draft = order[i]!
      const source = drafts.source[draft]!
      const isStud = source >= scene.bodies.count
      const table = isStud ? scene.studs : scene.bodies
      const row = isStud ? source - scene.bodies.count : source
      const box = row * 6
      this.node[i] = table.node[row]!
      this.kind[i] = isStud ? STUD : table.mark[row] === 1 ? OPEN : SOLID
      this.low[i] = table.boxes[box + axis]!
      this.high[i] = table.boxes[box + 3 + axis]!
      this.rect[i * 4] = table.boxes[box + u]!
      this.rect[i * 4 + 1] = table.boxes[box + v]!
      this.rect[i * 4 + 2] = table.boxes[box + 3 + u]!
      this.rect[i * 4 + 3] = table.boxes[box + 3 + v]!
      const column = drafts.column[draft]!
      if (column === lastColumn) {
        this.previous[i] = i - 1
        this.next[i - 1] = i
      }
      lastColumn = column
    }
    const { start, items } = groupByNode(this.node, scene.nodes.length)
    this.nodeStart = start
    this.nodeEntries = items
  }

  private overlapsAcross(a: number, b: number): boolean {
    const { rect, kind } = this
    const i = a * 4
    const j = b * 4
    if (rect[i]! >= rect[j + 2]! || rect[j]! >= rect[i + 2]! || rect[i + 1]! >= rect[j + 3]! || rect[j + 1]! >= rect[i + 3]!) return false
    return kind[a]! + kind[b]! !== OPEN + STUD
  }

  /** Whether all that `inner` could meet across is met by `outer` too. */
  private covers(outer: number, inner: number): boolean {
    const { rect, kind } = this
    const i = outer * 4
    const j = inner * 4
    return (
      (kind[outer] === SOLID || kind[outer] === kind[inner]) &&
      rect[i]! <= rect[j]! &&
      rect[i + 1]! <= rect[j + 1]! &&
      rect[i + 2]! >= rect[j + 2]! &&
      rect[i + 3]! >= rect[j + 3]!
    )
  }

  /**
   * The nearest node in the way of `node` when it leaves up (`sense` 1) or down (−1) the axis; −1 when the way is free.
   * Nodes with `group[n] === stamp` leave together with it and are never in the way.
   */
  blocker(node: number, sense: 1 | -1, group: Int32Array, stamp: number): number {
    const link = sense === 1 ? this.next : this.previous
    for (let k = this.nodeStart[node]!; k < this.nodeStart[node + 1]!; k++) {
      const entry = this.nodeEntries[k]!
      for (let other = link[entry]!; other >= 0; other = link[other]!) {
        this.visits++
        if (group[this.node[other]!] === stamp) {
          if (this.covers(other, entry)) break
        } else if (this.overlapsAcross(entry, other)) return this.node[other]!
      }
    }
    return -1
  }

  /** Calls `found` with each present node that stands right in the way of `node`, once a column. */
  eachBlocker(node: number, sense: 1 | -1, group: Int32Array, stamp: number, found: (other: number) => void): void {
    const link = sense === 1 ? this.next : this.previous
    for (let k = this.nodeStart[node]!; k < this.nodeStart[node + 1]!; k++) {
      const entry = this.nodeEntries[k]!
      for (let other = link[entry]!; other >= 0; other = link[other]!) {
        this.visits++
        if (group[this.node[other]!] === stamp) {
          if (this.covers(other, entry)) break
        } else if (this.overlapsAcross(entry, other)) {
          found(this.node[other]!)
          if (this.covers(other, entry)) break
        }
      }
    }
  }

  /**
   * For every entry, the nodes below it (`sense` 1) or above it (−1) that pass over it on their way out along the axis:
   * those for which `leaves` holds. Nearer leavers that cover the entry stand for all beyond them.
   */
  eachWait(sense: 1 | -1, leaves: (node: number) => boolean, wait: (first: number, then: number) => void): void {
    const link = sense === 1 ? this.previous : this.next
    for (let entry = 0; entry < this.count; entry++) {
      const node = this.node[entry]!
      for (let other = link[entry]!; other >= 0; other = link[other]!) {
        this.visits++
        const leaver = this.node[other]!
        if (leaver === node || !leaves(leaver) || !this.overlapsAcross(entry, other)) continue
        wait(leaver, node)
        if (this.covers(other, entry)) break
      }
    }
  }

  /** Calls `touch` for each pair of nodes of which the second stands right on the first (bodies, face on face). */
  eachContact(touch: (below: number, above: number) => void): void {
    for (let entry = 0; entry < this.count; entry++) {
      if (this.kind[entry] === STUD) continue
      for (let other = this.next[entry]!; other >= 0 && this.low[other]! <= this.high[entry]!; other = this.next[other]!) {
        if (this.low[other] !== this.high[entry] || this.kind[other] === STUD) continue
        if (this.node[other] !== this.node[entry] && this.overlapsAcross(entry, other)) touch(this.node[entry]!, this.node[other]!)
      }
    }
  }

  /** Takes a node's entries out of their columns. They keep their own links, so they must not be asked about again. */
  remove(node: number): void {
    for (let k = this.nodeStart[node]!; k < this.nodeStart[node + 1]!; k++) {
      const entry = this.nodeEntries[k]!
      const before = this.previous[entry]!
      const after = this.next[entry]!
      if (before >= 0) this.next[before] = after
      if (after >= 0) this.previous[after] = before
    }
  }
}

interface Drafts {
  /** Row of the body, or `bodies.count` + row of the stud. */
  readonly source: number[]
  readonly column: number[]
  readonly low: number[]
  columns: number
}

function draftEntries(scene: Scene, axis: Axis): Drafts {
  const [u, v] = LATERAL[axis]!
  const sideU = CELL[u]
  const sideV = CELL[v]
  const ids = new Map<number, number>()
  const drafts: Drafts = { source: [], column: [], low: [], columns: 0 }
  const push = (boxes: Int32Array, row: number, source: number): void => {
    const box = row * 6
    const lastU = Math.ceil(boxes[box + 3 + u]! / sideU)
    const lastV = Math.ceil(boxes[box + 3 + v]! / sideV)
    for (let i = Math.floor(boxes[box + u]! / sideU); i < lastU; i++) {
      for (let j = Math.floor(boxes[box + v]! / sideV); j < lastV; j++) {
        const key = (i + 1_000_000) * 4_000_000 + j + 1_000_000
        let column = ids.get(key)
        if (column === undefined) ids.set(key, (column = drafts.columns++))
        drafts.source.push(source)
        drafts.column.push(column)
        drafts.low.push(boxes[box + axis]!)
      }
    }
  }
  for (let i = 0; i < scene.bodies.count; i++) push(scene.bodies.boxes, i, i)
  // A stud counts only for travel across its own axis: along it, the body below it or the socket above it does.
  for (let i = 0; i < scene.studs.count; i++) if (scene.studs.mark[i] !== axis) push(scene.studs.boxes, i, scene.bodies.count + i)
  return drafts
}

/** Two stable counting sorts: by low end, then by column. O(entries + range). */
function sortedByColumnThenLow(drafts: Drafts): Int32Array {
  const count = drafts.source.length
  let least = 0
  let most = 0
  for (const low of drafts.low) {
    if (low < least) least = low
    if (low > most) most = low
  }
  const byLow = countingSort(
    Int32Array.from({ length: count }, (_, i) => i),
    (i) => drafts.low[i]! - least,
    most - least + 1,
  )
  return countingSort(byLow, (i) => drafts.column[i]!, drafts.columns)
}

function countingSort(items: Int32Array, key: (item: number) => number, keys: number): Int32Array {
  const starts = new Int32Array(keys + 1)
  for (const item of items) starts[key(item) + 1]!++
  for (let i = 0; i < keys; i++) starts[i + 1]! += starts[i]!
  const sorted = new Int32Array(items.length)
  for (const item of items) sorted[starts[key(item)]!++] = item
  return sorted
}

/** Compressed rows: the entries of node n are items[start[n]] … items[start[n + 1] − 1]. */
function groupByNode(node: Int32Array, nodes: number): { start: Int32Array; items: Int32Array } {
  const start = new Int32Array(nodes + 1)
  for (const n of node) start[n + 1]!++
  for (let i = 0; i < nodes; i++) start[i + 1]! += start[i]!
  const fill = start.slice()
  const items = new Int32Array(node.length)
  node.forEach((n, entry) => {
    items[fill[n]!++] = entry
  })
  return { start, items }
}
