import { IDENTITY, type Box, type FlatPoint, type Matrix } from '../space'
import { frameCamera } from './frames'
import { freeViewOf, turnedBy, type Camera, type FreeView, type PictureSize, type ViewNumber } from './view'

/** A picture that somebody turns by hand, and looks at more closely. */
export interface TurnedView extends FreeView {
  /** How much larger than the picture that is fitted. */
  readonly zoom: number
  /** How far it is moved to the right and down, in widths of the picture. */
  readonly shift: FlatPoint
}

const MOST_ZOOM = 8
/** Nothing is moved farther than it is enlarged: some of it stays in the picture. */
const mostShift = (zoom: number): number => zoom / 2

/** Where the picture of a step is seen from, to be turned on from there. */
export const turnedViewOf = (view: ViewNumber): TurnedView => ({ ...freeViewOf(view), zoom: 1, shift: [0, 0] })

/** Turned and lifted further, degrees. */
export const turnedFurther = (view: TurnedView, by: FreeView): TurnedView => ({ ...view, ...turnedBy(view, by) })

/** Moved, in widths of the picture. */
export const movedOn = ({ shift: [x, y], ...view }: TurnedView, [dx, dy]: FlatPoint): TurnedView =>
  within({ ...view, shift: [x + dx, y + dy] })

/**
 * Enlarged so many times; what is seen at a place stays there.
 *
 * @param at from the middle of the picture, to the right and down, in widths of it
 */
export function zoomedAt(view: TurnedView, times: number, [x, y]: FlatPoint): TurnedView {
  const zoom = Math.max(1, Math.min(MOST_ZOOM, view.zoom * times))
  const ratio = zoom / view.zoom
  const [sx, sy] = view.shift
  return within({ ...view, zoom, shift: [x - (x - sx) * ratio, y - (y - sy) * ratio] })
}

/** What is not enlarged stands in the middle. */
function within(view: TurnedView): TurnedView {
  if (view.zoom === 1) return { ...view, shift: [0, 0] }
  const most = mostShift(view.zoom)
  const [x, y] = view.shift
  const near = (value: number): number => Math.max(-most, Math.min(most, value))
  return { ...view, shift: [near(x), near(y)] }
}

/** The camera of such a view of a box. @param size px */
export function turnedCamera(box: Box, view: TurnedView, size: PictureSize, orientation: Matrix = IDENTITY): Camera {
  const { matrix, scale, originX, originY } = frameCamera(box, view, orientation, size)
  const [middleX, middleY] = [size.width / 2, size.height / 2]
  return {
    matrix,
    scale: scale * view.zoom,
    originX: middleX + (originX - middleX) * view.zoom + view.shift[0] * size.width,
    originY: middleY + (originY - middleY) * view.zoom + view.shift[1] * size.width,
  }
}
