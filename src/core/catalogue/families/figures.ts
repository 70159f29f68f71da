import { boxAt, MINUS_X, MINUS_Y, MINUS_Z, PLUS_X, PLUS_Y, PLUS_Z, type Vec } from '../../space'
import { LEFT_RIGHT, makeShape, socketsAt, type ShapeRecipe } from '../make'
import type { Solid } from '../solid'
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
    bodies: [boxAt([0, 0, 0], [9, 10, 20]), boxAt([11, 0, 0], [9, 10, 20]), boxAt([0, 0, 20], [20, 10, 4])],
    connectors: [
      ...socketsAt([
        [5, 5],
        [15, 5],
      ]),
      { kind: 'post', at: [10, 5, 24], facing: PLUS_Z },
    ],
    form: [
      ...[0, 10.4].flatMap((x): Solid[] => [
        { kind: 'box', ...boxAt([x, 0, 0], [9.6, 10, 3]) },
        { kind: 'box', ...boxAt([x + 0.4, 1.5, 3], [8.8, 8, 14]) },
        { kind: 'stump', foot: [x + 0.2, 5.5, 18], axis: [1, 0, 0], bottom: 4, top: 4, height: 9.2, sides: 20 },
      ]),
      { kind: 'box', ...boxAt([0.5, 1.5, 20], [19, 8, 4]) },
    ],
  })

/** One leg and the hips it hangs on, for figures that sit and walk. */
const hips = (): Shape =>
  figure('figure-hips', 'Figure hips', {
    box: [20, 10, 8],
    bodies: [boxAt([0, 0, 4], [20, 10, 4]), boxAt([9, 2, 0], [2, 6, 4])],
    connectors: [
      { kind: 'post', at: [10, 5, 8], facing: PLUS_Z },
      { kind: 'ring', at: [9, 5, 2], facing: MINUS_X },
      { kind: 'ring', at: [11, 5, 2], facing: PLUS_X },
    ],
    form: [
      { kind: 'box', ...boxAt([0, 1, 4], [20, 8, 4]) },
      {
        kind: 'prism',
        outline: [
          [2, 4],
          [2, 2],
          [5, 0],
          [8, 2],
          [8, 4],
        ],
        axis: 0,
        from: 9,
        to: 11,
      },
    ],
  })

function leg(hand: 'left' | 'right'): Shape {
  const isLeft = hand === 'left'
  return figure(`figure-leg-${hand}`, `Figure leg, ${hand}`, {
    box: [9, 10, 20],
    // Slim about its joint, so that it swings clear of the hips.
    bodies: [boxAt([0, 0, 0], [9, 10, 12]), { ...boxAt([0, 3, 12], [9, 4, 8]), round: true }],
    connectors: [
      ...socketsAt([[5 - (isLeft ? 1 : 0), 5]]),
      { kind: 'post', at: [isLeft ? 0 : 9, 5, 18], facing: isLeft ? MINUS_X : PLUS_X },
    ],
    twin: `figure-leg-${isLeft ? 'right' : 'left'}`,
    reflection: LEFT_RIGHT,
    form: [
      { kind: 'box', ...boxAt([0, 0, 0], [9, 10, 3]) },
      { kind: 'box', ...boxAt([0.3, 1.5, 3], [8.4, 8, 13]) },
      { kind: 'stump', foot: [0, 5, 16], axis: [1, 0, 0], bottom: 4, top: 4, height: 9, sides: 20 },
    ],
  })
}

const torso = (): Shape =>
  figure('figure-torso', 'Figure torso', {
    box: [TORSO_WIDTH, 10, 24],
    bodies: [boxAt([0, 1, 0], [20, 8, 24])],
    connectors: [
      { kind: 'ring', at: [10, 5, 0], facing: MINUS_Z },
      { kind: 'post', at: [10, 5, 24], facing: PLUS_Z },
      { kind: 'ring', at: [20, 5, SHOULDER], facing: PLUS_X },
      { kind: 'ring', at: [0, 5, SHOULDER], facing: MINUS_X },
      { kind: 'ring', at: [10, 9, 16], facing: PLUS_Y },
    ],
    form: [
      {
        kind: 'prism',
        outline: [
          [0.6, 0],
          [19.4, 0],
          [18, 16],
          [17, 23],
          [3, 23],
          [2, 16],
        ],
        axis: 1,
        from: 1,
        to: 9,
      },
      { kind: 'stump', foot: [0, 5, SHOULDER], axis: [1, 0, 0], bottom: 3, top: 3, height: TORSO_WIDTH, sides: 18 },
      { kind: 'stump', foot: [10, 5, 23], axis: UP, bottom: 4, top: 3.4, height: 1, sides: 20 },
    ],
  })

/** The arm hangs beside the torso; its post looks to the middle, its wrist is a ring. */
function arm(hand: 'left' | 'right'): Shape {
  const isLeft = hand === 'left'
  return figure(`figure-arm-${hand}`, `Figure arm, ${hand}`, {
    box: [6, 8, 20],
    bodies: [boxAt([0, 1, 0], [6, 6, 20])],
    connectors: [
      { kind: 'post', at: [isLeft ? 0 : 6, 4, 17], facing: isLeft ? MINUS_X : PLUS_X },
      { kind: 'ring', at: [3, 4, 0], facing: MINUS_Z },
    ],
    twin: `figure-arm-${isLeft ? 'right' : 'left'}`,
    reflection: LEFT_RIGHT,
    form: [
      { kind: 'stump', foot: [0, 4, 16], axis: [1, 0, 0], bottom: 3.4, top: 3.4, height: 6, sides: 18 },
      { kind: 'box', ...boxAt([0.4, 1.4, 5], [5.2, 5.2, 11]) },
      { kind: 'stump', foot: [3, 4, 0], axis: UP, bottom: 2.4, top: 2.8, height: 5, sides: 16 },
    ],
  })
}

const hand = (): Shape =>
  figure('figure-hand', 'Figure hand', {
    box: [6, 6, 8],
    bodies: [boxAt([0, 0, 6], [6, 6, 2]), boxAt([0, 0, 0], [1, 6, 6]), boxAt([5, 0, 0], [1, 6, 6])],
    connectors: [
      { kind: 'post', at: [3, 3, 8], facing: PLUS_Z },
      { kind: 'clip', at: [3, 3, 4], facing: MINUS_Z, along: MINUS_Y },
    ],
    form: [
      { kind: 'stump', foot: [3, 3, 6.6], axis: UP, bottom: 1.8, top: 1.8, height: 1.4, sides: 14 },
      {
        kind: 'prism',
        outline: [
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
        axis: 1,
        from: 0,
        to: 6,
      },
    ],
  })

const head = (): Shape =>
  figure('figure-head', 'Figure head', {
    box: [12, 12, 12],
    connectors: [
      { kind: 'ring', at: [6, 6, 0], facing: MINUS_Z },
      { kind: 'post', at: [6, 6, 12], facing: PLUS_Z },
    ],
    form: [
      {
        kind: 'revolution',
        foot: [6, 6, 0],
        axis: UP,
        rings: [
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
        sides: 28,
      },
    ],
  })

/** Its lower half stands off the legs. */
const cape = (): Shape =>
  figure('figure-cape', 'Figure cape', {
    box: [24, 2, 32],
    bodies: [boxAt([0, 0, 10], [24, 2, 22]), boxAt([0, 1, 0], [24, 1, 10])],
    connectors: [{ kind: 'post', at: [12, 0, 26], facing: MINUS_Y }],
    form: [
      {
        kind: 'prism',
        outline: [
          [0, 0],
          [6, 1],
          [12, 0],
          [18, 1],
          [24, 0],
          [18, 32],
          [6, 32],
        ],
        axis: 1,
        from: 1,
        to: 1.9,
      },
    ],
  })

const backpack = (): Shape =>
  figure('figure-backpack', 'Figure backpack', {
    box: [14, 6, 16],
    connectors: [{ kind: 'post', at: [7, 0, 10], facing: MINUS_Y }],
    form: [
      { kind: 'box', ...boxAt([0, 0, 0], [14, 5, 12]) },
      {
        kind: 'prism',
        outline: [
          [0, 12],
          [5, 12],
          [4, 15.4],
          [1, 16],
          [0, 15],
        ],
        axis: 0,
        from: 0,
        to: 14,
      },
      { kind: 'box', ...boxAt([4, 5, 2], [6, 1, 6]) },
    ],
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
