import { ADVICE_IN_ENGLISH, ENGLISH, type Said, type Words } from '../language'
import type { Catalogue } from '../catalogue'
import { partsByPiece } from '../count'
import type { ModelDocument } from '../model'
import { tableText } from '../words'
import type { Coverage } from './cover'
import { ANY_COLOUR, deskKey, deskPiece, piecesIn, type DeskPiece } from './piece'

/** One line of the sheet of parts: a piece, how many are needed, and where they come from. */
export interface SheetLine {
  readonly key: string
  readonly piece: DeskPiece
  readonly fromStock: number
  readonly fromKits: number
  readonly toBuy: number
  /** Ids of the sections that use it. */
  readonly sections: readonly string[]
}

/** Everything needed, line by line, with what covers it. */
export function sheetOf(model: ModelDocument, need: readonly DeskPiece[], { covered, missing }: Coverage): SheetLine[] {
  const sections = sectionsByPiece(model)
  const open = new Map(missing.map((piece) => [deskKey(piece), piece.count]))
  // What covers a piece in any colour is told in its own: lines are filled named colours first, as they were covered.
  const taken = covered.map((piece) => ({ ...piece, left: piece.count }))
  const lines = new Map<string, SheetLine>()
  const named = need.filter(({ colour }) => colour !== ANY_COLOUR)
  for (const piece of [...named, ...need.filter(({ colour }) => colour === ANY_COLOUR)]) {
    const key = deskKey(piece)
    const toBuy = open.get(key) ?? 0
    let wanted = piece.count - toBuy
    let fromStock = 0
    for (const each of taken) {
      if (deskKey({ ...each, colour: piece.colour === ANY_COLOUR ? ANY_COLOUR : each.colour }) !== key) continue
      const count = Math.min(wanted, each.left)
      each.left -= count
      wanted -= count
      if (each.from === 'stock') fromStock += count
    }
    lines.set(key, {
      key,
      piece,
      fromStock,
      fromKits: piece.count - toBuy - fromStock,
      toBuy,
      sections: sections.get(key) ?? [],
    })
  }
  return need.map((piece) => lines.get(deskKey(piece))!)
}

function sectionsByPiece(model: ModelDocument): Map<string, string[]> {
  const sections = new Map<string, string[]>()
  const parts = new Map(model.sections.map((section) => [section.id, new Map((section.parts ?? []).map((part) => [part.id, part]))]))
  for (const { piece, parts: places } of partsByPiece(model)) {
    for (const { section, part } of places) {
      const isFree = parts.get(section)?.get(part)?.showsColour === false
      const key = deskKey(deskPiece(isFree ? { ...piece, colour: ANY_COLOUR } : piece))
      const list = sections.get(key) ?? []
      if (!list.includes(section)) list.push(section)
      sections.set(key, list)
    }
  }
  return sections
}

/** "1,664 pieces of 45 kinds: 312 are in stock, 204 in your kits, 1,148 are to buy." */
export function sheetWords(lines: readonly SheetLine[], { say } = ADVICE_IN_ENGLISH): string {
  const sum = (count: (line: SheetLine) => number): number => lines.reduce((all, line) => all + count(line), 0)
  const pieces = piecesIn(lines.map(({ piece }) => piece))
  const [stock, kits, buy] = [sum(({ fromStock }) => fromStock), sum(({ fromKits }) => fromKits), sum(({ toBuy }) => toBuy)]
  if (pieces === 0) return say({ key: 'desk.none' })
  const counts = { pieces: { key: 'desk.pieces', n: pieces }, kinds: { key: 'desk.kinds', n: lines.length } } as const
  const whole: Said = { key: 'desk.whole', about: counts }
  if (stock + kits === 0) return say({ key: 'desk.noBooks', n: pieces, about: { whole } })
  const about = { whole, stock, kits, buy }
  return say({ key: buy === 0 ? 'desk.allThere' : 'desk.toBuy', about })
}

const HEADER = ['count', 'shape', 'piece', 'colour', 'colour name', 'length mm', 'in stock', 'in kits', 'to buy', 'sections'] as const

/** The sheet as rows of cells, the header first. */
export const sheetRows = (lines: readonly SheetLine[], { shapes, colours }: Catalogue): (string | number)[][] => [
  [...HEADER],
  ...lines.map(({ piece, fromStock, fromKits, toBuy, sections }) => [
    piece.count,
    piece.shape,
    shapes.get(piece.shape)?.title ?? piece.shape,
    piece.colour,
    colourTitle(piece.colour, colours),
    piece.lengthMm ?? '',
    fromStock,
    fromKits,
    toBuy,
    sections.join(' '),
  ]),
]

/** The same as the text of a table. */
export const sheetTable = (lines: readonly SheetLine[], catalogue: Catalogue): string =>
  tableText(HEADER, sheetRows(lines, catalogue).slice(1))

export const colourTitle = (id: string, colours: Catalogue['colours'], { say }: Words = ENGLISH): string =>
  id === ANY_COLOUR ? say('piece.anyColour') : (colours.get(id)?.name ?? id)

/** "Plate 1 × 4, blue", "Tube, 80 mm, black". */
export const pieceTitle = (
  { shape, colour, lengthMm }: Omit<DeskPiece, 'count'>,
  { shapes, colours }: Catalogue,
  words: Words = ENGLISH,
): string =>
  [
    shapes.get(shape)?.title ?? shape,
    ...(lengthMm === undefined ? [] : [`${words.number(lengthMm)} mm`]),
    ...(colour === ANY_COLOUR ? [] : [words.within(colourTitle(colour, colours, words))]),
  ].join(', ')

/** "4 × Plate 1 × 4, blue". */
export const pieceLine = (piece: DeskPiece, catalogue: Catalogue, words: Words = ENGLISH): string =>
  `${piece.count} × ${pieceTitle(piece, catalogue, words)}`
