import type { FrameFit, PictureSize } from '@core/picture'

/** How a step stands on a sheet: over its whole width with words beside the picture, or in half of it with words above and below. */
export type CellKind = 'wide' | 'half'

const PT_PER_MM = 72 / 25.4
/** A stud is never less wide than this on paper, pt, for what is new: four millimetres. */
const LEAST_STUD = 4 * PT_PER_MM
/** px of a step's picture for one pt: where it stays dots, and for the marks on it. */
export const STEP_PX = 7 / 3
export const LEAST_STUD_PX = LEAST_STUD * STEP_PX
const STUD = 10

/** The largest picture of each kind of cell, pt. */
export interface CellRoom {
  readonly wide: PictureSize
  readonly half: PictureSize
}

/** The largest picture of a shape that fits, pt. */
export function pictureIn(room: PictureSize, { shape }: FrameFit): PictureSize {
  const width = Math.min(room.width, room.height / shape)
  return { width, height: width * shape }
}

/** Half a sheet's width where studs are large enough there, or where more width would not make them larger. */
export function cellKind(fit: FrameFit, room: CellRoom): CellKind {
  const stud = (kind: CellKind): number => pictureIn(room[kind], fit).width * fit.perU * STUD
  return stud('half') >= LEAST_STUD || stud('wide') <= stud('half') ? 'half' : 'wide'
}
