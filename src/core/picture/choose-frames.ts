import type { Scene } from '../scene'
import { sharedBox, unite, widened, type Box } from '../space'
import { FrameMemory, isSameBox, type RegionWorths } from './frame-memory'
import { scaleOf, SHAPE_RANGE, shapeFor, USUAL, type PictureFrame } from './frames'
import { GrowingBox } from './growing-box'
import { HOME, type Steps } from './look'
import { boxesOfSteps, type StepBoxes } from './step-boxes'
import { projectedSize, viewMatrix, type PictureSize } from './view'

/** Of so many steps in a row, at most one changes the frame, so that a reader seldom has to judge sizes anew. */
export const LEAST_STEPS = 6
/** What a change of the frame must gain in all: full pictures of so many steps. */
const CHANGE = 0.8
/** What a frame of another place must gain beside that. */
const MOVE = 0.8
/** Growth by less than this share of the whole, as seen, is no growth. */
const GRAIN = 0.02

/** In widths of a picture of the usual shape, one u where studs are easy to count and a piece one stud off shows: nearly six millimetres for a stud on a sheet of A4. */
const LEGIBLE = 0.0033
/** A picture of a region is worth less than one of the whole that is as full and as legible: it must be found. */
const REGION_WORTH = 0.85
/** What stands around the work and below it is shown as far as this at least, u; above it there is nothing yet, or what hides it. */
const AROUND = 20
const ABOVE = 8
/** Regions end on a grid, u: what changes by less changes no picture but its own. */
const GRID = 60
/** A frame of a region has at most so many steps. */
const MOST_REGION_STEPS = 24
/** Regions in which studs are so much too small are not looked at. */
const LEAST_LEGIBLE = 0.3

/**
 * Frames that follow the work: each is fitted to all that is there at its last step, so that the first steps of something large are
 * not drawn small; where all is so large that studs are hard to count, to the region that is worked on. Where they change is chosen
 * over the whole rail, so that the pictures are full and legible and changes few (segmentation by dynamic programming, Bellman 1961).
 * @param memory what was found out about the steps before an edit, and is found out now
 */
export function framesOf(boxes: StepBoxes, memory = new FrameMemory()): PictureFrame[] {
  const count = boxes.all.length
  if (count === 0) return []
  memory.begin(boxes)
  const chooser = new FrameChooser(boxes, memory)
  for (let end = 1; end <= count; end++) chooser.goOn(end)
  return chooser.frames()
}

/** The boxes of the steps of a section and the frames of their pictures. @param empty where nothing has come yet */
export function framesOfSteps(
  scene: Scene,
  steps: Steps,
  empty: Box,
): { readonly boxes: StepBoxes; readonly frames: readonly PictureFrame[] } {
  const boxes = boxesOfSteps(scene, steps, empty)
  return { boxes, frames: framesOf(boxes, scene.tables.of(makeMemory, undefined)) }
}

const makeMemory = (_: undefined): FrameMemory => new FrameMemory()

/** The best last frame of some first steps: where it begins, and whether it shows a region. */
interface LastFrame {
  readonly begin: number
  readonly isRegion: boolean
}

class FrameChooser {
  private readonly runs: readonly GrowthRun[]
  /** Of each number of first steps: what their best frames are worth. */
  private readonly worth: Float64Array
  /** Of each number of first steps: what they would take up together at 1 px for one u. */
  private readonly area: Float64Array
  private readonly last: LastFrame[] = []
  private readonly followsWork: boolean
  private run = 0
  /** Where a frame of the whole begins best that ends in this run. */
  private whole = { worth: -Infinity, begin: 0 }

  constructor(
    private readonly boxes: StepBoxes,
    private readonly memory: FrameMemory,
  ) {
    const count = boxes.all.length
    this.runs = runsOf(boxes.all)
    this.worth = new Float64Array(count + 1)
    this.area = new Float64Array(count + 1)
    for (const { from, to, size } of this.runs)
      for (let step = from; step < to; step++) this.area[step + 1] = this.area[step]! + areaOf(size)
    this.followsWork = legibility(this.runs[this.runs.length - 1]!.size) < 1
  }

  /** Finds the best last frame of so many first steps; asked in ascending order. */
  goOn(end: number): void {
    const whole = this.bestWhole(end)
    const region = this.followsWork ? this.bestRegion(end) : undefined
    const isRegion = region !== undefined && region.worth > whole.worth
    const { worth, begin } = isRegion ? region : whole
    this.worth[end] = worth
    this.last.push({ begin, isRegion })
  }

  /** The first and the last frame may be short: changes are as far apart. */
  private mayBegin = (begin: number, end: number): boolean => begin === 0 || end === this.boxes.all.length || end - begin >= LEAST_STEPS

  private bestWhole(end: number): { worth: number; begin: number } {
    while (this.runs[this.run]!.to < end) {
      this.run++
      this.whole = { worth: -Infinity, begin: 0 }
    }
    const each = this.runs[this.run]!.worth
    // In a run all frames of the whole are alike, so only beginnings that have become possible are new.
    const isFirst = this.whole.worth === -Infinity
    const first = isFirst ? 0 : end - LEAST_STEPS
    const last = end === this.boxes.all.length ? end - 1 : end - LEAST_STEPS
    for (let begin = Math.max(0, first); begin <= Math.max(0, last); begin++) {
      const worth = this.worth[begin]! - this.area[begin]! * each - (begin > 0 ? CHANGE : 0)
      if (worth > this.whole.worth) this.whole = { worth, begin }
    }
    return { worth: this.whole.worth + this.area[end]! * each, begin: this.whole.begin }
  }

  private bestRegion(end: number): { worth: number; begin: number } {
    let best = { worth: -Infinity, begin: 0 }
    const worths = this.memory.of(end, MOST_REGION_STEPS, () => this.regionWorths(end))
    for (let steps = 1; steps <= worths.length; steps++) {
      const begin = end - steps
      if (!this.mayBegin(begin, end)) continue
      const worth = this.worth[begin]! + steps * worths[steps - 1]! - (begin > 0 ? CHANGE + MOVE : 0)
      if (worth > best.worth) best = { worth, begin }
    }
    return best
  }

  private regionWorths(end: number): RegionWorths {
    const { all, work } = this.boxes
    const whole = all[end - 1]!
    const around = new GrowingBox()
    const worths: number[] = []
    for (let begin = end - 1; begin >= Math.max(0, end - MOST_REGION_STEPS); begin--) {
      around.add(work[begin]!)
      const size = seenTogether(around, whole, whole)
      const legible = legibility(size)
      if (legible < LEAST_LEGIBLE) break
      // What stands in the picture grows about evenly from its first step to its last.
      const area = areaOf(size)
      const grown = all[begin] === whole ? area : (area + areaOf(seenTogether(around, whole, all[begin]!))) / 2
      worths.push(REGION_WORTH * grown * worthPerArea(size, legible))
    }
    return worths
  }

  frames(): PictureFrame[] {
    const frames: PictureFrame[] = []
    for (let end = this.boxes.all.length; end > 0; end = this.last[end - 1]!.begin) {
      const { begin, isRegion } = this.last[end - 1]!
      const whole = this.boxes.all[end - 1]!
      const box = isRegion ? this.largestRegion(begin, end) : whole
      const next = frames[0]
      // Work that goes on in the same region is seen in the same frame.
      if (next && isSameBox(next.box, box)) frames[0] = { ...next, from: begin }
      else frames.unshift({ from: begin, box, shape: shapeFor(box), ...(isSameBox(box, whole) ? {} : { whole }) })
    }
    return frames
  }

  /** Around the work of some steps, and as much around it as leaves studs easy to count. */
  private largestRegion(begin: number, end: number): Box {
    const whole = this.boxes.all[end - 1]!
    const work = this.boxes.work.slice(begin, end).reduce(unite)
    const isLegible = (around: number): boolean => {
      return legibility(projectedSize(region(work, whole, around), HOME)) === 1
    }
    // By whole cells, so that a little more work here or there does not move the picture.
    let around = AROUND
    while (isLegible(around + GRID) && around * LEGIBLE < 1) around += GRID
    return region(work, whole, around)
  }
}

const [WIDE_X, WIDE_Y, WIDE_Z, HIGH_X, HIGH_Y, HIGH_Z] = viewMatrix(HOME).map(Math.abs) as [number, number, number, number, number, number]

/** As `projectedSize` of what is in a region and in another box, without a box for each of thousands of regions. */
function seenTogether({ low, high }: GrowingBox, whole: Box, other: Box): PictureSize {
  const { min, max } = whole
  const x = Math.max(0, Math.min(high[0] + AROUND, max[0], other.max[0]) - Math.max(low[0] - AROUND, min[0], other.min[0]))
  const y = Math.max(0, Math.min(high[1] + AROUND, max[1], other.max[1]) - Math.max(low[1] - AROUND, min[1], other.min[1]))
  const z = Math.max(0, Math.min(high[2] + ABOVE, max[2], other.max[2]) - Math.max(low[2] - AROUND, min[2], other.min[2]))
  return { width: WIDE_X * x + WIDE_Y * y + WIDE_Z * z, height: HIGH_X * x + HIGH_Y * y + HIGH_Z * z }
}

function region(work: Box, whole: Box, around: number): Box {
  const { min, max } = widened(work, around)
  const down = (value: number): number => Math.floor(value / GRID) * GRID
  const up = (value: number): number => Math.ceil(value / GRID) * GRID
  const snapped: Box = {
    min: [down(min[0]), down(min[1]), down(min[2])],
    max: [up(max[0]), up(max[1]), up(work.max[2] + ABOVE)],
  }
  return sharedBox(snapped, whole)
}

const areaOf = ({ width, height }: PictureSize): number => width * height

/** From 0 to 1: how well studs can be counted in a picture of something so large, u, whatever shape suits it. */
function legibility(size: PictureSize): number {
  const shape = Math.min(SHAPE_RANGE.most, Math.max(SHAPE_RANGE.least, size.height / size.width))
  // Pictures of every shape take up the same room.
  return Math.min(1, (scaleOf(size, shape) * Math.sqrt(USUAL / shape)) / LEGIBLE)
}

/** What a picture that is fitted to something so large, u, is worth for each square u that stands in it. */
function worthPerArea(size: PictureSize, legible = legibility(size)): number {
  const perU = scaleOf(size, USUAL)
  return (legible * perU * perU) / USUAL
}

/** Steps in a row after which the work reaches equally far. */
interface GrowthRun {
  readonly from: number
  readonly to: number
  readonly size: PictureSize
  /** What a picture that is fitted to it is worth for each square u in it. */
  readonly worth: number
}

/** @param all around all that is there after each step */
function runsOf(all: readonly Box[]): GrowthRun[] {
  const whole = projectedSize(all[all.length - 1]!, HOME)
  const grain = GRAIN * Math.max(whole.width, whole.height)
  const begins: number[] = []
  let known: Box | undefined
  let seen: PictureSize = { width: -Infinity, height: -Infinity }
  all.forEach((box, step) => {
    if (box === known) return
    known = box
    const size = projectedSize(box, HOME)
    if (size.width - seen.width < grain && size.height - seen.height < grain) return
    begins.push(step)
    seen = size
  })
  return begins.map((from, i) => {
    const to = begins[i + 1] ?? all.length
    const own = projectedSize(all[to - 1]!, HOME)
    return { from, to, size: own, worth: worthPerArea(own) }
  })
}
