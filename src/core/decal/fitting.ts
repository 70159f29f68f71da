import type { Shape } from '../catalogue'
import type { Decal } from '../model'
import { MM_PER_U } from '../space'
import { faceOf, facesOf, type Face } from './faces'

/** Share of a face that a picture takes when it is put on first. */
const FIRST_SHARE = 0.9
const toTenths = (mm: number): number => Math.max(0.1, Math.round(mm * 10) / 10)

/** The size at which a picture fits on a face, mm. @param aspect its width for its height */
export function fittingSize(face: Face, aspect: number): readonly [number, number] {
  const width = Math.min(face.width, face.height * aspect) * MM_PER_U * FIRST_SHARE
  return [toTenths(width), toTenths(width / aspect)]
}

/** A decal with another width (axis 0) or height (axis 1), mm; the other follows. */
export function resized(decal: Decal, axis: 0 | 1, mm: number): Decal {
  const factor = mm / decal.size[axis]
  return { ...decal, size: [toTenths(decal.size[0] * factor), toTenths(decal.size[1] * factor)] }
}

/** How wide the face of a piece is that a picture is put on, mm: how fine the picture must be. */
export const faceWidth = (face: Face): number => face.width * MM_PER_U

/** The face that a picture is put on first: where one looks for it. */
export const firstFace = (shape: Shape): Face | undefined =>
  (['top', 'front', 'slope'] as const).map((name) => faceOf(shape, name)).find((face) => face !== undefined) ?? facesOf(shape)[0]
