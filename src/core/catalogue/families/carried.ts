import type { Vec } from '../../space'
import { block } from '../solids'
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
    draw: (b) =>
      b.lathe(
        [30, 16, 16],
        X,
        [
          [15.6, 0],
          [15.8, 1],
          [13, 5],
          [7, 9],
          [0, 12],
        ],
        12,
      ),
  },
  {
    id: 'rod',
    title: 'Fishing rod',
    handle: 16,
    long: 64,
    high: 8,
    draw: (b, m) => {
      b.round([16, 2, m], X, 1.2, 0.5, 48, 8)
      b.tube([18, 1, m - 1.7], [0, 1, 0], 2.2, 0.8, 2, 14)
    },
  },
  {
    id: 'key',
    title: 'Large key',
    handle: 18,
    long: 28,
    high: 10,
    draw: (b) => {
      b.tube([22, 1, 5], [0, 1, 0], 4.6, 2.6, 2, 18)
      b.box(block(1, 1.4, 0.6, 3, 1.2, 3))
    },
  },
  {
    id: 'magnifier',
    title: 'Magnifying glass',
    handle: 14,
    long: 28,
    high: 14,
    draw: (b) => {
      b.tube([21, 1, 7], [0, 1, 0], 7, 5.6, 2, 24)
      b.round([21, 1.7, 7], [0, 1, 0], 5.8, 5.8, 0.6, 24)
    },
  },
  {
    id: 'trowel',
    title: 'Trowel',
    handle: 14,
    long: 28,
    high: 10,
    draw: (b) =>
      flat(
        b,
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
  },
  {
    id: 'lantern',
    title: 'Lantern on a grip',
    handle: 10,
    long: 22,
    high: 10,
    deep: 10,
    draw: (b) =>
      b.lathe(
        [10, 5, 5],
        X,
        [
          [2, 0],
          [4.6, 1.6],
          [3.4, 2],
          [3.4, 9],
          [4.6, 9.4],
          [3, 12],
        ],
        12,
      ),
  },
  {
    id: 'book',
    title: 'Book with a grip',
    handle: 8,
    long: 24,
    high: 20,
    draw: (b) => {
      b.box(block(8, 0, 0, 16, 1, 20))
      b.box(block(8, 3, 0, 16, 1, 20))
      b.box(block(8, 1, 0.6, 15.4, 2, 18.8))
    },
  },
]

/** Things for hands that are no tools. */
export const carriedShapes = (): Shape[] => CARRIED.map(tool)
