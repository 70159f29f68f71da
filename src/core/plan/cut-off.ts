import type { SpaceLeft } from '../motion'

/** A group that would be cut off, and whether it could rest on the table. */
export interface CutOff {
  readonly nodes: readonly number[]
  readonly touchesFloor: boolean
}

/**
 * Finds what the removal of nodes cuts off from the rest.
 *
 * All neighbours of the leaving nodes are grown in turn, one node each; groups that meet become one. The search ends when
 * one group is left, so it costs about the size of what is cut off, and not of the model (the idea of Even and Shiloach
 * 1981, "An on-line edge-deletion problem": search from both ends and pay for the smaller).
 */
export class CutOffSearch {
  private readonly mark: Int32Array
  private readonly owner: Int32Array
  private stamp = 0

  constructor(
    private readonly space: SpaceLeft,
    private readonly onFloor: Uint8Array,
  ) {
    this.mark = new Int32Array(space.isThere.length)
    this.owner = new Int32Array(space.isThere.length)
  }

  /** @returns the groups cut off from the largest rest; none when the rest stays in one piece. */
  find(leaving: readonly number[]): CutOff[] {
    const { space } = this
    const stamp = ++this.stamp
    const out = stamp * 2
    const grown = stamp * 2 + 1
    for (const node of leaving) this.mark[node] = out
    const members: number[][] = []
    for (const node of leaving) {
      for (const index of space.joints.ofNode[node]!) {
        const joint = space.joints.list[index]!
        const other = joint.a === node ? joint.b : joint.a
        if (space.isThere[other] === 0 || this.mark[other] === out || this.mark[other] === grown) continue
        this.mark[other] = grown
        this.owner[other] = members.length
        members.push([other])
      }
    }
    return members.length < 2 ? [] : this.grow(members, out, grown)
  }

  private grow(members: number[][], out: number, grown: number): CutOff[] {
    const { space } = this
    const root = members.map((_, i) => i)
    const heads = members.map(() => 0)
    const find = (group: number): number => {
      while (root[group] !== group) group = root[group] = root[root[group]!]!
      return group
    }
    let open = members.map((_, i) => i)
    const closed: CutOff[] = []
    while (open.length > 1) {
      for (const group of open) {
        if (root[group] !== group) continue
        const node = members[group]![heads[group]!]
        if (node === undefined) continue
        heads[group]!++
        for (const index of space.joints.ofNode[node]!) {
          const joint = space.joints.list[index]!
          const other = joint.a === node ? joint.b : joint.a
          if (space.isThere[other] === 0 || this.mark[other] === out) continue
          if (this.mark[other] !== grown) {
            this.mark[other] = grown
            this.owner[other] = group
            members[group]!.push(other)
          } else {
            const met = find(this.owner[other]!)
            const mine = find(group)
            if (met !== mine) this.merge(members, heads, root, mine, met)
          }
        }
      }
      open = open.filter((group) => root[group] === group)
      const done = open.filter((group) => heads[group]! >= members[group]!.length)
      // If every group is complete, the largest is the rest.
      const keep = done.length === open.length ? done.reduce((a, b) => (members[a]!.length >= members[b]!.length ? a : b)) : -1
      for (const group of done) {
        if (group === keep) continue
        closed.push({ nodes: members[group]!, touchesFloor: members[group]!.some((node) => this.onFloor[node] === 1) })
      }
      open = open.filter((group) => group === keep || !done.includes(group))
    }
    return closed
  }

  /** Merges `from` into `into`: what `from` has still to look at goes to the end of the other's list. */
  private merge(members: number[][], heads: number[], root: number[], into: number, from: number): void {
    const seen = members[from]!.slice(0, heads[from])
    const unseen = members[from]!.slice(heads[from])
    // Seen nodes stand before the head, so that no node is looked at twice.
    members[into] = seen.concat(members[into]!, unseen)
    heads[into]! += seen.length
    members[from] = []
    root[from] = into
  }
}
