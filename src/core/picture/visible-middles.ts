import type { GBuffer, Window } from './g-buffer'

/** Of each part in [from, to), a dot of it that shows, near the middle of all that do. */
export function visibleMiddles({ part, size }: GBuffer, window: Window, from: number, to: number): Map<number, readonly [number, number]> {
  const sums = new Map<number, [count: number, x: number, y: number]>()
  const each = (visit: (shown: number, x: number, y: number) => void): void => {
    for (let y = window.top; y <= window.bottom; y++) {
      for (let x = window.left; x <= window.right; x++) {
        const shown = part[y * size.width + x]!
        if (shown >= from && shown < to) visit(shown, x, y)
      }
    }
  }
  each((shown, x, y) => {
    const sum = sums.get(shown) ?? [0, 0, 0]
    sums.set(shown, [sum[0] + 1, sum[1] + x, sum[2] + y])
  })
  const nearest = new Map<number, readonly [number, number, number]>()
  each((shown, x, y) => {
    const [count, sumX, sumY] = sums.get(shown)!
    const far = (x - sumX / count) ** 2 + (y - sumY / count) ** 2
    const known = nearest.get(shown)
    if (!known || far < known[2]) nearest.set(shown, [x, y, far])
  })
  return new Map([...nearest].map(([shown, [x, y]]) => [shown, [x, y] as const]))
}
