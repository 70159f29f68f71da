import type { FlatPoint } from '../space'
import { blend } from './blend'
import type { RgbImage } from './ink'
import type { Rgb } from './paint'

const INK: Rgb = [28, 30, 33]
const PAPER: Rgb = [255, 255, 255]

/** Half widths of the shaft and of the head, and the length of the head, px of the picture. */
export const ARROW_SHAPE = { shaft: 2, head: 8, headLength: 15, halo: 2.2 } as const
const { shaft: SHAFT, head: HEAD, headLength: HEAD_LENGTH, halo: HALO } = ARROW_SHAPE

/** The triangle of an arrow's head: its tip, and where it begins on the shaft. */
export interface Head {
  readonly tip: FlatPoint
  readonly neck: FlatPoint
}

/** A path as it is drawn: what is left of its shaft, and its heads; nothing where it is too short to point anywhere. */
export interface ArrowLines {
  readonly shaft: readonly FlatPoint[]
  readonly heads: readonly Head[]
}

export function arrowLines(points: readonly FlatPoint[], heads: 'end' | 'both'): ArrowLines | undefined {
  if (lengthOf(points) < HEAD_LENGTH * (heads === 'both' ? 2 : 1)) return undefined
  const end = cutEnd(points)
  if (heads === 'end') return { shaft: end.rest, heads: [end.head] }
  const start = cutEnd([...end.rest].reverse())
  return { shaft: start.rest, heads: [end.head, start.head] }
}

const lengthOf = (points: readonly FlatPoint[]): number =>
  points.reduce((sum, [x, y], i) => (i === 0 ? 0 : sum + Math.hypot(x - points[i - 1]![0], y - points[i - 1]![1])), 0)

/** Takes the length of a head off the end of a path. */
function cutEnd(points: readonly FlatPoint[]): { rest: FlatPoint[]; head: Head } {
  const rest = [...points]
  const tip = rest[rest.length - 1]!
  for (;;) {
    const last = rest.pop()!
    const before = rest[rest.length - 1]!
    const far = Math.hypot(before[0] - tip[0], before[1] - tip[1])
    if (far < HEAD_LENGTH && rest.length > 1) continue
    const near = Math.hypot(last[0] - tip[0], last[1] - tip[1])
    const share = far === near ? 1 : Math.min(1, (HEAD_LENGTH - near) / (far - near))
    const neck: FlatPoint = [last[0] + (before[0] - last[0]) * share, last[1] + (before[1] - last[1]) * share]
    return { rest: [...rest, neck], head: { tip, neck } }
  }
}

/** The way a thing travels or may move: a line with a head at its end, or at both. */
export function drawPath(image: RgbImage, points: readonly FlatPoint[], heads: 'end' | 'both'): void {
  const lines = arrowLines(points, heads)
  if (!lines) return dot(image, points[points.length - 1]!)
  paint(image, points, (x, y) => {
    let far = Infinity
    for (let i = 1; i < lines.shaft.length; i++) far = Math.min(far, fromLine(x, y, lines.shaft[i - 1]!, lines.shaft[i]!) - SHAFT)
    for (const head of lines.heads) far = Math.min(far, fromHead(x, y, head))
    return far
  })
}

function fromLine(x: number, y: number, a: FlatPoint, b: FlatPoint): number {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
  const along = Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / Math.max(1e-9, dx * dx + dy * dy)))
  return Math.hypot(x - a[0] - along * dx, y - a[1] - along * dy)
}

/** Negative inside the triangle. */
function fromHead(x: number, y: number, { tip, neck }: Head): number {
  const length = Math.max(1e-9, Math.hypot(tip[0] - neck[0], tip[1] - neck[1]))
  const [ux, uy] = [(tip[0] - neck[0]) / length, (tip[1] - neck[1]) / length]
  const along = (x - neck[0]) * ux + (y - neck[1]) * uy
  const off = Math.abs((x - neck[0]) * uy - (y - neck[1]) * ux)
  return Math.max(off - (HEAD * (length - along)) / length, -along)
}

/** Where the way goes straight into the picture, an arrow is a ring with a dot in it. */
function dot(image: RgbImage, at: FlatPoint): void {
  paint(image, [at], (x, y) => {
    const far = Math.hypot(x - at[0], y - at[1])
    return Math.min(far - 2.5, Math.abs(far - HEAD) - 1.2)
  })
}

/** Inks all dots whose distance to a figure is not positive, with paper around. */
function paint(image: RgbImage, points: readonly FlatPoint[], distance: (x: number, y: number) => number): void {
  const reach = HEAD + HALO + 2
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  const [left, right] = [Math.min(...xs) - reach, Math.max(...xs) + reach]
  const [top, bottom] = [Math.min(...ys) - reach, Math.max(...ys) + reach]
  for (let y = Math.max(0, Math.floor(top)); y <= Math.min(image.height - 1, bottom); y++) {
    for (let x = Math.max(0, Math.floor(left)); x <= Math.min(image.width - 1, right); x++) {
      const far = distance(x + 0.5, y + 0.5)
      blend(image, x, y, PAPER, share(far - HALO))
      blend(image, x, y, INK, share(far))
    }
  }
}

const share = (distance: number): number => Math.max(0, Math.min(1, 0.5 - distance))
