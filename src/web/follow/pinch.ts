import { turnedFurther, zoomedAt, type TurnedView } from '@core/picture'
import type { FlatPoint } from '@core/space'

/** Where two fingers are, px. */
export type TwoFingers = readonly [FlatPoint, FlatPoint]

/** Where a picture lies on the screen, px. */
type ScreenFrame = Pick<DOMRect, 'left' | 'top' | 'width' | 'height'>

/** Degrees for a px that a hand draws a picture. */
export const PER_PIXEL = 0.5

const middleOf = ([[ax, ay], [bx, by]]: TwoFingers): FlatPoint => [(ax + bx) / 2, (ay + by) / 2]
/** Fingers on one spot are a px apart, so that nothing is enlarged without end. */
const spread = ([[ax, ay], [bx, by]]: TwoFingers): number => Math.max(1, Math.hypot(bx - ax, by - ay))

/** Two fingers turn a picture as they are drawn together, and enlarge it where they are as they are drawn apart. */
export function pinched(view: TurnedView, before: TwoFingers, after: TwoFingers, { left, top, width, height }: ScreenFrame): TurnedView {
  const [[wasX, wasY], [x, y]] = [middleOf(before), middleOf(after)]
  const at: FlatPoint = [(x - left - width / 2) / width, (y - top - height / 2) / width]
  // The middle goes half as far as a finger, and two fingers take turns to move it.
  const turned = turnedFurther(view, { turn: -(x - wasX) * 2 * PER_PIXEL, lift: (y - wasY) * 2 * PER_PIXEL })
  return zoomedAt(turned, spread(after) / spread(before), at)
}
