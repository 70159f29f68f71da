import { ENGLISH, type Words } from '../language'
import {
  apply,
  cornersOf,
  DIRECTION_VECTORS,
  dot,
  IDENTITY,
  middle,
  MINUS_X,
  MINUS_Y,
  multiply,
  PLUS_X,
  PLUS_Y,
  sizeOf,
  transpose,
  type Box,
  type Direction,
  type FlatPoint,
  type Matrix,
  type Ray,
  type Vec,
} from '../space'

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

type SideKey = '0' | '1' | '2' | '3' | '4' | '5' | '6' | '7'

/** Where the viewer stands, in words: "From above, front and right". */
export function freeViewWords({ turn, lift }: FreeView, { say }: Words = ENGLISH): string {
  const quarter = Math.floor((((turn % 360) + 360) % 360) / 90)
  return say(`turnedView.${String(lift >= 0 ? quarter : quarter + 4) as SideKey}`)
}

/** A corner view, to be turned on from there. */
export const freeViewOf = (view: ViewNumber): FreeView => ({
  turn: USUAL_VIEW.turn + (view & 3) * 90,
  lift: view < 4 ? USUAL_VIEW.lift : -USUAL_VIEW.lift,
})

/** Takes model space to the viewer's: to the right, up the picture, away from the viewer. An orthographic view, in u. */
export function viewMatrix(view: ViewNumber | FreeView): Matrix {
  const { turn, lift } = typeof view === 'number' ? freeViewOf(view) : view
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
  const m = orientation === IDENTITY ? viewMatrix(view) : multiply(viewMatrix(view), orientation)
  const [wide, deep, high] = sizeOf(box)
  return {
    width: Math.abs(m[0]) * wide + Math.abs(m[1]) * deep + Math.abs(m[2]) * high,
    height: Math.abs(m[3]) * wide + Math.abs(m[4]) * deep + Math.abs(m[5]) * high,
  }
}

/** @returns px from the left, px from the top, depth in u (greater is farther). */
export function project(camera: Camera, point: Vec): Vec {
  const seen = apply(camera.matrix, point)
  return [camera.originX + camera.scale * seen[0], camera.originY - camera.scale * seen[1], seen[2]]
}

/** A view that somebody turns and moves: what stands in the middle of the picture, and how large. */
export interface FreeCamera extends FreeView {
  readonly centre: Vec
  /** px per u */
  readonly scale: number
}

/** The same as a camera of a picture of a size. */
export function cameraOf({ turn, lift, centre, scale }: FreeCamera, { width, height }: PictureSize): Camera {
  const matrix = viewMatrix({ turn, lift })
  const seen = apply(matrix, centre)
  return { matrix, scale, originX: width / 2 - scale * seen[0], originY: height / 2 + scale * seen[1] }
}

/** Fits a box into a picture, seen from a side, as a view that can be moved on from there. */
export function fitFreeCamera(box: Box, view: FreeView, size: PictureSize, fitting: Fitting): FreeCamera {
  return { ...view, centre: middle(box), scale: fitCamera(box, view, size, fitting).scale }
}

/** Far before anything that a model may hold, u. */
const BEFORE_ALL = 200_000

/** Where something is seen, px from the left and the top of the picture. */
export interface SeenOutline {
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
}

/** Where a box is seen. */
export function seenOutline(camera: Camera, box: Box): SeenOutline {
  const seen = cornersOf(box).map((corner) => project(camera, corner))
  const [xs, ys] = [seen.map(([x]) => x), seen.map(([, y]) => y)]
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) }
}

/** Whether a box is seen wholly inside an outline. */
export function isSeenWithin(camera: Camera, box: Box, outline: SeenOutline): boolean {
  const { left, right, top, bottom } = seenOutline(camera, box)
  return left >= outline.left && right <= outline.right && top >= outline.top && bottom <= outline.bottom
}

/** The twelve edges of a box, by the numbers of its corners. */
const BOX_EDGES = [0, 1, 2, 3, 4, 5, 6, 7].flatMap((a) => [1, 2, 4].filter((bit) => (a & bit) === 0).map((bit) => [a, a | bit] as const))

/** The edges of a box as they are seen, two ends each, px. */
export function seenEdges(camera: Camera, box: Box): (readonly [Vec, Vec])[] {
  const corners = cornersOf(box).map((corner) => project(camera, corner))
  return BOX_EDGES.map(([a, b]) => [corners[a]!, corners[b]!])
}

/** What lies under a dot of a picture: a ray from the viewer, px from the left and the top. Its way has length 1, u. */
export function rayUnder({ matrix, scale: pxPerU, originX, originY }: Camera, x: number, y: number): Ray {
  const back = transpose(matrix)
  const seen: Vec = [(x - originX) / pxPerU, (originY - y) / pxPerU, -BEFORE_ALL]
  return { from: apply(back, seen), way: apply(back, [0, 0, 1]) }
}

/** The direction along the ground that looks most like one of the picture: to the right, or away from the viewer. */
export function groundDirection({ turn }: FreeView, way: 'right' | 'left' | 'away' | 'near'): Direction {
  const about = (turn * Math.PI) / 180
  const right: Vec = [Math.cos(about), Math.sin(about), 0]
  const away: Vec = [-right[1], right[0], 0]
  const meant = { right, left: [-right[0], -right[1], 0] as Vec, away, near: [-away[0], -away[1], 0] as Vec }[way]
  return [PLUS_X, MINUS_X, PLUS_Y, MINUS_Y].reduce((best, each) =>
    dot(DIRECTION_VECTORS[each]!, meant) > dot(DIRECTION_VECTORS[best]!, meant) ? each : best,
  )
}

/** The three sides of a box that face a camera, px: the corners of each in turn. */
export function seenSides(camera: Camera, box: Box): (readonly FlatPoint[])[] {
  const corners = cornersOf(box).map((corner) => project(camera, corner))
  const nearest = corners.reduce((best, [, , depth], i) => (depth < corners[best]![2] ? i : best), 0)
  const at = (corner: number): FlatPoint => [corners[corner]![0], corners[corner]![1]]
  // A corner's number has a bit for each axis: a side is reached by going along two of them.
  return [
    [1, 2],
    [1, 4],
    [2, 4],
  ].map(([a = 0, b = 0]) => [at(nearest), at(nearest ^ a), at(nearest ^ a ^ b), at(nearest ^ b)])
}
