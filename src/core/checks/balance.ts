import type { BuiltSection, Finding } from '../plan'
import { finding } from './place'
import { middleOfMass, nodeMasses } from './weak'

/** A finished model that a tilt of less than this brings down is worth a word, degrees. */
const LEAST_TILT = 6

type Point = readonly [number, number]

/** How a set of nodes stands on the table: by how much it must be tilted to fall; negative when it falls by itself. */
export interface Stand {
  readonly tilt: number
}

/** Whether the work stands after each step, and how firmly when it is finished. Only the first step that falls is named. */
export function tipsOver(built: BuiltSection, isRoot: boolean): Finding[] {
  // What hovers or lies about has no stand to judge; that is said already.
  if (built.holding.problems.length > 0) return []
  const masses = nodeMasses(built.scene)
  const present: number[] = []
  for (const [i, step] of built.steps.entries()) {
    present.push(...step)
    if (built.scene.nodes.length < 2) return []
    const { tilt } = standOf(built, present, masses)
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

/** The angle at which the weight passes the edge of the outline of all that touches the table. */
export function standOf(built: BuiltSection, nodes: readonly number[], masses: readonly number[]): Stand {
  const { nodeBoxes, bodies } = built.scene
  const present = new Set(nodes)
  let table = Infinity
  for (const node of nodes) table = Math.min(table, nodeBoxes[node]!.min[2])
  const feet: Point[] = []
  for (let i = 0; i < bodies.count; i++) {
    const box = i * 6
    if (bodies.boxes[box + 2] !== table || !present.has(bodies.node[i]!)) continue
    const [x0, y0, x1, y1] = [bodies.boxes[box]!, bodies.boxes[box + 1]!, bodies.boxes[box + 3]!, bodies.boxes[box + 4]!]
    feet.push([x0, y0], [x1, y0], [x1, y1], [x0, y1])
  }
  // What stands in a free pose alone has no flat foot that is known; it is not judged.
  if (feet.length === 0) return { tilt: 90 }
  const [x, y, z] = middleOfMass(built.scene, nodes, masses)
  const inside = distanceInside(convexHull(feet), [x, y])
  return { tilt: (Math.atan2(inside, Math.max(1, z - table)) * 180) / Math.PI }
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
