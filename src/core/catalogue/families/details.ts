import { boxAt, MINUS_X, MINUS_Z, PLATE_HEIGHT, PLUS_X, PLUS_Z, type Vec, type FlatPoint } from '../../space'
import { cellMiddles, makeShape, socketsAt, studsAt, type ShapeRecipe } from '../make'
import { carved, round } from '../solids'
import type { Solid } from '../solid'
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
  const count = columns * 3 - 1
  const slot = 1.6
  const lath = (width - count * slot) / (count + 1)
  const slots = Array.from({ length: count }, (_, i) => boxAt([lath + i * (lath + slot), 1.5, 2], [slot, 7, 2]))
  /** Where the slots and the ends begin and end: between them stand the laths. */
  const edges = [[0, 0] as const, ...slots.map(({ min, max }) => [min[0], max[0]] as const), [width, width] as const]
  return makeShape({
    id: `grille-1x${columns}`,
    family: 'grille',
    title: `Grille 1 × ${columns}`,
    box: [width, 10, PLATE_HEIGHT],
    connectors: socketsAt(cellMiddles(columns, 1)),
    form: [
      { kind: 'box', ...boxAt([0, 0, 0], [width, 10, 2]) },
      { kind: 'box', ...boxAt([0, 0, 2], [width, 1.5, 2]) },
      { kind: 'box', ...boxAt([0, 8.5, 2], [width, 1.5, 2]) },
      ...edges.slice(1).flatMap(([right], i): Solid[] => {
        const left = edges[i]![1]
        return right > left ? [{ kind: 'box', ...boxAt([left, 1.5, 2], [right - left, 7, 2]) }] : []
      }),
    ],
  })
}

/** What stands on one stud and is round all the way up. */
function turned(
  { id, title, height }: { readonly id: string; readonly title: string; readonly height: number },
  rings: readonly FlatPoint[],
  more: Partial<ShapeRecipe> = {},
): Shape {
  return detail(id, title, {
    box: [10, 10, height],
    connectors: SOCKET,
    form: [{ kind: 'revolution', foot: [5, 5, 0], axis: UP, rings, sides: 20 }],
    ...more,
  })
}

/** Round, with an open top and a handle. */
const mug = (): Shape =>
  detail('cup', 'Cup', {
    box: [10, 10, 8],
    bodies: [boxAt([1, 1, 0], [8, 8, 8])],
    connectors: SOCKET,
    form: [
      { kind: 'stump', foot: [5, 5, 0], axis: UP, bottom: 3, top: 3.4, height: 1, sides: 20 },
      { kind: 'tube', foot: [5, 5, 1], axis: UP, outer: 3.4, inner: 2.6, height: 7, sides: 20 },
      { kind: 'tube', foot: [7.6, 5.5, 4.2], axis: [0, -1, 0], outer: 2.4, inner: 1.5, height: 1.2, sides: 14 },
    ],
  })

const antenna = (): Shape =>
  detail('antenna', 'Antenna', {
    box: [10, 10, 48],
    bodies: [boxAt([0, 0, 0], [10, 10, 4]), round(boxAt([4, 4, 4], [2, 2, 44]))],
    connectors: SOCKET,
    form: [
      { kind: 'stump', foot: [5, 5, 0], axis: UP, bottom: 4, top: 3, height: 4, sides: 20 },
      { kind: 'stump', foot: [5, 5, 4], axis: UP, bottom: 1, top: 0.8, height: 41, sides: 10 },
      {
        kind: 'revolution',
        foot: [5, 5, 45],
        axis: UP,
        rings: [
          [0, 0],
          [1.4, 1],
          [1.4, 2],
          [0, 3],
        ],
        sides: 12,
      },
    ],
  })

const horn = (): Shape =>
  detail('horn', 'Horn', {
    box: [24, 4, 12],
    bodies: [round(boxAt([0, 0, 0], [8, 4, 4])), boxAt([8, 0, 0], [8, 4, 6]), boxAt([16, 0, 2], [8, 4, 10])],
    connectors: [{ kind: 'bar', at: [0, 2, 2], facing: PLUS_X, length: 6 }],
    reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
    form: [
      { kind: 'stump', foot: [0, 2, 2], axis: [1, 0, 0], bottom: 2, top: 2, height: 8, sides: 12 },
      {
        kind: 'prism',
        outline: [
          [8, 0],
          [16, 1],
          [22, 6],
          [24, 12],
          [19, 8],
          [14, 5],
          [8, 4],
        ],
        axis: 1,
        from: 0.6,
        to: 3.4,
      },
    ],
  })

const flame = (): Shape =>
  detail('flame', 'Flame', {
    box: [8, 4, 22],
    bodies: [round(boxAt([2, 0, 0], [4, 4, 6])), boxAt([0, 0, 6], [8, 4, 10]), boxAt([2, 0, 16], [4, 4, 6])],
    connectors: [{ kind: 'bar', at: [4, 2, 0], facing: PLUS_Z, length: 6 }],
    form: [
      { kind: 'stump', foot: [4, 2, 0], axis: UP, bottom: 2, top: 2, height: 6, sides: 12 },
      {
        kind: 'prism',
        outline: [
          [4, 6],
          [7.4, 9],
          [7.8, 12],
          [5.4, 22],
          [4.6, 17],
          [2, 19],
          [0.4, 13],
          [1, 9],
        ],
        axis: 1,
        from: 0.8,
        to: 3.2,
      },
    ],
  })

/** A spout that bends forward, with a wheel on top. */
const tap = (): Shape =>
  detail('tap', 'Tap', {
    box: [10, 10, 12],
    bodies: [boxAt([1, 1, 0], [8, 9, 12])],
    connectors: SOCKET,
    form: [
      { kind: 'stump', foot: [5, 6, 0], axis: UP, bottom: 3, top: 2.4, height: 8, sides: 16 },
      { kind: 'stump', foot: [5, 6, 6], axis: [0, -1, 0], bottom: 1.6, top: 1.6, height: 5, sides: 12 },
      { kind: 'stump', foot: [5, 2.2, 3], axis: UP, bottom: 1.5, top: 1.5, height: 4, sides: 12 },
      { kind: 'stump', foot: [5, 6, 9], axis: UP, bottom: 3.4, top: 3.4, height: 1.6, sides: 6 },
      { kind: 'stump', foot: [5, 6, 8], axis: UP, bottom: 1, top: 1, height: 2, sides: 8 },
    ],
  })

/** A foot with a handle that leans. */
const lever = (): Shape =>
  detail('lever', 'Lever', {
    box: [10, 10, 20],
    bodies: [boxAt([0, 0, 0], [10, 10, 4]), boxAt([3, 3, 4], [4, 4, 16])],
    connectors: SOCKET,
    form: [
      { kind: 'stump', foot: [5, 5, 0], axis: UP, bottom: 4.8, top: 4.8, height: 3, sides: 20 },
      {
        kind: 'revolution',
        foot: [5, 5, 2],
        axis: UP,
        rings: [
          [0, 0],
          [3, 1],
          [3, 3],
          [0, 4],
        ],
        sides: 16,
      },
      { kind: 'stump', foot: [5, 5, 4], axis: UP, bottom: 1.1, top: 1.1, height: 13, sides: 10 },
      {
        kind: 'revolution',
        foot: [5, 5, 16],
        axis: UP,
        rings: [
          [0, 0],
          [1.8, 1.2],
          [1.8, 2.6],
          [0, 4],
        ],
        sides: 12,
      },
    ],
  })

/** An open pail with a bow. */
const bucket = (): Shape =>
  detail('bucket', 'Bucket', {
    box: [10, 10, 14],
    bodies: [boxAt([1, 1, 0], [8, 8, 9]), boxAt([1, 4, 9], [8, 2, 5])],
    connectors: [...SOCKET, { kind: 'bar', at: [3, 5, 12], facing: PLUS_X, length: 4 }],
    form: [
      { kind: 'stump', foot: [5, 5, 0], axis: UP, bottom: 2.8, top: 3, height: 1, sides: 20 },
      { kind: 'tube', foot: [5, 5, 1], axis: UP, outer: 3.9, inner: 3, height: 8, sides: 20 },
      { kind: 'box', ...boxAt([1, 4.4, 8], [1, 1.2, 6]) },
      { kind: 'box', ...boxAt([8, 4.4, 8], [1, 1.2, 6]) },
      { kind: 'box', ...boxAt([2, 4.4, 12.8], [6, 1.2, 1.2]) },
    ],
  })

const propeller = (): Shape =>
  detail('propeller', 'Propeller', {
    box: [40, 6, 40],
    bodies: carved(boxAt([0, 0, 16], [40, 6, 8]), [boxAt([17, 0, 17], [6, 6, 6])]).concat([
      boxAt([16, 0, 0], [8, 6, 16]),
      boxAt([16, 0, 24], [8, 6, 16]),
    ]),
    connectors: [{ kind: 'hole', at: [20, 3, 20], facing: 3 }],
    form: [
      { kind: 'tube', foot: [20, 0, 20], axis: [0, 1, 0], outer: 4, inner: 2.9, height: 6, sides: 20 },
      ...Array.from({ length: 4 }, (_, i): Solid => {
        const angle = (Math.PI * i) / 2
        const at = (along: number, side: number): FlatPoint => [
          20 + along * Math.cos(angle) - side * Math.sin(angle),
          20 + along * Math.sin(angle) + side * Math.cos(angle),
        ]
        return {
          kind: 'prism',
          outline: [at(3.4, -1), at(9, -3.6), at(19, -3.2), at(19.6, 0), at(17, 2.6), at(3.4, 1.4)],
          axis: 1,
          from: 2,
          to: 3.4,
        }
      }),
    ],
  })

/** A chain of links with a bar at either end. */
const chain = (): Shape => {
  const links = Array.from({ length: 6 }, (_, i) => 4 + i * 5)
  return detail('chain', 'Chain', {
    box: [40, 4, 4],
    bodies: [boxAt([0, 0, 0], [40, 4, 4])],
    connectors: [
      { kind: 'bar', at: [0, 2, 2], facing: PLUS_X, length: 4 },
      { kind: 'bar', at: [40, 2, 2], facing: MINUS_X, length: 4 },
    ],
    form: [
      { kind: 'stump', foot: [0, 2, 2], axis: [1, 0, 0], bottom: 2, top: 2, height: 4, sides: 12 },
      { kind: 'stump', foot: [36, 2, 2], axis: [1, 0, 0], bottom: 2, top: 2, height: 4, sides: 12 },
      ...links.map((x, i): Solid => {
        const isUpright = i % 2 === 0
        const foot: Vec = [x + 2.6, isUpright ? 2 : 2.6, isUpright ? 1.4 : 2]
        return { kind: 'tube', foot, axis: isUpright ? UP : [0, -1, 0], outer: 2, inner: 1.1, height: 1.2, sides: 12 }
      }),
    ],
  })
}

const lamp = (): Shape =>
  turned({ id: 'lamp', title: 'Lamp with a shade', height: 16 }, [
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
    bodies: [round(boxAt([3, 0, 12], [4, 4, 8])), boxAt([0, 0, 0], [10, 4, 12])],
    connectors: [{ kind: 'bar', at: [5, 2, 20], facing: MINUS_Z, length: 6 }],
    twin: 'hook',
    reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
    form: [
      { kind: 'stump', foot: [5, 2, 12], axis: UP, bottom: 2, top: 2, height: 8, sides: 12 },
      {
        kind: 'prism',
        outline: [
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
        axis: 1,
        from: 0.8,
        to: 3.2,
      },
    ],
  })

const stone = (): Shape =>
  detail('stone', 'Stone', {
    box: [10, 10, 8],
    connectors: SOCKET,
    form: [
      {
        kind: 'revolution',
        foot: [5, 5, 0],
        axis: UP,
        rings: [
          [4.9, 0],
          [4.9, 3],
          [3.4, 6.6],
          [1.4, 8],
        ],
        sides: 8,
      },
    ],
  })

const gem = (): Shape =>
  detail('gem', 'Gem', {
    box: [6, 6, 8],
    bodies: [round(boxAt([1, 1, 0], [4, 4, 4])), boxAt([0, 0, 4], [6, 6, 4])],
    connectors: [{ kind: 'bar', at: [3, 3, 0], facing: PLUS_Z, length: 4 }],
    form: [
      { kind: 'stump', foot: [3, 3, 0], axis: UP, bottom: 2, top: 2, height: 4, sides: 12 },
      {
        kind: 'revolution',
        foot: [3, 3, 4],
        axis: UP,
        rings: [
          [1.6, 0],
          [3, 1.6],
          [1.8, 4],
        ],
        sides: 8,
      },
    ],
  })

/** Details that a working collection holds. */
const DETAILS: readonly Shape[] = [
  grille(1),
  grille(2),
  turned({ id: 'bush-round', title: 'Round bush', height: 16 }, [
    [3, 0],
    [3, 2],
    [4.9, 5],
    [4.9, 9],
    [3.4, 13],
    [0, 16],
  ]),
  turned({ id: 'tree-small', title: 'Small tree', height: 40 }, [
    [1.6, 0],
    [1.6, 8],
    [5, 8],
    [3, 17],
    [4.4, 17],
    [2.4, 27],
    [3.4, 27],
    [0, 40],
  ]),
  turned({ id: 'mushroom', title: 'Mushroom', height: 10 }, [
    [2.6, 0],
    [2, 5],
    [4.9, 5],
    [4, 8],
    [0, 10],
  ]),
  turned({ id: 'bottle', title: 'Bottle', height: 20 }, [
    [3.4, 0],
    [3.6, 1],
    [3.6, 11],
    [1.6, 15],
    [1.6, 19],
    [2, 19],
    [2, 20],
  ]),
  turned({ id: 'jar', title: 'Jar', height: 14 }, [
    [3.4, 0],
    [4.4, 3],
    [4.4, 8],
    [3, 11],
    [3.4, 11],
    [3.4, 13],
    [1, 14],
  ]),
  turned({ id: 'goblet', title: 'Goblet', height: 12 }, [
    [3, 0],
    [3, 1],
    [1, 2],
    [1, 5],
    [3.4, 8],
    [3.6, 12],
  ]),
  turned(
    { id: 'barrel-small', title: 'Small barrel', height: 12 },
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

export const detailShapes = (): readonly Shape[] => DETAILS
