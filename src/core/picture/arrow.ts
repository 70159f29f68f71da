import type { FlatPoint } from '../space'

/** Half widths of the shaft and of the head, and the length of the head, px of the picture. */
export const ARROW_SHAPE = { shaft: 2, head: 8, headLength: 15, halo: 2.2 } as const
const { head: HEAD, headLength: HEAD_LENGTH } = ARROW_SHAPE

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

/** The three corners of an arrow's head. */
export function headCorners({ tip, neck }: Head): FlatPoint[] {
  const length = Math.max(1e-9, Math.hypot(tip[0] - neck[0], tip[1] - neck[1]))
  const across: FlatPoint = [(-(tip[1] - neck[1]) / length) * HEAD, ((tip[0] - neck[0]) / length) * HEAD]
  return [tip, [neck[0] + across[0], neck[1] + across[1]], [neck[0] - across[0], neck[1] - across[1]]]
}
