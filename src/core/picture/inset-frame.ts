import { STUD_PITCH, widened, type Box, type Matrix } from '../space'
import type { Viewport } from './marks'
import { fitCamera, type Camera, type PictureSize, type ViewNumber } from './view'

/** When a step has an inset that enlarges what is new, how large it is, and how things are seen in it. */

/** What is smaller than this share of the picture's width, both ways, is enlarged beside it. */
const SMALL = 0.1
/** Of a section of fewer parts nothing is small as long as studs are not. */
const LEAST_PARTS = 24
/** Where studs are hard to count more is enlarged, and larger. */
const SMALL_AMONG_TINY = 0.24
/** A stud less wide than this share of a picture on a screen is hard to count. */
const LEAST_STUD = 0.016
/** The inset's size, as shares of the picture's. */
const INSET = { wide: 0.24, high: 0.26 }
const LARGE_INSET = { wide: 0.38, high: 0.4 }
/** What stands around the new parts is shown as far as this, u, and drawn as far as it could reach into sight. */
const AROUND = 10
export const IN_SIGHT = 60
/** px */
const MARGIN = 4
const MOST_SCALE = 14

/** A picture of a size, and how things are seen in it. */
export interface PictureSight extends Viewport {
  readonly size: PictureSize
  /** A stud less wide than this is hard to count, px; the usual on a screen when missing. */
  readonly leastStud?: number | undefined
}

const hasTinyStuds = ({ camera, finer, size, leastStud = LEAST_STUD * size.width }: PictureSight): boolean =>
  (camera.scale / finer) * STUD_PITCH < leastStud

/** Whether something is so small in a picture that an inset helps. @param seen how large it is there, px @param parts of the section */
export function isSmallIn(sight: PictureSight, seen: PictureSize, parts: number): boolean {
  const isTiny = hasTinyStuds(sight)
  if (!isTiny && parts < LEAST_PARTS) return false
  const most = (isTiny ? SMALL_AMONG_TINY : SMALL) * sight.size.width
  return seen.width < most && seen.height < most
}

/** An inset: its size, px, and its camera, in dots. */
interface InsetSight {
  readonly size: PictureSize
  readonly camera: Camera
}

/** How an inset sees a box: larger where studs are tiny, and where it would show less than the picture does. */
export function insetCamera(box: Box, view: ViewNumber, orientation: Matrix, sight: PictureSight): InsetSight {
  const { finer } = sight
  const seenIn = ({ wide, high }: typeof INSET): InsetSight => {
    const size = { width: Math.round(sight.size.width * wide), height: Math.round(sight.size.height * high) }
    const full = { width: size.width * finer, height: size.height * finer }
    const fit = { margin: MARGIN * finer, mostScale: MOST_SCALE * finer, orientation }
    return { size, camera: fitCamera(widened(box, AROUND), view, full, fit) }
  }
  const usual = seenIn(INSET)
  return hasTinyStuds(sight) || usual.camera.scale < sight.camera.scale ? seenIn(LARGE_INSET) : usual
}
