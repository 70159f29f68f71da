import { boxAt, PLUS_Z, type Vec, type FlatPoint } from '../../space'
import { socketsAt, studsAt } from '../make'
import { detail } from './details'
import { round } from '../solids'
import type { Solid } from '../solid'
import type { Shape } from '../types'

/** Leaves, flowers and stems. */

const UP: Vec = [0, 0, 1]
const SOCKET = socketsAt([[5, 5]])

/** A leaf or flower lies flat: so many blades around the middle. */
function blades({
  middle,
  count,
  reach,
  half,
  thick,
}: Record<'count' | 'reach' | 'half' | 'thick', number> & { readonly middle: Vec }): Solid[] {
  return Array.from({ length: count }, (_, i): Solid => {
    const angle = (2 * Math.PI * (i + 0.5)) / count
    const at = (along: number, side: number): FlatPoint => [
      middle[0] + along * Math.cos(angle) - side * Math.sin(angle),
      middle[1] + along * Math.sin(angle) + side * Math.cos(angle),
    ]
    const outline = [at(1, 0), at(reach * 0.55, -half), at(reach, 0), at(reach * 0.55, half)]
    return { kind: 'prism', outline, axis: 2, from: middle[2], to: middle[2] + thick }
  })
}

const flower = (): Shape =>
  detail('flower', 'Flower', {
    box: [10, 10, 4],
    connectors: [...SOCKET, ...studsAt([[5, 5]], 4)],
    form: [
      { kind: 'stump', foot: [5, 5, 0], axis: UP, bottom: 3, top: 3, height: 4, sides: 16 },
      ...blades({ middle: [5, 5, 1], count: 5, reach: 5, half: 2, thick: 1.6 }),
    ],
  })

const leaf = (): Shape =>
  detail('leaf', 'Leaves', {
    box: [20, 20, 4],
    bodies: [
      boxAt([5, 5, 0], [10, 10, 4]),
      boxAt([0, 5, 0], [5, 10, 2]),
      boxAt([15, 5, 0], [5, 10, 2]),
      boxAt([5, 0, 0], [10, 5, 2]),
      boxAt([5, 15, 0], [10, 5, 2]),
    ],
    connectors: [...socketsAt([[10, 10]]), ...studsAt([[10, 10]], 4)],
    form: [
      { kind: 'stump', foot: [10, 10, 0], axis: UP, bottom: 4, top: 4, height: 4, sides: 16 },
      ...blades({ middle: [10, 10, 0.5], count: 4, reach: 11, half: 4, thick: 1.2 }),
    ],
  })

const stem = (): Shape =>
  detail('stem', 'Stem', {
    box: [10, 10, 28],
    bodies: [boxAt([0, 0, 0], [10, 10, 4]), round(boxAt([3, 3, 4], [4, 4, 24]))],
    connectors: [...SOCKET, { kind: 'bar', at: [5, 5, 6], facing: PLUS_Z, length: 22 }],
    form: [
      { kind: 'stump', foot: [5, 5, 0], axis: UP, bottom: 5, top: 4, height: 4, sides: 20 },
      { kind: 'stump', foot: [5, 5, 4], axis: UP, bottom: 2, top: 2, height: 24, sides: 12 },
      ...(
        [
          [10, 1],
          [18, -1],
        ] as const
      ).map(([z, side]): Solid => ({
        kind: 'prism',
        outline: [
          [5, z],
          [5 + side * 4.6, z + 4],
          [5 + side * 4, z + 6],
          [5, z + 3],
        ],
        axis: 1,
        from: 4.4,
        to: 5.6,
      })),
    ],
  })

/** Plants that stand on a stud. */
export const plantShapes = (): Shape[] => [stem(), leaf(), flower()]
