import { ENGLISH, type Words } from '../language'

/** Directions as a builder says them who sits before the model, in the order +x, -x, +y, -y, +z, -z. */
const SIDES = ['right', 'left', 'behind', 'front', 'above', 'below'] as const

/** "from the right": where something comes from that lies in `direction` (0 to 5) before. */
export const fromWords = (direction: number, { say }: Pick<Words, 'say'> = ENGLISH): string => say(fromKey(direction))

/** The same as a sentence of the booklet's. */
export const fromKey = (direction: number) => `from.${SIDES[direction]!}` as const

/** "to the right": where something goes that moves in `direction` (0 to 5). */
export const towardsWords = (direction: number, { say }: Pick<Words, 'say'> = ENGLISH): string => say(towardsKey(direction))

export const towardsKey = (direction: number) => `towards.${SIDES[direction]!}` as const
