import { nearestIds, type Catalogue } from '../catalogue'
import { searchShapes } from './search'

/** What a line asks for, piece by piece. */
interface QuickPiece {
  readonly count: number
  readonly shape: string
  readonly colour: string
}

/** Words that were passed over, with what they may have meant. */
interface Unclear {
  readonly text: string
  readonly nearest: readonly string[]
}

export interface QuickLine {
  readonly pieces: readonly QuickPiece[]
  readonly unclear: readonly Unclear[]
}

/**
 * Reads "4 plate 1x2 sand, 2 tile 2x2 black": entries parted by commas, semicolons or lines; a count first, a colour
 * anywhere, the rest names the piece in whatever order. What is not understood is said, with the nearest.
 *
 * @param colour taken where an entry names none
 */
export function readQuickLine(text: string, catalogue: Catalogue, colour = 'ash'): QuickLine {
  const pieces: QuickPiece[] = []
  const unclear: Unclear[] = []
  for (const entry of text.split(/[,;\n]+/)) {
    if (entry.trim() === '') continue
    const read = readEntry(entry.trim(), catalogue, colour)
    if (read.piece) pieces.push(read.piece)
    unclear.push(...read.unclear)
  }
  return { pieces, unclear }
}

function readEntry(entry: string, catalogue: Catalogue, usual: string): { piece?: QuickPiece; unclear: Unclear[] } {
  const counted = /^(\d+)\s*(?:x|×|pcs?|times)?\s+(?=\D)/i.exec(entry)
  const rest = entry.slice(counted?.[0].length ?? 0)
  const { colour, left } = takeColour(rest, catalogue)
  const shape = catalogue.shapes.get(left.trim().replace(/\s+/g, '-')) ?? searchShapes(catalogue, left, 1)[0]
  if (shape) return { piece: { count: counted ? Number(counted[1]) : 1, shape: shape.id, colour: colour ?? usual }, unclear: [] }
  // Word by word: what is left when the strange ones are passed over may still name a piece.
  const words = left.split(/\s+/).filter((word) => word !== '')
  for (let drop = 1; drop < words.length; drop++) {
    const kept = words.slice(0, words.length - drop)
    const found = searchShapes(catalogue, kept.join(' '), 1)[0]
    if (!found) continue
    const strange = words.slice(words.length - drop)
    const piece = { count: counted ? Number(counted[1]) : 1, shape: found.id, colour: colour ?? usual }
    return { piece, unclear: strange.map((word) => ({ text: word, nearest: nearestOf(word, catalogue) })) }
  }
  return { unclear: [{ text: left.trim() === '' ? entry : left.trim(), nearest: nearestOf(left.trim(), catalogue) }] }
}

const nearestOf = (word: string, catalogue: Catalogue): string[] =>
  nearestIds(word.toLowerCase(), [...catalogue.colours.keys(), ...catalogue.shapes.keys()])

/** The longest colour that stands in the words, by its id or its name. */
function takeColour(text: string, catalogue: Catalogue): { colour: string | undefined; left: string } {
  let best: { id: string; at: number; length: number } | undefined
  const plain = text.toLowerCase()
  for (const { id, name } of catalogue.colours.values()) {
    for (const word of [id, id.replace(/-/g, ' '), name.toLowerCase()]) {
      const at = plain.search(new RegExp(`(^|\\s)${word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?=\\s|$)`))
      if (at >= 0 && (!best || word.length > best.length)) best = { id, at: plain.indexOf(word, at), length: word.length }
    }
  }
  if (!best) return { colour: undefined, left: text }
  return { colour: best.id, left: `${text.slice(0, best.at)} ${text.slice(best.at + best.length)}` }
}
