import type { Vec } from '../space'
import { depthForm } from './depth-form'
import { extentOf, type Triangles } from './triangles'

/** A box of a body, u. */
export interface BodyBoxAt {
  readonly at: Vec
  readonly size: Vec
}

/** So many boxes tell a form well enough; more are joined to coarser ones. */
const MOST_BOXES = 60

/**
 * A form that no shape fits, as boxes in whole u with the lowest corner at the origin, and where that origin stands: upright
 * columns from where the form begins to where it ends, joined to the largest boxes that are alike.
 */
export function columnBoxes(triangles: Triangles): { readonly boxes: readonly BodyBoxAt[]; readonly at: Vec } {
  const extent = extentOf(triangles)
  const size = extent.size.map((side) => Math.max(1, Math.round(side))) as unknown as Vec
  const at: Vec = [extent.middle[0] - size[0] / 2, extent.middle[1] - size[1] / 2, extent.middle[2] - size[2] / 2]
  for (const cell of [1, 2, 4, 5, 10, 20]) {
    const boxes = boxesWith(triangles, size, cell)
    if (boxes && boxes.length > 0 && boxes.length <= MOST_BOXES) return { boxes, at }
  }
  return { boxes: [{ at: [0, 0, 0], size }], at }
}

function boxesWith(triangles: Triangles, size: Vec, cell: number): BodyBoxAt[] | undefined {
  const [columns, rows] = [Math.ceil(size[0] / cell), Math.ceil(size[1] / cell)]
  if (columns * rows > 40_000) return undefined
  const [map] = [depthForm(triangles, { cells: [columns, rows, 1], cell }).maps[2]]
  const spans = Array.from(map.low, (low, i) => (Number.isNaN(low) ? '' : spanText(low, map.high[i]!, size[2])))
  const boxes: BodyBoxAt[] = []
  for (let i = 0; i < spans.length; i++) {
    const span = spans[i]!
    if (span === '') continue
    const [x, y] = [i % columns, Math.floor(i / columns)]
    let across = 1
    while (x + across < columns && spans[i + across] === span) across++
    let along = 1
    while (y + along < rows && isAlike(spans, (y + along) * columns + x, across, span)) along++
    for (let v = 0; v < along; v++) spans.fill('', (y + v) * columns + x, (y + v) * columns + x + across)
    const [low, high] = span.split(' ').map(Number) as [number, number]
    const right = Math.min(size[0], (x + across) * cell)
    const back = Math.min(size[1], (y + along) * cell)
    boxes.push({ at: [x * cell, y * cell, low], size: [right - x * cell, back - y * cell, high - low] })
    if (boxes.length > MOST_BOXES) return undefined
  }
  return touchingAll(boxes, size)
}

const isAlike = (spans: readonly string[], from: number, count: number, span: string): boolean =>
  spans.slice(from, from + count).every((each) => each === span)

/** Whole u from the lowest of the form; at least one. */
function spanText(low: number, high: number, height: number): string {
  const from = Math.max(0, Math.min(height - 1, Math.round(low + height / 2)))
  return `${from} ${Math.max(from + 1, Math.min(height, Math.round(high + height / 2)))}`
}

/** Boxes must reach the sides of the form, since a place is told by them; where rounding leaves a gap they are no use. */
function touchingAll(boxes: readonly BodyBoxAt[], size: Vec): BodyBoxAt[] | undefined {
  const reaches = ([0, 1, 2] as const).every(
    (axis) => boxes.some(({ at }) => at[axis] === 0) && boxes.some((box) => box.at[axis] + box.size[axis] === size[axis]),
  )
  return reaches ? [...boxes] : undefined
}
