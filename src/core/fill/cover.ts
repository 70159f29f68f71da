import type { FillArea } from './area'

/** A piece that may be used: how many cells it covers each way, and how many there are. */
export interface CoverPiece {
  readonly width: number
  readonly depth: number
  readonly most?: number
}

/** One piece in its place, by cells. */
export interface CoverPlace {
  readonly piece: number
  readonly column: number
  readonly row: number
  /** It lies a quarter turned: its width runs from front to back. */
  readonly isTurned: boolean
}

export interface Cover {
  readonly places: readonly CoverPlace[]
  /** Cells that nothing covers. */
  readonly left: number
  /** No cover takes fewer pieces than this; equal to what it takes where that is proven. */
  readonly bound: number
  readonly isProven: boolean
}

/** Which seams lie under the area: between two cells of a row (to the right of the first), or of a column (behind it). */
export interface Seams {
  readonly right: Uint8Array
  readonly behind: Uint8Array
}

export interface CoverOptions {
  readonly seams?: Seams
  /** Places tried before the best so far is taken. */
  readonly budget?: number
  /** Told whenever a better cover was found. */
  readonly onBetter?: (cover: Cover) => void
}

const BUDGET = 3_000_000
/** A cell left bare costs more than any number of pieces, and a piece more than any number of seams it shares. */
const BARE = 1_000_000_000
const PIECE = 10_000
/** Cells that are left bare on purpose at once, at most. */
const MOST_GIVEN = 60

interface CoverShape {
  readonly piece: number
  readonly columns: number
  readonly rows: number
  readonly isTurned: boolean
}

/**
 * Covers an area with as few pieces as possible, and of such covers one that shares few seams with those below: depth-first branch and
 * bound over the first cell that is free (an exact cover, Knuth 2000, "Dancing links", with the area left over the largest
 * piece as its bound). The order of trying makes the first cover a good one.
 */
export function coverArea(area: FillArea, pieces: readonly CoverPiece[], options: CoverOptions = {}): Cover {
  return new Search(area, pieces, options).run()
}

class Search {
  private readonly shapes: readonly CoverShape[]
  private readonly free: Uint8Array
  private readonly stock: number[]
  private readonly largest: number
  private readonly all: number
  private readonly placed: CoverPlace[] = []
  private best: { places: readonly CoverPlace[]; left: number; cost: number } = { places: [], left: 0, cost: Infinity }
  private work: number
  private bare = 0
  private seamsShared = 0
  /** Cells that what is left of the stock could cover. */
  private capacity: number
  /** Cells left bare on purpose, on the way to where the search is. */
  private given = 0
  /** Something was not tried. */
  private isCut = false

  constructor(
    private readonly area: FillArea,
    pieces: readonly CoverPiece[],
    private readonly options: CoverOptions,
  ) {
    this.free = area.cells.slice()
    this.all = area.cells.reduce((sum, cell) => sum + cell, 0)
    this.stock = pieces.map(({ most }) => most ?? Infinity)
    this.shapes = pieces
      .flatMap(({ width, depth }, piece): CoverShape[] => [
        { piece, columns: width, rows: depth, isTurned: false },
        ...(width === depth ? [] : [{ piece, columns: depth, rows: width, isTurned: true }]),
      ])
      .sort((a, b) => b.columns * b.rows - a.columns * a.rows)
    this.largest = Math.max(1, ...this.shapes.map(({ columns, rows }) => columns * rows))
    this.capacity = pieces.reduce((sum, { width, depth, most = Infinity }) => sum + width * depth * most, 0)
    this.work = options.budget ?? BUDGET
  }

  run(): Cover {
    const bound = Math.ceil(this.all / this.largest)
    this.descend(0, this.all)
    const isProven = (this.work > 0 && !this.isCut) || (this.best.left === 0 && this.best.places.length === bound)
    return { places: this.best.places, left: this.best.left, bound: isProven ? this.best.places.length : bound, isProven }
  }

  private cost(): number {
    return this.bare * BARE + this.placed.length * PIECE + this.seamsShared
  }

  /** No cover from here on costs less: what the stock cannot cover stays bare, the rest takes the largest pieces. */
  private leastCost(open: number): number {
    const coverable = Math.min(open, this.capacity)
    return this.cost() + (open - coverable) * BARE + Math.ceil(coverable / this.largest) * PIECE
  }

  private descend(from: number, open: number): void {
    // What nothing fits stays bare, whatever comes: it is no choice.
    const forced: number[] = []
    let cell = this.nextFree(from)
    while (cell < this.free.length && !this.shapes.some((shape) => this.stock[shape.piece]! > 0 && this.fits(shape, cell))) {
      this.free[cell] = 0
      forced.push(cell)
      cell = this.nextFree(cell + 1)
    }
    this.bare += forced.length
    this.choose(cell, open - forced.length)
    this.bare -= forced.length
    for (const each of forced) this.free[each] = 1
  }

  private nextFree(from: number): number {
    let cell = from
    while (cell < this.free.length && this.free[cell] === 0) cell++
    return cell
  }

  private choose(cell: number, open: number): void {
    if (this.leastCost(open) >= this.best.cost) return
    if (cell === this.free.length) return this.keep()
    for (const shape of this.shapes) {
      if (this.work <= 0 && this.best.cost < Infinity) return
      if (this.stock[shape.piece]! <= 0 || !this.fits(shape, cell)) continue
      this.work--
      this.place(shape, cell, open)
    }
    if (this.work <= 0 && this.best.cost < Infinity) return
    // It may pay to leave this cell bare, so that others can be covered; how often that is tried is bounded.
    if (this.given >= MOST_GIVEN) {
      this.isCut = true
      return
    }
    this.free[cell] = 0
    this.bare++
    this.given++
    this.descend(cell + 1, open - 1)
    this.given--
    this.bare--
    this.free[cell] = 1
  }

  private place(shape: CoverShape, cell: number, open: number): void {
    const { columns } = this.area
    const seams = this.seamsOf(shape, cell)
    this.mark(shape, cell, 0)
    this.stock[shape.piece]!--
    this.capacity -= shape.columns * shape.rows
    this.seamsShared += seams
    this.placed.push({ piece: shape.piece, column: cell % columns, row: Math.floor(cell / columns), isTurned: shape.isTurned })
    this.descend(cell + 1, open - shape.columns * shape.rows)
    this.placed.pop()
    this.seamsShared -= seams
    this.stock[shape.piece]!++
    this.capacity += shape.columns * shape.rows
    this.mark(shape, cell, 1)
  }

  private fits({ columns, rows }: CoverShape, cell: number): boolean {
    const wide = this.area.columns
    const [column, row] = [cell % wide, Math.floor(cell / wide)]
    if (column + columns > wide || row + rows > this.area.rows) return false
    for (let y = 0; y < rows; y++) for (let x = 0; x < columns; x++) if (this.free[cell + y * wide + x] === 0) return false
    return true
  }

  private mark({ columns, rows }: CoverShape, cell: number, value: 0 | 1): void {
    for (let y = 0; y < rows; y++) this.free.fill(value, cell + y * this.area.columns, cell + y * this.area.columns + columns)
  }

  /** How many of its right and back edges lie over a seam below. */
  private seamsOf({ columns, rows }: CoverShape, cell: number): number {
    const { seams } = this.options
    if (!seams) return 0
    let shared = 0
    const wide = this.area.columns
    for (let y = 0; y < rows; y++) shared += seams.right[cell + y * wide + columns - 1]!
    for (let x = 0; x < columns; x++) shared += seams.behind[cell + (rows - 1) * wide + x]!
    return shared
  }

  private keep(): void {
    const cost = this.cost()
    if (cost >= this.best.cost) return
    this.best = { places: [...this.placed], left: this.bare, cost }
    const bound = Math.ceil(this.all / this.largest)
    this.options.onBetter?.({ places: this.best.places, left: this.bare, bound, isProven: false })
  }
}
