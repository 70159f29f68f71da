import { sharedBox, type Box, type Matrix } from '../space'
import { HOME } from './look'
import { fitCamera, projectedSize, type Camera, type PictureSize, type FreeView, type ViewNumber } from './view'

/** What the pictures of some steps in a row are fitted to. */
export interface PictureFrame {
  /** The first step (from 0) that is seen in it. */
  readonly from: number
  /** What it is fitted to, u: around all that is there at its last step, or the region that is worked on. */
  readonly box: Box
  /** Around all that is there at its last step, u, where the frame shows a region of it. */
  readonly whole?: Box
  /** The shape of a picture that it fills best. */
  readonly shape: PictureShape
}

/** A picture shows at least so many u in its width: small things are not blown up beyond it. */
const LEAST_WIDTH = 45
/** What stays free along the edges of a picture, in widths of it. */
const MARGIN_SHARE = 0.016
/** Rings and thick lines reach so far beyond what they mark, px. */
const LEAST_MARGIN = 12
/** Shapes of pictures, height for width: low for floors, as on screens, square, and upright for towers. */
const PICTURE_SHAPES = [0.5, 0.75, 1, 4 / 3, 2] as const
type PictureShape = (typeof PICTURE_SHAPES)[number]
export const SHAPE_RANGE = { least: 0.5, most: 2 } as const
/** That of screens: where frames change is the same in pictures of every shape. */
export const USUAL = 0.75

/** Px for one u, in widths of the picture, where it is fitted to something so large, u. */
export const scaleOf = ({ width, height }: PictureSize, shape: number): number =>
  Math.min((1 - 2 * MARGIN_SHARE) / width, (shape - 2 * MARGIN_SHARE) / height, 1 / LEAST_WIDTH)

/** How much of a picture a box takes up when the picture is fitted to another. */
function fillOf(box: Box, fittedTo: Box, shape: PictureShape): number {
  const { width, height } = projectedSize(box, HOME)
  const perU = scaleOf(projectedSize(fittedTo, HOME), shape)
  return (width * height * perU * perU) / shape
}

/** The shape that shows the most of something: upright for a tower. */
export const shapeFor = (box: Box): PictureShape =>
  PICTURE_SHAPES.reduce((best, shape) => (fillOf(box, box, shape) > fillOf(box, box, best) ? shape : best))

/** The camera of a picture that is fitted to a box. @param size px @param finer dots each way for one px: the camera sees dots */
// eslint-disable-next-line max-params -- a box, how it is seen, and the picture
export function frameCamera(box: Box, view: ViewNumber | FreeView, orientation: Matrix, size: PictureSize, finer = 1): Camera {
  const full = { width: size.width * finer, height: size.height * finer }
  const margin = Math.max(LEAST_MARGIN * finer, MARGIN_SHARE * full.width)
  return fitCamera(box, view, full, { margin, mostScale: full.width / LEAST_WIDTH, orientation })
}

/** How a frame fits a picture: in which shape it fills it best, and how large one u is then, in widths of the picture. */
export interface FrameFit {
  readonly shape: PictureShape
  readonly perU: number
}

export const frameFit = ({ box, shape }: PictureFrame): FrameFit => ({ shape, perU: scaleOf(projectedSize(box, HOME), shape) })

/** The frame that a step is seen in. */
export function frameAt(frames: readonly PictureFrame[], step: number): PictureFrame {
  let [low, high] = [0, frames.length - 1]
  while (low < high) {
    const half = (low + high + 1) >> 1
    if (frames[half]!.from <= step) low = half
    else high = half - 1
  }
  return frames[low]!
}

/** How full the picture of each step is, in the shape that suits its frame. @param all around all that is there after each, u */
export function fillsOfSteps(frames: readonly PictureFrame[], all: readonly Box[]): number[] {
  let known: { box: Box; frame: PictureFrame; fill: number } | undefined
  return all.map((box, step) => {
    const frame = frameAt(frames, step)
    if (known?.box !== box || known.frame !== frame) {
      const inPicture = frame.whole ? sharedBox(box, frame.box) : box
      known = { box, frame, fill: fillOf(inPicture, frame.box, frame.shape) }
    }
    return known.fill
  })
}
