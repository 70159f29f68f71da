import { rounded } from '../language'
import { orderSets, type BuiltSection } from '../plan'
import { flatNodeBoxes, type Scene } from '../scene'
import { NO_TURN, PLUS_Z, type FlatPoint } from '../space'
import { defineCheck, type Found } from './check'
import { idsOf } from './naming'
import { nodeMasses } from './weak-joint'

/** A finished model that a tilt of less than this brings down is worth a word, degrees. */
const LEAST_TILT = 6

/** Only the first step that falls is named. */
export const tipsOver = defineCheck({
  code: 'tips-over',
  severity: 'warning',
  about: 'The work falls over after a step, or the finished model when it is tilted a little.',
  scope: 'rail',
  find: ({ model, built, isStanding }) => (isStanding ? firstFall(built, built.id === model.root) : []),
})

function firstFall(built: BuiltSection, isRoot: boolean): Found[] {
  // What hovers or lies about has no stand to judge; that is said already.
  if (built.holding.problems.length > 0 || built.scene.nodes.length < 2) return []
  const tilts = tiltsOf(built)
  for (const [i, step] of built.steps.entries()) {
    // Upside down or lifted it does not stand on its foot.
    if (built.orientations[i] !== NO_TURN || step.some((node) => built.arrives[node] === PLUS_Z)) continue
    const tilt = tilts[i]!
    const isLast = i === built.steps.length - 1
    if (tilt >= 0 && !(isLast && isRoot && tilt < LEAST_TILT)) continue
    const parts = idsOf(built, step)
    if (tilt < 0) {
      return [{ step: i + 1, parts, said: { key: 'find.fallsAfter', about: { degrees: rounded(Math.abs(tilt), 0) } } }]
    }
    return [{ step: null, parts, said: { key: 'find.fallsTilted', about: { degrees: rounded(tilt, 1) } } }]
  }
  return []
}

/** By what is there (as a signature), how far it can be tilted. */
const noTilts = (_: Scene): Map<number, number> => new Map()
/** More than this many are forgotten together. */
const MOST_KNOWN = 200_000

/** How far the work can be tilted after each step. After an edit most steps leave what they left before. */
function tiltsOf(built: BuiltSection): Float64Array {
  const { scene } = built
  if (scene.tables.of(noTilts, scene).size > MOST_KNOWN) scene.tables.forget(noTilts)
  const tilts = scene.tables.of(noTilts, scene)
  const { before } = orderSets(built.steps)
  const found = new Float64Array(built.steps.length)
  const missing: number[] = []
  let at = 0
  for (let i = 0; i < built.steps.length; i++) {
    at += built.steps[i]!.length
    const tilt = tilts.get(before[at]!)
    if (tilt === undefined) missing.push(i)
    else found[i] = tilt
  }
  if (missing.length === 0) return found
  const stand = new Stand(built)
  let next = 0
  at = 0
  for (const step of missing) {
    for (; next <= step; next++) {
      for (const node of built.steps[next]!) stand.put(node)
      at += built.steps[next]!.length
    }
    found[step] = stand.tilt()
    tilts.set(before[at]!, found[step])
  }
  return found
}

/** The weight and the feet of what is there, kept up to date as nodes come. */
class Stand {
  private readonly masses: Float64Array
  private mass = 0
  private readonly moment: [number, number, number] = [0, 0, 0]
  private table = Infinity
  /** Outline of all that touches the table. */
  private outline: FlatPoint[] = []
  private readonly rows: readonly (readonly number[])[]
  private readonly boxes: Float64Array

  constructor(private readonly built: BuiltSection) {
    this.masses = nodeMasses(built.scene)
    this.rows = bodyRows(built.scene)
    this.boxes = flatNodeBoxes(built.scene)
  }

  put(node: number): void {
    const { bodies } = this.built.scene
    const { boxes } = this
    const mass = this.masses[node]!
    this.mass += mass
    for (const i of [0, 1, 2] as const) this.moment[i] += (mass * (boxes[node * 6 + i]! + boxes[node * 6 + 3 + i]!)) / 2
    const plane = boxes[node * 6 + 2]!
    if (plane > this.table) return
    if (plane < this.table) this.outline = []
    this.table = plane
    const feet = this.outline.slice()
    for (const row of this.rows[node]!) {
      const at = row * 6
      if (bodies.boxes[at + 2] !== this.table) continue
      const [x0, y0, x1, y1] = [bodies.boxes[at]!, bodies.boxes[at + 1]!, bodies.boxes[at + 3]!, bodies.boxes[at + 4]!]
      feet.push([x0, y0], [x1, y0], [x1, y1], [x0, y1])
    }
    this.outline = convexHull(feet)
  }

  /** By how many degrees it must be tilted to fall; negative when it falls by itself. */
  tilt(): number {
    // What stands in a free pose alone has no flat foot that is known; it is not judged.
    if (this.outline.length < 3 || this.mass === 0) return 90
    const { moment, mass } = this
    const inside = distanceInside(this.outline, moment[0] / mass, moment[1] / mass)
    return (Math.atan2(inside, Math.max(1, moment[2] / mass - this.table)) * 180) / Math.PI
  }
}

/** Of each node, the rows of its bodies. */
const bodyRows = (scene: Scene): readonly (readonly number[])[] => scene.tables.of(listRows, scene)

function listRows({ nodes, bodies }: Scene): readonly (readonly number[])[] {
  const rows: number[][] = nodes.map(() => [])
  bodies.node.forEach((node, row) => rows[node]!.push(row))
  return rows
}

/** Anticlockwise, without points on edges (Andrew 1979, "Another efficient algorithm for convex hulls"). */
export function convexHull(points: readonly FlatPoint[]): FlatPoint[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1])
  const cross = (o: FlatPoint, a: FlatPoint, b: FlatPoint): number => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0])
  const chain = (ordered: readonly FlatPoint[]): FlatPoint[] => {
    const hull: FlatPoint[] = []
    for (const point of ordered) {
      while (hull.length > 1 && cross(hull[hull.length - 2]!, hull[hull.length - 1]!, point) <= 0) hull.pop()
      hull.push(point)
    }
    hull.pop()
    return hull
  }
  return [...chain(sorted), ...chain(sorted.reverse())]
}

/** How far a point lies inside a convex outline: the least distance to its edges; negative outside. */
function distanceInside(hull: readonly FlatPoint[], x: number, y: number): number {
  let least = Infinity
  for (let i = 0; i < hull.length; i++) {
    const a = hull[i]!
    const b = hull[i + 1 < hull.length ? i + 1 : 0]!
    const dx = b[0] - a[0]
    const dy = b[1] - a[1]
    least = Math.min(least, (dx * (y - a[1]) - dy * (x - a[0])) / Math.hypot(dx, dy))
  }
  return least
}
