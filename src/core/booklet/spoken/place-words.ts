import {
  add,
  apply,
  directionOf,
  DIRECTION_VECTORS,
  isMirroring,
  MM_PER_U,
  mirrorMatrix,
  multiply,
  PLATE_HEIGHT,
  PLUS_X,
  PLUS_Z,
  STUD_PITCH,
  subtract,
  type Box,
  type Pose,
  type Vec,
} from '../../space'
import { plural, towardsWords } from '../../words'

/** Places and ways that differ by less are the same: u, and of a unit vector. */
const NEAR = 1e-3

/**
 * Where a thing stands and how it lies, so that somebody who cannot see can put it there. Places are counted from `origin`, the
 * left front corner at the bottom of the finished section: the corner of the thing that is nearest to it stands on this stud from
 * the left, this row from the front, so many plates up. What is tilted is told by the corner of its own box instead.
 *
 * @param box of the thing, in its own frame, u
 */
export function placeWords(box: Box, pose: Pose, origin: Vec): string {
  const isTilted = tiltOf(pose)
  const corner = isTilted ? add(apply(pose.matrix, box.min), pose.at) : lowestCorner(box, pose)
  const [x, y, z] = subtract(corner, origin)
  return `${lieWords(pose)}: ${countWords('stud', x)}, ${countWords('row', y)}, ${heightWords(z)}`
}

/** After turning, along each axis. */
function lowestCorner({ min, max }: Box, { matrix, at }: Pose): Vec {
  const [a, b] = [apply(matrix, min), apply(matrix, max)]
  return add([Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.min(a[2], b[2])], at)
}

const tiltOf = ({ matrix }: Pose): boolean => matrix.some((value) => Math.abs(value - Math.round(value)) > NEAR)

/** "stud 3", "stud 3 and 4 mm": the third, and so much farther. */
function countWords(what: string, u: number): string {
  const whole = Math.floor((u + NEAR) / STUD_PITCH)
  return `${what} ${whole + 1}${restWords(u - whole * STUD_PITCH)}`
}

function heightWords(u: number): string {
  const whole = Math.floor((u + NEAR) / PLATE_HEIGHT)
  const rest = restWords(u - whole * PLATE_HEIGHT)
  return whole === 0 && rest === '' ? 'at the bottom' : `${plural(whole, 'plate')} up${rest}`
}

const restWords = (u: number): string => (u > NEAR ? ` and ${Number((u * MM_PER_U).toFixed(2))} mm` : '')

/** Nothing where it lies as it does in the catalogue: its top up, its length to the right. */
function lieWords(pose: Pose): string {
  const isMirrored = isMirroring(pose)
  const matrix = isMirrored ? multiply(pose.matrix, mirrorMatrix('x')) : pose.matrix
  const [top, along] = [apply(matrix, DIRECTION_VECTORS[PLUS_Z]!), apply(matrix, DIRECTION_VECTORS[PLUS_X]!)]
  const [up, right] = [directionOf(top), directionOf(along)]
  const words = [
    ...(isMirrored ? ['as its mirror image'] : []),
    ...(up === PLUS_Z ? [] : [`its top ${wayWords(top)}`]),
    ...(up === PLUS_Z && right === PLUS_X ? [] : [`its length ${wayWords(along)}`]),
  ]
  return words.map((word) => `, ${word}`).join('')
}

function wayWords(way: Vec): string {
  const direction = directionOf(way)
  if (direction !== undefined) return towardsWords(direction)
  return `towards ${way.map((value) => Number(value.toFixed(4)) + 0).join(' ')}`
}
