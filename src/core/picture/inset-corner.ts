import type { FlatPoint } from '../space'
import { NOTHING, type GBuffer } from './g-buffer'
import type { PictureSize } from './view'

/** A corner of a picture. */
export interface PictureCorner {
  readonly isRight: boolean
  readonly isLow: boolean
}

/** What is drawn in a picture. */
export interface DrawnPicture {
  readonly buffer: Pick<GBuffer, 'part' | 'size'>
  /** Dots for one px each way. */
  readonly finer: number
  /** Parts from this index on are new. */
  readonly newFrom: number
}

/** What is new must show, however small: rather all of what was there is covered. */
const PRICE_OF_NEW = 10_000
/** Dots looked at lie so many px apart. */
const STRIDE = 3
/** An inset keeps so far from the edges of a picture, px. */
const MARGIN = 14

/** Left and top of an inset in a corner, px. */
export const placeIn = ({ isRight, isLow }: PictureCorner, inset: PictureSize, size: PictureSize): FlatPoint => [
  isRight ? size.width - inset.width - MARGIN : MARGIN,
  isLow ? size.height - inset.height - MARGIN : MARGIN,
]

/**
 * The corner in which an inset covers the least, of those that no other stands in; among equals the one far from what it shows.
 * @param from what it shows, px
 */
export function cornerFor(picture: DrawnPicture, inset: PictureSize, from: FlatPoint, taken: readonly PictureCorner[]): PictureCorner {
  const { buffer, finer } = picture
  const size = { width: buffer.size.width / finer, height: buffer.size.height / finer }
  const far: PictureCorner = { isRight: from[0] < size.width / 2, isLow: from[1] < size.height / 2 }
  const corners = [far, { ...far, isLow: !far.isLow }, { ...far, isRight: !far.isRight }, { isRight: !far.isRight, isLow: !far.isLow }]
  const free = corners.filter(({ isRight, isLow }) => !taken.some((other) => other.isRight === isRight && other.isLow === isLow))
  const costs = free.map((corner) => coverCost(picture, placeIn(corner, inset, size), inset))
  return free[costs.indexOf(Math.min(...costs))] ?? far
}

function coverCost(
  { buffer: { part, size }, finer, newFrom }: DrawnPicture,
  [left, top]: FlatPoint,
  { width, height }: PictureSize,
): number {
  let cost = 0
  const stride = STRIDE * finer
  for (let y = top * finer; y < (top + height) * finer; y += stride)
    for (let x = left * finer; x < (left + width) * finer; x += stride) {
      const shown = part[y * size.width + x] ?? NOTHING
      if (shown >= newFrom) cost += PRICE_OF_NEW
      else if (shown !== NOTHING) cost++
    }
  return cost
}
