import type { Catalogue } from '../catalogue'
import { pieceExtras, type PieceCount } from '../count'
import type { Alias } from '../names'
import { tableText } from '../words'

const HEADER = ['count', 'shape', 'piece', 'colour', 'colour name', 'length mm', 'work'] as const
const OWN_HEADER = ['own name', 'own number', 'own colour', 'own colour number'] as const

/** The inventory as a table, one row a piece; with the designer's own names and numbers where they are given. */
export function writePieceTable(pieces: readonly PieceCount[], { shapes, colours }: Catalogue, aliases: readonly Alias[] = []): string {
  const find = (kind: Alias['kind'], id: string): Alias | undefined => aliases.find((alias) => alias.kind === kind && alias.id === id)
  const rows = pieces.map((piece) => {
    const { shape, colour, count, length } = piece
    const work = pieceExtras(piece.work ? { work: piece.work } : {})
    const row = [count, shape, shapes.get(shape)?.title ?? shape, colour, colours.get(colour)?.name ?? colour, length ?? '', work]
    if (aliases.length === 0) return row
    const [own, ownColour] = [find('shape', shape), find('colour', colour)]
    return [...row, own?.name ?? '', own?.number ?? '', ownColour?.name ?? '', ownColour?.number ?? '']
  })
  const fields = aliases.length === 0 ? [...HEADER] : [...HEADER, ...OWN_HEADER]
  return tableText(fields, rows)
}
