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
import type { Words } from '../../language'
import { towardsWords } from '../../words'

/** Places and ways that differ by less are the same: u, and of a unit vector. */
const NEAR = 1e-3

/** A thing in its place. */
interface PlacedThing {
  /** In its own frame, u. */
  readonly box: Box
  readonly pose: Pose
  /** From where places are counted, u. */
  readonly origin: Vec
}

/**
 * Where a thing stands and how it lies, so that somebody who cannot see can put it there. Places are counted from `origin`, the
 * left front corner at the bottom of the finished section: the corner of the thing that is nearest to it stands on this stud from
 * the left, this row from the front, so many plates up. What is tilted is told by the corner of its own box instead.
 */
export function placeWords({ box, pose, origin }: PlacedThing, words: Words): string {
  const isTilted = tiltOf(pose)
  const corner = isTilted ? add(apply(pose.matrix, box.min), pose.at) : lowestCorner(box, pose)
  const [x, y, z] = subtract(corner, origin)
  return `${lieWords(pose, words)}: ${countWords('stud', x, words)}, ${countWords('row', y, words)}, ${heightWords(z, words)}`
}

/** After turning, along each axis. */
function lowestCorner({ min, max }: Box, { matrix, at }: Pose): Vec {
  const [a, b] = [apply(matrix, min), apply(matrix, max)]
  return add([Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.min(a[2], b[2])], at)
}

const tiltOf = ({ matrix }: Pose): boolean => matrix.some((value) => Math.abs(value - Math.round(value)) > NEAR)

/** "stud 3", "stud 3 and 4 mm": the third, and so much farther. */
function countWords(what: 'stud' | 'row', u: number, words: Words): string {
  const whole = Math.floor((u + NEAR) / STUD_PITCH)
  return withRest(words.say(`spoken.${what}`, { n: whole + 1 }), u - whole * STUD_PITCH, words)
}

function heightWords(u: number, words: Words): string {
  const whole = Math.floor((u + NEAR) / PLATE_HEIGHT)
  const rest = u - whole * PLATE_HEIGHT
  return whole === 0 && rest <= NEAR ? words.say('spoken.bottom') : withRest(words.count('spoken.up', whole), rest, words)
}

const withRest = (place: string, u: number, { say, number }: Words): string =>
  u > NEAR ? say('spoken.rest', { place, mm: number(Number((u * MM_PER_U).toFixed(2))) }) : place

/** Nothing where it lies as it does in the catalogue: its top up, its length to the right. */
function lieWords(pose: Pose, words: Words): string {
  const isMirrored = isMirroring(pose)
  const matrix = isMirrored ? multiply(pose.matrix, mirrorMatrix('x')) : pose.matrix
  const [top, along] = [apply(matrix, DIRECTION_VECTORS[PLUS_Z]!), apply(matrix, DIRECTION_VECTORS[PLUS_X]!)]
  const [up, right] = [directionOf(top), directionOf(along)]
  const lies = [
    ...(isMirrored ? [words.say('spoken.mirror')] : []),
    ...(up === PLUS_Z ? [] : [words.say('spoken.top', { way: wayWords(top, words) })]),
    ...(up === PLUS_Z && right === PLUS_X ? [] : [words.say('spoken.length', { way: wayWords(along, words) })]),
  ]
  return lies.map((word) => `, ${word}`).join('')
}

function wayWords(way: Vec, words: Words): string {
  const direction = directionOf(way)
  if (direction !== undefined) return towardsWords(direction, words)
  return words.say('spoken.towards', { vector: way.map((value) => words.number(Number(value.toFixed(4)) + 0)).join(' ') })
}
