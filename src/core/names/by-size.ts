import type { Shape } from '../catalogue'
import { BRICK_HEIGHT, PLATE_HEIGHT } from '../space'

/** What the shapes of a shelf are at most as high as. */
export type ShelfHeight = 'plate' | 'two plates' | 'brick' | 'two bricks' | 'higher'

/** Shapes of about one height, the smallest footprint first. */
export interface HeightShelf {
  readonly height: ShelfHeight
  readonly shapes: readonly Shape[]
}

/** How high the shapes of a shelf are at most, u. */
const SHELVES: readonly (readonly [most: number, height: ShelfHeight])[] = [
  [PLATE_HEIGHT, 'plate'],
  [2 * PLATE_HEIGHT, 'two plates'],
  [BRICK_HEIGHT, 'brick'],
  [2 * BRICK_HEIGHT, 'two bricks'],
  [Infinity, 'higher'],
]

/** Shapes laid out by size: heights from the lowest, and along each the footprints from the smallest. Heights without shapes are left out. */
export function shelvesBySize(shapes: readonly Shape[]): HeightShelf[] {
  const footprint = ({ box }: Shape): number => box[0] * box[1]
  const longest = ({ box }: Shape): number => Math.max(box[0], box[1])
  const bySize = [...shapes].sort((a, b) => footprint(a) - footprint(b) || longest(a) - longest(b) || a.family.localeCompare(b.family))
  const shelfOf = ({ box }: Shape): number => SHELVES.findIndex(([most]) => box[2] <= most)
  return SHELVES.map(([, height], shelf) => ({ height, shapes: bySize.filter((shape) => shelfOf(shape) === shelf) })).filter(
    ({ shapes: all }) => all.length > 0,
  )
}
