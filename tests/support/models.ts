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
