import type { FaceName, PieceWork } from '../model'
import { apply, dot, type Matrix } from '../space'
import { FRAMES } from './faces'

const NAMES = Object.keys(FRAMES) as Exclude<FaceName, 'slope'>[]

/**
 * What is done to the mirror image of a piece: a picture goes over to the face on the other side and stays readable, its place and turn
 * are those of the mirror.
 * @param reflection that takes the shape to its mirror image
 */
export function mirroredWork(work: PieceWork, reflection: Matrix): PieceWork {
  const { face, at, turn } = work
  if (face === undefined) return work
  const frame = face === 'slope' ? undefined : FRAMES[face]
  const normal = frame && apply(reflection, frame.normal)
  const there = normal ? NAMES.find((name) => dot(FRAMES[name].normal, normal) > 0.5)! : face
  // Either the way to the right or the way up is reversed; a slope leans forward or back, so that it is the way to the right.
  const isAcross = frame === undefined || dot(apply(reflection, frame.right), FRAMES[there as keyof typeof FRAMES].right) < 0
  const [x, y] = at ?? [0, 0]
  const turned = ((isAcross ? 360 : 180 + 360) - (turn ?? 0)) % 360
  return {
    ...work,
    face: there,
    ...(at === undefined ? {} : { at: isAcross ? [0 - x, y] : [x, 0 - y] }),
    ...(turned === 0 && turn === undefined ? {} : { turn: turned as NonNullable<PieceWork['turn']> }),
  }
}
