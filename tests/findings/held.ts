import type { Part } from '@core/model'
import { oneSection, part, twoSections } from '../support/models'
import type { Specimen } from './corpus'

/** What holds, what hangs, what falls, and what shares a place. */

const foot = part('foot', 'plate-4x4', [0, 0, 0])
const one = (name: string, parts: readonly Part[], codes: readonly string[] = []): Specimen => ({ name, model: oneSection(parts), codes })
const column = (count: number, x = 0, y = 0, z = 4): Part[] =>
  Array.from({ length: count }, (_, i) => part(`c${i}`, 'brick-1x1', [x, y, z + i * 12]))
const beam = (z: number): Part[] => [
  part('beam', 'plate-2x8', [-60, 0, z]),
  ...[-60, -40, -20].map((x, i) => part(`load${i}`, 'brick-2x2', [x, 0, z + 4])),
]

export const held: readonly Specimen[] = [
  one('a plate on a plate', [foot, part('a', 'plate-2x2', [0, 0, 4])]),
  one('what hovers', [foot, part('a', 'brick-2x2', [0, 0, 40])], ['unheld']),
  one('what stands beside', [part('a', 'brick-2x2', [0, 0, 0]), part('b', 'brick-2x2', [20, 0, 0])], ['unheld']),
  one(
    'a tile on a tile',
    [part('a', 'plate-2x2', [0, 0, 0]), part('t', 'tile-2x2', [0, 0, 4]), part('b', 'brick-2x2', [0, 0, 8])],
    ['unheld'],
  ),
  one('two on one plate', [foot, part('a', 'brick-2x2', [0, 0, 4]), part('b', 'brick-2x2', [20, 0, 4])]),
  one('two bodies in one place', [part('a', 'brick-2x4', [0, 0, 0]), part('b', 'brick-2x4', [20, 0, 0])], ['overlap', 'unheld']),
  one('a stud in a body', [part('a', 'plate-1x2', [0, 0, 0]), part('b', 'plate-1x2', [5, 0, 4])], ['overlap', 'unheld']),
  one('a brick half a plate too low', [part('a', 'plate-2x2', [0, 0, 0]), part('b', 'brick-2x2', [0, 0, 2])], ['overlap', 'unheld']),
  one('a round plate on studs', [foot, part('r', 'round-plate-4x4', [0, 0, 4])]),
  one('a round tile on studs', [foot, part('r', 'round-tile-4x4', [0, 0, 4])]),
  one('a round brick under a plate', [part('r', 'round-brick-4x4', [0, 0, 0]), part('p', 'plate-4x4', [0, 0, 12])]),
  one('a round plate beside its like', [
    part('f', 'plate-4x8', [0, 0, 0]),
    part('a', 'round-plate-4x4', [0, 0, 4]),
    part('b', 'round-plate-4x4', [40, 0, 4]),
  ]),
  one(
    'a heavy group on one stud',
    [
      foot,
      part('post', 'brick-1x1', [30, 0, 4]),
      part('arm', 'plate-2x8', [30, 0, 16]),
      ...[30, 50, 70, 90].map((x, i) => part(`l${i}`, 'brick-2x2', [x, 0, 20])),
    ].slice(0, 5),
    ['weak-joint', 'tips-over'],
  ),
  one('a light lamp on one stud', [foot, ...column(2), part('lamp', 'round-plate-1x1', [0, 0, 28])]),
  one('a group on two studs', [
    foot,
    part('post', 'brick-1x2', [0, 0, 4]),
    part('arm', 'plate-2x4', [0, 0, 16]),
    part('l', 'brick-2x2', [0, 0, 20]),
  ]),
  one('a beam out over the edge', [part('base', 'brick-2x2', [0, 0, 0]), ...beam(12)], ['tips-over']),
  one('a beam out over the edge of a wide foot', [
    part('base', 'plate-8x8', [-60, -30, 0]),
    part('post', 'brick-2x2', [0, 0, 4]),
    ...beam(16),
  ]),
  one(
    'a thin mast',
    Array.from({ length: 12 }, (_, i) => part(`m${i}`, 'round-brick-1x1', [0, 0, i * 12])),
    ['tips-over', 'weak-joint'],
  ),
  one('a thin mast on a foot', [part('base', 'plate-8x8', [-30, -30, 0]), ...column(5, 0, 0)]),
  one('two reds that look alike in one step', [
    foot,
    part('a', 'brick-1x1', [0, 0, 4], undefined, 'slate'),
    part('b', 'brick-1x1', [20, 0, 4], undefined, 'black'),
  ]),
  {
    name: 'a copy that hovers',
    model: twoSections(
      [foot],
      [{ id: 'up', section: 'inner', at: [0, 0, 60] }],
      [part('a', 'brick-1x1', [0, 0, 0]), part('b', 'brick-1x1', [0, 0, 12])],
    ),
    codes: ['unheld'],
  },
  {
    name: 'a copy on studs',
    model: twoSections(
      [foot],
      [{ id: 'on', section: 'inner', at: [0, 0, 4] }],
      [part('a', 'brick-1x1', [0, 0, 0]), part('b', 'brick-1x1', [0, 0, 12])],
    ),
    codes: [],
  },
  {
    name: 'two copies in one place',
    model: twoSections(
      [foot],
      [
        { id: 'a', section: 'inner', at: [0, 0, 4] },
        { id: 'b', section: 'inner', at: [0, 0, 4] },
      ],
      [part('a', 'brick-1x1', [0, 0, 0]), part('b', 'brick-1x1', [0, 0, 12])],
    ),
    codes: ['overlap', 'blocked'],
  },
]
