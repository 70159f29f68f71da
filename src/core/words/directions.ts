/** Directions as a builder says them who sits before the model, in the order +x, -x, +y, -y, +z, -z. */
const SIDES = ['the right', 'the left', 'behind', 'the front', 'above', 'below'] as const
const WAYS = ['to the right', 'to the left', 'backward', 'forward', 'upward', 'downward'] as const

/** "from the right": where something comes from that lies in `direction` (0 to 5) before. */
export const fromWords = (direction: number): string => `from ${SIDES[direction]!}`

/** "to the right": where something goes that moves in `direction` (0 to 5). */
export const towardsWords = (direction: number): string => WAYS[direction]!
