import type { Copy, GivenStep, ModelDocument, Part } from '@core/model'
import { oneSection, part, twoSections } from './models'

/** A small model that a planner may stumble over, and what must be said of it. */
export interface Trap {
  readonly name: string
  readonly model: ModelDocument
  /** Codes of the errors that stand, none where it can be built. */
  readonly errors: readonly string[]
  /** Pairs of ids of which the first must come in before the second, whatever the strategy. */
  readonly before?: readonly (readonly [string, string])[]
  /** How many derived sections a plan needs, where that is certain. */
  readonly units?: number
}

const tower = (id: string, x: number, courses: number): Part[] =>
  Array.from({ length: courses }, (_, i) => part(`${id}${i}`, 'brick-2x2', [x, 0, i * 12]))

const closedRoom = (inside: readonly Part[]): Part[] => [
  part('floor', 'plate-4x4', [0, 0, 0]),
  part('front', 'brick-1x4', [0, 0, 4]),
  part('back', 'brick-1x4', [0, 30, 4]),
  part('left', 'brick-1x2', [0, 10, 4], '+y-x'),
  part('right', 'brick-1x2', [30, 10, 4], '+y-x'),
  ...inside,
  part('roof', 'plate-4x4', [0, 0, 16]),
]

const shelves: readonly Part[] = [
  part('back', 'brick-1x2-tall5', [0, 0, 0]),
  part('foot', 'plate-1x2', [0, 0, 60]),
  part('low', 'plate-2x2', [0, -10, 64]),
  part('jar', 'round-brick-1x1', [0, -10, 68]),
  part('wall', 'brick-1x2', [0, 0, 68]),
  part('high', 'plate-2x2', [0, -10, 80]),
]

const threePlates: readonly Part[] = [
  part('a', 'plate-2x2', [0, 0, 0]),
  part('b', 'brick-2x2', [0, 0, 4]),
  part('c', 'plate-2x2', [0, 0, 16]),
]
const given = (...steps: GivenStep[]): ModelDocument => oneSection(threePlates, steps)

/** A brick with studs on two sides, and the panels that stand on them. */
const panels: readonly Part[] = [
  part('foot', 'plate-1x4', [0, 10, 0]),
  part('core', 'brick-1x4-side4', [0, 10, 4]),
  part('cap', 'plate-1x4', [0, 10, 16]),
  part('panel-a', 'tile-1x2', [0, 6, 5], '+x+z'),
  part('panel-b', 'tile-1x2', [20, 6, 5], '+x+z'),
]

/** Four beams around a hole, each lying on the last and under the next, joined by plates at the corners. */
const ring: readonly Part[] = [
  part('south', 'plate-2x8', [0, 0, 0]),
  part('north', 'plate-2x8', [0, 60, 0]),
  part('west', 'plate-2x8', [0, 0, 4], '+y-x'),
  part('east', 'plate-2x8', [60, 0, 4], '+y-x'),
  part('tie-s', 'plate-2x4', [20, 0, 4]),
  part('tie-n', 'plate-2x4', [20, 60, 4]),
]

const lamp: readonly Part[] = [part('shade', 'round-plate-2x2', [0, 0, 12]), part('bulb', 'round-brick-1x1', [0, 0, 0])]
const mirrored: readonly Copy[] = [
  { id: 'left', section: 'inner', at: [0, 0, 4] },
  { id: 'right', section: 'inner', at: [80, 0, 4], mirror: 'x' },
]

const nested: ModelDocument = {
  ...oneSection([]),
  sections: [
    {
      id: 'main',
      name: 'Main',
      parts: [part('ground', 'plate-8x8', [0, 0, 0])],
      copies: [{ id: 'house', section: 'house', at: [10, 10, 4] }],
    },
    {
      id: 'house',
      name: 'House',
      parts: [part('floor', 'plate-4x4', [0, 0, 0])],
      copies: [
        { id: 'post-a', section: 'post', at: [0, 0, 4] },
        { id: 'post-b', section: 'post', at: [30, 30, 4], turn: '-x-y' },
      ],
    },
    { id: 'post', name: 'Post', parts: [part('low', 'brick-1x1', [0, 0, 0]), part('top', 'cone-1x1', [0, 0, 12])] },
  ],
}

export const TRAPS: readonly Trap[] = [
  { name: 'jars under a shelf', model: oneSection(shelves), errors: [], before: [['jar', 'high']] },
  {
    name: 'a lamp in a closed room',
    model: oneSection(closedRoom([part('lamp', 'round-brick-1x1', [10, 10, 4])])),
    errors: [],
    before: [['lamp', 'roof']],
    units: 0,
  },
  {
    name: 'plates that only the next layer joins',
    model: oneSection([part('a', 'plate-4x4', [0, 0, 0]), part('b', 'plate-4x4', [40, 0, 0]), part('lap', 'plate-4x4', [20, 0, 4])]),
    errors: [],
    units: 0,
  },
  {
    name: 'a chain that hangs from a roof',
    model: oneSection([
      ...tower('l', 0, 4),
      ...tower('r', 60, 4),
      part('beam', 'plate-2x8', [0, 0, 48]),
      ...[0, 1, 2].map((i) => part(`link${i}`, 'round-brick-1x1', [30, 0, 36 - i * 12])),
    ]),
    errors: [],
  },
  {
    name: 'an order that only going back finds',
    model: oneSection([
      part('p0', 'plate-2x2', [0, 0, 0]),
      part('p1', 'plate-corner-2x2', [0, 10, -4], '+y-x'),
      part('p2', 'bracket-1x2-1x2-down', [-10, 6, -12], '+x-z'),
      part('p3', 'bracket-1x2-1x2-up', [0, -6, -6], '+x-y'),
      part('p4', 'bracket-1x2-1x2-up', [10, 6, -22], '-z-x'),
      part('p5', 'slope-inv-2x1', [0, 20, 0], '-x-y'),
      part('p6', 'slope-inv-2x1', [-10, 10, -22], '-x+z'),
      part('p7', 'plate-1x1', [0, 0, 4]),
    ]),
    errors: [],
    units: 0,
  },
  {
    name: 'a lamp under the lid of a closed room',
    model: oneSection(closedRoom([part('lamp', 'round-plate-1x1', [10, 10, 12])])),
    errors: [],
    before: [
      ['floor', 'front'],
      ['floor', 'left'],
    ],
    units: 1,
  },
  { name: 'panels that stand sideways', model: oneSection(panels), errors: [], units: 0 },
  {
    name: 'two towers joined only at the top',
    model: oneSection([...tower('l', 0, 5), ...tower('r', 40, 5), part('bridge', 'plate-2x6', [0, 0, 60])]),
    errors: [],
    before: [
      ['l4', 'bridge'],
      ['r4', 'bridge'],
    ],
  },
  { name: 'a ring that closes on itself', model: oneSection(ring), errors: [], units: 0 },
  {
    name: 'two parts in one place',
    model: oneSection([part('a', 'brick-2x2', [0, 0, 0]), part('b', 'brick-2x2', [10, 0, 0])]),
    errors: ['overlap', 'unheld'],
  },
  {
    name: 'a part that hovers',
    model: oneSection([part('a', 'brick-2x2', [0, 0, 0]), part('b', 'brick-2x2', [0, 0, 40])]),
    errors: ['unheld'],
  },
  {
    name: 'a part that lies beside',
    model: oneSection([part('a', 'brick-2x2', [0, 0, 0]), part('b', 'brick-2x2', [20, 0, 0])]),
    errors: ['unheld'],
  },
  {
    name: 'a mirrored pair',
    model: twoSections([part('ground', 'plate-2x8', [0, 0, 0])], mirrored, [
      part('foot', 'wedge-plate-2x3-left', [0, 0, 0]),
      part('top', 'plate-1x2', [0, 10, 4]),
    ]),
    errors: [],
  },
  { name: 'a copy in a copy', model: nested, errors: [] },
  {
    name: 'a copy that must be in before the roof',
    model: twoSections(closedRoom([]), [{ id: 'lamp', section: 'inner', at: [10, 10, 4] }], [part('foot', 'round-brick-1x1', [0, 0, 0])]),
    errors: [],
    before: [['lamp', 'roof']],
  },
  {
    name: 'a lamp with its shade, hung as one',
    model: twoSections(
      [
        part('hook', 'plate-2x4', [0, 0, 16]),
        ...tower('post', 20, 1).map((p) => ({ ...p, at: [20, 0, 4] as const })),
        part('foot', 'plate-2x2', [20, 0, 0]),
      ],
      [{ id: 'lamp', section: 'inner', at: [0, 0, 0] }],
      lamp,
    ),
    errors: [],
  },
  { name: 'given steps that are right', model: given({ add: ['a'] }, { add: ['b', 'c'] }), errors: [] },
  { name: 'given steps that forget a part', model: given({ add: ['a', 'b'] }), errors: ['step-missing'] },
  { name: 'given steps that name a part twice', model: given({ add: ['a', 'b'] }, { add: ['b', 'c'] }), errors: ['step-twice'] },
  { name: 'given steps that close the way of one', model: given({ add: ['a', 'c'] }, { add: ['b'] }), errors: ['blocked', 'unheld'] },
  {
    name: 'given steps that leave a part lying too long',
    model: oneSection(
      [
        part('a', 'plate-2x2', [0, 0, 0]),
        part('b', 'plate-2x2', [20, 0, 0]),
        ...[1, 2, 3, 4].map((i) => part(`s${i}`, 'plate-2x2', [0, 0, i * 4])),
        part('tie', 'plate-2x4', [0, 0, 20]),
        ...[1, 2, 3, 4].map((i) => part(`t${i}`, 'plate-2x2', [20, 0, i * 4])),
      ],
      [
        { add: ['a', 'b'] },
        { add: ['s1'] },
        { add: ['s2'] },
        { add: ['s3'] },
        { add: ['s4'] },
        { add: ['t1', 't2', 't3', 't4'] },
        { add: ['tie'] },
      ],
    ),
    errors: ['rests'],
  },
]
