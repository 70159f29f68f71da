import type { Shape } from '../catalogue'
import { NO_TURN, posedBox, subtract, turnFromText, TURNS, unite, type Box, type Pose } from '../space'
import type { Part } from './types'

/** The pose of a placed part in its section's lattice. @throws RangeError for a loose part. */
export function partPose(part: Part, shape: Shape): Pose {
  if (part.at === undefined) throw new RangeError(`part ${part.id} is loose`)
  const matrix = TURNS[part.turn === undefined ? NO_TURN : turnFromText(part.turn)!]!
  const turned = posedBox({ matrix, at: [0, 0, 0] }, { min: [0, 0, 0], max: shape.box })
  return { matrix, at: subtract(part.at, turned.min) }
}

/** Around all bodies of a placed part, in its section's lattice. @throws RangeError for a loose part */
export function partBox(part: Part, shape: Shape): Box {
  const pose = partPose(part, shape)
  return shape.bodies.map((body) => posedBox(pose, body)).reduce(unite)
}
