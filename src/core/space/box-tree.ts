import type { Box } from './boxes'
import { enterBox, type Ray } from './ray'

/** Boxes in a leaf at most. */
const LEAF = 8

/**
 * A bounding volume hierarchy over boxes that never move: finds those that meet a box without asking all of them
 * (Goldsmith and Salmon 1987, "Automatic creation of object hierarchies"; here cut at the median of the longest side). A node is cut
 * when somebody first looks into it: the first question costs O(n), and what nobody asks about costs nothing.
 */
export class BoxTree {
  /** min x, y, z, max x, y, z of each box, then of each inner node. */
  private readonly boxes: Float64Array
  /** The boxes in the order of the leaves. */
  private readonly order: Int32Array
  /** Of each node: its hull, the first of its boxes in `order` and how many, and its two children, −1 for a leaf and where it is not cut yet. */
  private readonly hulls: number[] = []
  private readonly from: number[] = []
  private readonly count: number[] = []
  private readonly left: number[] = []
  private readonly right: number[] = []

  constructor(boxes: readonly Box[]) {
    this.boxes = new Float64Array(boxes.length * 6)
    boxes.forEach(({ min, max }, i) => {
      this.boxes.set(min, i * 6)
      this.boxes.set(max, i * 6 + 3)
    })
    this.order = Int32Array.from(boxes, (_, i) => i)
    if (boxes.length > 0) this.addNode(0, boxes.length)
  }

  private addNode(from: number, to: number): number {
    const { order, boxes } = this
    let [left, front, low, right, back, high] = [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity]
    for (let k = from; k < to; k++) {
      const at = order[k]! * 6
      if (boxes[at]! < left) left = boxes[at]!
      if (boxes[at + 1]! < front) front = boxes[at + 1]!
      if (boxes[at + 2]! < low) low = boxes[at + 2]!
      if (boxes[at + 3]! > right) right = boxes[at + 3]!
      if (boxes[at + 4]! > back) back = boxes[at + 4]!
      if (boxes[at + 5]! > high) high = boxes[at + 5]!
    }
    this.hulls.push(left, front, low, right, back, high)
    this.from.push(from)
    this.count.push(to - from)
    this.left.push(-1)
    this.right.push(-1)
    return this.from.length - 1
  }

  /** Cuts a node in two where it has not been yet. @returns whether it has children */
  private isCut(node: number): boolean {
    if (this.left[node]! >= 0) return true
    const [from, count] = [this.from[node]!, this.count[node]!]
    if (count <= LEAF) return false
    const sides = [0, 1, 2].map((axis) => this.hulls[node * 6 + axis + 3]! - this.hulls[node * 6 + axis]!)
    const half = (from + from + count) >> 1
    this.select(half, sides.indexOf(Math.max(...sides)), { from, to: from + count - 1 })
    this.left[node] = this.addNode(from, half)
    this.right[node] = this.addNode(half, from + count)
    return true
  }

  /** Orders boxes so that none before one place has its middle beyond those from there on (Hoare 1961, "Algorithm 65: find"). */
  private select(place: number, axis: number, { from, to }: { from: number; to: number }): void {
    const { order, boxes } = this
    // Boxes with the same middle go by their number, so that the tree is always the same.
    const middleOf = (box: number): number => boxes[box * 6 + axis]! + boxes[box * 6 + axis + 3]!
    while (from < to) {
      const pivot = order[(from + to) >> 1]!
      const middle = middleOf(pivot)
      const isBefore = (box: number, other: number, its: number): boolean => {
        const own = middleOf(box)
        return own < its || (own === its && box < other)
      }
      let [i, j] = [from, to]
      while (i <= j) {
        while (isBefore(order[i]!, pivot, middle)) i++
        while (isBefore(pivot, order[j]!, middleOf(order[j]!))) j--
        if (i > j) break
        const box = order[i]!
        order[i++] = order[j]!
        order[j--] = box
      }
      if (place <= j) to = j
      else if (place >= i) from = i
      else return
    }
  }

  /** Calls `found` with every box that meets the one asked for; stops when it returns true. @returns whether it did */
  each({ min, max }: Box, found: (box: number) => boolean): boolean {
    if (this.order.length === 0) return false
    const meets = (values: ArrayLike<number>, at: number): boolean =>
      values[at]! < max[0] &&
      min[0] < values[at + 3]! &&
      values[at + 1]! < max[1] &&
      min[1] < values[at + 4]! &&
      values[at + 2]! < max[2] &&
      min[2] < values[at + 5]!
    const open = [0]
    while (open.length > 0) {
      const node = open.pop()!
      if (!meets(this.hulls, node * 6)) continue
      if (this.isCut(node)) {
        open.push(this.right[node]!, this.left[node]!)
        continue
      }
      for (let k = this.from[node]!; k < this.from[node]! + this.count[node]!; k++) {
        const box = this.order[k]!
        if (meets(this.boxes, box * 6) && found(box)) return true
      }
    }
    return false
  }

  /**
   * The first thing that a ray meets, nearest boxes asked first.
   * @param meet how far along the ray it meets what is in a box; `Infinity` where it misses
   * @returns the box and how far, or nothing
   */
  first(ray: Ray, meet: (box: number) => number): { readonly box: number; readonly distance: number } | undefined {
    if (this.order.length === 0) return undefined
    let best = { box: -1, distance: Infinity }
    const open = [{ node: 0, distance: enterBox(ray, boxIn(this.hulls, 0)) }]
    while (open.length > 0) {
      const { node, distance } = open.pop()!
      if (distance >= best.distance) continue
      if (this.isCut(node)) {
        const children = [this.left[node]!, this.right[node]!].map((child) => ({
          node: child,
          distance: enterBox(ray, boxIn(this.hulls, child)),
        }))
        // The nearer one is taken from the end first.
        open.push(...children.sort((a, b) => b.distance - a.distance))
        continue
      }
      for (let k = this.from[node]!; k < this.from[node]! + this.count[node]!; k++) {
        const box = this.order[k]!
        if (enterBox(ray, boxIn(this.boxes, box)) >= best.distance) continue
        const met = meet(box)
        if (met < best.distance) best = { box, distance: met }
      }
    }
    return best.box < 0 ? undefined : best
  }
}

const boxIn = (values: ArrayLike<number>, at: number): Box => ({
  min: [values[at * 6]!, values[at * 6 + 1]!, values[at * 6 + 2]!],
  max: [values[at * 6 + 3]!, values[at * 6 + 4]!, values[at * 6 + 5]!],
})
