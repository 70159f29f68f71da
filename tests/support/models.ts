import type { Copy, GivenStep, ModelDocument, Part } from '@core/model'
import type { Vec } from '@core/space'

/** "plate-1x2" at a place; short, so that a test reads as a sketch of its model. */
export const part = (id: string, shape: string, at: Vec, turn?: string, colour = 'slate'): Part => ({
  id,
  shape,
  colour,
  at,
  ...(turn === undefined ? {} : { turn }),
})

export const oneSection = (parts: readonly Part[], steps?: readonly GivenStep[]): ModelDocument => ({
  format: 'jump-rail-model',
  version: 1,
  name: 'Test',
  root: 'main',
  sections: [{ id: 'main', name: 'Main', parts, ...(steps ? { steps } : {}) }],
})

export const twoSections = (parts: readonly Part[], copies: readonly Copy[], inner: readonly Part[]): ModelDocument => ({
  format: 'jump-rail-model',
  version: 1,
  name: 'Test',
  root: 'main',
  sections: [
    { id: 'main', name: 'Main', parts, copies },
    { id: 'inner', name: 'Inner', parts: inner },
  ],
})

/** A room closed on all sides, two studs wide inside: what stands in it shows from nowhere. */
export const closedRoom = (): Part[] => [
  part('floor', 'plate-4x4', [0, 0, 0]),
  part('front', 'brick-1x4', [0, 0, 4]),
  part('back', 'brick-1x4', [0, 30, 4]),
  part('left', 'brick-1x2', [0, 10, 4], '+y-x'),
  part('right', 'brick-1x2', [30, 10, 4], '+y-x'),
  part('roof', 'plate-4x4', [0, 0, 16]),
]

/** A floor of so many studs each way, and further parts, each list a step. */
export const onFloor = (studs: 8 | 16, count: number, steps: readonly (readonly Part[])[]): ModelDocument => {
  const side = studs * 10
  const plates = Array.from({ length: count * count }, (_, i) =>
    part(`p${i}`, studs === 8 ? 'plate-8x8' : 'plate-8x16', [(i % count) * side, Math.floor(i / count) * 80, 0]),
  )
  return oneSection(
    [...plates, ...steps.flat()],
    [{ add: plates.map(({ id }) => id) }, ...steps.map((step) => ({ add: step.map(({ id }) => id) }))],
  )
}

/** Small parts in the corners and the middle of a large floor. */
export const farApart = (count: number): Part[] => FAR.slice(0, count).map(([x, y], i) => part(`far${i}`, 'plate-1x1', [x, y, 4]))
const FAR = [
  [10, 10],
  [620, 310],
  [620, 10],
  [10, 310],
  [310, 160],
] as const
