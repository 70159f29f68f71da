/** Middle of the times of some runs after one to warm up, in ms. */
export function medianTime(runs: number, work: () => void): number {
  work()
  const times = Array.from({ length: runs }, () => {
    const start = performance.now()
    work()
    return performance.now() - start
  })
  times.sort((a, b) => a - b)
  return times[times.length >> 1]!
}

/** How a cost grows with size: the slope of log cost over log size between two sizes; 1 is linear. */
export const growth = (small: { size: number; cost: number }, large: { size: number; cost: number }): number =>
  Math.log(large.cost / small.cost) / Math.log(large.size / small.size)

/** A table in Markdown, numbers to the right. */
export function table(head: readonly string[], rows: readonly (readonly string[])[]): string {
  const line = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`
  const rule = line(head.map((_, i) => (i === 0 ? '---' : '--:')))
  return [line(head), rule, ...rows.map(line)].join('\n')
}
