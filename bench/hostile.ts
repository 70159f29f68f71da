import type { ModelDocument, Part } from '../src/core/model'

/** The lowest coordinate that a file may hold, u. */
const LEAST = -100_000

/** Models made to hurt a planner, about as large as asked; each in one section. */
export const HOSTILE: Readonly<Record<string, (parts: number) => ModelDocument>> = {
  'solid block': (count) => {
    const side = Math.round(Math.cbrt(count))
    return model(
      grid(side, side, side).map(([x, y, z], i) => brick(i, 'brick-2x2', [x * 20 + (z % 2) * 10, y * 20 + (z % 2) * 10, z * 12])),
    )
  },
  'chain of plates': (count) => model(run(count, (i) => brick(i, 'plate-1x2', [LEAST + i * 10, 0, (i % 2) * 4]))),
  tower: (count) => model(run(count, (i) => brick(i, 'plate-1x1', [0, 0, LEAST + i * 4]))),
  'wall without a base': (count) => {
    const courses = Math.round(Math.sqrt(count / 2))
    const columns = Math.round(count / courses)
    return model(grid(columns, 1, courses).map(([x, , z], i) => brick(i, 'brick-1x2', [x * 20 + (z % 2) * 10, 0, z * 12])))
  },
  'all sideways': (count) => {
    const side = Math.round(Math.cbrt(count))
    return model(
      grid(side, side, side).map(([x, y, z], i) => brick(i, 'plate-2x2', [x * 20 + (y % 2) * 10, -y * 4, z * 20 + (y % 2) * 10], '+x+z')),
    )
  },
  'hanging mobiles': (count) => hangingMobiles(Math.round(count / 20), 19),
}

/** Plates in a square, a chain of bricks hanging from each, and a net of plates above: nothing holds two chains but what comes last. */
export function hangingMobiles(mobiles: number, chain: number): ModelDocument {
  const across = Math.ceil(Math.sqrt(mobiles))
  const placeOf = (m: number): [number, number] => [(m % across) * 40, Math.floor(m / across) * 40]
  const parts: Part[] = []
  for (let m = 0; m < mobiles; m++) {
    const [x, y] = placeOf(m)
    parts.push(brick(parts.length, 'plate-4x4', [x, y, 400]))
    for (let k = 1; k <= chain; k++) parts.push(brick(parts.length, 'round-brick-1x1', [x + 10, y + 10, 400 - k * 12]))
  }
  for (let m = 0; m + 1 < mobiles; m++) {
    const [x, y] = placeOf(m)
    if ((m + 1) % across !== 0) parts.push(brick(parts.length, 'plate-2x2', [x + 30, y + 10, 404]))
    if (m + across < mobiles) parts.push(brick(parts.length, 'plate-2x2', [x + 10, y + 30, 404]))
  }
  return model(parts)
}

const brick = (i: number, shape: string, at: readonly [number, number, number], turn?: string): Part => ({
  id: `p${i}`,
  shape,
  colour: i % 3 === 0 ? 'sand' : 'slate',
  at,
  ...(turn === undefined ? {} : { turn }),
})

const run = (count: number, make: (i: number) => Part): Part[] => Array.from({ length: count }, (_, i) => make(i))

function grid(nx: number, ny: number, nz: number): [number, number, number][] {
  const places: [number, number, number][] = []
  for (let z = 0; z < nz; z++) for (let y = 0; y < ny; y++) for (let x = 0; x < nx; x++) places.push([x, y, z])
  return places
}

const model = (parts: readonly Part[]): ModelDocument => ({
  format: 'jump-rail-model',
  version: 1,
  name: 'Hostile',
  root: 'm',
  sections: [{ id: 'm', name: 'All', parts }],
})
