import type { Shape } from '../catalogue'
import type { BuiltSection } from '../plan'
import { defineCheck, type Found } from './check'
import { idsOf, lastStep, nameParts } from './naming'

/** Courses from which a straight seam is worth a word. */
const COURSES = 3
/** Parts named in one finding at most; a long seam has many. */
const MOST_PARTS = 24

/** Where the sides of two parts touch: a piece of the plane x = at or y = at. */
interface Seam {
  readonly axis: 0 | 1
  readonly at: number
  readonly from: number
  readonly to: number
  readonly low: number
  readonly high: number
  readonly nodes: readonly [number, number]
}

/** Nothing laps over such a seam. */
export const straightSeam = defineCheck({
  code: 'straight-seam',
  severity: 'warning',
  title: 'Straight seam',
  about: 'A seam runs straight up through three courses or more.',
  scope: 'rail',
  find: ({ built }) => built.scene.tables.of(findChains, built).map((chain) => describe(built, chain)),
})

/** Where seams run does not depend on steps. */
function findChains(built: BuiltSection): Seam[][] {
  const seams = [...findSeams(built, 0), ...findSeams(built, 1)]
  const byLow = new Map<string, Seam[]>()
  const key = (seam: Seam, z: number): string => `${seam.axis} ${seam.at} ${z}`
  for (const seam of seams) {
    const list = byLow.get(key(seam, seam.low))
    if (list) list.push(seam)
    else byLow.set(key(seam, seam.low), [seam])
  }
  const above = (seam: Seam): Seam[] => (byLow.get(key(seam, seam.high)) ?? []).filter((next) => next.from < seam.to && seam.from < next.to)
  const carried = new Set(seams.flatMap(above))
  const chains: Seam[][] = []
  const told = new Set<Seam>()
  for (const seam of seams) {
    if (carried.has(seam) || told.has(seam)) continue
    const chain = longestChain(seam, above)
    for (const part of chain) told.add(part)
    if (chain.length >= COURSES) chains.push(chain)
  }
  return chains
}

/** From a lowest piece of seam upward; where it forks, the first way that goes on. */
function longestChain(seam: Seam, above: (seam: Seam) => Seam[]): Seam[] {
  const chain = [seam]
  for (let next = above(seam)[0]; next; next = above(next)[0]) chain.push(next)
  return chain
}

/** Faces of different parts that touch across an axis: bodies sorted by where they begin, matched with where others end. */
function findSeams(built: BuiltSection, axis: 0 | 1): Seam[] {
  const { bodies, nodes, parts } = built.scene
  const across = axis === 0 ? 1 : 0
  const side = (i: number, k: number): number => bodies.boxes[i * 6 + k]!
  const endingAt = new Map<string, number[]>()
  const cellKey = (at: number, z: number): string => `${at} ${z}`
  // Courses are made of what is laid on studs; a gear beside a bush has no seam.
  const isPart = (i: number): boolean => nodes[bodies.node[i]!]!.kind === 'part' && isLaid(parts[bodies.part[i]!]!.shape)
  for (let i = 0; i < bodies.count; i++) {
    if (!isPart(i)) continue
    const k = cellKey(side(i, axis + 3), side(i, 2))
    const list = endingAt.get(k)
    if (list) list.push(i)
    else endingAt.set(k, [i])
  }
  const seams: Seam[] = []
  for (let i = 0; i < bodies.count; i++) {
    if (!isPart(i)) continue
    for (const j of endingAt.get(cellKey(side(i, axis), side(i, 2))) ?? []) {
      if (bodies.node[i] === bodies.node[j] || side(i, 5) !== side(j, 5)) continue
      const from = Math.max(side(i, across), side(j, across))
      const to = Math.min(side(i, across + 3), side(j, across + 3))
      if (from >= to) continue
      seams.push({ axis, at: side(i, axis), from, to, low: side(i, 2), high: side(i, 5), nodes: [bodies.node[j]!, bodies.node[i]!] })
    }
  }
  return seams.sort((a, b) => a.low - b.low || a.at - b.at || a.from - b.from)
}

const isLaid = (shape: Shape): boolean => shape.connectors.some(({ kind }) => kind === 'stud' || kind === 'socket')

function describe(built: BuiltSection, chain: readonly Seam[]): Found {
  const nodes = [...new Set(chain.flatMap((seam) => seam.nodes))].slice(0, MOST_PARTS)
  const parts = idsOf(built, nodes)
  const middle = chain[chain.length >> 1]!
  const [left, right] = idsOf(built, middle.nodes)
  const message =
    `A seam runs straight up through ${chain.length} courses between ${nameParts(parts.slice(0, 2))} and what stands on them. ` +
    `Let a part lap over it, for instance where “${left}” and “${right}” meet.`
  return { section: built.base, step: lastStep(built, nodes), parts, message }
}
