import type { FillArea } from './area'
import { coverArea, type Cover, type CoverOptions, type CoverPiece, type CoverPlace } from './cover'

/** How an area is filled: by as few pieces as can be, in a grid of the first piece, in courses that are set off by half of it, or in bands. */
export const FILL_PATTERNS = ['fewest', 'grid', 'bond', 'stripes'] as const
export type FillPattern = (typeof FILL_PATTERNS)[number]

/** A filled area; of stripes each place has the number of its band. */
export interface Filled extends Cover {
  readonly bands: readonly number[]
}

/** Fills an area in a pattern; what the pattern leaves at its edges takes as few pieces as can be. */
export function fillArea(area: FillArea, pieces: readonly CoverPiece[], pattern: FillPattern, options: CoverOptions = {}): Filled {
  const [first] = pieces
  if (!first || pattern === 'fewest') return oneBand(coverArea(area, pieces, options))
  if (pattern === 'stripes') return stripes(area, pieces, first, options)
  const free = area.cells.slice()
  const laid = layCourses({ ...area, cells: free }, first, pattern === 'bond' ? Math.floor(first.width / 2) : 0)
  const used = laid.length
  const rest = pieces.map((piece, i) => (i === 0 && piece.most !== undefined ? { ...piece, most: Math.max(0, piece.most - used) } : piece))
  const cover = coverArea({ ...area, cells: free }, rest, options)
  return oneBand({ ...cover, places: [...laid, ...cover.places], bound: used + cover.bound })
}

const oneBand = (cover: Cover): Filled => ({ ...cover, bands: cover.places.map(() => 0) })

/** Whole pieces in courses, every second one set off; their cells are taken from the area. */
function layCourses({ columns, rows, cells }: FillArea, { width, depth, most = Infinity }: CoverPiece, offset: number): CoverPlace[] {
  const places: CoverPlace[] = []
  for (let row = 0; row + depth <= rows; row += depth) {
    const start = (row / depth) % 2 === 1 ? offset : 0
    for (let column = start; column + width <= columns && places.length < most; column += width) {
      const covered = Array.from({ length: width * depth }, (_, i) => (row + Math.floor(i / width)) * columns + column + (i % width))
      if (covered.some((cell) => cells[cell] === 0)) continue
      for (const cell of covered) cells[cell] = 0
      places.push({ piece: 0, column, row, isTurned: false })
    }
  }
  return places
}

/** Bands as deep as the first piece, each covered by itself. */
function stripes(area: FillArea, pieces: readonly CoverPiece[], { depth }: CoverPiece, options: CoverOptions): Filled {
  const places: CoverPlace[] = []
  const bands: number[] = []
  const stock = pieces.map(({ most }) => most ?? Infinity)
  let [left, bound, isProven] = [0, 0, true]
  for (let row = 0, band = 0; row < area.rows; row += depth, band++) {
    const cells = area.cells.map((cell, i) =>
      Math.floor(i / area.columns) >= row && Math.floor(i / area.columns) < row + depth ? cell : 0,
    )
    const left_ = pieces.map((piece, i) => (stock[i] === Infinity ? piece : { ...piece, most: stock[i]! }))
    const cover = coverArea({ ...area, cells }, left_, options)
    for (const place of cover.places) {
      stock[place.piece]!--
      places.push(place)
      bands.push(band)
    }
    left += cover.left
    bound += cover.bound
    isProven &&= cover.isProven
  }
  return { places, bands, left, bound, isProven }
}
