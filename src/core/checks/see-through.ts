import { flatNodeBoxes, type Scene } from '../scene'
import { defineCheck } from './check'
import { connectedCells } from './connected-cells'
import { idsOf } from './naming'

/** How finely air is cut. */
interface Grain {
  /** Sides of a cell of air, u. */
  readonly cell: readonly [number, number, number]
  /** What cannot pass through a gap of less than two studs by five plates: in cells. */
  readonly probe: readonly [number, number, number]
  /** Openings of more cells than this are meant: a fence, a lattice. */
  readonly mostOpen: number
  /** A room is at least this many cells large; less is a nook. */
  readonly leastRoom: number
}
/** Slits of half a stud are seen; one that is narrower may be a joint that does not quite close. */
const FINE: Grain = { cell: [5, 5, 4], probe: [4, 4, 5], mostOpen: 24, leastRoom: 240 }
/** Only gaps of a stud are seen, four times as fast. */
const COARSE: Grain = { cell: [10, 10, 4], probe: [2, 2, 5], mostOpen: 12, leastRoom: 60 }
/** More cells than this are cut coarsely; more coarse ones are not looked at: the check says nothing then. */
const MOST_CELLS = 6_000_000

/**
 * Air that a fine thread reaches from outside, but a probe of two studs does not. Where the finished model has doors and windows,
 * rooms are open, and nothing is said.
 */
export const seeThrough = defineCheck({
  code: 'see-through',
  severity: 'warning',
  about: 'Light falls through a small gap into a room that is closed elsewhere.',
  scope: 'model',
  find: ({ built }) =>
    built.scene.tables.of(findGaps, built.scene).map((nodes) => {
      const parts = idsOf(built, nodes)
      return { section: built.base, step: null, parts, said: { key: 'find.seeThrough', about: { parts: { parts } } } }
    }),
})

const SOLID = 1
const OUTSIDE = 2
const THREAD = 3

/** For each room with a gap, the nodes around the gap. */
function findGaps(scene: Scene): number[][] {
  const air = Air.around(scene, FINE) ?? Air.around(scene, COARSE)
  if (!air) return []
  const { mostOpen, leastRoom } = air.grain
  air.fill(OUTSIDE, air.anchorsFrom(0))
  air.thread()
  return air.rooms().flatMap(({ cells, mouth }) => (cells >= leastRoom && mouth.length <= mostOpen ? [air.nodesAround(mouth)] : []))
}

/** The space around and in a section, cut into cells. */
class Air {
  private readonly state: Uint8Array

  private constructor(
    private readonly scene: Scene,
    readonly grain: Grain,
    private readonly from: readonly number[],
    private readonly size: readonly number[],
  ) {
    this.state = new Uint8Array(size[0]! * size[1]! * size[2]!)
    const { boxes } = scene.bodies
    for (let row = 0; row < scene.bodies.count; row++) this.fillBox(boxes.subarray(row * 6, row * 6 + 6))
    for (const { hull, isStud } of scene.freeBodies) if (!isStud) this.fillBox([...hull.min, ...hull.max])
  }

  /** @returns undefined where there is nothing, or too much */
  static around(scene: Scene, grain: Grain): Air | undefined {
    const { cell, probe } = grain
    const boxes = flatNodeBoxes(scene)
    const low = [Infinity, Infinity, Infinity]
    const high = [-Infinity, -Infinity, -Infinity]
    for (let i = 0; i < boxes.length; i += 6) {
      for (const k of [0, 1, 2]) {
        low[k] = Math.min(low[k]!, boxes[i + k]!)
        high[k] = Math.max(high[k]!, boxes[i + 3 + k]!)
      }
    }
    // Air on all sides, wide enough for the probe.
    const from = low.map((value, k) => Math.floor(value / cell[k]!) - probe[k]!)
    const size = high.map((value, k) => Math.ceil(value / cell[k]!) + probe[k]! - from[k]!)
    const cells = size.reduce((a, b) => a * b, 1)
    return Number.isFinite(cells) && cells <= MOST_CELLS ? new Air(scene, grain, from, size) : undefined
  }

  private index(x: number, y: number, z: number): number {
    return (z * this.size[1]! + y) * this.size[0]! + x
  }

  /** A cell is full when a body holds its middle. */
  private fillBox(box: ArrayLike<number>): void {
    const { cell } = this.grain
    const range = (k: 0 | 1 | 2): [number, number] => [
      Math.ceil(box[k]! / cell[k] - 0.5) - this.from[k]!,
      Math.ceil(box[k + 3]! / cell[k] - 0.5) - 1 - this.from[k]!,
    ]
    const [[x0, x1], [y0, y1], [z0, z1]] = [range(0), range(1), range(2)]
    for (let z = z0; z <= z1; z++) for (let y = y0; y <= y1; y++) this.state.fill(SOLID, this.index(x0, y, z), this.index(x1, y, z) + 1)
  }

  /**
   * Steps to the six cells beside one. All around there is air as wide as the probe, so what is not reached by it never lies at an
   * edge, and neither the probe nor the thread steps over one.
   */
  private get strides(): readonly number[] {
    const [sx, sy] = this.size as [number, number]
    return [1, -1, sx, -sx, sx * sy, -sx * sy]
  }

  /** Lowest corners of the probe that it reaches from a corner of the space, moving a cell at a time: 1 for each. */
  anchorsFrom(start: number): Uint8Array {
    return connectedCells(this.probeFits(), this.size as [number, number, number], start)
  }

  /** 1 for each cell at which the probe may stand with its lowest corner: erosion along each axis (Serra 1982), from below. */
  private probeFits(): Uint8Array {
    const fits = new Uint8Array(this.state.length)
    for (let at = 0; at < fits.length; at++) fits[at] = this.state[at] === SOLID ? 0 : 1
    this.eachLine((first, stride, length, probe) => {
      // How many free cells there are in a row, counted from the end of the line.
      let run = 0
      for (let k = length - 1, at = first + k * stride; k >= 0; k--, at -= stride) {
        run = fits[at] === 1 ? run + 1 : 0
        fits[at] = run >= probe ? 1 : 0
      }
    })
    return fits
  }

  /** Marks all cells that the probe covers from its places, which are 1 in `covered`: dilation along each axis. */
  fill(mark: number, covered: Uint8Array): void {
    this.eachLine((first, stride, length, probe) => {
      let left = 0
      for (let k = 0, at = first; k < length; k++, at += stride) {
        left = covered[at] === 1 ? probe : left - 1
        covered[at] = left > 0 ? 1 : 0
      }
    })
    for (let at = 0; at < covered.length; at++) if (covered[at] === 1) this.state[at] = mark
  }

  /** All lines of cells along one axis after the other. */
  private eachLine(visit: (first: number, stride: number, length: number, probe: number) => void): void {
    const [sx, sy, sz] = this.size as [number, number, number]
    const { probe } = this.grain
    for (let z = 0; z < sz; z++) for (let y = 0; y < sy; y++) visit((z * sy + y) * sx, 1, sx, probe[0])
    for (let z = 0; z < sz; z++) for (let x = 0; x < sx; x++) visit(z * sy * sx + x, sx, sy, probe[1])
    for (let y = 0; y < sy; y++) for (let x = 0; x < sx; x++) visit(y * sx + x, sx * sy, sz, probe[2])
  }

  /** Marks all air that a thread reaches from outside, but the probe does not. */
  thread(): void {
    const { state, strides } = this
    const queue = new Int32Array(state.length)
    let count = 0
    // What is neither solid nor outside is little: it is asked, not all that is outside.
    for (let at = state.indexOf(0); at >= 0; at = state.indexOf(0, at + 1)) {
      if (!strides.some((stride) => state[at + stride] === OUTSIDE)) continue
      state[at] = THREAD
      queue[count++] = at
    }
    for (let head = 0; head < count; head++) {
      for (const stride of strides) {
        const next = queue[head]! + stride
        if (state[next] !== 0) continue
        state[next] = THREAD
        queue[count++] = next
      }
    }
  }

  /** Connected air that only a thread reaches: how large it is, and the cells where it meets the outside. */
  rooms(): { cells: number; mouth: number[] }[] {
    const { state, strides } = this
    const seen = new Uint8Array(state.length)
    const rooms: { cells: number; mouth: number[] }[] = []
    for (let start = 0; start < state.length; start++) {
      if (state[start] !== THREAD || seen[start] === 1) continue
      const queue = [start]
      const mouth: number[] = []
      seen[start] = 1
      for (let head = 0; head < queue.length; head++) {
        let isMouth = false
        for (const stride of strides) {
          const next = queue[head]! + stride
          if (state[next] === OUTSIDE) isMouth = true
          if (state[next] !== THREAD || seen[next] === 1) continue
          seen[next] = 1
          queue.push(next)
        }
        if (isMouth) mouth.push(queue[head]!)
      }
      rooms.push({ cells: queue.length, mouth })
    }
    return rooms
  }

  /** Nodes whose boxes touch one of the cells, in the order of the section; a few tell the place. */
  nodesAround(cells: readonly number[]): number[] {
    const [sx, sy] = this.size as [number, number]
    const boxes = flatNodeBoxes(this.scene)
    const { cell } = this.grain
    const found = new Set<number>()
    for (const at of cells) {
      const corner = [at % sx, Math.floor(at / sx) % sy, Math.floor(at / (sx * sy))].map((value, k) => (value + this.from[k]!) * cell[k]!)
      for (let node = 0; node < this.scene.nodes.length; node++) {
        const touches = [0, 1, 2].every((k) => boxes[node * 6 + k]! <= corner[k]! + cell[k]! && boxes[node * 6 + 3 + k]! >= corner[k]!)
        if (touches && this.scene.nodes[node]!.parts.length > 0) found.add(node)
      }
    }
    return [...found].sort((a, b) => a - b).slice(0, 8)
  }
}
