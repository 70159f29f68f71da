import type { Vec } from './vectors'

/** The six lattice directions as indices 0–5; `direction ^ 1` is the opposite one, `direction >> 1` the axis. */
export type Direction = 0 | 1 | 2 | 3 | 4 | 5
export type Axis = 0 | 1 | 2
export type DirectionText = '+x' | '-x' | '+y' | '-y' | '+z' | '-z'

export const PLUS_X: Direction = 0
export const MINUS_X: Direction = 1
export const PLUS_Y: Direction = 2
export const MINUS_Y: Direction = 3
export const PLUS_Z: Direction = 4
export const MINUS_Z: Direction = 5

export const DIRECTIONS: readonly Direction[] = [0, 1, 2, 3, 4, 5]
export const DIRECTION_TEXTS: readonly DirectionText[] = ['+x', '-x', '+y', '-y', '+z', '-z']
export const DIRECTION_VECTORS: readonly Vec[] = [
  [1, 0, 0],
  [-1, 0, 0],
  [0, 1, 0],
  [0, -1, 0],
  [0, 0, 1],
  [0, 0, -1],
]

export const opposite = (direction: Direction): Direction => (direction ^ 1) as Direction
export const axisOf = (direction: Direction): Axis => (direction >> 1) as Axis
/** +1 where the direction runs up its axis, −1 where it runs down. */
export const senseOf = (direction: Direction): 1 | -1 => ((direction & 1) === 0 ? 1 : -1)

/** @returns the direction of an axis-parallel unit vector, or undefined for any other vector. */
export function directionOf(v: Vec): Direction | undefined {
  const found = DIRECTION_VECTORS.findIndex((d) => d[0] === v[0] && d[1] === v[1] && d[2] === v[2])
  return found < 0 ? undefined : (found as Direction)
}

export function directionFromText(text: string): Direction | undefined {
  const found = DIRECTION_TEXTS.indexOf(text as DirectionText)
  return found < 0 ? undefined : (found as Direction)
}
