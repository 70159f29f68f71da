/** A row of a sheet, as high as it is when its pictures have their full size, or a share of it. */
export interface SheetRow {
  /** @param share of the full size of pictures, up to 1 @returns pt */
  readonly height: (share: number) => number
  /** What makes no sense at the foot of a page without the row after it: the head of a section. */
  readonly keepsWithNext?: boolean
  /** What makes no sense at the head of a page without the row before it: the last step of a section, or one that joins what was just built. */
  readonly keepsWithPrevious?: boolean
  /** How many steps stand in it. */
  readonly steps?: number
}

/** What a sheet holds. */
export interface SheetRoom {
  /** pt */
  readonly height: number
  /** Most steps on it, where that is asked for. */
  readonly steps?: number
}

/** Rows that share a sheet, and the size of their pictures. */
export interface PackedSheet<Row extends SheetRow> {
  readonly rows: readonly Row[]
  readonly share: number
}

/** Pictures are not made smaller than this share of their full size to bring one row more on a sheet. */
export const LEAST_SHARE = 0.78

/**
 * Puts rows on sheets in their order: as many as fit when their pictures are a little smaller than they could be, and then the
 * pictures as large as the sheet has room for, so that few sheets end half empty (first fit, with the room shared out).
 *
 */
export function packRows<Row extends SheetRow>(
  rows: readonly Row[],
  { height: room, steps: most = Infinity }: SheetRoom,
): PackedSheet<Row>[] {
  const sheets: PackedSheet<Row>[] = []
  let begin = 0
  while (begin < rows.length) {
    let end = begin + 1
    while (end < rows.length && heightOf(rows.slice(begin, end + 1), LEAST_SHARE) <= room && stepsOf(rows.slice(begin, end + 1)) <= most)
      end++
    // A head without anything under it goes over to the next sheet, unless it has this one to itself anyway.
    let last = end
    while (last < rows.length && last - 1 > begin && rows[last - 1]!.keepsWithNext) last--
    // One row goes over with the one that should not stand alone, where this sheet keeps two, and more than a step a sheet is meant.
    if (last < rows.length && last - begin > 2 && most > 1 && rows[last]!.keepsWithPrevious && !rows[last - 2]!.keepsWithNext) last--
    const own = rows.slice(begin, last)
    sheets.push({ rows: own, share: largestShare(own, room) })
    begin = last
  }
  return sheets
}

const heightOf = (rows: readonly SheetRow[], share: number): number => rows.reduce((sum, row) => sum + row.height(share), 0)

const stepsOf = (rows: readonly SheetRow[]): number => rows.reduce((sum, { steps = 0 }) => sum + steps, 0)

/** Halvings of the range of shares: far finer than anybody sees. */
const HALVINGS = 8

function largestShare(rows: readonly SheetRow[], room: number): number {
  if (heightOf(rows, 1) <= room) return 1
  let [low, high] = [LEAST_SHARE, 1]
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2
    if (heightOf(rows, middle) <= room) low = middle
    else high = middle
  }
  return low
}
