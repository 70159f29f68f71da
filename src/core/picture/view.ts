import { apply, cornersOf, IDENTITY, multiply, type Box, type Matrix, type Vec } from '../space'

/** The eight corner views: 0–3 from above, turning anticlockwise, 4–7 the same from below. */
export type ViewNumber = 0 | 1 | 2 | 3 | 4 | 5 | 6 | 7
export const VIEWS: readonly ViewNumber[] = [0, 1, 2, 3, 4, 5, 6, 7]

/** A view from anywhere, degrees: turned round the upright axis from the front to the right, and lifted above it. */
export interface FreeView {
  readonly turn: number
  readonly lift: number
}

/** The viewer stands to the front right of the model and looks down on it. */
export const USUAL_VIEW: FreeView = { turn: 33, lift: 29 }

/** Straight up and down nothing would tell how it is turned. */
const MOST_LIFT = 85

/** A view turned and lifted further, degrees. */
export const turnedBy = ({ turn, lift }: FreeView, by: FreeView): FreeView => ({
  turn: turn + by.turn,
  lift: Math.max(-MOST_LIFT, Math.min(MOST_LIFT, lift + by.lift)),
})

/** The same from below, or from above again. */
export const turnedOver = ({ turn, lift }: FreeView): FreeView => ({ turn, lift: -lift || -USUAL_VIEW.lift })

const SIDES = ['front and right', 'back and right', 'back and left', 'front and left'] as const

/** Where the viewer stands, in words: "From above, front and right". */
export const freeViewWords = ({ turn, lift }: FreeView): string =>
  `${lift >= 0 ? 'From above' : 'From below'}, ${SIDES[Math.floor((((turn % 360) + 360) % 360) / 90)]!}`

const freeOf = (view: ViewNumber): FreeView => ({
  turn: USUAL_VIEW.turn + (view & 3) * 90,
  lift: view < 4 ? USUAL_VIEW.lift : -USUAL_VIEW.lift,
})

/** Takes model space to the viewer's: to the right, up the picture, away from the viewer. An orthographic view, in u. */
export function viewMatrix(view: ViewNumber | FreeView): Matrix {
  const { turn, lift } = typeof view === 'number' ? freeOf(view) : view
  const [about, up] = [(turn * Math.PI) / 180, (lift * Math.PI) / 180]
  const [c, s, cl, sl] = [Math.cos(about), Math.sin(about), Math.cos(up), Math.sin(up)]
  return [c, s, 0, -s * sl, c * sl, cl, -s * cl, c * cl, -sl]
}

/** A view fitted to a picture: px = origin + scale · (matrix · p), the picture's y running down. */
export interface Camera {
  readonly matrix: Matrix
  readonly scale: number
  readonly originX: number
  readonly originY: number
}

export interface PictureSize {
  readonly width: number
  readonly height: number
}

export interface Fitting {
  /** px */
  readonly margin: number
  /** Small things are not blown up beyond so many px per u. */
  readonly mostScale: number
  /** How the work lies. */
  readonly orientation?: Matrix | undefined
}

/** Fits a box into a picture with a margin. */
export function fitCamera(
  box: Box,
  view: ViewNumber | FreeView,
  size: PictureSize,
  { margin, mostScale, orientation = IDENTITY }: Fitting,
): Camera {
  const matrix = multiply(viewMatrix(view), orientation)
  const { left, right, bottom, top } = outlineOf(box, matrix)
  const scale = Math.min(
    (size.width - 2 * margin) / Math.max(1, right - left),
    (size.height - 2 * margin) / Math.max(1, top - bottom),
    mostScale,
  )
  return {
    matrix,
    scale,
    originX: size.width / 2 - (scale * (left + right)) / 2,
    originY: size.height / 2 + (scale * (top + bottom)) / 2,
  }
}

function outlineOf(box: Box, matrix: Matrix): { left: number; right: number; bottom: number; top: number } {
  const seen = cornersOf(box).map((corner) => apply(matrix, corner))
  const low = (axis: 0 | 1): number => Math.min(...seen.map((v) => v[axis]))
  const high = (axis: 0 | 1): number => Math.max(...seen.map((v) => v[axis]))
  return { left: low(0), right: high(0), bottom: low(1), top: high(1) }
}

/** How wide and how high a box looks in a view, in u. */
export function projectedSize(box: Box, view: ViewNumber, orientation = IDENTITY): PictureSize {
  const { left, right, bottom, top } = outlineOf(box, multiply(viewMatrix(view), orientation))
  return { width: right - left, height: top - bottom }
}

/** @returns px from the left, px from the top, depth in u (greater is farther). */
export function project(camera: Camera, point: Vec): Vec {
  const seen = apply(camera.matrix, point)
  return [camera.originX + camera.scale * seen[0], camera.originY - camera.scale * seen[1], seen[2]]
}
