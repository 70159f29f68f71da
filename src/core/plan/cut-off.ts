import type { SpaceLeft } from '../motion'

/** A group that would be cut off, and whether it could rest on the table. */
export interface CutOff {
  readonly nodes: readonly number[]
  readonly touchesFloor: boolean
}

const NONE: readonly CutOff[] = []
/** There is something, and nobody asked what. */
const SOME: readonly CutOff[] = [{ nodes: [], touchesFloor: false }]

/**
 * Finds what the removal of nodes cuts off from the rest.
 *
 * All neighbours of the leaving nodes are grown in turn, one node each; groups that meet become one. The search ends when
 * one group is left, so it costs about the size of what is cut off, and not of the model (the idea of Even and Shiloach
 * 1981, "An on-line edge-deletion problem": search from both ends and pay for the smaller).
 *
 * A group is a linked list through `next`: what it has looked at, from `first`, then what it has still to look at, from
 * `head` to `last`. So two groups are joined in a fixed number of links, and nothing is allocated while they grow.
 */
export class CutOffSearch {
  private readonly mark: Int32Array
  private readonly owner: Int32Array
  private readonly next: Int32Array
  private stamp = 0
  private first = new Int32Array(64)
  /** The last node looked at; −1 for none. */
  private seen = new Int32Array(64)
  private head = new Int32Array(64)
  private last = new Int32Array(64)
  private root = new Int32Array(64)
  private size = new Int32Array(64)

  constructor(
    private readonly space: SpaceLeft,
    private readonly onFloor: Uint8Array,
  ) {
    const count = space.isThere.length
    this.mark = new Int32Array(count)
    this.owner = new Int32Array(count)
    this.next = new Int32Array(count)
  }

  /** Whether anything would be cut off; cheaper than to find what. */
  cuts(node: number): boolean {
    return this.search([node], 'any') === SOME
  }

  /** @returns the groups cut off from the largest rest; none when the rest stays in one piece. */
  find(leaving: readonly number[]): readonly CutOff[] {
    return this.search(leaving, 'all')
  }

  private search(leaving: readonly number[], wanted: 'any' | 'all'): readonly CutOff[] {
    const { start, list } = this.space.joints.adjacency
    const { isThere } = this.space
    const stamp = ++this.stamp
    const out = stamp * 2
    const grown = stamp * 2 + 1
    for (const node of leaving) this.mark[node] = out
    let groups = 0
    for (const node of leaving) {
      for (let k = start[node]!; k < start[node + 1]!; k++) {
        const other = list[k]!
        if (isThere[other] === 0 || this.mark[other] === out || this.mark[other] === grown) continue
        this.mark[other] = grown
        this.begin(groups++, other)
      }
    }
    return groups < 2 ? NONE : this.grow(groups, out, grown, wanted)
  }

  private begin(group: number, node: number): void {
    if (group === this.first.length) this.enlarge()
    this.owner[node] = group
    this.next[node] = -1
    this.first[group] = this.head[group] = this.last[group] = node
    this.seen[group] = -1
    this.root[group] = group
    this.size[group] = 1
  }

  private enlarge(): void {
    for (const key of ['first', 'seen', 'head', 'last', 'root', 'size'] as const) {
      const larger = new Int32Array(this[key].length * 2)
      larger.set(this[key])
      this[key] = larger
    }
  }

  private rootOf(group: number): number {
    const { root } = this
    while (root[group] !== group) group = root[group] = root[root[group]!]!
    return group
  }

  private grow(groups: number, out: number, grown: number, wanted: 'any' | 'all'): readonly CutOff[] {
    let open: number[] = []
    for (let group = 0; group < groups; group++) open.push(group)
    const closed: number[] = []
    while (open.length > 1) {
      for (const group of open) if (this.root[group] === group) this.lookAtOne(group, out, grown)
      open = open.filter((group) => this.root[group] === group)
      const done = open.filter((group) => this.head[group]! < 0)
      if (done.length === 0) continue
      if (wanted === 'any' && open.length > 1) return SOME
      // If every group is complete, the largest is the rest.
      const keep = done.length === open.length ? done.reduce((a, b) => (this.size[a]! >= this.size[b]! ? a : b)) : -1
      for (const group of done) if (group !== keep) closed.push(group)
      open = open.filter((group) => group === keep || this.head[group]! >= 0)
    }
    return closed.length === 0 ? NONE : closed.map((group) => this.cutOff(group))
  }

  /** Looks at the next node of a group: its neighbours join the group, or the groups they belong to do. */
  private lookAtOne(group: number, out: number, grown: number): void {
    const node = this.head[group]!
    if (node < 0) return
    this.seen[group] = node
    this.head[group] = this.next[node]!
    const { start, list } = this.space.joints.adjacency
    const { isThere } = this.space
    let mine = group
    for (let k = start[node]!; k < start[node + 1]!; k++) {
      const other = list[k]!
      if (isThere[other] === 0 || this.mark[other] === out) continue
      if (this.mark[other] !== grown) {
        this.mark[other] = grown
        this.owner[other] = mine
        this.append(mine, other)
      } else {
        const met = this.rootOf(this.owner[other]!)
        if (met !== mine) mine = this.merge(mine, met)
      }
    }
  }

  private append(group: number, node: number): void {
    this.next[node] = -1
    this.next[this.last[group]!] = node
    this.last[group] = node
    if (this.head[group]! < 0) this.head[group] = node
    this.size[group]!++
  }

  /** Joins `from` to `into`: what either has looked at comes first, what either has to look at last. */
  private merge(into: number, from: number): number {
    const { first, seen, head, last, next } = this
    const unseenInto = head[into]!
    const unseenFrom = head[from]!
    if (seen[from]! >= 0) {
      if (seen[into]! >= 0) next[seen[from]!] = first[into]!
      else {
        next[seen[from]!] = unseenInto
        seen[into] = seen[from]!
      }
      first[into] = first[from]!
    }
    if (unseenFrom >= 0) {
      if (unseenInto >= 0) next[last[into]!] = unseenFrom
      else {
        next[seen[into]!] = unseenFrom
        head[into] = unseenFrom
      }
      last[into] = last[from]!
    } else if (unseenInto < 0) last[into] = seen[into]!
    this.size[into]! += this.size[from]!
    this.root[from] = into
    return into
  }

  private cutOff(group: number): CutOff {
    const nodes: number[] = []
    let touchesFloor = false
    for (let node = this.first[group]!; node >= 0; node = this.next[node]!) {
      nodes.push(node)
      if (this.onFloor[node] === 1) touchesFloor = true
    }
    return { nodes, touchesFloor }
  }
}
