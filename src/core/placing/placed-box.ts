import type { Shape } from '../catalogue'
import { memo } from '../memo'
import type { PlacedPart } from '../model'
import { studBox } from '../scene'
import { isLatticePose, nearestTurn, posedBox, turnText, unite, type Box, type Pose, type Vec } from '../space'

/** Around all that shows of a placed part: its bodies and its studs, u. */
export const wholeBox = memo(({ shape, pose }: PlacedPart): Box => posedBox(pose, wholeShape(shape)))

const wholeShape = memo((shape: Shape): Box => {
  const boxes: Box[] = [...shape.bodies, { min: [0, 0, 0], max: shape.box }]
  for (const { kind, at, facing } of shape.connectors) if (kind === 'stud') boxes.push(studBox(at, facing))
  return boxes.reduce(unite)
})

/** Where a part of a document stands: the lowest corner of its body box after turning, and its turn. */
export interface LatticePlace {
  readonly at: Vec
  readonly turn?: string
}

/** A pose of the lattice as a document writes it. @throws RangeError for any other pose */
export function placeOf(shape: Shape, pose: Pose): LatticePlace {
  const turn = nearestTurn(pose.matrix)
  if (turn === undefined || !isLatticePose(pose)) throw new RangeError('the pose does not lie in the lattice')
  const { min } = posedBox(pose, { min: [0, 0, 0], max: shape.box })
  return turn === 0 ? { at: min } : { at: min, turn: turnText(turn) }
}
