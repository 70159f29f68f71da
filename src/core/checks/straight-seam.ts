import type { Shape } from '../catalogue'
import { memoPair } from '../memo'
import type { BuiltSection } from '../plan'
import { apply, DIRECTION_VECTORS, dot, vecOf, type FlatPoint, type Matrix, type Vec } from '../space'
import { defineCheck, type Found } from './check'
import { idsOf, lastStep } from './naming'

/** Courses from which a straight seam is worth a word. */
const COURSES = 3
/** Parts named in one finding at most; a long seam has many. */
const MOST_PARTS = 24

/** Where the sides of two parts touch: a rectangle of the plane x = at or y = at. */
interface Contact {
  readonly from: number
  readonly to: number
  readonly low: number
  readonly high: number
  /** The one that ends at the plane, the one that begins there. */
  readonly nodes: readonly [number, number]
}

/** A seam that runs straight up: the parts on its two sides, each from below. */
interface Seam {
  readonly low: number
  readonly high: number
  readonly before: readonly number[]
  readonly behind: readonly number[]
}

/** Nothing laps over such a seam. */
export const straightSeam = defineCheck({
  code: 'straight-seam',
  severity: 'warning',
  about: 'A seam runs straight up through three courses or more.',
  scope: 'rail',
  find: ({ built }) => built.scene.tables.of(findSeams, built).map((seam) => describe(built, seam)),
})

/** Where seams run does not depend on steps. */
const findSeams = (built: BuiltSection): Seam[] => [...seamsAcross(built, 0), ...seamsAcross(built, 1)]

function seamsAcross(built: BuiltSection, axis: 0 | 1): Seam[] {
  const planes = [...contactsAcross(built, axis)].sort(([a], [b]) => a - b)
  return planes.flatMap(([, contacts]) => mergeSeams(straightRuns(contacts)))
}

/**
 * Up a plane, line by line of its width: contacts that follow each other without a gap. A course is as high as the higher of the
 * parts on both sides, so that a seam between bricks and plates has as many courses as there are bricks. Bodies of one part are
 * no courses.
 */
function straightRuns(contacts: readonly Contact[]): Seam[] {
  const edges = [...new Set(contacts.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b)
  const lines = new Map<number, Contact[]>()
  for (const contact of contacts) {
    for (let k = edges.indexOf(contact.from); edges[k]! < contact.to; k++) {
      const line = lines.get(k)
      if (line) line.push(contact)
      else lines.set(k, [contact])
    }
  }
  const runs: Seam[] = []
  for (const [, line] of [...lines].sort(([a], [b]) => a - b)) {
    line.sort((a, b) => a.low - b.low)
    let begin = 0
    let high = line[0]!.high
    for (let i = 1; i <= line.length; i++) {
      if (i < line.length && line[i]!.low <= high) {
        high = Math.max(high, line[i]!.high)
        continue
      }
      const run = line.slice(begin, i)
      const before = [...new Set(run.map(({ nodes }) => nodes[0]))]
      const behind = [...new Set(run.map(({ nodes }) => nodes[1]))]
      if (Math.min(before.length, behind.length) >= COURSES) runs.push({ low: run[0]!.low, high, before, behind })
      begin = i
      high = line[i]?.high ?? 0
    }
  }
  return runs
}

/** Lines beside each other that run along a common part are one seam. */
function mergeSeams(runs: readonly Seam[]): Seam[] {
  const merged: Seam[] = []
  for (const run of runs) {
    const at = merged.findIndex(
      (seam) => seam.low < run.high && run.low < seam.high && (sharesAny(seam.before, run.before) || sharesAny(seam.behind, run.behind)),
    )
    if (at < 0) merged.push(run)
    else {
      const seam = merged[at]!
      merged[at] = {
        low: Math.min(seam.low, run.low),
        high: Math.max(seam.high, run.high),
        before: [...new Set([...seam.before, ...run.before])],
        behind: [...new Set([...seam.behind, ...run.behind])],
      }
    }
  }
  return merged
}

const sharesAny = (a: readonly number[], b: readonly number[]): boolean => a.some((node) => b.includes(node))

/** By plane, where sides of different parts touch: bodies that begin at it, matched with those that end there. */
function contactsAcross(built: BuiltSection, axis: 0 | 1): Map<number, Contact[]> {
  const { bodies, nodes, parts } = built.scene
  const across = axis === 0 ? 1 : 0
  const side = (i: number, k: number): number => bodies.boxes[i * 6 + k]!
  // Courses are made of what is laid on studs; a gear beside a bush has no seam.
  const isPart = (i: number): boolean => nodes[bodies.node[i]!]!.kind === 'part' && isLaid(parts[bodies.part[i]!]!.shape)
  const ends = wayKey(vecOf((k) => (k === axis ? 1 : 0)))
  const begins = wayKey(vecOf((k) => (k === axis ? -1 : 0)))
  const isFlat = (i: number, way: string): boolean => {
    const { shape, pose } = parts[bodies.part[i]!]!
    return flatWays(shape, pose.matrix).has(way)
  }
  const endingAt = new Map<number, number[]>()
  for (let i = 0; i < bodies.count; i++) {
    if (!isPart(i) || !isFlat(i, ends)) continue
    const last = cellOf(side(i, 5) - 1)
    for (let cell = cellOf(side(i, 2)); cell <= last; cell++) {
      const key = cellKey(side(i, axis + 3), cell)
      const list = endingAt.get(key)
      if (list) list.push(i)
      else endingAt.set(key, [i])
    }
  }
  const planes = new Map<number, Contact[]>()
  for (let i = 0; i < bodies.count; i++) {
    if (!isPart(i) || !isFlat(i, begins)) continue
    const at = side(i, axis)
    const last = cellOf(side(i, 5) - 1)
    for (let cell = cellOf(side(i, 2)); cell <= last; cell++) {
      for (const j of endingAt.get(cellKey(at, cell)) ?? []) {
        const low = Math.max(side(i, 2), side(j, 2))
        // Found again in each cell that both lie in: told in the lowest.
        if (bodies.node[i] === bodies.node[j] || cellOf(low) !== cell) continue
        const [from, to] = [Math.max(side(i, across), side(j, across)), Math.min(side(i, across + 3), side(j, across + 3))]
        const high = Math.min(side(i, 5), side(j, 5))
        if (from >= to || low >= high) continue
        const contact: Contact = { from, to, low, high, nodes: [bodies.node[j]!, bodies.node[i]!] }
        const plane = planes.get(at)
        if (plane) plane.push(contact)
        else planes.set(at, [contact])
      }
    }
  }
  return planes
}

/** Height of the cells of a plane by which sides are found, u. */
const CELL = 24
const cellOf = (z: number): number => Math.floor(z / CELL)
/** More than any model is wide, in cells of a plane or in u. */
const WIDE = 2 ** 22
const cellKey = (at: number, cell: number): number => (at + WIDE) * 2 * WIDE + cell + WIDE

const isLaid = (shape: Shape): boolean => shape.connectors.some(({ kind }) => kind === 'stud' || kind === 'socket')

/** A side of which less is flat than this share leans on nothing: a round post beside a wall makes no seam. */
const FLAT = 0.5

/** Ways of the section, along an axis, that flat sides of a turned shape look. */
const flatWays = memoPair((shape: Shape, matrix: Matrix): ReadonlySet<string> => {
  const flat = new Set<string>()
  for (const way of DIRECTION_VECTORS) {
    const axis = way.findIndex((value) => value !== 0)
    const [u, v] = [0, 1, 2].filter((k) => k !== axis) as [0 | 1 | 2, 0 | 1 | 2]
    const facing = shape.mesh.filter(({ normal }) => dot(normal, way) > 0.999)
    const area = facing.reduce((sum, { corners }) => sum + areaOf(corners.map((corner) => [corner[u], corner[v]])), 0)
    if (area >= FLAT * shape.box[u] * shape.box[v]) flat.add(wayKey(apply(matrix, way)))
  }
  return flat
})

const wayKey = (way: Vec): string => way.map((value) => Math.round(value) + 0).join()

/** Of a polygon (the shoelace formula). */
const areaOf = (corners: readonly FlatPoint[]): number =>
  Math.abs(
    corners.reduce((sum, [x, y], i) => sum + x * corners[(i + 1) % corners.length]![1] - y * corners[(i + 1) % corners.length]![0], 0),
  ) / 2

function describe(built: BuiltSection, { before, behind }: Seam): Found {
  const nodes = [...new Set([...before, ...behind])]
  const parts = idsOf(built, nodes.slice(0, MOST_PARTS))
  const [left, right] = idsOf(built, [before[before.length >> 1]!, behind[behind.length >> 1]!])
  const courses = Math.min(before.length, behind.length)
  const about = { courses, parts: { parts: parts.slice(0, 2) }, left: left!, right: right! }
  return { section: built.base, step: lastStep(built, nodes), parts, said: { key: 'find.seam', about } }
}
