import { MINUS_X, MINUS_Y, MINUS_Z, PLUS_X, PLUS_Y, PLUS_Z, type Vec } from '../../space'
import { LEFT_RIGHT, makeShape, socketsAt, type ShapeRecipe } from '../make'
import { block } from '../solids'
import type { Shape } from '../types'

/**
 * Our own plain figure: it faces −y and stands on two studs. Hips, torso, arms, hands and head turn about posts in rings;
 * a hand is a clip. Left and right are the figure's own.
 */

const UP: Vec = [0, 0, 1]
const TORSO_WIDTH = 20
const SHOULDER = 18

function figure(id: string, title: string, recipe: Pick<ShapeRecipe, 'box' | 'connectors'> & Partial<ShapeRecipe>): Shape {
  return makeShape({ id, family: 'figure', title, ...recipe })
}

const legs = (): Shape =>
  figure('figure-legs', 'Figure legs', {
    box: [20, 10, 24],
    bodies: [block(0, 0, 0, 9, 10, 20), block(11, 0, 0, 9, 10, 20), block(0, 0, 20, 20, 10, 4)],
    connectors: [
      ...socketsAt([
        [5, 5],
        [15, 5],
      ]),
      { kind: 'post', at: [10, 5, 24], facing: PLUS_Z },
    ],
    outline: (builder) => {
      for (const x of [0, 10.4]) {
        builder.box(block(x, 0, 0, 9.6, 10, 3))
        builder.box(block(x + 0.4, 1.5, 3, 8.8, 8, 14))
        builder.round([x + 0.2, 5.5, 18], [1, 0, 0], 4, 4, 9.2, 20)
      }
      builder.box(block(0.5, 1.5, 20, 19, 8, 4))
    },
  })

/** One leg and the hips it hangs on, for figures that sit and walk. */
const hips = (): Shape =>
  figure('figure-hips', 'Figure hips', {
    box: [20, 10, 8],
    bodies: [block(0, 0, 4, 20, 10, 4), block(9, 2, 0, 2, 6, 4)],
    connectors: [
      { kind: 'post', at: [10, 5, 8], facing: PLUS_Z },
      { kind: 'ring', at: [9, 5, 2], facing: MINUS_X },
      { kind: 'ring', at: [11, 5, 2], facing: PLUS_X },
    ],
    outline: (builder) => {
      builder.box(block(0, 1, 4, 20, 8, 4))
      builder.extrude(
        [
          [2, 4],
          [2, 2],
          [5, 0],
          [8, 2],
          [8, 4],
        ],
        0,
        9,
        11,
      )
    },
  })

function leg(hand: 'left' | 'right'): Shape {
  const isLeft = hand === 'left'
  return figure(`figure-leg-${hand}`, `Figure leg, ${hand}`, {
    box: [9, 10, 20],
    // Slim about its joint, so that it swings clear of the hips.
    bodies: [block(0, 0, 0, 9, 10, 12), { ...block(0, 3, 12, 9, 4, 8), round: true }],
    connectors: [
      ...socketsAt([[5 - (isLeft ? 1 : 0), 5]]),
      { kind: 'post', at: [isLeft ? 0 : 9, 5, 18], facing: isLeft ? MINUS_X : PLUS_X },
    ],
    twin: `figure-leg-${isLeft ? 'right' : 'left'}`,
    reflection: LEFT_RIGHT,
    outline: (builder) => {
      builder.box(block(0, 0, 0, 9, 10, 3))
      builder.box(block(0.3, 1.5, 3, 8.4, 8, 13))
      builder.round([0, 5, 16], [1, 0, 0], 4, 4, 9, 20)
    },
  })
}

const torso = (): Shape =>
  figure('figure-torso', 'Figure torso', {
    box: [TORSO_WIDTH, 10, 24],
    bodies: [block(0, 1, 0, 20, 8, 24)],
    connectors: [
      { kind: 'ring', at: [10, 5, 0], facing: MINUS_Z },
      { kind: 'post', at: [10, 5, 24], facing: PLUS_Z },
      { kind: 'ring', at: [20, 5, SHOULDER], facing: PLUS_X },
      { kind: 'ring', at: [0, 5, SHOULDER], facing: MINUS_X },
      { kind: 'ring', at: [10, 9, 16], facing: PLUS_Y },
    ],
    outline: (builder) => {
      builder.extrude(
        [
          [0.6, 0],
          [19.4, 0],
          [18, 16],
          [17, 23],
          [3, 23],
          [2, 16],
        ],
        1,
        1,
        9,
      )
      builder.round([0, 5, SHOULDER], [1, 0, 0], 3, 3, TORSO_WIDTH, 18)
      builder.round([10, 5, 23], UP, 4, 3.4, 1, 20)
    },
  })

/** The arm hangs beside the torso; its post looks to the middle, its wrist is a ring. */
function arm(hand: 'left' | 'right'): Shape {
  const isLeft = hand === 'left'
  return figure(`figure-arm-${hand}`, `Figure arm, ${hand}`, {
    box: [6, 8, 20],
    bodies: [block(0, 1, 0, 6, 6, 20)],
    connectors: [
      { kind: 'post', at: [isLeft ? 0 : 6, 4, 17], facing: isLeft ? MINUS_X : PLUS_X },
      { kind: 'ring', at: [3, 4, 0], facing: MINUS_Z },
    ],
    twin: `figure-arm-${isLeft ? 'right' : 'left'}`,
    reflection: LEFT_RIGHT,
    outline: (builder) => {
      builder.round([0, 4, 16], [1, 0, 0], 3.4, 3.4, 6, 18)
      builder.box(block(0.4, 1.4, 5, 5.2, 5.2, 11))
      builder.round([3, 4, 0], UP, 2.4, 2.8, 5, 16)
    },
  })
}

const hand = (): Shape =>
  figure('figure-hand', 'Figure hand', {
    box: [6, 6, 8],
    bodies: [block(0, 0, 6, 6, 6, 2), block(0, 0, 0, 1, 6, 6), block(5, 0, 0, 1, 6, 6)],
    connectors: [
      { kind: 'post', at: [3, 3, 8], facing: PLUS_Z },
      { kind: 'clip', at: [3, 3, 4], facing: MINUS_Z, along: MINUS_Y },
    ],
    outline: (builder) => {
      builder.round([3, 3, 6.6], UP, 1.8, 1.8, 1.4, 14)
      builder.extrude(
        [
          [0, 0.6],
          [1, 0],
          [1, 3.6],
          [1.8, 5.6],
          [4.2, 5.6],
          [5, 3.6],
          [5, 0],
          [6, 0.6],
          [6, 5],
          [4.6, 7],
          [1.4, 7],
          [0, 5],
        ],
        1,
        0,
        6,
      )
    },
  })

const head = (): Shape =>
  figure('figure-head', 'Figure head', {
    box: [12, 12, 12],
    connectors: [
      { kind: 'ring', at: [6, 6, 0], facing: MINUS_Z },
      { kind: 'post', at: [6, 6, 12], facing: PLUS_Z },
    ],
    outline: (builder) => {
      builder.lathe(
        [6, 6, 0],
        UP,
        [
          [3.6, 0],
          [4, 1],
          [5.6, 2],
          [6, 3.4],
          [6, 9],
          [5.4, 10.6],
          [4, 11],
          [3, 11],
          [3, 12],
        ],
        28,
      )
    },
  })

/** Its lower half stands off the legs. */
const cape = (): Shape =>
  figure('figure-cape', 'Figure cape', {
    box: [24, 2, 32],
    bodies: [block(0, 0, 10, 24, 2, 22), block(0, 1, 0, 24, 1, 10)],
    connectors: [{ kind: 'post', at: [12, 0, 26], facing: MINUS_Y }],
    outline: (builder) =>
      builder.extrude(
        [
          [0, 0],
          [6, 1],
          [12, 0],
          [18, 1],
          [24, 0],
          [18, 32],
          [6, 32],
        ],
        1,
        1,
        1.9,
      ),
  })

const backpack = (): Shape =>
  figure('figure-backpack', 'Figure backpack', {
    box: [14, 6, 16],
    connectors: [{ kind: 'post', at: [7, 0, 10], facing: MINUS_Y }],
    outline: (builder) => {
      builder.box(block(0, 0, 0, 14, 5, 12))
      builder.extrude(
        [
          [0, 12],
          [5, 12],
          [4, 15.4],
          [1, 16],
          [0, 15],
        ],
        0,
        0,
        14,
      )
      builder.box(block(4, 5, 2, 6, 1, 6))
    },
  })

/** Legs, torso, arms, hands, heads, and what is worn. */
export const figureShapes = (): Shape[] => [
  legs(),
  hips(),
  leg('left'),
  leg('right'),
  torso(),
  arm('left'),
  arm('right'),
  hand(),
  head(),
  cape(),
  backpack(),
]
