import type { BuiltSection, Finding } from '../plan'
import { middle } from '../space'
import { finding } from './place'
import { nodeMasses } from './weak'

/** A finished model that a tilt of less than this brings down is worth a word, degrees. */
const LEAST_TILT = 6

type Point = readonly [number, number]

/** Whether the work stands after each step, and how firmly when it is finished. Only the first step that falls is named. */
export function tipsOver(built: BuiltSection, isRoot: boolean): Finding[] {
  // What hovers or lies about has no stand to judge; that is said already.
  if (built.holding.problems.length > 0 || built.scene.nodes.length < 2) return []
  const stand = new Stand(built)
  for (const [i, step] of built.steps.entries()) {
    for (const node of step) stand.put(node)
    const tilt = stand.tilt()
    const isLast = i === built.steps.length - 1
    const parts = step.map((node) => built.scene.nodes[node]!.id)
    if (tilt < 0) {
      const message = `After this step the work falls over: its weight lies ${Math.abs(tilt).toFixed(0)}° outside what it stands on. Hold it, or add its feet sooner.`
      return [finding('tips-over', { section: built.id, step: i + 1, parts }, message)]
    }
    if (isLast && isRoot && tilt < LEAST_TILT) {
      const message = `The finished model falls when it is tilted by ${tilt.toFixed(1)}°. Widen its foot, or make it heavier below.`
      return [finding('tips-over', { section: built.id, step: null, parts }, message)]
    }
  }
  return []
}

/** The weight and the feet of what is there, kept up to date as nodes come. */
class Stand {
  private readonly masses: readonly number[]
  private mass = 0
  private readonly moment: [number, number, number] = [0, 0, 0]
  private table = Infinity
  /** Outline of all that touches the table. */
  private outline: Point[] = []
  private readonly rows: readonly (readonly number[])[]

  constructor(private readonly built: BuiltSection) {
    this.masses = nodeMasses(built.scene)
    const rows: number[][] = built.scene.nodes.map(() => [])
    built.scene.bodies.node.forEach((node, row) => rows[node]!.push(row))
    this.rows = rows
  }

  put(node: number): void {
    const { nodeBoxes, bodies } = this.built.scene
    const box = nodeBoxes[node]!
    const mass = this.masses[node]!
    this.mass += mass
    middle(box).forEach((value, i) => (this.moment[i]! += mass * value))
    if (box.min[2] > this.table) return
    if (box.min[2] < this.table) this.outline = []
    this.table = box.min[2]
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
    const [x, y, z] = this.moment.map((value) => value / this.mass) as [number, number, number]
    const inside = distanceInside(this.outline, [x, y])
    return (Math.atan2(inside, Math.max(1, z - this.table)) * 180) / Math.PI
  }
}

/** Anticlockwise, without points on edges (Andrew 1979, "Another efficient algorithm for convex hulls"). */
export function convexHull(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1])
  const cross = (o: Point, a: Point, b: Point): number => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0])
  const chain = (ordered: readonly Point[]): Point[] => {
    const hull: Point[] = []
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
function distanceInside(hull: readonly Point[], [x, y]: Point): number {
  let least = Infinity
  hull.forEach((a, i) => {
    const b = hull[(i + 1) % hull.length]!
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
    least = Math.min(least, (dx * (y - a[1]) - dy * (x - a[0])) / Math.hypot(dx, dy))
  })
  return least
}
