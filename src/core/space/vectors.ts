/** Small vectors and 3×3 matrices. A vector is in u; a matrix is row-major. */

export type Vec = readonly [number, number, number]
export type Matrix = readonly [number, number, number, number, number, number, number, number, number]

export const IDENTITY: Matrix = [1, 0, 0, 0, 1, 0, 0, 0, 1]

/** A vector of what is said of each axis. */
export const vecOf = (value: (axis: 0 | 1 | 2) => number): Vec => [value(0), value(1), value(2)]
/** A vector with each of its numbers changed. */
export const mapVec = (a: Vec, change: (value: number, axis: 0 | 1 | 2) => number): Vec => [
  change(a[0], 0),
  change(a[1], 1),
  change(a[2], 2),
]

export const add = (a: Vec, b: Vec): Vec => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
export const subtract = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
export const scale = (a: Vec, factor: number): Vec => [a[0] * factor, a[1] * factor, a[2] * factor]
export const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
export const cross = (a: Vec, b: Vec): Vec => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]
export const length = (a: Vec): number => Math.sqrt(dot(a, a))
/** @returns the vector of length 1 in the direction of `a`; the zero vector stays as it is. */
export const normalise = (a: Vec): Vec => {
  const size = length(a)
  return size === 0 ? a : scale(a, 1 / size)
}

/** Adding 0 turns −0 into 0, so that equal vectors are equal to every comparison. */
export const apply = (m: Matrix, v: Vec): Vec => [
  m[0] * v[0] + m[1] * v[1] + m[2] * v[2] + 0,
  m[3] * v[0] + m[4] * v[1] + m[5] * v[2] + 0,
  m[6] * v[0] + m[7] * v[1] + m[8] * v[2] + 0,
]

/** The matrix that applies `b` first, then `a`. */
export const multiply = (a: Matrix, b: Matrix): Matrix => [
  a[0] * b[0] + a[1] * b[3] + a[2] * b[6] + 0,
  a[0] * b[1] + a[1] * b[4] + a[2] * b[7] + 0,
  a[0] * b[2] + a[1] * b[5] + a[2] * b[8] + 0,
  a[3] * b[0] + a[4] * b[3] + a[5] * b[6] + 0,
  a[3] * b[1] + a[4] * b[4] + a[5] * b[7] + 0,
  a[3] * b[2] + a[4] * b[5] + a[5] * b[8] + 0,
  a[6] * b[0] + a[7] * b[3] + a[8] * b[6] + 0,
  a[6] * b[1] + a[7] * b[4] + a[8] * b[7] + 0,
  a[6] * b[2] + a[7] * b[5] + a[8] * b[8] + 0,
]

export const transpose = (m: Matrix): Matrix => [m[0], m[3], m[6], m[1], m[4], m[7], m[2], m[5], m[8]]

export const determinant = (m: Matrix): number =>
  m[0] * (m[4] * m[8] - m[5] * m[7]) - m[1] * (m[3] * m[8] - m[5] * m[6]) + m[2] * (m[3] * m[7] - m[4] * m[6])
