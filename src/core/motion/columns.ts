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

  constructor(scene: Scene, axis: Axis) {
    const rows = new ColumnRows(scene, axis)
    const starts = columnStarts(rows)
    const count = rows.entries
    this.count = count
    this.boxes = rows.boxes
    this.along = axis
    ;[this.u, this.v] = LATERAL[axis]!
    this.node = new Int32Array(count)
    this.source = new Int32Array(count)
    this.kind = new Uint8Array(count)
    this.next = new Int32Array(count)
    this.previous = new Int32Array(count)
    this.isLowest = new Uint8Array(count)
    for (let column = 0; column + 1 < starts.length; column++) if (starts[column]! < starts[column + 1]!) this.isLowest[starts[column]!] = 1
    // Taken in rising order, each goes behind what its columns hold already: no column is ever sorted.
    const { source, node, kind } = this
    rows.eachEntry(rows.fromBelow(), (row, column) => {
      source[starts[column]!++] = row
    })
    for (let entry = 0; entry < count; entry++) {
      node[entry] = rows.nodes[source[entry]!]!
      kind[entry] = rows.kinds[source[entry]!]!
    }
    this.restore()
    this.nodeEntries = new Int32Array(count)
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

/** The cells of a box across the axis, ends included: from u, to u, from v, to v. */
type Cells = [number, number, number, number]

/** More cells than this for each entry would waste memory; then columns are numbered as they are met. */
const DENSE = 24

/** Rows of bodies, then of studs, and the columns that each stands in. */
class ColumnRows {
  readonly boxes: Int32Array
  readonly nodes: Int32Array
  readonly kinds: Uint8Array
  /** The rows that count, as they stand. */
  readonly rows: Int32Array
  /** How many entries they make. */
  readonly entries: number
  /** Columns are numbered below this. */
  readonly columns: number
  private readonly u: Axis
  private readonly v: Axis
  private readonly bounds: Cells = [Infinity, -Infinity, Infinity, -Infinity]
  private readonly across: number
  private readonly met: Map<number, number> | undefined
  private readonly cells: Cells = [0, 0, 0, 0]

  constructor(
    scene: Scene,
    private readonly axis: Axis,
  ) {
    const { bodies, studs } = scene
    this.boxes = allBoxes(scene)
    this.nodes = new Int32Array(bodies.count + studs.count)
    this.nodes.set(bodies.node)
    this.nodes.set(studs.node, bodies.count)
    this.kinds = new Uint8Array(this.nodes.length).fill(STUD)
    for (let i = 0; i < bodies.count; i++) this.kinds[i] = bodies.mark[i] === 1 ? OPEN : SOLID
    // A stud counts only for travel across its own axis: along it, the body below it or the socket above it does.
    const rows = new Int32Array(this.nodes.length)
    let kept = 0
    for (let row = 0; row < rows.length; row++) if (row < bodies.count || studs.mark[row - bodies.count] !== axis) rows[kept++] = row
    this.rows = rows.subarray(0, kept)
    ;[this.u, this.v] = LATERAL[axis]!
    this.entries = this.findBounds()
    const { bounds, entries } = this
    this.across = entries === 0 ? 0 : bounds[3] - bounds[2] + 1
    const grid = entries === 0 ? 0 : (bounds[1] - bounds[0] + 1) * this.across
    const isSparse = grid > entries * DENSE + 65_536
    if (isSparse) this.met = new Map()
    // Numbered as they are met they are no more than the entries.
    this.columns = isSparse ? entries : grid
  }

  /** @returns how many entries there are */
  private findBounds(): number {
    const { bounds, cells } = this
    let entries = 0
    for (const row of this.rows) {
      this.findCells(row)
      entries += (cells[1] - cells[0] + 1) * (cells[3] - cells[2] + 1)
      if (cells[0] < bounds[0]) bounds[0] = cells[0]
      if (cells[1] > bounds[1]) bounds[1] = cells[1]
      if (cells[2] < bounds[2]) bounds[2] = cells[2]
      if (cells[3] > bounds[3]) bounds[3] = cells[3]
    }
    return entries
  }

  private findCells(row: number): void {
    const { boxes, u, v, cells } = this
    const box = row * 6
    cells[0] = Math.floor(boxes[box + u]! / CELL[u])
    cells[1] = Math.ceil(boxes[box + 3 + u]! / CELL[u]) - 1
    cells[2] = Math.floor(boxes[box + v]! / CELL[v])
    cells[3] = Math.ceil(boxes[box + 3 + v]! / CELL[v]) - 1
  }

  /** Calls `visit` with each of some rows and the number of each column that it stands in. */
  eachEntry(rows: Int32Array, visit: (row: number, column: number) => void): void {
    const { bounds, across, met, cells } = this
    for (const row of rows) {
      this.findCells(row)
      for (let i = cells[0]; i <= cells[1]; i++) {
        for (let j = cells[2]; j <= cells[3]; j++) {
          const cell = (i - bounds[0]) * across + j - bounds[2]
          visit(row, met ? numberOf(met, cell) : cell)
        }
      }
    }
  }

  /** The rows by their low end, equal ones as they stand: a counting sort, O(rows + range). */
  fromBelow(): Int32Array {
    const { boxes, axis, rows } = this
    let [least, most] = [0, 0]
    for (const row of rows) {
      const low = boxes[row * 6 + axis]!
      if (low < least) least = low
      if (low > most) most = low
    }
    const starts = new Int32Array(most - least + 2)
    for (const row of rows) starts[boxes[row * 6 + axis]! - least + 1]!++
    for (let i = 1; i < starts.length; i++) starts[i]! += starts[i - 1]!
    const sorted = new Int32Array(rows.length)
    for (const row of rows) sorted[starts[boxes[row * 6 + axis]! - least]!++] = row
    return sorted
  }
}

function numberOf(met: Map<number, number>, cell: number): number {
  let known = met.get(cell)
  if (known === undefined) met.set(cell, (known = met.size))
  return known
}

/** Where the entries of each column begin, and behind them the end. */
function columnStarts(rows: ColumnRows): Int32Array {
  const starts = new Int32Array(rows.columns + 1)
  rows.eachEntry(rows.rows, (_row, column) => starts[column + 1]!++)
  for (let i = 1; i < starts.length; i++) starts[i]! += starts[i - 1]!
  return starts
}

/** Puts the entries of each node into `items`, one node after the other. @returns where each begins */
function groupByNode(node: Int32Array, nodes: number, items: Int32Array): Int32Array {
  const start = new Int32Array(nodes + 1)
  for (let i = 0; i < node.length; i++) start[node[i]! + 1]!++
  for (let i = 0; i < nodes; i++) start[i + 1]! += start[i]!
  const fill = start.slice()
  for (let entry = 0; entry < node.length; entry++) items[fill[node[entry]!]!++] = entry
  return start
}
