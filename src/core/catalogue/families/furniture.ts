import { boxAt, type Vec } from '../../space'
import { cellMiddles, socketsAt, studsAt } from '../make'
import { detail } from './details'
import type { Shape } from '../types'

/** What stands in rooms. */

const UP: Vec = [0, 0, 1]

/** A box whose lid is part of it. */
const chest = (): Shape =>
  detail('chest', 'Chest', {
    box: [20, 10, 16],
    connectors: socketsAt(cellMiddles(2, 1)),
    form: [
      { kind: 'box', ...boxAt([0, 0.5, 0], [20, 9, 9]) },
      {
        kind: 'prism',
        outline: [
          [0, 9],
          [10, 9],
          [10, 12],
          [8, 15],
          [5, 16],
          [2, 15],
          [0, 12],
        ],
        axis: 0,
        from: 0,
        to: 20,
      },
      { kind: 'box', ...boxAt([8.6, -0, 7], [2.8, 0.5, 4]) },
    ],
  })

/** Two rows of seats' worth of bench: a seat and a back. */
const chair = (): Shape =>
  detail('chair', 'Chair', {
    box: [20, 20, 24],
    bodies: [boxAt([0, 0, 0], [20, 20, 8]), boxAt([0, 16, 8], [20, 4, 16]), boxAt([0, 4, 8], [2, 12, 6]), boxAt([18, 4, 8], [2, 12, 6])],
    connectors: [
      ...socketsAt(cellMiddles(2, 2)),
      ...studsAt(
        [
          [5, 5],
          [15, 5],
        ],
        8,
      ),
    ],
  })

/** A round table top on a foot. */
const table = (): Shape =>
  detail('table-round', 'Round table', {
    box: [20, 20, 16],
    bodies: [boxAt([5, 5, 0], [10, 10, 13]), boxAt([0, 0, 13], [20, 20, 3])],
    connectors: socketsAt([[10, 10]]),
    form: [
      { kind: 'stump', foot: [10, 10, 0], axis: UP, bottom: 5, top: 4, height: 2, sides: 20 },
      { kind: 'stump', foot: [10, 10, 2], axis: UP, bottom: 2.4, top: 2.4, height: 11, sides: 14 },
      { kind: 'stump', foot: [10, 10, 13], axis: UP, bottom: 10, top: 10, height: 3, sides: 32 },
    ],
  })

/** A wheel to steer with, on a slanting column. */
const steering = (): Shape =>
  detail('steering-wheel', 'Steering wheel', {
    box: [20, 10, 16],
    bodies: [boxAt([5, 0, 0], [10, 10, 4]), boxAt([7, 2, 4], [6, 6, 6]), boxAt([2, 0, 10], [16, 10, 6])],
    connectors: socketsAt([[10, 5]]),
    form: [
      { kind: 'box', ...boxAt([5, 0, 0], [10, 10, 3]) },
      { kind: 'stump', foot: [10, 6, 3], axis: UP, bottom: 1.6, top: 1.6, height: 9, sides: 12 },
      { kind: 'tube', foot: [10, 5, 12], axis: UP, outer: 5, inner: 3.8, height: 1.6, sides: 24 },
      { kind: 'box', ...boxAt([6, 4.2, 12.2], [8, 1.6, 1.2]) },
    ],
  })

/** Chests, chairs, tables and wheels to steer with. */
export const furnitureShapes = (): Shape[] => [chest(), chair(), table(), steering()]
