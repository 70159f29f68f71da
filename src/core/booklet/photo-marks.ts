import type { PhotoMark } from '../model'
import type { FlatPoint } from '../space'

/** A mark as it is drawn in a photo of a width and height, from its left and its top: lines, a ring, words; all in the units of the size. */
export interface DrawnMark {
  readonly lines: readonly (readonly FlatPoint[])[]
  readonly ring?: { readonly centre: FlatPoint; readonly radius: number }
  readonly words?: { readonly text: string; readonly at: FlatPoint }
}

/** Of the width of a photo: the barbs of an arrow, the smallest ring, how far words stand off what they belong to. */
const BARB = 0.034
const LEAST_RING = 0.018
const OFF = 0.014

/** How a mark is drawn, the same on the screen and on paper. */
export function drawMark({ kind, at, to = at, text = '' }: PhotoMark, width: number, height: number): DrawnMark {
  const [from, end]: [FlatPoint, FlatPoint] = [
    [at[0] * width, at[1] * height],
    [to[0] * width, to[1] * height],
  ]
  const off = kind === 'text' ? 0 : OFF * width
  const words = text === '' ? {} : { words: { text, at: [from[0] + off, from[1] - off] as const } }
  const length = Math.hypot(end[0] - from[0], end[1] - from[1])
  if (kind === 'text') return { lines: [], ...words }
  if (kind === 'ring') return { lines: [], ring: { centre: from, radius: Math.max(LEAST_RING * width, length) }, ...words }
  const [ux, uy] = length === 0 ? [0, 0] : [(end[0] - from[0]) / length, (end[1] - from[1]) / length]
  const barb = (side: 1 | -1): FlatPoint => {
    const far = BARB * width
    return [end[0] - far * ux - (side * far * uy) / 2, end[1] - far * uy + (side * far * ux) / 2]
  }
  return {
    lines: [
      [from, end],
      [barb(1), end, barb(-1)],
    ],
    ...words,
  }
}
