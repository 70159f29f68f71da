import { flatNodeBoxes, type Scene } from '../scene'
import type { Box, Matrix } from '../space'
import { GrowingBox } from './growing-box'
import { HOME, type Steps } from './look'
import { fitCamera, projectedSize, type Camera, type PictureSize, type FreeView, type ViewNumber } from './view'

/** What the pictures of some steps in a row are fitted to. */
export interface PictureFrame {
  /** The first step (from 0) that is seen in it. */
  readonly from: number
  /** Around all that is there at its last step, u. */
  readonly box: Box
  /** The shape of a picture that it fills best. */
  readonly shape: PictureShape
}

/** Of so many steps in a row, at most one changes the frame, so that a reader seldom has to judge sizes anew. */
export const LEAST_STEPS = 6
/** What a change of the frame must gain in all: full pictures of so many steps. */
const CHANGE = 0.8
/** A picture shows at least so many u in its width: small things are not blown up beyond it. */
const LEAST_WIDTH = 45
/** What stays free along the edges of a picture, in widths of it. */
const MARGIN_SHARE = 0.016
/** Rings and thick lines reach so far beyond what they mark, px. */
const LEAST_MARGIN = 12
/** Shapes of pictures, height for width: low for floors, as on screens, square, and upright for towers. */
const PICTURE_SHAPES = [0.5, 0.75, 1, 4 / 3, 2] as const
type PictureShape = (typeof PICTURE_SHAPES)[number]
/** That of screens: where frames change is the same in pictures of every shape. */
const USUAL: PictureShape = 0.75

/** Px for one u, in widths of the picture, where it is fitted to something so large, u. */
const scaleOf = ({ width, height }: PictureSize, shape: PictureShape): number =>
  Math.min((1 - 2 * MARGIN_SHARE) / width, (shape - 2 * MARGIN_SHARE) / height, 1 / LEAST_WIDTH)

/** How much of a picture a box takes up when the picture is fitted to another. */
function fillOf(box: Box, fittedTo: Box, shape: PictureShape): number {
  const { width, height } = projectedSize(box, HOME)
  const perU = scaleOf(projectedSize(fittedTo, HOME), shape)
  return (width * height * perU * perU) / shape
}

/** The shape that shows the most of something: upright for a tower. */
const shapeFor = (box: Box): PictureShape =>
  PICTURE_SHAPES.reduce((best, shape) => (fillOf(box, box, shape) > fillOf(box, box, best) ? shape : best))

/**
 * Frames that follow the work: each is fitted to all that is there at its last step, so that the first steps of something large are
 * not drawn small. Where they change is chosen over the whole rail, so that the pictures are full and changes few (segmentation by
 * dynamic programming, Bellman 1961).
 *
 * @param boxes around all that is there after each step, u; each holds the one before
 */
export function framesOf(boxes: readonly Box[]): PictureFrame[] {
  if (boxes.length === 0) return []
  const runs = runsOf(boxes)
  // area[r]: what the first r runs would take up together at 1 px for one u.
  const area = [0]
  for (const { steps, size } of runs) area.push(area[area.length - 1]! + steps * size.width * size.height)
  // best[r]: the most that the first r runs can show, and where their last frame begins.
  const best: { readonly worth: number; readonly begin: number }[] = [{ worth: 0, begin: 0 }]
  for (let end = 1; end <= runs.length; end++) {
    let found = { worth: -Infinity, begin: 0 }
    const perU = scaleOf(runs[end - 1]!.size, USUAL)
    for (let begin = 0; begin < end; begin++) {
      // The first and the last frame may be short: changes are as far apart.
      if (begin > 0 && end < runs.length && stepsOf(runs, begin, end) < LEAST_STEPS) continue
      const full = ((area[end]! - area[begin]!) * perU * perU) / USUAL
      const worth = best[begin]!.worth + full - (begin > 0 ? CHANGE : 0)
      if (worth > found.worth) found = { worth, begin }
    }
    best.push(found)
  }
  const frames: PictureFrame[] = []
  for (let end = runs.length; end > 0; end = best[end]!.begin) {
    const { box } = runs[end - 1]!
    frames.unshift({ from: runs[best[end]!.begin]!.from, box, shape: shapeFor(box) })
  }
  return frames
}

/** The camera of a picture that is fitted to a box. @param size px @param finer dots each way for one px: the camera sees dots */
// eslint-disable-next-line max-params -- a box, how it is seen, and the picture
export function frameCamera(box: Box, view: ViewNumber | FreeView, orientation: Matrix, size: PictureSize, finer = 1): Camera {
  const full = { width: size.width * finer, height: size.height * finer }
  const margin = Math.max(LEAST_MARGIN * finer, MARGIN_SHARE * full.width)
  return fitCamera(box, view, full, { margin, mostScale: full.width / LEAST_WIDTH, orientation })
}

/**
 * Around all that is there after each step, u: the same object as long as nothing grows, so that thousands of steps cost as many looks as
 * growths.
 * @param empty where nothing has come yet
 */
export function boxesAfterSteps(scene: Scene, steps: Steps, empty: Box): Box[] {
  const boxes = flatNodeBoxes(scene)
  const all = new GrowingBox()
  return steps.map((step) => {
    for (const node of step) all.addRow(boxes, node)
    return all.box ?? empty
  })
}

/** How a frame fits a picture: in which shape it fills it best, and how large one u is then, in widths of the picture. */
export interface FrameFit {
  readonly shape: PictureShape
  readonly perU: number
}

export const frameFit = ({ box, shape }: PictureFrame): FrameFit => ({ shape, perU: scaleOf(projectedSize(box, HOME), shape) })

/** The frame that a step is seen in. */
export const frameAt = (frames: readonly PictureFrame[], step: number): PictureFrame =>
  frames.reduce((found, frame) => (frame.from <= step ? frame : found))

/** Steps in a row after which the work reaches equally far. */
interface GrowthRun {
  readonly from: number
  readonly steps: number
  readonly box: Box
  /** As its box is seen from the usual side, u. */
  readonly size: PictureSize
}

/** Growth by less than this share of the whole, as seen, is no growth. */
const GRAIN = 0.02

function runsOf(boxes: readonly Box[]): GrowthRun[] {
  const whole = projectedSize(boxes[boxes.length - 1]!, HOME)
  const grain = GRAIN * Math.max(whole.width, whole.height)
  const runs: GrowthRun[] = []
  let seen = { width: 0, height: 0 }
  boxes.forEach((box, step) => {
    const last = runs[runs.length - 1]
    const size = last?.box === box ? last.size : projectedSize(box, HOME)
    if (last && size.width - seen.width < grain && size.height - seen.height < grain) {
      Object.assign(last, { steps: last.steps + 1, box, size })
    } else {
      runs.push({ from: step, steps: 1, box, size })
      seen = size
    }
  })
  return runs
}

const stepsOf = (runs: readonly GrowthRun[], begin: number, end: number): number =>
  runs[end - 1]!.from + runs[end - 1]!.steps - runs[begin]!.from

/** How full the picture of each step is, in the shape that suits its frame. @param boxes around all that is there after each, u */
export function fillsOfSteps(boxes: readonly Box[]): number[] {
  const frames = framesOf(boxes)
  let known: { box: Box; frame: PictureFrame; fill: number } | undefined
  return boxes.map((box, step) => {
    const frame = frameAt(frames, step)
    if (known?.box !== box || known.frame !== frame) known = { box, frame, fill: fillOf(box, frame.box, frame.shape) }
    return known.fill
  })
}
