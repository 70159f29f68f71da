/** Runs of cells along x that are 1, line after line: where each begins, where it ends, and the first run of each line. */
interface Runs {
  readonly from: Int32Array
  readonly to: Int32Array
  readonly first: Int32Array
}

/**
 * Cells that are 1 and hang together with one of them by their faces: 1 for each. Whole runs of cells are taken at once
 * (scan-line filling, Smith 1979, "Tint fill").
 *
 * @param size cells along x, y and z; x runs fastest
 */
export function connectedCells(cells: Uint8Array, size: readonly [number, number, number], start: number): Uint8Array {
  const [sx, sy, sz] = size
  const runs = runsOf(cells, sx, sy * sz)
  const connected = new Uint8Array(cells.length)
  const isTaken = new Uint8Array(runs.from.length)
  const stack: number[] = []
  const take = (run: number): void => {
    if (isTaken[run] === 1) return
    isTaken[run] = 1
    connected.fill(1, runs.from[run], runs.to[run]! + 1)
    stack.push(run)
  }
  eachMeeting(runs, Math.floor(start / sx), start, start, take)
  for (let run = stack.pop(); run !== undefined; run = stack.pop()) {
    const [from, to] = [runs.from[run]!, runs.to[run]!]
    const line = Math.floor(from / sx)
    const y = line % sy
    // Those beside it lie in the four lines around, as many cells further on or back.
    if (y > 0) eachMeeting(runs, line - 1, from - sx, to - sx, take)
    if (y < sy - 1) eachMeeting(runs, line + 1, from + sx, to + sx, take)
    if (line >= sy) eachMeeting(runs, line - sy, from - sx * sy, to - sx * sy, take)
    if (line < sy * (sz - 1)) eachMeeting(runs, line + sy, from + sx * sy, to + sx * sy, take)
  }
  return connected
}

function runsOf(cells: Uint8Array, length: number, lines: number): Runs {
  const from: number[] = []
  const to: number[] = []
  const first = new Int32Array(lines + 1)
  for (let line = 0; line < lines; line++) {
    first[line] = from.length
    const end = (line + 1) * length
    for (let at = cells.indexOf(1, line * length); at >= 0 && at < end;) {
      const next = cells.indexOf(0, at)
      const after = next < 0 || next > end ? end : next
      from.push(at)
      to.push(after - 1)
      if (after >= end) break
      at = cells.indexOf(1, after)
    }
  }
  first[lines] = from.length
  return { from: Int32Array.from(from), to: Int32Array.from(to), first }
}

/** The runs of a line that meet a stretch of its cells. */
// eslint-disable-next-line max-params -- runs for every run of cells
function eachMeeting({ from, to, first }: Runs, line: number, low: number, high: number, visit: (run: number) => void): void {
  for (let run = first[line]!; run < first[line + 1]! && from[run]! <= high; run++) if (to[run]! >= low) visit(run)
}
