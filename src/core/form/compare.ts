import { memo } from '../memo'
import type { DepthForm, DepthMap } from './depth-form'

/** Surfaces this near each other are one: chamfers, rounding of tessellation, bodies drawn a little small, u. */
const TOLERANCE = 0.7
/** Cells of small maps weigh little: one that differs is not a tenth of a form. */
const LEAST_CELLS = 40

/** The least and the most of a cell and its eight neighbours, and whether one of them is empty. */
interface Ranges {
  readonly least: Float32Array
  readonly most: Float32Array
  readonly hasGap: Uint8Array
}

const rangesOf = (read: (map: DepthMap) => Float32Array) =>
  memo((map: DepthMap): Ranges => {
    const { columns, rows } = map
    const values = read(map)
    const plain: Ranges = {
      least: values.map((value) => (Number.isNaN(value) ? Infinity : value)),
      most: values.map((value) => (Number.isNaN(value) ? -Infinity : value)),
      hasGap: Uint8Array.from(values, (value) => (Number.isNaN(value) ? 1 : 0)),
    }
    return widened(widened(plain, { count: columns, step: 1, lines: rows, lineStep: columns }), {
      count: rows,
      step: columns,
      lines: columns,
      lineStep: 1,
    })
  })

/** Each value with the ones before and after it along lines; beyond the end of a line there is nothing. */
function widened(from: Ranges, { count, step, lines, lineStep }: { count: number; step: number; lines: number; lineStep: number }): Ranges {
  const to: Ranges = { least: from.least.slice(), most: from.most.slice(), hasGap: from.hasGap.slice() }
  for (let line = 0; line < lines; line++) {
    for (let i = 0; i < count; i++) {
      const at = line * lineStep + i * step
      if (i === 0 || i === count - 1) to.hasGap[at] = 1
      for (const other of [at - step, at + step]) {
        if ((other < at && i === 0) || (other > at && i === count - 1)) continue
        if (from.least[other]! < to.least[at]!) to.least[at] = from.least[other]!
        if (from.most[other]! > to.most[at]!) to.most[at] = from.most[other]!
        if (from.hasGap[other] === 1) to.hasGap[at] = 1
      }
    }
  }
  return to
}
const lowRanges = rangesOf(({ low }) => low)
const highRanges = rangesOf(({ high }) => high)

/** How much two forms differ; 0 is the same. */
export interface FormDifference {
  /** The largest share of cells of one side that differ. */
  readonly most: number
  /** Over all sides, what is finer than the tolerance included: it tells apart what would fit both. */
  readonly sum: number
}

/** How much fine differences weigh beside coarse ones. */
const FINE = 0.1
const FINE_TOLERANCE = 0.3

/**
 * How much two forms on the same grid differ: of each side the share of cells where one begins or ends elsewhere than the other
 * does in the cell or beside it. From below (the low side of z) a mesh may be hollow.
 * @param limit beyond which nobody wants to know more
 */
export function formDifference(shape: DepthForm, mesh: DepthForm, limit: number): FormDifference {
  let [most, sum] = [0, 0]
  for (const axis of [2, 0, 1] as const) {
    const [known, asked] = [shape.maps[axis], mesh.maps[axis]]
    const cells = Math.max(LEAST_CELLS, known.low.length)
    const high = differing(known.high, asked.high, highRanges(known), highRanges(asked))
    most = Math.max(most, high / cells)
    if (most > limit) return { most, sum: Infinity }
    const low = axis === 2 ? differingBelow(known, asked) : differing(known.low, asked.low, lowRanges(known), lowRanges(asked))
    most = Math.max(most, low / cells)
    if (most > limit) return { most, sum: Infinity }
    const fine = finelyDiffering(known.high, asked.high) + (axis === 2 ? 0 : finelyDiffering(known.low, asked.low))
    sum += (high + low + FINE * fine) / cells
  }
  return { most, sum }
}

function differing(one: Float32Array, other: Float32Array, nearOne: Ranges, nearOther: Ranges): number {
  let count = 0
  for (let i = 0; i < one.length; i++) if (!isWithin(other[i]!, nearOne, i) || !isWithin(one[i]!, nearOther, i)) count++
  return count
}

/** Cells that differ though their neighbours would not tell. */
function finelyDiffering(one: Float32Array, other: Float32Array): number {
  let count = 0
  for (let i = 0; i < one.length; i++) {
    const [a, b] = [one[i]!, other[i]!]
    if (Number.isNaN(a) ? !Number.isNaN(b) : !(Math.abs(a - b) <= FINE_TOLERANCE)) count++
  }
  return count
}

const isWithin = (value: number, { least, most, hasGap }: Ranges, at: number): boolean =>
  Number.isNaN(value) ? hasGap[at] === 1 : value >= least[at]! - TOLERANCE && value <= most[at]! + TOLERANCE

/** From below a mesh must not reach lower than the shape; how far up it is hollow is its own business. */
function differingBelow(known: DepthMap, asked: DepthMap): number {
  const near = lowRanges(known)
  const nearAsked = lowRanges(asked)
  let count = 0
  for (let i = 0; i < known.low.length; i++) {
    const value = asked.low[i]!
    const isFit = Number.isNaN(value) ? near.hasGap[i] === 1 : value >= near.least[i]! - TOLERANCE
    if (!isFit || (Number.isNaN(known.low[i]!) ? nearAsked.hasGap[i] !== 1 : false)) count++
  }
  return count
}
