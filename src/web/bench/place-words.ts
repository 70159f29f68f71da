import type { PlaceVerdict } from '@core/placing'
import { PLATE_HEIGHT, STUD_PITCH, type Vec } from '@core/space'
import { plural } from '@core/words'

/** What would hold something, and what is in its way. */
export function verdictWords({ holds, heldBy, collidesWith, isOnTable }: PlaceVerdict, titleOf: (id: string) => string): string {
  if (collidesWith.length > 0) {
    const more = collidesWith.length > 1 ? ` and ${collidesWith.length - 1} more` : ''
    return `In the way of ${titleOf(collidesWith[0]!)}${more}.`
  }
  if (holds > 0) return `Held in ${plural(holds, 'place')} by ${plural(heldBy.length, 'piece')}.`
  return isOnTable ? 'Stands on the table.' : 'Nothing holds it here.'
}

/** At most two digits behind the point, and none where there is nothing. */
const short = (value: number): string => String(Math.round(value * 100) / 100)

/** A place as people count it, in studs and plates. */
export const placeWords = ([x, y, z]: Vec): string =>
  `${short(x / STUD_PITCH)} to the right, ${short(y / STUD_PITCH)} to the back, ${short(z / PLATE_HEIGHT)} plates up`
