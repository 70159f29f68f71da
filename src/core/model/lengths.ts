import { cutToLength, isByLength, type Shape } from '../catalogue'
import { MM_PER_U } from '../space'
import type { Part } from './types'

/** Shapes that were cut, by id and length, u: one object each, since much is remembered by shape. */
const cut = new Map<string, Shape>()

/** The shape of a part: that of its id, or a piece of its own length where it is cut from a roll. */
export function shapeOfPart({ shape, length }: Pick<Part, 'shape' | 'length'>, shapes: ReadonlyMap<string, Shape>): Shape {
  if (length === undefined || !isByLength(shape)) return shapes.get(shape)!
  const long = Math.max(1, Math.round(length / MM_PER_U))
  const key = `${shape} ${long}`
  let known = cut.get(key)
  if (!known) cut.set(key, (known = cutToLength(shape, long)))
  return known
}
