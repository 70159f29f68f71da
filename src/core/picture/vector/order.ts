import { areaOf, common, keep, type FlatPoint } from '../../space'
import { FacetOverlap } from './overlap'
import { depthAt, pointsOf, type VisibleFacet } from './facets'

/** A facet in its turn, and what must be cut out of it because it is drawn too late to be covered there. */
export interface OrderedFacet {
  readonly facet: VisibleFacet
  readonly cuts: readonly (readonly FlatPoint[])[]
}

/** Side of a cell, dots. */
const CELL = 32
/** Facets that have less than this in common only touch, dots². */
const TOUCH = 0.05
/** Depths nearer than this are one depth, u. */
const SAME_DEPTH = 0.015

/** What is in front of what, where two facets have dots in common. */
interface FacetPairs {
  /** Of each facet those right behind it: to be drawn before. */
  readonly behind: number[][]
  readonly inFront: number[][]
  /** Where two facets go through each other: what of the later one lies behind the other. */
  readonly cuts: FlatPoint[][][]
}

/**
 * Sorts facets so that each is drawn after all it covers (the list of Newell, Newell and Sancha 1972, "A solution to the hidden
 * surface problem"). Where facets cover each other in a ring, one is drawn early, and what it hides of the others is cut out of them.
 * Facets of one surface follow each other where they may, so that they can be drawn as one.
 */
export function paintOrder(facets: readonly VisibleFacet[]): OrderedFacet[] {
  const { behind, inFront, cuts } = comparePairs(facets)
  const waits = Int32Array.from(behind, (list) => list.length)
  const isDone = new Uint8Array(facets.length)
  const ready = new ReadyList(facets)
  waits.forEach((count, i) => count === 0 && ready.add(i))
  const order: OrderedFacet[] = []
  const open = { from: 0 }
  while (order.length < facets.length) {
    const next = ready.take() ?? leastBound(waits, isDone, open)
    isDone[next] = 1
    // A ring: those behind it that come later must not cover it.
    for (const late of behind[next]!) if (isDone[late] === 0) cuts[late]!.push(pointsOf(facets[next]!))
    order.push({ facet: facets[next]!, cuts: cuts[next]! })
    for (const front of inFront[next]!) {
      waits[front]!--
      if (waits[front] === 0 && isDone[front] === 0) ready.add(front)
    }
  }
  return order
}

/** Of all that still wait, the one that waits for the fewest. */
function leastBound(waits: Int32Array, isDone: Uint8Array, open: { from: number }): number {
  while (isDone[open.from] === 1) open.from++
  let best = open.from
  for (let i = open.from; i < waits.length; i++) if (isDone[i] === 0 && waits[i]! < waits[best]!) best = i
  return best
}

function comparePairs(facets: readonly VisibleFacet[]): FacetPairs {
  const pairs: FacetPairs = { behind: facets.map(() => []), inFront: facets.map(() => []), cuts: facets.map(() => []) }
  const cells = new Map<number, number[]>()
  const met = new Int32Array(facets.length).fill(-1)
  const overlap = new FacetOverlap()
  facets.forEach((facet, i) => {
    for (let row = Math.floor(facet.top / CELL); row <= Math.floor(facet.bottom / CELL); row++) {
      for (let column = Math.floor(facet.left / CELL); column <= Math.floor(facet.right / CELL); column++) {
        const key = row * 65_536 + column
        const cell = cells.get(key)
        if (!cell) {
          cells.set(key, [i])
          continue
        }
        for (const j of cell) {
          if (met[j] === i) continue
          met[j] = i
          compare(facets, j, i, pairs, overlap)
        }
        cell.push(i)
      }
    }
  })
  return pairs
}

// eslint-disable-next-line max-params -- runs for every two facets that may overlap
function compare(facets: readonly VisibleFacet[], i: number, j: number, pairs: FacetPairs, overlap: FacetOverlap): void {
  const [a, b] = [facets[i]!, facets[j]!]
  if (a.right <= b.left || b.right <= a.left || a.bottom <= b.top || b.bottom <= a.top) return
  if (!overlap.of(a, b) || overlap.area < TOUCH) return
  const { low, high } = overlap
  const isPatched = a.part === b.part && (a.patch === undefined) !== (b.patch === undefined)
  if (isPatched && Math.max(-low, high) < 1) return a.patch ? note(pairs, j, i) : note(pairs, i, j)
  // On one plane the first stays on top, as it does in the z-buffer.
  if (low >= -SAME_DEPTH) return high <= SAME_DEPTH ? note(pairs, j, i) : note(pairs, i, j)
  if (high <= SAME_DEPTH) return note(pairs, j, i)
  // They go through each other: b first, then a without what lies behind b.
  note(pairs, j, i)
  const hidden = keep(common(pointsOf(a), pointsOf(b)), ([x, y]) => depthAt(a, x, y) - depthAt(b, x, y))
  if (hidden.length > 2 && areaOf(hidden) > TOUCH) pairs.cuts[i]!.push(hidden)
}

function note({ behind, inFront }: FacetPairs, back: number, front: number): void {
  behind[front]!.push(back)
  inFront[back]!.push(front)
}

/** Facets that may be drawn now: one of the surface drawn last, else the farthest (a binary heap). */
class ReadyList {
  private readonly heap: number[] = []
  private readonly byGroup = new Map<string, number[]>()
  private readonly taken: Uint8Array
  private last = ''

  constructor(private readonly facets: readonly VisibleFacet[]) {
    this.taken = new Uint8Array(facets.length)
  }

  add(i: number): void {
    const group = groupOf(this.facets[i]!)
    const list = this.byGroup.get(group)
    if (list) list.push(i)
    else this.byGroup.set(group, [i])
    this.heap.push(i)
    this.up(this.heap.length - 1)
  }

  take(): number | undefined {
    const same = this.byGroup.get(this.last)
    for (let i = same?.pop(); i !== undefined; i = same?.pop()) if (this.taken[i] === 0) return this.mark(i)
    for (let i = this.pop(); i !== undefined; i = this.pop()) if (this.taken[i] === 0) return this.mark(i)
    return undefined
  }

  private mark(i: number): number {
    this.taken[i] = 1
    this.last = groupOf(this.facets[i]!)
    return i
  }

  private isBefore(a: number, b: number): boolean {
    const [far, other] = [this.facets[a]!.far, this.facets[b]!.far]
    return far > other || (far === other && a < b)
  }

  private up(at: number): void {
    const { heap } = this
    while (at > 0) {
      const parent = (at - 1) >> 1
      if (!this.isBefore(heap[at]!, heap[parent]!)) return
      this.swap(at, parent)
      at = parent
    }
  }

  private pop(): number | undefined {
    const { heap } = this
    const top = heap[0]
    const last = heap.pop()
    if (heap.length === 0 || last === undefined) return top
    heap[0] = last
    for (let at = 0; ;) {
      const [left, right] = [2 * at + 1, 2 * at + 2]
      let best = at
      if (left < heap.length && this.isBefore(heap[left]!, heap[best]!)) best = left
      if (right < heap.length && this.isBefore(heap[right]!, heap[best]!)) best = right
      if (best === at) return top
      this.swap(at, best)
      at = best
    }
  }

  private swap(a: number, b: number): void {
    const { heap } = this
    const kept = heap[a]!
    heap[a] = heap[b]!
    heap[b] = kept
  }
}

/** Facets of one group look the same and have no line between them. */
export const groupOf = ({ part, surface, tone, patch }: VisibleFacet): string => `${part} ${surface} ${tone}${patch ? ' picture' : ''}`
