import type { PieceCount } from '../count'
import type { Decal, ModelDocument } from '../model'

/** A decal as often as the model takes it. */
export interface DecalCount {
  readonly decal: Decal
  readonly count: number
}

/** One decal on a sheet: its lower left corner, mm from the lower left of the paper. */
export interface PlacedDecal {
  readonly decal: Decal
  readonly x: number
  readonly y: number
}

/** Which decals a model takes, and how often, in the order of the file. Prints come on the piece and are not among them. */
export function decalsOf(model: ModelDocument, inventory: readonly PieceCount[]): DecalCount[] {
  const counts = new Map<string, number>()
  for (const { work, count } of inventory) {
    for (const { kind, decal } of work ?? []) {
      if (kind === 'decal' && decal !== undefined) counts.set(decal, (counts.get(decal) ?? 0) + count)
    }
  }
  return (model.decals ?? []).flatMap((decal) => (counts.has(decal.id) ? [{ decal, count: counts.get(decal.id)! }] : []))
}

/** Room between decals for the knife and the marks, mm. */
const GAP = 10

/**
 * Lays decals on sheets at true size, the tallest first, row under row (next-fit decreasing height; Coffman, Garey, Johnson and
 * Tarjan 1980, "Performance bounds for level-oriented two-dimensional packing algorithms").
 *
 * @param area of each sheet that may be printed on, mm
 */
export function layDecals(
  decals: readonly DecalCount[],
  area: { readonly left: number; readonly bottom: number; readonly width: number; readonly height: number },
): PlacedDecal[][] {
  const all = decals.flatMap(({ decal, count }) => Array.from({ length: count }, () => decal))
  const sorted = all.map((decal, i) => ({ decal, i })).sort((a, b) => b.decal.size[1] - a.decal.size[1] || a.i - b.i)
  const sheets: PlacedDecal[][] = []
  let sheet: PlacedDecal[] = []
  let [x, top, rowHeight] = [0, area.height, 0]
  for (const { decal } of sorted) {
    const [width, height] = decal.size
    if (x > 0 && x + width > area.width) [x, top, rowHeight] = [0, top - rowHeight - GAP, 0]
    if (sheets.length === 0 || top - height < 0) {
      sheets.push((sheet = []))
      ;[x, top, rowHeight] = [0, area.height, 0]
    }
    sheet.push({ decal, x: area.left + x, y: area.bottom + top - height })
    x += width + GAP
    rowHeight = Math.max(rowHeight, height)
  }
  return sheets
}
