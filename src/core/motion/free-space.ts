import { Budget } from '../fault'
import { asOriented, insideRound, MARK, tableBox, type Scene } from '../scene'
import { BoxTree, dot, DIRECTION_VECTORS, scale, sweptMeets, type Box, type OrientedBox, type Vec, mapVec } from '../space'
import { travelVector, type Travel } from './travel'

/** A body or stud in any pose. */
interface LooseBody {
  readonly node: number
  readonly hull: Box
  readonly shape: OrientedBox
  readonly isStud: boolean
  readonly isOpen: boolean
  /** Of a stud: the way it points. */
  readonly axis: Vec
  readonly isFree: boolean
}

/** Boxes that may be looked at for one section; comparing two of them exactly costs as much as looking at some. */
const MOST_LOOKED_AT = 8_000_000
const COMPARED = 8

const ALONG = 0.99996

/**
 * Who is in the way of whom where bodies are in free poses: each pair of which one body at least is not in the lattice is
 * compared by separating axes, after a tree of boxes has named those that can meet.
 */
export class FreeSpace {
  private readonly bodies: readonly LooseBody[]
  /** Numbers of the bodies of each node. */
  private readonly rows: readonly (readonly number[])[]
  private readonly freeTree: BoxTree
  private readonly freeRows: readonly number[]
  private readonly latticeTree: BoxTree
  private readonly latticeRows: readonly number[]
  private readonly reach: number
  private readonly budget = new Budget(
    MOST_LOOKED_AT,
    'comparing of pieces that stand at free angles',
    'Put fewer of them into one section, or turn them by whole quarters.',
  )

  constructor(scene: Scene) {
    this.bodies = [...latticeBodies(scene), ...scene.freeBodies.map((body): LooseBody => ({ ...body, isFree: true }))]
    const rows: number[][] = scene.nodes.map(() => [])
    this.bodies.forEach(({ node }, i) => rows[node]!.push(i))
    this.rows = rows
    const numbers = this.bodies.map((_, i) => i)
    this.freeRows = numbers.filter((i) => this.bodies[i]!.isFree)
    this.latticeRows = numbers.filter((i) => !this.bodies[i]!.isFree)
    this.freeTree = new BoxTree(this.freeRows.map((i) => this.bodies[i]!.hull))
    this.latticeTree = new BoxTree(this.latticeRows.map((i) => this.bodies[i]!.hull))
    this.reach = 3 * widest(scene)
  }

  /**
   * Calls `found` with every node that a travelling node meets; stops when it returns true.
   * @param isAsked whether a node is there and does not travel along
   * @throws Fault `too-much-work`
   */
  eachBlocker(node: number, travel: Travel, isAsked: (other: number) => boolean, found: (other: number) => boolean): void {
    const direction = travelVector(travel)
    const way = scale(direction, this.reach)
    const needsLattice = typeof travel !== 'number'
    const reported = new Set<number>()
    for (const row of this.rows[node]!) {
      const mine = this.bodies[row]!
      const swept = sweptHull(mine.hull, way)
      const meet = (other: number): boolean => {
        const theirs = this.bodies[other]!
        this.budget.spend()
        if (reported.has(theirs.node) || !isAsked(theirs.node) || isPassable(mine, theirs, direction)) return false
        this.budget.spend(COMPARED)
        if (!sweptMeets(mine.shape, theirs.shape, way)) return false
        reported.add(theirs.node)
        return found(theirs.node)
      }
      if (this.freeTree.each(swept, (i) => meet(this.freeRows[i]!))) return
      if ((mine.isFree || needsLattice) && this.latticeTree.each(swept, (i) => meet(this.latticeRows[i]!))) return
    }
  }
}

function latticeBodies(scene: Scene): LooseBody[] {
  const { bodies, studs } = scene
  const list: LooseBody[] = []
  for (let row = 0; row < bodies.count; row++) {
    const hull = tableBox(bodies, row)
    const shape = asOriented(bodies.mark[row] === MARK.round ? insideRound(hull) : hull)
    list.push({
      node: bodies.node[row]!,
      hull,
      shape,
      isStud: false,
      isOpen: bodies.mark[row] === MARK.open,
      axis: [0, 0, 0],
      isFree: false,
    })
  }
  for (let row = 0; row < studs.count; row++) {
    const hull = tableBox(studs, row)
    const axis = DIRECTION_VECTORS[studs.mark[row]! * 2]!
    list.push({ node: studs.node[row]!, hull, shape: asOriented(hull), isStud: true, isOpen: false, axis, isFree: false })
  }
  return list
}

/** Studs do not count for travel along their own axis, and pass through open bodies. */
function isPassable(a: LooseBody, b: LooseBody, travel: Vec): boolean {
  if ((a.isStud && b.isOpen) || (b.isStud && a.isOpen)) return true
  const alongOwn = (body: LooseBody): boolean => body.isStud && Math.abs(dot(body.axis, travel)) > ALONG
  return alongOwn(a) || alongOwn(b)
}

const sweptHull = (hull: Box, way: Vec): Box => ({
  min: mapVec(hull.min, (value, i) => value + Math.min(0, way[i])),
  max: mapVec(hull.max, (value, i) => value + Math.max(0, way[i])),
})

function widest(scene: Scene): number {
  let most = 100
  for (const { min, max } of scene.nodeBoxes) for (const value of [...min, ...max]) most = Math.max(most, Math.abs(value))
  return most
}
