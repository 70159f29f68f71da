import type { FlatPoint } from '../../space'
import type { Loop } from '../display-list'

/** Ends nearer than this are one, dots. */
const SAME = 0.02
/** More than there are places along a side of any picture. */
const SPAN = 2 ** 22
const nameOf = ([x, y]: FlatPoint): number => (Math.round(x / SAME) + SPAN / 2) * SPAN + Math.round(y / SAME) + SPAN / 2

/** Numbers for places, so that a stretch has one number too. */
class Places {
  private readonly numbers = new Map<number, number>()

  of(place: FlatPoint): number {
    const name = nameOf(place)
    let number = this.numbers.get(name)
    if (number === undefined) this.numbers.set(name, (number = this.numbers.size))
    return number
  }
}

/** A stretch from one place to another, with their numbers. */
interface Stretch {
  readonly a: FlatPoint
  readonly b: FlatPoint
  readonly from: number
  readonly to: number
}

/** The outline around convex pieces that touch: sides that two share run both ways and cancel out. */
export function outlineLoops(pieces: readonly Loop[]): Loop[] {
  if (pieces.length === 1) return [...pieces]
  const places = new Places()
  const sides = new Map<number, Stretch>()
  for (const piece of pieces) {
    for (let i = 0; i < piece.length; i++) {
      const [a, b] = [piece[i]!, piece[(i + 1) % piece.length]!]
      const [from, to] = [places.of(a), places.of(b)]
      if (from === to || sides.delete(to * SPAN + from)) continue
      sides.set(from * SPAN + to, { a, b, from, to })
    }
  }
  return chain([...sides.values()])
}

/** Stretches whose ends meet become one line, whichever way each of them runs. */
export function joinLines(lines: readonly { readonly from: FlatPoint; readonly to: FlatPoint }[]): Loop[] {
  const places = new Places()
  const stretches = lines.map(({ from, to }): Stretch => ({ a: from, b: to, from: places.of(from), to: places.of(to) }))
  return chain([...stretches, ...stretches.map(({ a, b, from, to }): Stretch => ({ a: b, b: a, from: to, to: from }))], stretches.length)
}

/**
 * Puts stretches one behind another, end to start. A closed line ends where it began.
 *
 * @param twins where every stretch stands a second time, the other way round, so many places on: only one of the two is walked
 */
function chain(stretches: readonly Stretch[], twins?: number): Loop[] {
  const starts = new Map<number, number[]>()
  const degree = new Map<number, number>()
  stretches.forEach(({ from, to }, i) => {
    const list = starts.get(from)
    if (list) list.push(i)
    else starts.set(from, [i])
    degree.set(from, degree.get(from) ?? 0)
    degree.set(to, (degree.get(to) ?? 0) + 1)
  })
  const isUsed = new Uint8Array(stretches.length)
  const use = (i: number): void => {
    isUsed[i] = 1
    if (twins !== undefined) isUsed[(i + twins) % stretches.length] = 1
  }
  const next = (place: number): number | undefined => starts.get(place)?.find((i) => isUsed[i] === 0)
  const chains: Loop[] = []
  const walk = (first: number): void => {
    if (isUsed[first] === 1) return
    const line: FlatPoint[] = [stretches[first]!.a]
    for (let i: number | undefined = first; i !== undefined; i = next(stretches[i]!.to)) {
      use(i)
      extend(line, stretches[i]!.b)
    }
    chains.push(line)
  }
  // Open lines first, from their ends; what is left are rings.
  const isEnd = (place: number): boolean => (twins === undefined ? degree.get(place) === 0 : degree.get(place)! % 2 === 1)
  stretches.forEach(({ from }, i) => isEnd(from) && walk(i))
  stretches.forEach((_, i) => walk(i))
  return chains
}

/** Adds a corner; one in the middle of a straight line is left out. */
function extend(line: FlatPoint[], to: FlatPoint): void {
  const [before, last] = [line[line.length - 2], line[line.length - 1]!]
  if (before) {
    const across = (last[0] - before[0]) * (to[1] - last[1]) - (last[1] - before[1]) * (to[0] - last[0])
    const along = (last[0] - before[0]) * (to[0] - last[0]) + (last[1] - before[1]) * (to[1] - last[1])
    if (Math.abs(across) < 1e-3 && along > 0) line.pop()
  }
  line.push(to)
}
