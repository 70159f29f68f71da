import type { Box } from '@core/space'
import type { ModelSight } from './model-picture'

const SLIP = 300
const GAP = 28
const EDGE = 8

/**
 * Where a slip about a box stands: beside the whole model where there is room, so that it covers nothing; else beside the box. A
 * line leads from the box to it.
 * @param height about how high the slip is, px
 */
export function besideBox(sight: Pick<ModelSight, 'sizes' | 'wholeOutline' | 'outlineOf'>, box: Box, height: number) {
  const { left, right, top, bottom } = sight.outlineOf(box)
  const whole = sight.wholeOutline
  const { width } = sight.sizes
  const onRight = Math.max(whole.right, right) + GAP
  const onLeft = Math.min(whole.left, left) - GAP - SLIP
  const place =
    onRight + SLIP + EDGE <= width
      ? onRight
      : onLeft >= EDGE
        ? onLeft
        : right + GAP + SLIP + EDGE <= width
          ? right + GAP
          : width - SLIP - EDGE
  const high = Math.max(EDGE + 50, Math.min(sight.sizes.height - height - EDGE, top))
  const isRight = place >= right
  const from = [isRight ? right : left, (top + bottom) / 2]
  const to = [isRight ? place : place + SLIP, high + 20]
  const isFar = Math.abs(to[0]! - from[0]!) > 4 && (isRight || place + SLIP <= left)
  return {
    style: { left: `${place}px`, top: `${high}px` },
    leader: isFar ? `M${from[0]} ${from[1]}L${to[0]} ${to[1]}` : '',
  }
}
