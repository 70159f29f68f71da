import { BASE_CATALOGUE, type Catalogue } from '../catalogue'
import { Fault } from '../fault'
import { slackOf } from '../fit'
import type { Part } from '../model'
import { MM_PER_U, PLATE_HEIGHT, STUD_HEIGHT } from '../space'
import { areaOf, type FillArea } from './area'
import { GLYPH_ROWS, GLYPHS } from './glyphs'
import { fillArea, type FillPattern } from './patterns'
import { coverPiece, familyPieces, filledParts, type FillFamily } from './pieces'
import { LOW_SLOPE_HEIGHT, mostNoses, slopesOn } from './slopes'

/** Which cells of a picture are drawn: row after row from its top. */
export interface CellPicture {
  readonly columns: number
  readonly rows: number
  readonly cells: Uint8Array
}

/** Letters, cells high. */
const HEIGHTS = { least: 5, most: 60 } as const
const MOST_LETTERS = 60
/** Cells of a picture each way. */
const MOST_SIDE = 200
/** Places tried in one layer of a sign. */
const LAYER_BUDGET = 60_000

/**
 * Words as cells.
 * @param height of the letters, cells
 * @throws Fault `bad-value` for no letters, too many, or one that has no form here
 */
export function letterCells(text: string, height: number): CellPicture {
  const letters = [...text.trim().toUpperCase().normalize('NFKD').replace(/\p{M}/gu, '')]
  if (letters.length === 0) throw new Fault('bad-value', 'There is nothing to write.', { wayOut: 'Write a word.' })
  if (letters.length > MOST_LETTERS) throw new Fault('bad-value', `More than ${MOST_LETTERS} letters are too long for one sign.`)
  if (!Number.isInteger(height) || height < HEIGHTS.least || height > HEIGHTS.most)
    throw new Fault('bad-value', `Letters are ${HEIGHTS.least} to ${HEIGHTS.most} studs high.`)
  const strange = letters.find((letter) => !(letter in GLYPHS))
  if (strange !== undefined)
    throw new Fault('bad-value', `“${strange}” has no form in pieces here.`, {
      wayOut: 'Letters from A to Z, digits and . , ! ? - + & have one.',
    })
  const rows = letters.map((letter) => scaled(GLYPHS[letter]!, height))
  const columns = rows.reduce((sum, glyph) => sum + glyph[0]!.length, 0) + letters.length - 1
  const cells = new Uint8Array(columns * height)
  let left = 0
  for (const glyph of rows) {
    glyph.forEach((row, y) => row.forEach((isDrawn, x) => (cells[y * columns + left + x] = isDrawn ? 1 : 0)))
    left += glyph[0]!.length + 1
  }
  return { columns, rows: height, cells }
}

/** A letter drawn larger or smaller, each cell as the nearest of the drawn ones; its strokes keep at least one cell. */
function scaled(glyph: readonly string[], height: number): boolean[][] {
  const columns = glyph[0]!.length
  const wide = Math.max(columns === 1 ? 1 : 2, Math.round((columns * height) / GLYPH_ROWS))
  return Array.from({ length: height }, (_, y) =>
    Array.from({ length: wide }, (_unused, x) => {
      const row = Math.min(GLYPH_ROWS - 1, Math.floor(((y + 0.5) * GLYPH_ROWS) / height))
      return glyph[row]![Math.min(columns - 1, Math.floor(((x + 0.5) * columns) / wide))] === '#'
    }),
  )
}

/** What letters are made of; low slopes lie row by row, by turns with their noses to the front and to the back. */
export type SignFace = 'tile' | 'plate' | 'slope'

export interface SignOptions {
  readonly colour: string
  readonly ground: string
  /** What the drawn cells are made of. */
  readonly face: SignFace
  /** The rest of the face is covered too: as high as plates and tiles are, by tiles beside low slopes; else it is open, with its studs. */
  readonly isFlush: boolean
  /** Cells of ground around it. */
  readonly margin: number
}

/** A sign made of pieces: its parts, lying flat with its face up, and its size, mm. */
export interface Sign {
  readonly parts: readonly Part[]
  readonly size: { readonly width: number; readonly height: number; readonly depth: number }
  /** How much longer it may come out where low slopes lie nose to nose, mm. */
  readonly slack: number
}

/** Makes a sign of drawn cells: a ground of two layers of plates, the second across the first, and the face on it. @throws Fault `bad-value` where it is too large */
export function makeSign(picture: CellPicture, options: SignOptions, catalogue: Catalogue = BASE_CATALOGUE): Sign {
  const [columns, rows] = [picture.columns + 2 * options.margin, picture.rows + 2 * options.margin]
  if (columns > MOST_SIDE || rows > MOST_SIDE) throw new Fault('bad-value', `A sign is ${MOST_SIDE} studs wide and high at most.`)
  const isDrawn = (column: number, row: number): boolean => {
    const [x, y] = [column - options.margin, picture.rows - 1 - (row - options.margin)]
    return x >= 0 && y >= 0 && x < picture.columns && y < picture.rows && picture.cells[y * picture.columns + x] === 1
  }
  const layer = (z: number, wanted: (column: number, row: number) => boolean): FillArea | undefined =>
    areaOf(
      Array.from({ length: columns * rows }, (_, i) => [i % columns, Math.floor(i / columns)] as const)
        .filter(([column, row]) => wanted(column, row))
        .map(([column, row]) => [column * 10, row * 10, z] as const),
    )
  const filled = (area: FillArea | undefined, family: FillFamily, colour: string, pattern: FillPattern = 'fewest'): Part[] => {
    if (!area) return []
    const pieces = familyPieces(family, colour, pattern, catalogue)
    const covers = pieces.map((piece) => coverPiece(piece, catalogue)!)
    return filledParts(area, fillArea(area, covers, pattern, { budget: LAYER_BUDGET }), pieces)
  }
  const all = (): true => true
  // The second layer is laid in courses, so that it bridges the seams of the first.
  const ground = [...filled(layer(0, all), 'plate', options.ground), ...filled(layer(PLATE_HEIGHT, all), 'plate', options.ground, 'bond')]
  const beside: FillFamily = options.face === 'plate' ? 'plate' : 'tile'
  const drawn = layer(2 * PLATE_HEIGHT, isDrawn)
  const rest = layer(2 * PLATE_HEIGHT, (column, row) => !isDrawn(column, row))
  const face = [
    ...(options.face === 'slope' ? slopesOn(drawn, options.colour, catalogue) : filled(drawn, options.face, options.colour)),
    ...(options.isFlush ? filled(rest, beside, options.ground) : []),
  ]
  const hasStuds = options.face === 'plate' || !options.isFlush
  const flat = 3 * PLATE_HEIGHT + (hasStuds ? STUD_HEIGHT : 0)
  const depth = (options.face === 'slope' ? Math.max(flat, 2 * PLATE_HEIGHT + LOW_SLOPE_HEIGHT) : flat) * MM_PER_U
  const parts = [...ground, ...face].map((part, i) => ({ ...part, id: `sign-${i + 1}` }))
  const slack = options.face === 'slope' ? slackOf([{ kind: 'low slopes', count: mostNoses(drawn) }]).error : 0
  return { parts, size: { width: columns * 10 * MM_PER_U, height: rows * 10 * MM_PER_U, depth }, slack }
}
