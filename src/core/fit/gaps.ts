import type { Box } from '../space'

/** The room between two bodies along an axis of their lattice, u; only axes along which they stand apart. */
export interface Gap {
  readonly axis: 'x' | 'y' | 'z'
  readonly u: number
}

const AXES = ['x', 'y', 'z'] as const

/** How far two boxes stand apart, axis by axis, the narrowest first. */
export function gapsBetween(a: Box, b: Box): Gap[] {
  return AXES.map((axis, i) => ({ axis, u: Math.max(a.min[i]!, b.min[i]!) - Math.min(a.max[i]!, b.max[i]!) }))
    .filter(({ u }) => u > 0)
    .sort((one, other) => one.u - other.u)
}
