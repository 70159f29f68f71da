import { allBoxes, type Scene } from '../scene'
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
  /** Of each entry, the row of the body, or `bodies.count` + the row of the stud. */
  private readonly source: Int32Array
  private readonly kind: Uint8Array
  /** Boxes of all bodies, then of all studs, six numbers each: read through `source`, which keeps the columns small. */
  private readonly boxes: Int32Array
  /** Where the ends of a box stand in its six numbers: along the axis, and across it. */
  private readonly along: Axis
  private readonly u: Axis
  private readonly v: Axis
  private readonly next: Int32Array
  private readonly previous: Int32Array
  private nodeStart: Int32Array
  private readonly nodeEntries: Int32Array
  /** Entries looked at, as a measure of work. */
  visits = 0

  /** 1 for the lowest entry of each column. */
  private readonly isLowest: Uint8Array

  /** @param boxes those of `allBoxes`; it and `scratch` may be shared by the columns of all axes */
  constructor(scene: Scene, axis: Axis, boxes = allBoxes(scene), scratch = new Scratch()) {
    const drafts = draftEntries(scene, axis, scratch)
    const order = sortedByColumnThenLow(drafts, scratch)
    const count = order.length
    this.count = count
    this.boxes = boxes
    this.along = axis
    ;[this.u, this.v] = LATERAL[axis]!
    this.node = new Int32Array(count)
    this.source = new Int32Array(count)
    this.kind = new Uint8Array(count)
    this.next = new Int32Array(count)
    this.previous = new Int32Array(count)
    this.isLowest = new Uint8Array(count)
    const { bodies, studs } = scene
    let lastColumn = -1
    for (let i = 0; i < count; i++) {
      const draft = order[i]!
      const source = drafts.source[draft]!
      const isStud = source >= bodies.count
      const table = isStud ? studs : bodies
      const row = isStud ? source - bodies.count : source
      this.source[i] = source
      this.node[i] = table.node[row]!
      this.kind[i] = isStud ? STUD : table.mark[row] === 1 ? OPEN : SOLID
      const column = drafts.column[draft]!
      if (column !== lastColumn) this.isLowest[i] = 1
      lastColumn = column
    }
    this.restore()
    this.nodeEntries = new Int32Array(this.node.length)
    this.nodeStart = groupByNode(this.node, scene.nodes.length, this.nodeEntries)
  }

  /** Everything stands again as at the beginning. */
  restore(): void {
    const { count, isLowest, next, previous } = this
    for (let i = 0; i < count; i++) {
      previous[i] = isLowest[i] === 1 ? -1 : i - 1
      next[i] = i + 1 === count || isLowest[i + 1] === 1 ? -1 : i + 1
    }
  }

  /** The entries belong to other nodes now: those of nodes that were drawn together are one node's. Everything stands again. */
  relabel(newOf: Int32Array, nodeCount: number): void {
    const { node } = this
    for (let entry = 0; entry < node.length; entry++) node[entry] = newOf[node[entry]!]!
    // The entries are as many as before, and are put where they were: these tables are large.
    this.nodeStart = groupByNode(node, nodeCount, this.nodeEntries)
    this.restore()
  }

  private overlapsAcross(a: number, b: number): boolean {
    const { boxes, source, kind, u, v } = this
    const i = source[a]! * 6
    const j = source[b]! * 6
    if (boxes[i + u]! >= boxes[j + 3 + u]! || boxes[j + u]! >= boxes[i + 3 + u]!) return false
    if (boxes[i + v]! >= boxes[j + 3 + v]! || boxes[j + v]! >= boxes[i + 3 + v]!) return false
    return kind[a]! + kind[b]! !== OPEN + STUD
  }

  /** Whether all that `inner` could meet across is met by `outer` too. */
  private covers(outer: number, inner: number): boolean {
    const { boxes, source, kind, u, v } = this
    if (kind[outer] !== SOLID && kind[outer] !== kind[inner]) return false
    const i = source[outer]! * 6
    const j = source[inner]! * 6
    return (
      boxes[i + u]! <= boxes[j + u]! &&
      boxes[i + v]! <= boxes[j + v]! &&
      boxes[i + 3 + u]! >= boxes[j + 3 + u]! &&
      boxes[i + 3 + v]! >= boxes[j + 3 + v]!
    )
  }

  private lowOf(entry: number): number {
    return this.boxes[this.source[entry]! * 6 + this.along]!
  }

  private highOf(entry: number): number {
    return this.boxes[this.source[entry]! * 6 + 3 + this.along]!
  }

  /**
   * The nearest node in the way of `node` when it leaves up (`sense` 1) or down (−1) the axis; −1 when the way is free.
   * Nodes with `group[n] === stamp` leave together with it and are never in the way; nor are those with `isThere[n] === 0`,
   * which may still stand in their columns.
   */
  // eslint-disable-next-line max-params -- asked millions of times in a plan, where an object for each call would be garbage
  blocker(node: number, sense: 1 | -1, isThere: Uint8Array, group: Int32Array, stamp: number): number {
    const link = sense === 1 ? this.next : this.previous
    for (let k = this.nodeStart[node]!; k < this.nodeStart[node + 1]!; k++) {
      const entry = this.nodeEntries[k]!
      for (let other = link[entry]!; other >= 0; other = link[other]!) {
        this.visits++
        if (isThere[this.node[other]!] === 0) continue
        if (group[this.node[other]!] === stamp) {
          if (this.covers(other, entry)) break
        } else if (this.overlapsAcross(entry, other)) return this.node[other]!
      }
    }
    return -1
  }

  /** Calls `found` with each present node that stands right in the way of `node`, once a column. */
  // eslint-disable-next-line max-params -- asked millions of times in a plan, where an object for each call would be garbage
  eachBlocker(node: number, sense: 1 | -1, isThere: Uint8Array, group: Int32Array, stamp: number, found: (other: number) => void): void {
    const link = sense === 1 ? this.next : this.previous
    for (let k = this.nodeStart[node]!; k < this.nodeStart[node + 1]!; k++) {
      const entry = this.nodeEntries[k]!
      for (let other = link[entry]!; other >= 0; other = link[other]!) {
        this.visits++
        if (isThere[this.node[other]!] === 0) continue
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
      const high = this.highOf(entry)
      for (let other = this.next[entry]!; other >= 0 && this.lowOf(other) <= high; other = this.next[other]!) {
        if (this.lowOf(other) !== high || this.kind[other] === STUD) continue
        if (this.node[other] !== this.node[entry] && this.overlapsAcross(entry, other)) touch(this.node[entry]!, this.node[other]!)
      }
    }
  }

  /** Calls `meet` for each pair of entries of different nodes that share space, by their rows: bodies first, then studs. */
  eachMeeting(meet: (source: number, other: number) => boolean): void {
    const { node, next, source } = this
    for (let entry = 0; entry < this.count; entry++) {
      const low = this.lowOf(entry)
      const high = this.highOf(entry)
      for (let other = next[entry]!; other >= 0 && this.lowOf(other) < high; other = next[other]!) {
        if (node[other] === node[entry] || low >= this.highOf(other) || !this.overlapsAcross(entry, other)) continue
        if (meet(source[entry]!, source[other]!)) return
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

/** Tables that are needed while columns are made, used again for each axis: of a large scene they are tens of megabytes. */
export class Scratch {
  private readonly tables: Int32Array[] = []

  /** A table of this length in a place of its own; what was in it before does not matter. */
  take(place: number, length: number): Int32Array {
    const known = this.tables[place]
    const table = known && known.length >= length ? known : new Int32Array(length)
    this.tables[place] = table
    return table.subarray(0, length)
  }
}

interface Drafts {
  /** Row of the body, or `bodies.count` + row of the stud. */
  readonly source: Int32Array
  readonly column: Int32Array
  readonly low: Int32Array
  /** Columns are numbered below this. */
  readonly columns: number
}

/** The cells of a box across the axis, ends included: from u, to u, from v, to v. */
type Cells = [number, number, number, number]

// eslint-disable-next-line max-params -- asked millions of times in a plan, where an object for each call would be garbage
function cellsOf(boxes: Int32Array, row: number, u: Axis, v: Axis, into: Cells): void {
  const box = row * 6
  into[0] = Math.floor(boxes[box + u]! / CELL[u])
  into[1] = Math.ceil(boxes[box + 3 + u]! / CELL[u]) - 1
  into[2] = Math.floor(boxes[box + v]! / CELL[v])
  into[3] = Math.ceil(boxes[box + 3 + v]! / CELL[v]) - 1
}

/** More cells than this for each entry would waste memory; then columns are numbered as they are met. */
const DENSE = 24

function draftEntries(scene: Scene, axis: Axis, scratch: Scratch): Drafts {
  const [u, v] = LATERAL[axis]!
  const cells: Cells = [0, 0, 0, 0]
  // A stud counts only for travel across its own axis: along it, the body below it or the socket above it does.
  const each = (visit: (source: number, low: number) => void): void => {
    const { bodies, studs } = scene
    for (let i = 0; i < bodies.count; i++) {
      cellsOf(bodies.boxes, i, u, v, cells)
      visit(i, bodies.boxes[i * 6 + axis]!)
    }
    for (let i = 0; i < studs.count; i++) {
      if (studs.mark[i] === axis) continue
      cellsOf(studs.boxes, i, u, v, cells)
      visit(bodies.count + i, studs.boxes[i * 6 + axis]!)
    }
  }
  let count = 0
  const bounds: Cells = [Infinity, -Infinity, Infinity, -Infinity]
  each(() => {
    count += (cells[1] - cells[0] + 1) * (cells[3] - cells[2] + 1)
    if (cells[0] < bounds[0]) bounds[0] = cells[0]
    if (cells[1] > bounds[1]) bounds[1] = cells[1]
    if (cells[2] < bounds[2]) bounds[2] = cells[2]
    if (cells[3] > bounds[3]) bounds[3] = cells[3]
  })
  const across = count === 0 ? 0 : bounds[3] - bounds[2] + 1
  const grid = count === 0 ? 0 : (bounds[1] - bounds[0] + 1) * across
  const met = grid > count * DENSE + 65_536 ? new Map<number, number>() : undefined
  const source = scratch.take(0, count)
  const column = scratch.take(1, count)
  const lows = scratch.take(2, count)
  let at = 0
  each((row, low) => {
    for (let i = cells[0]; i <= cells[1]; i++) {
      for (let j = cells[2]; j <= cells[3]; j++) {
        const cell = (i - bounds[0]) * across + j - bounds[2]
        source[at] = row
        column[at] = met ? numberOf(met, cell) : cell
        lows[at++] = low
      }
    }
  })
  return { source, column, low: lows, columns: met ? met.size : grid }
}

function numberOf(met: Map<number, number>, cell: number): number {
  let known = met.get(cell)
  if (known === undefined) met.set(cell, (known = met.size))
  return known
}

/** Two stable counting sorts: by low end, then by column. O(entries + range). */
function sortedByColumnThenLow({ source, column, columns, low }: Drafts, scratch: Scratch): Int32Array {
  const count = source.length
  let least = 0
  let most = 0
  for (let i = 0; i < count; i++) {
    if (low[i]! < least) least = low[i]!
    if (low[i]! > most) most = low[i]!
  }
  const items = scratch.take(3, count)
  const between = scratch.take(4, count)
  for (let i = 0; i < count; i++) items[i] = i
  countingSort(items, between, low, least, most - least + 1)
  countingSort(between, items, column, 0, columns)
  return items
}

/** Writes `items` into `sorted`, by their keys, equal ones as they stood. */
// eslint-disable-next-line max-params -- the tables of one algorithm, all named at the call
function countingSort(items: Int32Array, sorted: Int32Array, keys: Int32Array, least: number, range: number): void {
  const starts = new Int32Array(range + 1)
  for (let i = 0; i < items.length; i++) starts[keys[items[i]!]! - least + 1]!++
  for (let i = 0; i < range; i++) starts[i + 1]! += starts[i]!
  for (let i = 0; i < items.length; i++) {
    const item = items[i]!
    sorted[starts[keys[item]! - least]!++] = item
  }
}

/** Compressed rows: the entries of node n are items[start[n]] … items[start[n + 1] − 1]. */
/** Puts the entries of each node into `items`, one node after the other. @returns where each begins */
function groupByNode(node: Int32Array, nodes: number, items: Int32Array): Int32Array {
  const start = new Int32Array(nodes + 1)
  for (let i = 0; i < node.length; i++) start[node[i]! + 1]!++
  for (let i = 0; i < nodes; i++) start[i + 1]! += start[i]!
  const fill = start.slice()
  for (let entry = 0; entry < node.length; entry++) items[fill[node[entry]!]!++] = entry
  return start
}
