import type { Shape } from '../catalogue'
import { BRICK_HEIGHT, PLATE_HEIGHT } from '../space'

/** Shapes of about one height, the smallest footprint first. */
export interface HeightShelf {
  readonly title: string
  readonly shapes: readonly Shape[]
}

/** How high the shapes of a shelf are at most, u. */
const SHELVES: readonly (readonly [most: number, title: string])[] = [
  [PLATE_HEIGHT, 'As low as a plate'],
  [2 * PLATE_HEIGHT, 'Two plates high'],
  [BRICK_HEIGHT, 'As high as a brick'],
  [2 * BRICK_HEIGHT, 'Two bricks high'],
  [Infinity, 'Higher'],
]

/** Shapes laid out by size: heights from the lowest, and along each the footprints from the smallest. Heights without shapes are left out. */
export function shelvesBySize(shapes: readonly Shape[]): HeightShelf[] {
  const footprint = ({ box }: Shape): number => box[0] * box[1]
  const longest = ({ box }: Shape): number => Math.max(box[0], box[1])
  const bySize = [...shapes].sort((a, b) => footprint(a) - footprint(b) || longest(a) - longest(b) || a.family.localeCompare(b.family))
  const shelfOf = ({ box }: Shape): number => SHELVES.findIndex(([most]) => box[2] <= most)
  return SHELVES.map(([, title], shelf) => ({ title, shapes: bySize.filter((shape) => shelfOf(shape) === shelf) })).filter(
    ({ shapes: all }) => all.length > 0,
  )
}
