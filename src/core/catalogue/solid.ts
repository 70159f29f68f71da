import type { Axis, Box, FlatPoint, Vec } from '../space'
import type { Polygon } from './polygon'

/** What a shape looks like, as data: plain solids beside and over each other, sizes in u. `mesh.ts` draws them. */
export type Solid = BoxSolid | Stump | Revolution | Tube | Prism | Perforated | Profile | Slab

interface BoxSolid extends Box {
  readonly kind: 'box'
}

/** A disc or a cone stump standing along `axis` (a unit vector) from `foot`. */
export interface Stump {
  readonly kind: 'stump'
  readonly foot: Vec
  readonly axis: Vec
  /** Radius at the foot and at the other end. */
  readonly bottom: number
  readonly top: number
  readonly height: number
  readonly sides: number
}

/** A solid of revolution: radius and height of each ring above `foot` along `axis`; a radius of 0 is a tip. */
export interface Revolution {
  readonly kind: 'revolution'
  readonly foot: Vec
  readonly axis: Vec
  readonly rings: readonly FlatPoint[]
  readonly sides: number
}

/** A ring standing along `axis` from `foot`. */
export interface Tube {
  readonly kind: 'tube'
  readonly foot: Vec
  readonly axis: Vec
  readonly outer: number
  readonly inner: number
  readonly height: number
  readonly sides: number
}

/** A polygon in the plane across an axis, drawn along it. Points are [y, z] across x, [x, z] across y, [x, y] across z. */
export interface Prism {
  readonly kind: 'prism'
  readonly outline: Polygon
  readonly axis: Axis
  readonly from: number
  readonly to: number
  /** The whole wall is one surface to the eye. */
  readonly smooth?: boolean
}

/** A convex prism with holes: convex `cells` cut it up, each with its hole or none. */
export interface Perforated {
  readonly kind: 'perforated'
  readonly outline: Polygon
  readonly cells: readonly PerforatedCell[]
  readonly axis: Axis
  readonly from: number
  readonly to: number
}

export interface PerforatedCell {
  readonly cell: Polygon
  readonly hole?: Polygon
}

/** A convex profile in the y–z plane, anticlockwise seen from +x, that runs along x for `width`. */
export interface Profile {
  readonly kind: 'profile'
  readonly outline: Polygon
  readonly width: number
  /** Sides that go on the surface of the one before. */
  readonly smooth?: readonly number[]
}

/** A straight solid: convex pieces of its floor and its outline, both anticlockwise seen against `rise`. */
export interface Slab {
  readonly kind: 'slab'
  readonly floors: readonly (readonly Vec[])[]
  readonly outline: readonly Vec[]
  readonly rise: Vec
  /** Sides that go on the surface of the one before. */
  readonly smooth?: readonly number[]
}
