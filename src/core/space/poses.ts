import { add, apply, determinant, multiply, type Matrix, type Vec } from './vectors'

/** Where a frame lies in another: p' = at + matrix · p. The matrix may mirror; it never scales. */
export interface Pose {
  readonly matrix: Matrix
  readonly at: Vec
}

/** Places across a free pose may differ by this much, in u, and still be one place (DESIGN.md, joints). */
export const FREE_TOLERANCE = 0.2

export const posed = (pose: Pose, point: Vec): Vec => add(apply(pose.matrix, point), pose.at)

/** The pose that does `inner` first, then `outer`. */
export const composePoses = (outer: Pose, inner: Pose): Pose => ({
  matrix: multiply(outer.matrix, inner.matrix),
  at: posed(outer, inner.at),
})

/** A lattice pose keeps integer places integer: a signed permutation and an integer shift. */
export const isLatticePose = (pose: Pose): boolean =>
  pose.at.every(Number.isInteger) && pose.matrix.every((value) => value === 0 || value === 1 || value === -1)

export const isMirroring = (pose: Pose): boolean => determinant(pose.matrix) < 0
