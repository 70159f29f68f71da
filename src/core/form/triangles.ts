import type { Shape } from '../catalogue'
import { memo } from '../memo'
import { unite, vecOf, type Matrix, type Vec } from '../space'

/** Triangles, nine numbers each: x, y, z of three corners, u. */
export type Triangles = Float64Array

/** What triangles reach, u. */
export interface FormExtent {
  readonly min: Vec
  readonly max: Vec
  readonly size: Vec
  readonly middle: Vec
}

export function extentOf(triangles: Triangles): FormExtent {
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < triangles.length; i += 3) {
    for (let axis = 0; axis < 3; axis++) {
      const value = triangles[i + axis]!
      if (value < low[axis]!) low[axis] = value
      if (value > high[axis]!) high[axis] = value
    }
  }
  return extentBetween(low as unknown as Vec, high as unknown as Vec)
}

const extentBetween = (min: Vec, max: Vec): FormExtent => {
  return { min, max, size: vecOf((axis) => max[axis] - min[axis]), middle: vecOf((axis) => (max[axis] + min[axis]) / 2) }
}

/** Triangles under a matrix (which may scale and mirror). */
export function transformed(triangles: Triangles, m: Matrix): Triangles {
  const result = new Float64Array(triangles.length)
  for (let i = 0; i < triangles.length; i += 3) {
    const [x, y, z] = [triangles[i]!, triangles[i + 1]!, triangles[i + 2]!]
    result[i] = m[0] * x + m[1] * y + m[2] * z
    result[i + 1] = m[3] * x + m[4] * y + m[5] * z
    result[i + 2] = m[6] * x + m[7] * y + m[8] * z
  }
  return result
}

/** The drawn form of a shape, in its own frame: its convex facets as fans. */
export const shapeTriangles = memo((shape: Shape): Triangles => {
  const numbers = new Float64Array(shape.mesh.reduce((sum, { corners }) => sum + (corners.length - 2) * 9, 0))
  let at = 0
  for (const { corners } of shape.mesh) {
    for (let i = 2; i < corners.length; i++) {
      numbers.set(corners[0]!, at)
      numbers.set(corners[i - 1]!, at + 3)
      numbers.set(corners[i]!, at + 6)
      at += 9
    }
  }
  return numbers
})

/** The extent of a shape's drawn form in its own frame, studs and outgrowths included. */
export const shapeExtent = memo((shape: Shape): FormExtent => {
  const { min, max } = shape.mesh.reduce(
    (box, { corners }) => corners.reduce((grown, corner) => unite(grown, { min: corner, max: corner }), box),
    { min: shape.mesh[0]!.corners[0]!, max: shape.mesh[0]!.corners[0]! },
  )
  return extentBetween(min, max)
})
