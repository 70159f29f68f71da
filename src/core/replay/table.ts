import { key, lowest } from './geometry'
import { linkWays } from './links'
import { looseJoints } from './loose-pose'
import type { Corner, ReplayedThing } from './things'
import type { Vec } from '../space'

/** Things that hold together: how low they reach, since which step the oldest lies there, and who they are. */
export interface ReplayedGroup {
  low: number
  since: number
  things: ReplayedThing[]
}

/** What stands and lies on the table: things come and stay, and groups only grow together. */
export class Table {
  /** The lowest plane of what is there. */
  plane = Infinity
  private readonly things: ReplayedThing[] = []
  private readonly hulls: { min: number[]; max: number[] }[] = []
  private readonly root: number[] = []
  /** Things of which something stands in a free pose. */
  private readonly free: number[] = []
  /** Things with plates that may be pressed between studs. */
  private readonly edged: number[] = []
  /** Things that can hold in another way than by studs. */
  private readonly linked: number[] = []
  private readonly groups = new Map<number, ReplayedGroup>()
  private readonly studs = new Map<string, number[]>()
  private readonly sockets = new Map<string, number[]>()

  /** @param holdsPressed whether plates on edge are held by the studs on both their sides */
  constructor(private readonly holdsPressed = false) {}

  put(thing: ReplayedThing, step: number): void {
    const index = this.things.push(thing) - 1
    this.hulls.push(hullOf(thing))
    this.root.push(index)
    const low = lowest([thing])
    this.plane = Math.min(this.plane, low)
    this.groups.set(index, { low, since: step, things: [thing] })
    for (const { foot, axis } of thing.studs)
      this.meet(index, { table: this.studs, key: key(foot, axis) }, { table: this.sockets, key: key(foot, negated(axis)) })
    for (const { foot, axis } of thing.sockets)
      this.meet(index, { table: this.sockets, key: key(foot, axis) }, { table: this.studs, key: key(foot, negated(axis)) })
    if (thing.links.length > 0) {
      for (const other of this.linked) if (linkWays(thing, this.things[other]!).length > 0) this.join(index, other)
      this.linked.push(index)
    }
    if (this.holdsPressed) {
      if (thing.edges.length > 0) this.edged.push(index)
      for (const edged of this.edged) this.press(edged)
    }
    if (thing.solids.length > 0) this.free.push(index)
    const others = thing.solids.length > 0 ? this.things.map((_, i) => i) : this.free
    for (const other of others) if (other !== index && looseJoints(thing, this.things[other]!).length > 0) this.join(index, other)
  }

  /** Groups that do not hold to the first thing of all. */
  looseGroups(): ReplayedGroup[] {
    if (this.things.length === 0) return []
    const first = this.find(0)
    return [...this.groups].filter(([root]) => root !== first).map(([, group]) => group)
  }

  /** Things whose hull a thing could touch on its way in along a direction, studs included. */
  near(thing: ReplayedThing, direction: Vec): ReplayedThing[] {
    const hull = hullOf(thing)
    return this.things.filter((_, i) => {
      const other = this.hulls[i]!
      return direction.every((way, k) => {
        const after = hull.min[k]! - 4 < other.max[k]!
        const before = other.min[k]! < hull.max[k]! + 4
        // It comes from far away on the side it travels from.
        return way > 0 ? before : way < 0 ? after : before && after
      })
    })
  }

  /** Joins a thing to all whose studs press one of its plates from both sides. */
  private press(index: number): void {
    for (const { box, thin } of this.things[index]!.edges) {
      const across = thin.findIndex((value) => value !== 0)
      if (across === 2) continue
      const along = 1 - across
      for (let place = box.min[along]!; place <= box.max[along]!; place += HALF_STUD) {
        const owners = [-1, 1].map((side) => {
          const foot: Corner = [0, 0, box.min[2]]
          foot[along] = place
          foot[across] = (box.min[across]! + box.max[across]!) / 2 + side * HALF_STUD
          return (this.studs.get(key(foot, [0, 0, 1])) ?? []).filter((owner) => owner !== index)
        })
        if (owners.every((each) => each.length > 0)) for (const owner of owners.flat()) this.join(index, owner)
      }
    }
  }

  private meet(index: number, own: Ends, other: Ends): void {
    const list = own.table.get(own.key)
    if (list) list.push(index)
    else own.table.set(own.key, [index])
    for (const met of other.table.get(other.key) ?? []) this.join(index, met)
  }

  private find(index: number): number {
    while (this.root[index] !== index) index = this.root[index] = this.root[this.root[index]!]!
    return index
  }

  private join(a: number, b: number): void {
    let [kept, gone] = [this.find(a), this.find(b)]
    if (kept === gone) return
    if (this.groups.get(kept)!.things.length < this.groups.get(gone)!.things.length) [kept, gone] = [gone, kept]
    const into = this.groups.get(kept)!
    const from = this.groups.get(gone)!
    into.low = Math.min(into.low, from.low)
    into.since = Math.min(into.since, from.since)
    for (const thing of from.things) into.things.push(thing)
    this.root[gone] = kept
    this.groups.delete(gone)
  }
}

const HALF_STUD = 5

/** Things by where an end of theirs is. */
interface Ends {
  readonly table: Map<string, number[]>
  readonly key: string
}

const negated = (v: Vec): Vec => [-v[0], -v[1], -v[2]]

function hullOf({ boxes, solids }: ReplayedThing): { min: number[]; max: number[] } {
  const axes = [0, 1, 2] as const
  const corners = solids.flatMap((solid) => solid.corners)
  return {
    min: axes.map((k) => Math.min(...boxes.map((b) => b.min[k]), ...corners.map((corner) => corner[k]))),
    max: axes.map((k) => Math.max(...boxes.map((b) => b.max[k]), ...corners.map((corner) => corner[k]))),
  }
}
