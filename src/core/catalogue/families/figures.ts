import { MINUS_X, MINUS_Y, MINUS_Z, PLUS_X, PLUS_Y, PLUS_Z, type Vec } from '../../space'
import { LEFT_RIGHT, makeShape, socketsAt, type ShapeRecipe } from '../make'
import type { MeshBuilder } from '../mesh'
import type { Point } from '../polygon'
import { block, carved } from '../solids'
import type { BodyBox, Shape } from '../types'

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
    bodies: [block(0, 0, 0, 9, 10, 20)],
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

/** What sits on a head: a crown above it, and walls that hang down behind and beside it. */
interface Headwear {
  readonly id: string
  readonly title: string
  /** Above the head, u; how far it hangs down behind and beside. */
  readonly above: number
  readonly behind: number
  readonly beside: number
  readonly draw: (builder: MeshBuilder) => void
  readonly brim?: number
  /** A peak in front. */
  readonly hasPeak?: boolean
}

function headwear({ id, title, above, behind, beside, draw, brim = 0, hasPeak = false }: Headwear): Shape {
  // The body box is the crown; walls hang below it. In its own frame the top of the head is z = 0.
  const walls: BodyBox[] = []
  if (behind > 0) walls.push(block(0, 13, -behind, 14, 1, behind))
  if (beside > 0) walls.push(block(0, 1, -beside, 1, 12, beside), block(13, 1, -beside, 1, 12, beside))
  if (hasPeak) walls.push(block(2, -2, -1, 10, 2, 2))
  const crown = block(0, 0, 0, 14, 14, above)
  const rim = brim > 0 ? carved(block(-brim, -brim, 0, 14 + 2 * brim, 14 + 2 * brim, 2), [crown]) : []
  return makeShape({
    id,
    family: 'figure headwear',
    title,
    box: [14, 14, above],
    bodies: [crown, ...walls, ...rim],
    connectors: [{ kind: 'ring', at: [7, 7, 0], facing: MINUS_Z }],
    outline: draw,
  })
}

const MIDDLE: Vec = [7, 7, 0]

/** A half shell around the back of the head, from one side over the back to the other. */
function shell(builder: MeshBuilder, from: number, to: number, low: number, high: number, outer = 7, inner = 6.1): void {
  const points = (radius: number): Point[] =>
    Array.from({ length: 13 }, (_, i) => {
      const angle = ((from + ((to - from) * i) / 12) * Math.PI) / 180
      return [7 + radius * Math.cos(angle), 7 + radius * Math.sin(angle)]
    })
  builder.extrude([...points(outer), ...points(inner).reverse()], 2, low, high)
}

const bowl = (height: number, radius = 7): Point[] => [
  [radius, 0],
  [radius, height * 0.3],
  [radius * 0.86, height * 0.72],
  [radius * 0.5, height],
]

const cape = (): Shape =>
  figure('figure-cape', 'Figure cape', {
    box: [24, 2, 32],
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
        0.4,
        1.6,
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
  headwear({
    id: 'figure-hair-short',
    title: 'Figure hair, short',
    above: 4,
    behind: 6,
    beside: 4,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP, bowl(4), 24)
      shell(builder, -10, 190, -4, 0)
      shell(builder, 30, 150, -6, -4)
    },
  }),
  headwear({
    id: 'figure-hair-long',
    title: 'Figure hair, long',
    above: 4,
    behind: 16,
    beside: 9,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP, bowl(4), 24)
      shell(builder, -20, 200, -9, 0)
      shell(builder, 20, 160, -16, -9)
    },
  }),
  headwear({
    id: 'figure-hair-bun',
    title: 'Figure hair with a bun',
    above: 10,
    behind: 6,
    beside: 4,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP, bowl(4), 24)
      shell(builder, -10, 190, -5, 0)
      builder.lathe(
        [7, 10, 3],
        UP,
        [
          [1.4, 0],
          [3.2, 1.4],
          [3.4, 3.6],
          [2.4, 6],
          [0, 7],
        ],
        16,
      )
    },
  }),
  headwear({
    id: 'figure-hair-curly',
    title: 'Figure hair, curly',
    above: 7,
    behind: 6,
    beside: 5,
    draw: (builder) => {
      shell(builder, -15, 195, -5, 1)
      for (let i = 0; i < 8; i++) {
        const angle = (2 * Math.PI * i) / 8
        builder.lathe(
          [7 + 4.2 * Math.cos(angle), 7 + 4.2 * Math.sin(angle), 0],
          UP,
          [
            [1.6, 0],
            [2.7, 1.4],
            [2.7, 3.2],
            [1, 5],
          ],
          10,
        )
      }
      builder.lathe(
        MIDDLE,
        UP,
        [
          [4, 0],
          [4, 5],
          [2, 7],
        ],
        14,
      )
    },
  }),
  headwear({
    id: 'figure-hat-cap',
    title: 'Figure cap',
    hasPeak: true,
    above: 5,
    behind: 2,
    beside: 2,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP, bowl(5), 24)
      shell(builder, 0, 360, -2, 0)
      builder.extrude(
        [
          [2, 1.6],
          [12, 1.6],
          [11, -1],
          [8.4, -2],
          [5.6, -2],
          [3, -1],
        ],
        2,
        -1,
        0.2,
      )
    },
  }),
  headwear({
    id: 'figure-hat-brim',
    title: 'Figure hat with a brim',
    above: 8,
    behind: 0,
    beside: 0,
    brim: 3,
    draw: (builder) =>
      builder.lathe(
        MIDDLE,
        UP,
        [
          [9.8, 0],
          [9.8, 1],
          [6, 1.6],
          [5.6, 6.6],
          [4, 8],
        ],
        28,
      ),
  }),
  headwear({
    id: 'figure-hat-pointed',
    title: 'Figure hat, pointed',
    above: 22,
    behind: 0,
    beside: 0,
    brim: 2,
    draw: (builder) =>
      builder.lathe(
        MIDDLE,
        UP,
        [
          [8.8, 0],
          [8.8, 1],
          [6, 1.6],
          [0, 22],
        ],
        24,
      ),
  }),
  headwear({
    id: 'figure-hat-helmet',
    title: 'Figure helmet',
    above: 5,
    behind: 8,
    beside: 8,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP, bowl(5), 24)
      shell(builder, -35, 215, -8, 0)
    },
  }),
  headwear({
    id: 'figure-hat-crown',
    title: 'Figure crown',
    above: 7,
    behind: 0,
    beside: 0,
    draw: (builder) => {
      builder.tube([7, 7, 0], UP, 6.6, 5.4, 3, 24)
      builder.round([7, 7, 0], UP, 5.6, 5.6, 1, 24)
      for (let i = 0; i < 6; i++) {
        const angle = (2 * Math.PI * i) / 6
        builder.lathe(
          [7 + 5.5 * Math.cos(angle), 7 + 5.5 * Math.sin(angle), 2.6],
          UP,
          [
            [1.4, 0],
            [0, 4.4],
          ],
          6,
        )
      }
    },
  }),
  headwear({
    id: 'figure-hat-hood',
    title: 'Figure hood',
    above: 5,
    behind: 12,
    beside: 10,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP, bowl(5), 24)
      shell(builder, -50, 230, -10, 0)
      shell(builder, 40, 140, -12, -10)
    },
  }),
  headwear({
    id: 'figure-hat-knit',
    title: 'Figure knitted hat',
    above: 9,
    behind: 2,
    beside: 2,
    draw: (builder) => {
      shell(builder, 0, 360, -2, 1)
      builder.lathe(
        MIDDLE,
        UP,
        [
          [6.6, 0],
          [6.2, 3],
          [4, 6],
          [1.6, 7],
        ],
        24,
      )
      builder.lathe(
        [7, 7, 6.4],
        UP,
        [
          [0.6, 0],
          [1.8, 1],
          [1.2, 2.4],
          [0, 2.6],
        ],
        12,
      )
    },
  }),
  cape(),
  backpack(),
]
