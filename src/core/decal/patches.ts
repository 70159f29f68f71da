import type { Shape } from '../catalogue'
import type { Decal, Part, PieceWork } from '../model'
import { add, apply, common, MM_PER_U, scale, signedAreaOf, subtract, type FlatPoint, type Vec } from '../space'
import { faceOf, type Face } from './faces'

/** A picture as it lies on a piece, in the frame of the shape as it is placed. */
export interface Patch {
  readonly decal: Decal
  readonly normal: Vec
  /** What of it lies on the piece: convex, anticlockwise seen from outside, u. */
  readonly polygons: readonly (readonly Vec[])[]
  /** The picture's top left corner, and its sides to the right and down, u. */
  readonly corner: Vec
  readonly right: Vec
  readonly down: Vec
}

/** Where a decal lies on its face: its middle, and its sides' halves, in [right, up] from the middle of the face, u. */
interface PictureLayout {
  readonly middle: FlatPoint
  readonly right: FlatPoint
  readonly up: FlatPoint
}

const QUARTERS: readonly FlatPoint[] = [
  [1, 0],
  [0, 1],
  [-1, 0],
  [0, -1],
]

function pictureLayoutOf({ at = [0, 0], turn = 0 }: PieceWork, [width, height]: readonly [number, number]): PictureLayout {
  const [c, s] = QUARTERS[(turn / 90) & 3]!
  const [halfWide, halfHigh] = [width / MM_PER_U / 2, height / MM_PER_U / 2]
  return { middle: [at[0] / MM_PER_U, at[1] / MM_PER_U], right: [c * halfWide, s * halfWide], up: [-s * halfHigh, c * halfHigh] }
}

const cornersOfLayout = ({ middle, right, up }: PictureLayout): FlatPoint[] => {
  const at = (r: number, u: number): FlatPoint => [middle[0] + r * right[0] + u * up[0], middle[1] + r * right[1] + u * up[1]]
  return [at(-1, -1), at(1, -1), at(1, 1), at(-1, 1)]
}

export interface DecoratedPart {
  readonly part: Part
  /** As it is placed. */
  readonly shape: Shape
  /** The shape that the part names: another where it is placed as mirror twin. */
  readonly drawn: Shape
  /** Places go over to the other side, what is written stays readable. */
  readonly isMirrored: boolean
}

/** The pictures on a placed part. */
export function patchesOf({ part, shape, drawn, isMirrored }: DecoratedPart, decals: ReadonlyMap<string, Decal>): readonly Patch[] {
  return (part.work ?? []).flatMap((work): Patch[] => {
    const decal = work.decal === undefined ? undefined : decals.get(work.decal)
    const face = work.face === undefined ? undefined : faceOf(drawn, work.face)
    if (!decal || !face) return []
    return [isMirrored ? mirrored(patchOn(face, work, decal, 'flipped'), shape, drawn) : patchOn(face, work, decal, 'upright')]
  })
}

function patchOn(face: Face, work: PieceWork, decal: Decal, sense: 'upright' | 'flipped'): Patch {
  const layout = pictureLayoutOf(work, decal.size)
  const corners = cornersOfLayout(layout)
  const inSpace = ([right, up]: FlatPoint): Vec => add(face.middle, add(scale(face.right, right), scale(face.up, up)))
  const turning = (polygon: readonly FlatPoint[]): readonly FlatPoint[] => (signedAreaOf(polygon) < 0 ? [...polygon].reverse() : polygon)
  const polygons = face.pieces.map((piece) => common(corners, turning(piece))).filter((piece) => Math.abs(signedAreaOf(piece)) > 0)
  const [lowLeft, lowRight, highRight, highLeft] = corners.map(inSpace) as [Vec, Vec, Vec, Vec]
  const [corner, across, down] = sense === 'flipped' ? [highRight, highLeft, lowRight] : [highLeft, highRight, lowLeft]
  return {
    decal,
    normal: face.normal,
    polygons: polygons.map((polygon) => polygon.map(inSpace)),
    corner,
    right: subtract(across, corner),
    down: subtract(down, corner),
  }
}

/** Takes a patch from a shape to its mirror twin. */
function mirrored(patch: Patch, shape: Shape, drawn: Shape): Patch {
  const { reflection } = drawn.mirror
  const shift = subtract(scale(shape.box, 0.5), apply(reflection, scale(drawn.box, 0.5)))
  const place = (at: Vec): Vec => add(apply(reflection, at), shift)
  return {
    decal: patch.decal,
    normal: apply(reflection, patch.normal),
    polygons: patch.polygons.map((polygon) => [...polygon].reverse().map(place)),
    corner: place(patch.corner),
    right: apply(reflection, patch.right),
    down: apply(reflection, patch.down),
  }
}

/** How far a picture reaches over the edge of its face, mm: the most on any side; 0 where it lies within. */
export function overhang(face: Face, work: PieceWork, decal: Decal): number {
  let most = 0
  for (const [right, up] of cornersOfLayout(pictureLayoutOf(work, decal.size))) {
    most = Math.max(most, Math.abs(right) - face.width / 2, Math.abs(up) - face.height / 2)
  }
  return most < 1e-6 ? 0 : most * MM_PER_U
}
