import { apply, multiply, scale, transpose, type Matrix, type Vec } from './vectors'
import { turnOfMatrix, type Turn } from './turns'
import type { Pose } from './poses'

/** The pose that undoes one that does not scale. */
export function inversePose({ matrix, at }: Pose): Pose {
  const back = transpose(matrix)
  return { matrix: back, at: scale(apply(back, at), -1) }
}

/** Entries of a matrix may be off by this much, and it is still a turn of the lattice: about half a degree. */
const NEARLY = 0.01

/** The lattice turn that a matrix nearly is; undefined for a free one, and for one that mirrors. */
export function nearestTurn(matrix: Matrix): Turn | undefined {
  const whole = matrix.map((value) => Math.round(value) + 0) as unknown as Matrix
  return matrix.every((value, i) => Math.abs(value - whole[i]!) < NEARLY) ? turnOfMatrix(whole) : undefined
}

const DEGREES = 180 / Math.PI

/** The degrees about x, then y, then z that make a turning matrix; `rotationMatrix` goes back. */
export function rotationDegrees(m: Matrix): Vec {
  const about = Math.asin(Math.max(-1, Math.min(1, -m[6])))
  // Where y is a quarter turn, x and z turn about the same axis: all is given to z.
  if (Math.abs(m[6]) > 1 - 1e-9) return [0, about * DEGREES, Math.atan2(-m[1], m[4]) * DEGREES]
  return [Math.atan2(m[7], m[8]) * DEGREES, about * DEGREES, Math.atan2(m[3], m[0]) * DEGREES]
}

/** A pose whose matrix mirrors as one that turns, after a mirror across x. */
export const withoutMirror = ({ matrix, at }: Pose): Pose => ({ matrix: multiply(matrix, [-1, 0, 0, 0, 1, 0, 0, 0, 1]), at })
