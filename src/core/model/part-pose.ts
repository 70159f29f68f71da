import type { Shape } from '../catalogue'
import { memoNamed } from '../memo'
import { NO_TURN, posedBox, subtract, turnFromText, TURNS, unite, type Box, type Pose, type Turn, type Vec } from '../space'
import type { Part } from './types'

/** The pose of a placed part in its section's lattice. @throws RangeError for a loose part. */
export function partPose(part: Part, shape: Shape): Pose {
  if (part.at === undefined) throw new RangeError(`part ${part.id} is loose`)
  const turn = part.turn === undefined ? NO_TURN : turnFromText(part.turn)!
  return { matrix: TURNS[turn]!, at: subtract(part.at, lowestCorner(shape, turn)) }
}

/** Where the lowest corner of the body box lies after turning about the shape's own origin, u. */
const lowestCorner = memoNamed((shape: Shape, turn: Turn): Vec => {
  return posedBox({ matrix: TURNS[turn]!, at: [0, 0, 0] }, { min: [0, 0, 0], max: shape.box }).min
})

/** Around all bodies of a placed part, in its section's lattice. @throws RangeError for a loose part */
export function partBox(part: Part, shape: Shape): Box {
  const pose = partPose(part, shape)
  return shape.bodies.map((body) => posedBox(pose, body)).reduce(unite)
}
