import type { PlaceVerdict } from '@core/placing'
import { PLATE_HEIGHT, STUD_PITCH, type Vec } from '@core/space'

import { say, sayCount } from '../language'

/** What would hold something, and what is in its way. */
export function verdictWords({ holds, heldBy, collidesWith, isOnTable }: PlaceVerdict, titleOf: (id: string) => string): string {
  if (collidesWith.length > 0) {
    const more = collidesWith.length > 1 ? say('bench.andMore2', { collidesWith: collidesWith.length - 1 }) : ''
    return say('bench.inTheWayOf', { title: titleOf(collidesWith[0]!), more })
  }
  if (holds > 0) return say('bench.heldInBy', { places: sayCount('count.places', holds), pieces: sayCount('count.pieces', heldBy.length) })
  return isOnTable ? say('bench.standsOnTheTable') : say('bench.nothingHoldsItHere')
}

/** At most two digits behind the point, and none where there is nothing. */
const short = (value: number): string => String(Math.round(value * 100) / 100)

/** A place as people count it, in studs and plates. */
export const placeWords = ([x, y, z]: Vec): string =>
  sayCount('bench.toTheRightToThe', Number(short(z / PLATE_HEIGHT)), {
    short: short(x / STUD_PITCH),
    short2: short(y / STUD_PITCH),
    short3: short(z / PLATE_HEIGHT),
  })
