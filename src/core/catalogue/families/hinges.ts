import { boxAt, BRICK_HEIGHT, MINUS_Y, MINUS_Z, PLATE_HEIGHT, PLUS_X, PLUS_Z } from '../../space'
import { cellMiddles, makeShape, socketsAt, studsAt } from '../make'
import type { Solid } from '../solid'
import type { Shape } from '../types'
import { plateBase, withAdded, type Added } from './bars'

const P = PLATE_HEIGHT

/** The hinge's axis lies along x, 5 u in front of the −y side: two that are joined flat stand on the lattice. */
const HINGE_OUT = 5

const fork = (width: number, z: number): Added => ({
  bodies: [2, width - 6].map((x) => ({ ...boxAt([x, -7, z - 2], [4, 7, 4]), round: true as const })),
  connectors: [{ kind: 'fork', at: [width / 2, -HINGE_OUT, z], facing: MINUS_Y, along: PLUS_X }],
  form: [
    ...[2, width - 6].flatMap((x): Solid[] => [
      { kind: 'box', ...boxAt([x, -HINGE_OUT, z - 2], [4, HINGE_OUT, 4]) },
      { kind: 'stump', foot: [x, -HINGE_OUT, z], axis: [1, 0, 0], bottom: 2, top: 2, height: 4, sides: 16 },
    ]),
  ],
})

const tongue = (width: number, z: number): Added => ({
  bodies: [{ ...boxAt([6, -7, z - 2], [width - 12, 7, 4]), round: true }],
  connectors: [{ kind: 'tongue', at: [width / 2, -HINGE_OUT, z], facing: MINUS_Y, along: PLUS_X }],
  form: [
    { kind: 'box', ...boxAt([6, -HINGE_OUT, z - 2], [width - 12, HINGE_OUT, 4]) },
    { kind: 'stump', foot: [6, -HINGE_OUT, z], axis: [1, 0, 0], bottom: 2, top: 2, height: width - 12, sides: 16 },
  ],
})

/** A disc that turns on another: the lower has a post in its middle, the upper a ring. */
function turntableHalf(across: number, half: 'base' | 'top'): Shape {
  const wide = across * 10
  const cells = cellMiddles(across, across)
  const middle = wide / 2
  const disc = (z: number): Solid => ({
    kind: 'stump',
    foot: [middle, middle, z],
    axis: [0, 0, 1],
    bottom: middle - 1,
    top: middle - 1,
    height: 1,
    sides: 32,
  })
  return makeShape({
    id: `turntable-${across}x${across}-${half}`,
    family: 'hinge',
    title: `Turntable ${across} × ${across}, ${half === 'base' ? 'lower half' : 'upper half'}`,
    box: [wide, wide, P],
    connectors:
      half === 'base'
        ? [...socketsAt(cells), { kind: 'post', at: [middle, middle, P], facing: PLUS_Z }]
        : [...studsAt(cells, P), { kind: 'ring', at: [middle, middle, 0], facing: MINUS_Z }],
    form:
      half === 'base'
        ? [{ kind: 'box', ...boxAt([0, 0, 0], [wide, wide, P - 1]) }, disc(P - 1)]
        : [disc(0), { kind: 'box', ...boxAt([0, 0, 1], [wide, wide, P - 1]) }],
  })
}

function turntable(): Shape {
  const cells = cellMiddles(2, 2)
  return makeShape({
    id: 'turntable-2x2',
    family: 'hinge',
    title: 'Turntable 2 × 2, both halves',
    box: [20, 20, P],
    connectors: [...studsAt(cells, P), ...socketsAt(cells)],
    form: [
      { kind: 'box', ...boxAt([0, 0, 0], [20, 20, 1]) },
      { kind: 'stump', foot: [10, 10, 1], axis: [0, 0, 1], bottom: 9, top: 9, height: 1, sides: 32 },
      { kind: 'box', ...boxAt([0, 0, 2], [20, 20, 2]) },
    ],
  })
}

/** Hinges: forks and tongues that turn about a lying axis, turntables that turn about an upright one. */
export const hingeShapes = (): Shape[] => [
  withAdded({ id: 'hinge-plate-1x2-fork', family: 'hinge', title: 'Hinge plate 1 × 2 with a fork' }, plateBase(2, 1, P), [fork(20, 2)]),
  withAdded({ id: 'hinge-plate-1x2-tongue', family: 'hinge', title: 'Hinge plate 1 × 2 with a tongue' }, plateBase(2, 1, P), [
    tongue(20, 2),
  ]),
  withAdded({ id: 'hinge-plate-2x2-fork', family: 'hinge', title: 'Hinge plate 2 × 2 with a fork' }, plateBase(2, 2, P), [fork(20, 2)]),
  withAdded({ id: 'hinge-plate-2x2-tongue', family: 'hinge', title: 'Hinge plate 2 × 2 with a tongue' }, plateBase(2, 2, P), [
    tongue(20, 2),
  ]),
  withAdded({ id: 'hinge-brick-1x2-fork', family: 'hinge', title: 'Hinge brick 1 × 2 with a fork' }, plateBase(2, 1, BRICK_HEIGHT), [
    fork(20, 6),
  ]),
  withAdded({ id: 'hinge-brick-1x2-tongue', family: 'hinge', title: 'Hinge brick 1 × 2 with a tongue' }, plateBase(2, 1, BRICK_HEIGHT), [
    tongue(20, 6),
  ]),
  turntable(),
  turntableHalf(2, 'base'),
  turntableHalf(2, 'top'),
  turntableHalf(4, 'base'),
  turntableHalf(4, 'top'),
]

const BALL = 8
/** The ball's middle stands 6 u in front of the −y side. */
const ball = (x: number, z: number): Added => ({
  bodies: [
    { ...boxAt([x - 2, -2, z - 2], [4, 2, 4]), round: true },
    { ...boxAt([x - 4, -10, z - 4], [BALL, BALL, BALL]), round: true },
  ],
  connectors: [{ kind: 'ball', at: [x, -6, z], facing: MINUS_Y }],
  form: [
    { kind: 'stump', foot: [x, 0, z], axis: [0, -1, 0], bottom: 2, top: 2, height: 4, sides: 12 },
    { kind: 'revolution', foot: [x, -10, z], axis: [0, 1, 0], rings: BALL_RINGS, sides: 20 },
  ],
})

const BALL_RINGS = Array.from({ length: 9 }, (_, i): [number, number] => {
  const angle = (Math.PI * i) / 8
  return [i === 0 || i === 8 ? 0 : 4 * Math.sin(angle), 4 - 4 * Math.cos(angle)]
})

/** Its cheeks reach 1 u past the ball's middle: longer ones would meet what carries the ball before it has bent by 50°. */
const cup = (x: number, z: number): Added => ({
  bodies: [boxAt([x - 6, -2, z - 4], [12, 2, 8]), boxAt([x - 6, -7, z - 3], [2, 5, 6]), boxAt([x + 4, -7, z - 3], [2, 5, 6])],
  connectors: [{ kind: 'cup', at: [x, -6, z], facing: MINUS_Y }],
})

const upBall = (x: number, y: number, z: number): Added => ({
  bodies: [
    { ...boxAt([x - 2, y - 2, z], [4, 4, 2]), round: true },
    { ...boxAt([x - 4, y - 4, z + 2], [BALL, BALL, BALL]), round: true },
  ],
  connectors: [{ kind: 'ball', at: [x, y, z + 6], facing: PLUS_Z }],
  form: [
    { kind: 'stump', foot: [x, y, z], axis: [0, 0, 1], bottom: 2, top: 2, height: 4, sides: 12 },
    { kind: 'revolution', foot: [x, y, z + 2], axis: [0, 0, 1], rings: BALL_RINGS, sides: 20 },
  ],
})

const FAMILY = 'ball'

/** Balls and cups: joints that swing every way. */
export const ballShapes = (): Shape[] => [
  withAdded({ id: 'plate-1x2-ball', family: FAMILY, title: 'Plate 1 × 2 with a ball' }, plateBase(2, 1, P), [ball(10, 2)]),
  withAdded({ id: 'plate-1x2-cup', family: FAMILY, title: 'Plate 1 × 2 with a cup' }, plateBase(2, 1, P), [cup(10, 2)]),
  withAdded({ id: 'plate-2x2-ball', family: FAMILY, title: 'Plate 2 × 2 with a ball' }, plateBase(2, 2, P), [ball(10, 2)]),
  withAdded({ id: 'plate-2x2-cup', family: FAMILY, title: 'Plate 2 × 2 with a cup' }, plateBase(2, 2, P), [cup(10, 2)]),
  withAdded({ id: 'plate-1x1-ball-up', family: FAMILY, title: 'Plate 1 × 1 with a ball on top' }, plateBase(1, 1, P, 'bare'), [
    upBall(5, 5, P),
  ]),
  withAdded({ id: 'brick-1x1-ball', family: FAMILY, title: 'Brick 1 × 1 with a ball' }, plateBase(1, 1, BRICK_HEIGHT), [ball(5, 6)]),
  withAdded({ id: 'brick-1x2-cup', family: FAMILY, title: 'Brick 1 × 2 with a cup' }, plateBase(2, 1, BRICK_HEIGHT), [cup(10, 6)]),
  withAdded({ id: 'brick-2x2-ball', family: FAMILY, title: 'Brick 2 × 2 with a ball' }, plateBase(2, 2, BRICK_HEIGHT), [ball(10, 6)]),
  withAdded({ id: 'brick-2x2-cup', family: FAMILY, title: 'Brick 2 × 2 with a cup' }, plateBase(2, 2, BRICK_HEIGHT), [cup(10, 6)]),
]
