import { type Vec } from '../../space'
import { cellMiddles, socketsAt, studsAt } from '../make'
import { detail } from './details'
import { block } from '../solids'
import type { Shape } from '../types'

/** What stands in rooms. */

const UP: Vec = [0, 0, 1]

/** A box whose lid is part of it. */
const chest = (): Shape =>
  detail('chest', 'Chest', {
    box: [20, 10, 16],
    connectors: socketsAt(cellMiddles(2, 1)),
    outline: (builder) => {
      builder.box(block(0, 0.5, 0, 20, 9, 9))
      builder.extrude(
        [
          [0, 9],
          [10, 9],
          [10, 12],
          [8, 15],
          [5, 16],
          [2, 15],
          [0, 12],
        ],
        0,
        0,
        20,
      )
      builder.box(block(8.6, -0, 7, 2.8, 0.5, 4))
    },
  })

/** Two rows of seats' worth of bench: a seat and a back. */
const chair = (): Shape =>
  detail('chair', 'Chair', {
    box: [20, 20, 24],
    bodies: [block(0, 0, 0, 20, 20, 8), block(0, 16, 8, 20, 4, 16), block(0, 4, 8, 2, 12, 6), block(18, 4, 8, 2, 12, 6)],
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
    bodies: [block(5, 5, 0, 10, 10, 13), block(0, 0, 13, 20, 20, 3)],
    connectors: socketsAt([[10, 10]]),
    outline: (builder) => {
      builder.round([10, 10, 0], UP, 5, 4, 2, 20)
      builder.round([10, 10, 2], UP, 2.4, 2.4, 11, 14)
      builder.round([10, 10, 13], UP, 10, 10, 3, 32)
    },
  })

/** A wheel to steer with, on a slanting column. */
const steering = (): Shape =>
  detail('steering-wheel', 'Steering wheel', {
    box: [20, 10, 16],
    bodies: [block(5, 0, 0, 10, 10, 4), block(7, 2, 4, 6, 6, 6), block(2, 0, 10, 16, 10, 6)],
    connectors: socketsAt([[10, 5]]),
    outline: (builder) => {
      builder.box(block(5, 0, 0, 10, 10, 3))
      builder.round([10, 6, 3], UP, 1.6, 1.6, 9, 12)
      builder.tube([10, 5, 12], UP, 5, 3.8, 1.6, 24)
      builder.box(block(6, 4.2, 12.2, 8, 1.6, 1.2))
    },
  })

/** Chests, chairs, tables and wheels to steer with. */
export const furnitureShapes = (): Shape[] => [chest(), chair(), table(), steering()]
