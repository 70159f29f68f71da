import { alikeFor, type Colour } from '../catalogue'
import { pieceKey, type PieceCount } from './count'

const LETTERS = 'ABCDEFGHJKLMNPRSTUVWXYZ'

/**
 * Letters for pieces of one shape whose colours are hard to tell apart, for all eyes or for some: they stand on the parts in
 * the picture and beside the pieces in the tray. The same pieces always get the same letters.
 *
 * @returns by `pieceKey`; empty where nothing needs one
 */
export function lettersOf(pieces: readonly PieceCount[], colours: ReadonlyMap<string, Colour>): ReadonlyMap<string, string> {
  const letters = new Map<string, string>()
  if (pieces.length < 2) return letters
  const sorted = [...pieces].sort((a, b) => (pieceKey(a) < pieceKey(b) ? -1 : 1))
  for (const piece of sorted) {
    const mine = colours.get(piece.colour)
    const isAlike = sorted.some((other) => {
      const theirs = colours.get(other.colour)
      if (other.shape !== piece.shape || other.colour === piece.colour || !mine || !theirs) return false
      return mine.finish === theirs.finish && alikeFor(mine.hex, theirs.hex) !== 'none'
    })
    if (isAlike && letters.size < LETTERS.length) letters.set(pieceKey(piece), LETTERS[letters.size]!)
  }
  return letters
}
