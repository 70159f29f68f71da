import { PLUS_Z, type Vec, type FlatPoint } from '../../space'
import { socketsAt, studsAt } from '../make'
import type { MeshBuilder } from '../mesh'
import { detail } from './details'
import { block, round } from '../solids'
import type { Shape } from '../types'

/** Leaves, flowers and stems. */

const UP: Vec = [0, 0, 1]
const SOCKET = socketsAt([[5, 5]])

/** A leaf or flower lies flat: blades around the middle. */
function blades(builder: MeshBuilder, middle: Vec, count: number, reach: number, half: number, thick: number): void {
  for (let i = 0; i < count; i++) {
    const angle = (2 * Math.PI * (i + 0.5)) / count
    const at = (along: number, side: number): FlatPoint => [
      middle[0] + along * Math.cos(angle) - side * Math.sin(angle),
      middle[1] + along * Math.sin(angle) + side * Math.cos(angle),
    ]
    builder.extrude([at(1, 0), at(reach * 0.55, -half), at(reach, 0), at(reach * 0.55, half)], 2, middle[2], middle[2] + thick)
  }
}

const flower = (): Shape =>
  detail('flower', 'Flower', {
    box: [10, 10, 4],
    connectors: [...SOCKET, ...studsAt([[5, 5]], 4)],
    outline: (builder) => {
      builder.round([5, 5, 0], UP, 3, 3, 4, 16)
      blades(builder, [5, 5, 1], 5, 5, 2, 1.6)
    },
  })

const leaf = (): Shape =>
  detail('leaf', 'Leaves', {
    box: [20, 20, 4],
    bodies: [
      block(5, 5, 0, 10, 10, 4),
      block(0, 5, 0, 5, 10, 2),
      block(15, 5, 0, 5, 10, 2),
      block(5, 0, 0, 10, 5, 2),
      block(5, 15, 0, 10, 5, 2),
    ],
    connectors: [...socketsAt([[10, 10]]), ...studsAt([[10, 10]], 4)],
    outline: (builder) => {
      builder.round([10, 10, 0], UP, 4, 4, 4, 16)
      blades(builder, [10, 10, 0.5], 4, 11, 4, 1.2)
    },
  })

const stem = (): Shape =>
  detail('stem', 'Stem', {
    box: [10, 10, 28],
    bodies: [block(0, 0, 0, 10, 10, 4), round(block(3, 3, 4, 4, 4, 24))],
    connectors: [...SOCKET, { kind: 'bar', at: [5, 5, 6], facing: PLUS_Z, length: 22 }],
    outline: (builder) => {
      builder.round([5, 5, 0], UP, 5, 4, 4, 20)
      builder.round([5, 5, 4], UP, 2, 2, 24, 12)
      for (const [z, side] of [
        [10, 1],
        [18, -1],
      ] as const)
        builder.extrude(
          [
            [5, z],
            [5 + side * 4.6, z + 4],
            [5 + side * 4, z + 6],
            [5, z + 3],
          ],
          1,
          4.4,
          5.6,
        )
    },
  })

/** Plants that stand on a stud. */
export const plantShapes = (): Shape[] => [stem(), leaf(), flower()]
