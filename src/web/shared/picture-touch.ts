import type { PictureSize } from '@core/picture'
import type { FlatPoint } from '@core/space'

/** A part that was clicked in the picture of a step, and where, as shares of the picture's box. */
export interface PictureTouch {
  readonly part: string
  readonly at: readonly [x: number, y: number]
}

type PointerPlace = Pick<MouseEvent, 'clientX' | 'clientY'>
type StandingElement = Pick<Element, 'getBoundingClientRect'>

/** Where in an element a pointer is, as shares of its width and height. */
export function shareOf({ clientX, clientY }: PointerPlace, element: StandingElement): readonly [x: number, y: number] {
  const { left, top, width, height } = element.getBoundingClientRect()
  return [(clientX - left) / width, (clientY - top) / height]
}

/** Where in a picture a pointer is, px of the picture; it keeps its proportions in the middle of its element. */
export function placeInPicture(pointer: PointerPlace, element: StandingElement, size: PictureSize): FlatPoint {
  const { width, height } = element.getBoundingClientRect()
  const [x, y] = shareOf(pointer, element)
  const scale = Math.min(width / size.width, height / size.height)
  return [size.width / 2 + ((x - 0.5) * width) / scale, size.height / 2 + ((y - 0.5) * height) / scale]
}
