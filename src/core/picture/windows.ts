import { EMPTY_WINDOW, uniteWindows, type Window } from './g-buffer'

/** Dots in a window, 0 where it is empty. */
export const areaOf = ({ left, right, top, bottom }: Readonly<Window>): number =>
  right < left || bottom < top ? 0 : (right - left + 1) * (bottom - top + 1)

/** More windows than this are not kept apart: looking for those that belong together would cost more than it saves. */
const MOST_APART = 40

/**
 * Few windows that hold all that some windows hold: two become one where that one is no larger than both together. What is lifted far
 * off its place leaves two places to ink, not all between them.
 * @param reach dots around a window that count with it
 */
export function mergeWindows(windows: readonly Readonly<Window>[], reach = 0): Readonly<Window>[] {
  const around = ({ left, right, top, bottom }: Readonly<Window>): number => (right - left + 1 + 2 * reach) * (bottom - top + 1 + 2 * reach)
  const apart: Readonly<Window>[] = []
  for (const each of windows) {
    if (areaOf(each) === 0) continue
    let grown = each
    for (let i = 0; i < apart.length;) {
      const united = uniteWindows(grown, apart[i]!)
      if (around(united) > around(grown) + around(apart[i]!)) {
        i++
        continue
      }
      apart.splice(i, 1)
      grown = united
      // What it has grown to may take in one that was passed over.
      i = 0
    }
    apart.push(grown)
    // Told at once: a finished section that is joined has thousands.
    if (apart.length > MOST_APART) return [windows.reduce(uniteWindows, EMPTY_WINDOW)]
  }
  return apart
}
