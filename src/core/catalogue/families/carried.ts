import { boxAt } from '../../space'
import type { Vec } from '../../space'
import type { Shape } from '../types'
import { flat, tool, type Tool } from './tools'

const X: Vec = [1, 0, 0]

/** Things to carry rather than to work with. */
const CARRIED: readonly Tool[] = [
  {
    id: 'umbrella',
    title: 'Umbrella',
    handle: 30,
    long: 42,
    high: 32,
    deep: 32,
    form: [
      {
        kind: 'revolution',
        foot: [30, 16, 16],
        axis: X,
        rings: [
          [15.6, 0],
          [15.8, 1],
          [13, 5],
          [7, 9],
          [0, 12],
        ],
        sides: 12,
      },
    ],
  },
  {
    id: 'rod',
    title: 'Fishing rod',
    handle: 16,
    long: 64,
    high: 8,
    form: [
      { kind: 'stump', foot: [16, 2, 4], axis: X, bottom: 1.2, top: 0.5, height: 48, sides: 8 },
      { kind: 'tube', foot: [18, 1, 2.3], axis: [0, 1, 0], outer: 2.2, inner: 0.8, height: 2, sides: 14 },
    ],
  },
  {
    id: 'key',
    title: 'Large key',
    handle: 18,
    long: 28,
    high: 10,
    form: [
      { kind: 'tube', foot: [22, 1, 5], axis: [0, 1, 0], outer: 4.6, inner: 2.6, height: 2, sides: 18 },
      { kind: 'box', ...boxAt([1, 1.4, 0.6], [3, 1.2, 3]) },
    ],
  },
  {
    id: 'magnifier',
    title: 'Magnifying glass',
    handle: 14,
    long: 28,
    high: 14,
    form: [
      { kind: 'tube', foot: [21, 1, 7], axis: [0, 1, 0], outer: 7, inner: 5.6, height: 2, sides: 24 },
      { kind: 'stump', foot: [21, 1.7, 7], axis: [0, 1, 0], bottom: 5.8, top: 5.8, height: 0.6, sides: 24 },
    ],
  },
  {
    id: 'trowel',
    title: 'Trowel',
    handle: 14,
    long: 28,
    high: 10,
    form: [
      flat(
        [
          [13, 4],
          [17, 0],
          [28, 5],
          [17, 10],
          [13, 6],
        ],
        1.5,
        2.5,
      ),
    ],
  },
  {
    id: 'lantern',
    title: 'Lantern on a grip',
    handle: 10,
    long: 22,
    high: 10,
    deep: 10,
    form: [
      {
        kind: 'revolution',
        foot: [10, 5, 5],
        axis: X,
        rings: [
          [2, 0],
          [4.6, 1.6],
          [3.4, 2],
          [3.4, 9],
          [4.6, 9.4],
          [3, 12],
        ],
        sides: 12,
      },
    ],
  },
  {
    id: 'book',
    title: 'Book with a grip',
    handle: 8,
    long: 24,
    high: 20,
    form: [
      { kind: 'box', ...boxAt([8, 0, 0], [16, 1, 20]) },
      { kind: 'box', ...boxAt([8, 3, 0], [16, 1, 20]) },
      { kind: 'box', ...boxAt([8, 1, 0.6], [15.4, 2, 18.8]) },
    ],
  },
]

/** Things for hands that are no tools. */
export const carriedShapes = (): Shape[] => CARRIED.map(tool)
