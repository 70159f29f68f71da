import type { FlatPoint } from '../space'
import type { Rgb } from './paint'

/** What a picture is made of beside its dots: items in the order in which they cover each other, px from its top left corner. */

export type Loop = readonly FlatPoint[]

/** An area of one colour; it is drawn wider by a hair (`SEAM`), or by more, so that areas that meet leave no gap. */
export interface AreaItem {
  readonly kind: 'area'
  readonly colour: Rgb
  readonly loops: readonly Loop[]
  readonly seam?: number
}

export interface LinesItem {
  readonly kind: 'lines'
  readonly colour: Rgb
  readonly width: number
  readonly lines: readonly Loop[]
}

/** An ellipse along the sides of the picture. */
export interface EllipseItem {
  readonly kind: 'ellipse'
  readonly at: FlatPoint
  readonly radii: readonly [number, number]
  readonly fill: Rgb | undefined
  readonly line: Rgb
  readonly width: number
}

/** A capital, its middle at a place. */
export interface TextItem {
  readonly kind: 'text'
  readonly at: FlatPoint
  readonly text: string
  readonly size: number
  readonly colour: Rgb
}

/** The width that closes the seam between areas, px. */
export const SEAM = 0.3
/** The foot of a capital below its middle, in sizes. */
export const CAPITAL_FOOT = 0.36
