import { oneSection, part } from '../support/models'
import type { Specimen } from './corpus'

/** Techniques that strain a piece. */

const base = part('base', 'plate-2x4', [0, 0, 0])

export const bent: readonly Specimen[] = [
  {
    name: 'a side stud in a pin hole',
    model: oneSection([part('brick', 'brick-1x1-side1', [0, 10, 0]), part('beam', 'brick-1x1-hole', [0, 0, 0])]),
    codes: ['strained'],
  },
  {
    name: 'low slopes nose to nose',
    model: oneSection([base, part('a', 'slope-low-1x2', [10, 0, 4], '+y-x'), part('b', 'slope-low-1x2', [20, 0, 4], '-y+x')]),
    codes: ['strained'],
  },
  {
    name: 'low slopes back to back',
    model: oneSection([base, part('a', 'slope-low-1x2', [10, 0, 4], '-y+x'), part('b', 'slope-low-1x2', [20, 0, 4], '+y-x')]),
    codes: [],
  },
  {
    name: 'a tile on edge between studs',
    model: oneSection([base, part('edge', 'tile-1x2', [8, 0, 4], '+y+z')]),
    codes: ['strained', 'unheld'],
  },
]
