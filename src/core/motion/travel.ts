import type { Joint } from '../joints'
import { axisOf, dot, DIRECTION_VECTORS, scale, type Direction, type Vec } from '../space'

/** How something travels: along a lattice direction, or along a unit vector (across a free pose). */
export type Travel = Direction | Vec

export const travelVector = (travel: Travel): Vec => (typeof travel === 'number' ? DIRECTION_VECTORS[travel]! : travel)
export const reverseTravel = (travel: Travel): Travel => (typeof travel === 'number' ? ((travel ^ 1) as Direction) : scale(travel, -1))

/** Cosine above which two ways count as one: about half a degree. */
const ALONG = 0.99996

/** Whether a joint lets go along the travel. */
export function isAlong({ lets, ways }: Joint, travel: Travel): boolean {
  if (lets !== 0 && typeof travel === 'number') return ((lets >> axisOf(travel)) & 1) === 1
  const way = travelVector(travel)
  return ways.some((vector) => Math.abs(dot(vector, way)) > ALONG)
}

/** Both senses of each way that a joint lets go. */
export const waysAlong = ({ ways }: Joint): Vec[] => ways.flatMap((way) => [way, scale(way, -1)])
