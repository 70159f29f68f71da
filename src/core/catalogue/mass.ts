import { memo } from '../memo'
import { MM_PER_U, STUD_HEIGHT } from '../space'
import type { Shape } from './types'

/** The usual plastic of our pieces, g/cm³. */
const DENSITY = 1.05
/** Walls and roof of a hollow piece, mm. */
const WALL = 1.5
const ROOF = 1.2
const STUD_RADIUS = 2.4

/**
 * Mass of a shape in g, from the volume of its walls: each body that takes studs from below is an open shell, any other is
 * solid; studs are full. An estimate for balance and weak joints, good to about a fifth.
 */
export const massOf = memo((shape: Shape): number => wallVolume(shape) * (DENSITY / 1000))

/** In mm³. */
function wallVolume(shape: Shape): number {
  const isHollow = shape.connectors.some((connector) => connector.kind === 'socket')
  const bodies = shape.bodies.reduce((sum, { min, max }) => {
    const [x, y, z] = [0, 1, 2].map((i) => (max[i]! - min[i]!) * MM_PER_U) as [number, number, number]
    const hollow = isHollow ? Math.max(0, x - 2 * WALL) * Math.max(0, y - 2 * WALL) * Math.max(0, z - ROOF) : 0
    return sum + x * y * z - hollow
  }, 0)
  const studs = shape.connectors.filter((connector) => connector.kind === 'stud').length
  return bodies + studs * Math.PI * STUD_RADIUS ** 2 * STUD_HEIGHT * MM_PER_U
}
