import type { Joints } from '../joints'

/** A group that few studs hold to the rest. */
export interface LooselyHeldGroup {
  readonly nodes: readonly number[]
  readonly studs: number
}

/** Held by at most so many studs, or by fewer than one for so many of its parts. */
const MOST_STUDS = 2
const PARTS_A_STUD = 10

/**
 * Groups of at least `least` that few studs hold to the rest: what holds best is joined first (Kruskal 1956), and each group
 * that comes of it is asked how many studs still hold it. The largest such groups, at most half of what they hang on.
 */
export function looselyHeld(count: number, joints: Joints, least: number): LooselyHeldGroup[] {
  const weights = new Map<string, { readonly a: number; readonly b: number; studs: number }>()
  for (const { a, b, studs } of joints.list) {
    const key = a < b ? `${a} ${b}` : `${b} ${a}`
    const known = weights.get(key)
    if (known) known.studs += studs
    else weights.set(key, { a, b, studs })
  }
  const edges = [...weights.values()].sort((one, other) => other.studs - one.studs)
  const forest = new Forest(count, edges)
  for (let from = 0; from < edges.length;) {
    let to = from
    while (to < edges.length && edges[to]!.studs === edges[from]!.studs) to++
    // Of those that hold alike the small ones come together first: a tower before it is joined to what it stands on.
    const alike = edges.slice(from, to).map((edge) => ({ ...edge, size: forest.sizeOf(edge.a) + forest.sizeOf(edge.b) }))
    for (const { a, b } of alike.sort((one, other) => one.size - other.size)) forest.join(a, b)
    from = to
  }
  return forest.groups(least, (size, studs) => studs <= MOST_STUDS || studs * PARTS_A_STUD < size)
}

/** Groups as they were joined: a tree over the parts. A group is spoken of by one of its parts, its leader. */
class Forest {
  private readonly leader: number[]
  /** Of each leader the tree of its group, by number: parts first, then what was joined. */
  private readonly tree: number[]
  private readonly children: (readonly [number, number] | undefined)[]
  private readonly isInner: boolean[]
  private readonly size: number[]
  /** Studs that hold a group to what is not in it. */
  private readonly outside: number[]
  /** Of each leader the studs to other groups, by their leaders. */
  private readonly beside: Map<number, number>[]

  constructor(
    private readonly count: number,
    edges: readonly { readonly a: number; readonly b: number; readonly studs: number }[],
  ) {
    this.leader = Array.from({ length: count }, (_, i) => i)
    this.tree = Array.from({ length: count }, (_, i) => i)
    this.children = Array.from({ length: count }, () => undefined)
    this.isInner = Array.from({ length: count }, () => false)
    this.size = Array.from({ length: count }, () => 1)
    this.outside = Array.from({ length: count }, () => 0)
    this.beside = Array.from({ length: count }, () => new Map<number, number>())
    for (const { a, b, studs } of edges) {
      this.outside[a]! += studs
      this.outside[b]! += studs
      this.beside[a]!.set(b, studs)
      this.beside[b]!.set(a, studs)
    }
  }

  join(a: number, b: number): void {
    const [one, other] = [this.find(a), this.find(b)]
    if (one === other) return
    // Only the neighbours of the one with fewer hear of it.
    const [small, large] = this.beside[one]!.size < this.beside[other]!.size ? [one, other] : [other, one]
    const merged = this.beside[large]!
    const between = merged.get(small) ?? 0
    merged.delete(small)
    for (const [neighbour, studs] of this.beside[small]!) {
      if (neighbour === large) continue
      merged.set(neighbour, (merged.get(neighbour) ?? 0) + studs)
      const theirs = this.beside[neighbour]!
      theirs.delete(small)
      theirs.set(large, (theirs.get(large) ?? 0) + studs)
    }
    this.beside[small] = new Map()
    const [first, second] = [this.tree[small]!, this.tree[large]!]
    this.children.push([first, second])
    this.isInner[first] = true
    this.isInner[second] = true
    this.isInner.push(false)
    this.size.push(this.size[first]! + this.size[second]!)
    this.outside.push(this.outside[first]! + this.outside[second]! - 2 * between)
    this.tree[large] = this.children.length - 1
    this.leader[small] = large
  }

  /** Parts of the group that a part is in. */
  sizeOf(part: number): number {
    return this.size[this.tree[this.find(part)]!]!
  }

  groups(least: number, isLoose: (size: number, studs: number) => boolean): LooselyHeldGroup[] {
    const found: LooselyHeldGroup[] = []
    const roots = this.isInner.flatMap((isInner, i) => (isInner ? [] : [i]))
    for (const root of roots) {
      const stack = [...(this.children[root] ?? [])]
      while (stack.length > 0) {
        const group = stack.pop()!
        const [size, studs] = [this.size[group]!, this.outside[group]!]
        if (size < least) continue
        if (size * 2 <= this.size[root]! && studs > 0 && isLoose(size, studs)) found.push({ nodes: this.leaves(group), studs })
        else stack.push(...(this.children[group] ?? []))
      }
    }
    return found
  }

  private find(part: number): number {
    let at = part
    while (this.leader[at] !== at) at = this.leader[at] = this.leader[this.leader[at]!]!
    return at
  }

  private leaves(group: number): number[] {
    const leaves: number[] = []
    const stack = [group]
    while (stack.length > 0) {
      const at = stack.pop()!
      if (at < this.count) leaves.push(at)
      else stack.push(...this.children[at]!)
    }
    return leaves.sort((a, b) => a - b)
  }
}
