import { dot, subtract, type Vec } from '../space'

/** A face of a part, as it was picked: a place on it, and the way it looks. */
export interface PickedFace {
  /** Ids of copies and the part, joined by "/". */
  readonly part: string
  /** u, in the lattice of the section. */
  readonly at: Vec
  readonly normal: Vec
}

/** What lies between two faces: the room between those that look at each other, else how far one stands behind the other. */
export interface FaceGap {
  readonly u: number
  readonly kind: 'room' | 'thickness' | 'step'
}

/** Faces agree in their way when the cosine of the angle between them is this near to one. */
const PARALLEL = 0.9999
/** Places read from a picture are whole within this, u. */
const WHOLE = 0.05

/** @returns nothing where the faces are not parallel, or lie in one plane */
export function gapOfFaces(a: PickedFace, b: PickedFace): FaceGap | undefined {
  const along = dot(a.normal, b.normal)
  if (Math.abs(along) < PARALLEL) return undefined
  const apart = dot(subtract(b.at, a.at), a.normal)
  const size = Math.abs(apart)
  if (size < WHOLE) return undefined
  const u = Math.abs(size - Math.round(size)) < WHOLE ? Math.round(size) : size
  if (along > 0) return { u, kind: 'step' }
  return { u, kind: apart > 0 ? 'room' : 'thickness' }
}
