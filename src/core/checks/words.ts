import { travelVector, type Travel } from '../motion'

const WAY_WORDS: readonly string[] = ['from the right', 'from the left', 'from behind', 'from the front', 'from above', 'from below']

/** In words, the side from which something that leaves along `travel` comes in. */
export function wayInWords(travel: Travel): string {
  return typeof travel === 'number'
    ? WAY_WORDS[travel]!
    : `along (${travelVector(travel)
        .map((v) => v.toFixed(2))
        .join(', ')})`
}
