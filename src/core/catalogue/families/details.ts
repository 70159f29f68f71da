import { MINUS_X, MINUS_Z, PLATE_HEIGHT, PLUS_X, PLUS_Z, type Vec, type FlatPoint } from '../../space'
import { cellMiddles, makeShape, socketsAt, studsAt, type ShapeRecipe } from '../make'
import { block, carved, round } from '../solids'
import type { Shape } from '../types'

/** Small things that make a model tell its story: plants, vessels, taps, lights. */

const UP: Vec = [0, 0, 1]
const SOCKET = socketsAt([[5, 5]])

/** A small thing by its outline. */
export function detail(id: string, title: string, recipe: Pick<ShapeRecipe, 'box' | 'connectors'> & Partial<ShapeRecipe>): Shape {
  return makeShape({ id, family: 'detail', title, ...recipe })
}

/** A tile with slots, as of a drain or a vent. */
function grille(columns: number): Shape {
  const width = columns * 10
  const slots = Array.from({ length: columns * 3 - 1 }, (_, i) =>
    block(2 + i * 3.25 * ((width - 4) / (columns * 9.75 - 3.25)), 1.5, 2, 1.6, 7, 2),
  )
  return makeShape({
    id: `grille-1x${columns}`,
    family: 'grille',
    title: `Grille 1 × ${columns}`,
    box: [width, 10, PLATE_HEIGHT],
    connectors: socketsAt(cellMiddles(columns, 1)),
    outline: (builder) => {
      builder.box(block(0, 0, 0, width, 10, 2))
      builder.box(block(0, 0, 2, width, 1.5, 2))
      builder.box(block(0, 8.5, 2, width, 1.5, 2))
      let left = 0
      for (const slot of slots) {
        if (slot.min[0] > left) builder.box(block(left, 1.5, 2, slot.min[0] - left, 7, 2))
        left = slot.max[0]
      }
      builder.box(block(left, 1.5, 2, width - left, 7, 2))
    },
  })
}

/** What stands on one stud and is round all the way up. */
function turned(id: string, title: string, height: number, rings: readonly FlatPoint[], more: Partial<ShapeRecipe> = {}): Shape {
  return detail(id, title, {
    box: [10, 10, height],
    connectors: SOCKET,
    outline: (builder) => builder.lathe([5, 5, 0], UP, rings, 20),
    ...more,
  })
}

/** Round, with an open top and a handle. */
const mug = (): Shape =>
  detail('cup', 'Cup', {
    box: [10, 10, 8],
    bodies: [block(1, 1, 0, 8, 8, 8)],
    connectors: SOCKET,
    outline: (builder) => {
      builder.round([5, 5, 0], UP, 3, 3.4, 1, 20)
      builder.tube([5, 5, 1], UP, 3.4, 2.6, 7, 20)
      builder.tube([7.6, 5.5, 4.2], [0, -1, 0], 2.4, 1.5, 1.2, 14)
    },
  })

const antenna = (): Shape =>
  detail('antenna', 'Antenna', {
    box: [10, 10, 48],
    bodies: [block(0, 0, 0, 10, 10, 4), round(block(4, 4, 4, 2, 2, 44))],
    connectors: SOCKET,
    outline: (builder) => {
      builder.round([5, 5, 0], UP, 4, 3, 4, 20)
      builder.round([5, 5, 4], UP, 1, 0.8, 41, 10)
      builder.lathe(
        [5, 5, 45],
        UP,
        [
          [0, 0],
          [1.4, 1],
          [1.4, 2],
          [0, 3],
        ],
        12,
      )
    },
  })

const horn = (): Shape =>
  detail('horn', 'Horn', {
    box: [24, 4, 12],
    bodies: [round(block(0, 0, 0, 8, 4, 4)), block(8, 0, 0, 8, 4, 6), block(16, 0, 2, 8, 4, 10)],
    connectors: [{ kind: 'bar', at: [0, 2, 2], facing: PLUS_X, length: 6 }],
    reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
    outline: (builder) => {
      builder.round([0, 2, 2], [1, 0, 0], 2, 2, 8, 12)
      builder.extrude(
        [
          [8, 0],
          [16, 1],
          [22, 6],
          [24, 12],
          [19, 8],
          [14, 5],
          [8, 4],
        ],
        1,
        0.6,
        3.4,
      )
    },
  })

const flame = (): Shape =>
  detail('flame', 'Flame', {
    box: [8, 4, 22],
    bodies: [round(block(2, 0, 0, 4, 4, 6)), block(0, 0, 6, 8, 4, 10), block(2, 0, 16, 4, 4, 6)],
    connectors: [{ kind: 'bar', at: [4, 2, 0], facing: PLUS_Z, length: 6 }],
    outline: (builder) => {
      builder.round([4, 2, 0], UP, 2, 2, 6, 12)
      builder.extrude(
        [
          [4, 6],
          [7.4, 9],
          [7.8, 12],
          [5.4, 22],
          [4.6, 17],
          [2, 19],
          [0.4, 13],
          [1, 9],
        ],
        1,
        0.8,
        3.2,
      )
    },
  })

/** A spout that bends forward, with a wheel on top. */
const tap = (): Shape =>
  detail('tap', 'Tap', {
    box: [10, 10, 12],
    bodies: [block(1, 1, 0, 8, 9, 12)],
    connectors: SOCKET,
    outline: (builder) => {
      builder.round([5, 6, 0], UP, 3, 2.4, 8, 16)
      builder.round([5, 6, 6], [0, -1, 0], 1.6, 1.6, 5, 12)
      builder.round([5, 2.2, 3], UP, 1.5, 1.5, 4, 12)
      builder.round([5, 6, 9], UP, 3.4, 3.4, 1.6, 6)
      builder.round([5, 6, 8], UP, 1, 1, 2, 8)
    },
  })

/** A foot with a handle that leans. */
const lever = (): Shape =>
  detail('lever', 'Lever', {
    box: [10, 10, 20],
    bodies: [block(0, 0, 0, 10, 10, 4), block(3, 3, 4, 4, 4, 16)],
    connectors: SOCKET,
    outline: (builder) => {
      builder.round([5, 5, 0], UP, 4.8, 4.8, 3, 20)
      builder.lathe(
        [5, 5, 2],
        UP,
        [
          [0, 0],
          [3, 1],
          [3, 3],
          [0, 4],
        ],
        16,
      )
      builder.round([5, 5, 4], UP, 1.1, 1.1, 13, 10)
      builder.lathe(
        [5, 5, 16],
        UP,
        [
          [0, 0],
          [1.8, 1.2],
          [1.8, 2.6],
          [0, 4],
        ],
        12,
      )
    },
  })

/** An open pail with a bow. */
const bucket = (): Shape =>
  detail('bucket', 'Bucket', {
    box: [10, 10, 14],
    bodies: [block(1, 1, 0, 8, 8, 9), block(1, 4, 9, 8, 2, 5)],
    connectors: [...SOCKET, { kind: 'bar', at: [3, 5, 12], facing: PLUS_X, length: 4 }],
    outline: (builder) => {
      builder.round([5, 5, 0], UP, 2.8, 3, 1, 20)
      builder.tube([5, 5, 1], UP, 3.9, 3, 8, 20)
      builder.box(block(1, 4.4, 8, 1, 1.2, 6))
      builder.box(block(8, 4.4, 8, 1, 1.2, 6))
      builder.box(block(2, 4.4, 12.8, 6, 1.2, 1.2))
    },
  })

const propeller = (): Shape =>
  detail('propeller', 'Propeller', {
    box: [40, 6, 40],
    bodies: carved(block(0, 0, 16, 40, 6, 8), [block(17, 0, 17, 6, 6, 6)]).concat([block(16, 0, 0, 8, 6, 16), block(16, 0, 24, 8, 6, 16)]),
    connectors: [{ kind: 'hole', at: [20, 3, 20], facing: 3 }],
    outline: (builder) => {
      builder.tube([20, 0, 20], [0, 1, 0], 4, 2.9, 6, 20)
      for (let i = 0; i < 4; i++) {
        const angle = (Math.PI * i) / 2
        const at = (along: number, side: number): FlatPoint => [
          20 + along * Math.cos(angle) - side * Math.sin(angle),
          20 + along * Math.sin(angle) + side * Math.cos(angle),
        ]
        builder.extrude([at(3.4, -1), at(9, -3.6), at(19, -3.2), at(19.6, 0), at(17, 2.6), at(3.4, 1.4)], 1, 2, 3.4)
      }
    },
  })

/** A chain of links with a bar at either end. */
const chain = (): Shape => {
  const links = Array.from({ length: 6 }, (_, i) => 4 + i * 5)
  return detail('chain', 'Chain', {
    box: [40, 4, 4],
    bodies: [block(0, 0, 0, 40, 4, 4)],
    connectors: [
      { kind: 'bar', at: [0, 2, 2], facing: PLUS_X, length: 4 },
      { kind: 'bar', at: [40, 2, 2], facing: MINUS_X, length: 4 },
    ],
    outline: (builder) => {
      builder.round([0, 2, 2], [1, 0, 0], 2, 2, 4, 12)
      builder.round([36, 2, 2], [1, 0, 0], 2, 2, 4, 12)
      links.forEach((x, i) =>
        builder.tube([x + 2.6, 2 + (i % 2 === 0 ? 0 : 0.6), i % 2 === 0 ? 1.4 : 2], i % 2 === 0 ? UP : [0, -1, 0], 2, 1.1, 1.2, 12),
      )
    },
  })
}

const lamp = (): Shape =>
  turned('lamp', 'Lamp with a shade', 16, [
    [3.6, 0],
    [3.6, 1],
    [1, 1.4],
    [1, 8],
    [4.8, 8],
    [2.6, 16],
  ])

const hook = (): Shape =>
  detail('hook', 'Hook', {
    box: [10, 4, 20],
    bodies: [round(block(3, 0, 12, 4, 4, 8)), block(0, 0, 0, 10, 4, 12)],
    connectors: [{ kind: 'bar', at: [5, 2, 20], facing: MINUS_Z, length: 6 }],
    twin: 'hook',
    reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
    outline: (builder) => {
      builder.round([5, 2, 12], UP, 2, 2, 8, 12)
      builder.extrude(
        [
          [4, 12],
          [4, 9],
          [1.6, 7],
          [1, 4],
          [3, 1],
          [6, 0.4],
          [9, 2.4],
          [9.6, 6],
          [7.6, 6],
          [7, 3.4],
          [5, 2.6],
          [3.4, 4.4],
          [4, 6.4],
          [6, 8],
          [6, 12],
        ],
        1,
        0.8,
        3.2,
      )
    },
  })

const stone = (): Shape =>
  detail('stone', 'Stone', {
    box: [10, 10, 8],
    connectors: SOCKET,
    outline: (builder) =>
      builder.lathe(
        [5, 5, 0],
        UP,
        [
          [4.9, 0],
          [4.9, 3],
          [3.4, 6.6],
          [1.4, 8],
        ],
        8,
      ),
  })

const gem = (): Shape =>
  detail('gem', 'Gem', {
    box: [6, 6, 8],
    bodies: [round(block(1, 1, 0, 4, 4, 4)), block(0, 0, 4, 6, 6, 4)],
    connectors: [{ kind: 'bar', at: [3, 3, 0], facing: PLUS_Z, length: 4 }],
    outline: (builder) => {
      builder.round([3, 3, 0], UP, 2, 2, 4, 12)
      builder.lathe(
        [3, 3, 4],
        UP,
        [
          [1.6, 0],
          [3, 1.6],
          [1.8, 4],
        ],
        8,
      )
    },
  })

/** Details that a working collection holds. */
export const detailShapes = (): Shape[] => [
  grille(1),
  grille(2),
  turned('bush-round', 'Round bush', 16, [
    [3, 0],
    [3, 2],
    [4.9, 5],
    [4.9, 9],
    [3.4, 13],
    [0, 16],
  ]),
  turned('tree-small', 'Small tree', 40, [
    [1.6, 0],
    [1.6, 8],
    [5, 8],
    [3, 17],
    [4.4, 17],
    [2.4, 27],
    [3.4, 27],
    [0, 40],
  ]),
  turned('mushroom', 'Mushroom', 10, [
    [2.6, 0],
    [2, 5],
    [4.9, 5],
    [4, 8],
    [0, 10],
  ]),
  turned('bottle', 'Bottle', 20, [
    [3.4, 0],
    [3.6, 1],
    [3.6, 11],
    [1.6, 15],
    [1.6, 19],
    [2, 19],
    [2, 20],
  ]),
  turned('jar', 'Jar', 14, [
    [3.4, 0],
    [4.4, 3],
    [4.4, 8],
    [3, 11],
    [3.4, 11],
    [3.4, 13],
    [1, 14],
  ]),
  turned('goblet', 'Goblet', 12, [
    [3, 0],
    [3, 1],
    [1, 2],
    [1, 5],
    [3.4, 8],
    [3.6, 12],
  ]),
  turned(
    'barrel-small',
    'Small barrel',
    12,
    [
      [4, 0],
      [4.9, 4],
      [4.9, 8],
      [4, 12],
    ],
    {
      connectors: [...SOCKET, ...studsAt([[5, 5]], 12)],
    },
  ),
  mug(),
  antenna(),
  horn(),
  flame(),
  tap(),
  lever(),
  bucket(),
  propeller(),
  chain(),
  lamp(),
  hook(),
  stone(),
  gem(),
]
