import { boxAt, BRICK_HEIGHT, MINUS_Y, PLUS_X, PLUS_Y, type Vec, type FlatPoint } from '../../space'
import { cellMiddles, LEFT_RIGHT, makeShape, socketsAt, studsAt } from '../make'
import { arc, circle, cornersOf, rectangle, type Rectangle } from '../polygon'
import { carved, holesInRow, round, ROUND_BORE, CROSS_BORE, type Bores } from '../solids'
import type { Solid } from '../solid'
import type { Connector, Shape } from '../types'
import { gear, wheel } from './gears'
import { BEAM, bore, crossHole, HOLE, roundHole, X, Y } from './through-holes'

interface Through {
  readonly columns: number
  readonly holes: readonly number[]
  readonly isCross?: boolean
}

function holedBrick(id: string, title: string, { columns, holes, isCross }: Through): Shape {
  const cells = cellMiddles(columns, 1)
  const box: Vec = [columns * 10, 10, BRICK_HEIGHT]
  const z = BRICK_HEIGHT / 2
  return makeShape({
    id,
    family: 'pin and axle',
    title,
    box,
    bodies: carved(
      boxAt([0, 0, 0], box),
      holes.map((x) => bore(x, z)),
    ),
    connectors: [
      ...studsAt(cells, BRICK_HEIGHT),
      ...socketsAt(cells),
      ...holes.flatMap((x) => (isCross ? crossHole(x, z) : roundHole(x, z))),
    ],
    form: [drilled(box, holes, z, isCross ? CROSS_BORE : ROUND_BORE)],
  })
}

function drilled(box: Vec, holes: readonly number[], z: number, bores: Bores): Solid {
  const whole = rectangle(0, 0, box[0], box[2])
  const middles = holes.map((x): FlatPoint => [x, z])
  return bored(whole, middles, bores)
}

/** A block of a beam's depth with holes in a row, along y. */
const bored = (whole: Rectangle, middles: readonly FlatPoint[], bores: Bores): Solid => ({
  kind: 'perforated',
  outline: cornersOf(whole),
  cells: holesInRow(whole, middles, bores),
  axis: 1,
  from: 0,
  to: BEAM,
})

function beam(length: number): Shape {
  const box: Vec = [length * 10, BEAM, 10]
  const holes = Array.from({ length }, (_, i) => i * 10 + 5)
  const right = box[0] - 5
  const [leftEnd, rightEnd] = [arc([5, 5], 5, [90, 270], 10), arc([right, 5], 5, [-90, 90], 10)]
  const middle = holesInRow(
    rectangle(10, 0, box[0] - 10, 10),
    holes.slice(1, -1).map((x): FlatPoint => [x, 5]),
    ROUND_BORE,
  )
  const cells = [
    { cell: [...leftEnd, [10, 0], [10, 10]] as FlatPoint[], hole: circle([5, 5], 2.9, 16) },
    ...(length > 2 ? middle : []),
    { cell: [...rightEnd, [box[0] - 10, 10], [box[0] - 10, 0]] as FlatPoint[], hole: circle([right, 5], 2.9, 16) },
  ]
  return makeShape({
    id: `beam-${length}`,
    family: 'beam',
    title: `Beam, ${length} long`,
    box,
    bodies: carved(
      boxAt([0, 0, 0], box),
      holes.map((x) => bore(x, 5)),
    ),
    connectors: holes.flatMap((x) => roundHole(x, 5)),
    form: [{ kind: 'perforated', outline: [...leftEnd, ...rightEnd], cells, axis: 1, from: 0, to: BEAM }],
  })
}

/** A beam with a corner: one leg along x, one up from its first hole. */
function bentBeam(along: number, up: number): Shape {
  const box: Vec = [along * 10, BEAM, up * 10]
  const holes: [number, number][] = [
    ...Array.from({ length: along }, (_, i): [number, number] => [i * 10 + 5, 5]),
    ...Array.from({ length: up - 1 }, (_, i): [number, number] => [5, i * 10 + 15]),
  ]
  const legs = [boxAt([0, 0, 0], [along * 10, BEAM, 10]), boxAt([0, 0, 10], [10, BEAM, (up - 1) * 10])]
  return makeShape({
    id: `beam-bent-${up}x${along}`,
    family: 'beam',
    title: `Bent beam ${up} × ${along}`,
    box,
    bodies: legs.flatMap((leg) =>
      carved(
        leg,
        holes.map(([x, z]) => bore(x, z)),
      ),
    ),
    connectors: holes.flatMap(([x, z]) => roundHole(x, z)),
    reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
    form: [
      bored(rectangle(0, 0, along * 10, 10), holes.slice(0, along), ROUND_BORE),
      ...holes.slice(along).map(([x, z]) => bored(rectangle(0, z - 5, 10, z + 5), [[x, z]], ROUND_BORE)),
    ],
  })
}

const PEG: readonly FlatPoint[] = [
  [2.4, 0],
  [2.9, 0.6],
  [2.9, 1.6],
  [2.5, 2],
  [2.5, 9],
  [2.95, 9.4],
]

function pin(id: string, title: string, halves: number): Shape {
  const long = halves * 10
  const back = [...PEG].reverse().map(([radius, height]): FlatPoint => [radius, long - height])
  return makeShape({
    id,
    family: 'pin',
    title,
    box: [long, HOLE, HOLE],
    bodies: [round(boxAt([0, 0, 0], [long, HOLE, HOLE]))],
    connectors: Array.from({ length: halves }, (_, i): Connector => ({ kind: 'pin', at: [i * 10 + 5, 3, 3], facing: PLUS_X })),
    form: [{ kind: 'revolution', foot: [0, 3, 3], axis: X, rings: [...PEG, ...back], sides: 16 }],
  })
}

/** A peg with a stud at its end. */
function halfPin(): Shape {
  return makeShape({
    id: 'pin-half',
    family: 'pin',
    title: 'Half pin with a stud',
    box: [10, HOLE, HOLE],
    bodies: [round(boxAt([0, 0, 0], [10, HOLE, HOLE]))],
    connectors: [
      { kind: 'pin', at: [5, 3, 3], facing: PLUS_X },
      { kind: 'stud', at: [10, 3, 3], facing: PLUS_X },
    ],
    reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
    form: [{ kind: 'revolution', foot: [0, 3, 3], axis: X, rings: [...PEG, [2.95, 10]], sides: 16 }],
  })
}

/** The outline of an axle: a cross 6 u wide with arms of 2 u. */
const CROSS: readonly FlatPoint[] = [
  [2, 0],
  [4, 0],
  [4, 2],
  [6, 2],
  [6, 4],
  [4, 4],
  [4, 6],
  [2, 6],
  [2, 4],
  [0, 4],
  [0, 2],
  [2, 2],
]

const axleConnector = (from: number, length: number): Connector => ({ kind: 'axle', at: [from, 3, 3], facing: PLUS_X, length })

function axle(length: number): Shape {
  const long = length * 10
  return makeShape({
    id: `axle-${length}`,
    family: 'axle',
    title: `Axle, ${length} long`,
    box: [long, HOLE, HOLE],
    bodies: [round(boxAt([0, 0, 0], [long, HOLE, HOLE]))],
    connectors: [axleConnector(0, long)],
    form: [{ kind: 'prism', outline: CROSS, axis: 0, from: 0, to: long }],
  })
}

/** A peg on one side, an axle on the other. */
function pinAxle(): Shape {
  return makeShape({
    id: 'pin-axle',
    family: 'pin',
    title: 'Pin with an axle end',
    box: [20, HOLE, HOLE],
    bodies: [round(boxAt([0, 0, 0], [20, HOLE, HOLE]))],
    connectors: [{ kind: 'pin', at: [5, 3, 3], facing: PLUS_X }, axleConnector(10, 10)],
    reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
    form: [
      { kind: 'revolution', foot: [0, 3, 3], axis: X, rings: [...PEG, [2.95, 10]], sides: 16 },
      { kind: 'prism', outline: CROSS, axis: 0, from: 10, to: 20 },
    ],
  })
}

/** A ring that is pushed on an axle, and a longer one that joins two. */
function sleeve(id: string, title: string, long: number, across: number): Shape {
  const middle = across / 2
  return makeShape({
    id,
    family: 'axle',
    title,
    box: [long, across, across],
    bodies: carved(boxAt([0, 0, 0], [long, across, across]), [boxAt([0, middle - 3, middle - 3], [long, HOLE, HOLE])]),
    connectors: (long > 12 ? [5, long - 5] : [long / 2]).map((x): Connector => ({
      kind: 'cross',
      at: [x, middle, middle],
      facing: PLUS_X,
    })),
    form: [{ kind: 'tube', foot: [0, middle, middle], axis: X, outer: middle, inner: 2.6, height: long, sides: 20 }],
  })
}

/** A crank: two axle holes side by side, 20 u apart. */
function crank(): Shape {
  const box: Vec = [30, BEAM, 10]
  return makeShape({
    id: 'crank',
    family: 'pin and axle',
    title: 'Crank with two axle holes',
    box,
    bodies: carved(boxAt([0, 0, 0], box), [bore(5, 5), bore(25, 5)]),
    connectors: [...crossHole(5, 5), ...crossHole(25, 5)],
    form: [drilled(box, [5, 25], 5, CROSS_BORE)],
  })
}

/** A hole one way and an axle hole across it, above: turns a corner. */
function corner(): Shape {
  const low = rectangle(0, 0, 10, 10)
  const high = rectangle(0, 10, 10, 20)
  return makeShape({
    id: 'axle-corner',
    family: 'pin and axle',
    title: 'Axle and pin joint at a right angle',
    box: [10, BEAM, 20],
    bodies: [
      ...carved(boxAt([0, 0, 0], [10, BEAM, 10]), [bore(5, 5)]),
      ...carved(boxAt([0, 0, 10], [10, BEAM, 10]), [boxAt([0, 2, 12], [10, HOLE, HOLE])]),
    ],
    connectors: [...roundHole(5, 5), { kind: 'cross', at: [5, 5, 15], facing: PLUS_X }],
    reflection: LEFT_RIGHT,
    form: [
      { kind: 'perforated', outline: cornersOf(low), cells: holesInRow(low, [[5, 5]], ROUND_BORE), axis: 1, from: 0, to: BEAM },
      { kind: 'perforated', outline: cornersOf(high), cells: holesInRow(high, [[5, 15]], CROSS_BORE), axis: 0, from: 0, to: BEAM },
    ],
  })
}

/** A plate with a hole that stands on its −y side. */
function holePlate(): Shape {
  const cells = cellMiddles(2, 1)
  const high = rectangle(5, 4, 15, 14)
  return makeShape({
    id: 'plate-1x2-hole-top',
    family: 'pin and axle',
    title: 'Plate 1 × 2 with a pin hole on top',
    box: [20, 10, 4],
    bodies: [boxAt([0, 0, 0], [20, 10, 4]), ...carved(boxAt([5, 0, 4], [10, BEAM, 10]), [bore(10, 9)])],
    connectors: [...socketsAt(cells), ...roundHole(10, 9)],
    form: [
      { kind: 'box', ...boxAt([0, 0, 0], [20, 10, 4]) },
      { kind: 'perforated', outline: cornersOf(high), cells: holesInRow(high, [[10, 9]], ROUND_BORE), axis: 1, from: 0, to: BEAM },
    ],
  })
}

/** A brick with a peg that points forward. */
function pinBrick(): Shape {
  const cells = cellMiddles(2, 1)
  return makeShape({
    id: 'brick-1x2-pin',
    family: 'pin and axle',
    title: 'Brick 1 × 2 with a pin',
    box: [20, 10, BRICK_HEIGHT],
    bodies: [boxAt([0, 0, 0], [20, 10, BRICK_HEIGHT]), round(boxAt([7, -10, 3], [HOLE, 10, HOLE]))],
    connectors: [...studsAt(cells, BRICK_HEIGHT), ...socketsAt(cells), { kind: 'pin', at: [10, -5, 6], facing: MINUS_Y }],
    form: [
      { kind: 'box', ...boxAt([0, 0, 0], [20, 10, BRICK_HEIGHT]) },
      { kind: 'revolution', foot: [10, -10, 6], axis: Y, rings: [...PEG, [2.95, 10]], sides: 16 },
    ],
  })
}

/** A plate that carries two wheels on short pegs, one on either side. */
function wheelPlate(): Shape {
  const cells = cellMiddles(2, 2)
  return makeShape({
    id: 'plate-2x2-pins',
    family: 'pin and axle',
    title: 'Plate 2 × 2 with a wheel pin on either side',
    box: [20, 20, 4],
    bodies: [
      boxAt([0, 0, 0], [20, 20, 4]),
      ...[-10, 20].map((y) => round(boxAt([7, y, -3], [HOLE, 10, HOLE]))),
      boxAt([7, 0, -3], [6, 20, 3]),
    ],
    connectors: [...studsAt(cells, 4), { kind: 'pin', at: [10, -5, 0], facing: MINUS_Y }, { kind: 'pin', at: [10, 25, 0], facing: PLUS_Y }],
    form: [
      { kind: 'box', ...boxAt([0, 0, 0], [20, 20, 4]) },
      { kind: 'stump', foot: [10, 0, 0], axis: Y, bottom: 3, top: 3, height: 20, sides: 16 },
      { kind: 'revolution', foot: [10, -10, 0], axis: Y, rings: [...PEG, [2.95, 10]], sides: 16 },
      { kind: 'revolution', foot: [10, 30, 0], axis: [0, -1, 0], rings: [...PEG, [2.95, 10]], sides: 16 },
    ],
  })
}

/** Pins, axles, and all that has holes for them; gears and wheels. */
export const axleShapes = (): Shape[] => [
  holedBrick('brick-1x1-hole', 'Brick 1 × 1 with a pin hole', { columns: 1, holes: [5] }),
  holedBrick('brick-1x2-hole', 'Brick 1 × 2 with a pin hole', { columns: 2, holes: [10] }),
  holedBrick('brick-1x2-holes', 'Brick 1 × 2 with two pin holes', { columns: 2, holes: [5, 15] }),
  holedBrick('brick-1x4-holes', 'Brick 1 × 4 with three pin holes', { columns: 4, holes: [10, 20, 30] }),
  holedBrick('brick-1x6-holes', 'Brick 1 × 6 with five pin holes', { columns: 6, holes: [10, 20, 30, 40, 50] }),
  holedBrick('brick-1x8-holes', 'Brick 1 × 8 with seven pin holes', { columns: 8, holes: [10, 20, 30, 40, 50, 60, 70] }),
  holedBrick('brick-1x2-cross', 'Brick 1 × 2 with an axle hole', { columns: 2, holes: [10], isCross: true }),
  ...[2, 3, 5, 7, 9, 11, 13, 15].map(beam),
  bentBeam(3, 2),
  bentBeam(4, 2),
  bentBeam(5, 3),
  pin('pin', 'Pin', 2),
  pin('pin-long', 'Long pin', 3),
  halfPin(),
  pinAxle(),
  ...[2, 3, 4, 5, 6, 7, 8, 10, 12].map(axle),
  sleeve('bush', 'Bush', 10, 8),
  sleeve('bush-half', 'Half bush', 4, 8),
  sleeve('axle-joint', 'Axle joint, 2 long', 20, 8),
  crank(),
  corner(),
  holePlate(),
  pinBrick(),
  wheelPlate(),
  gear(8),
  gear(16),
  gear(24),
  gear(40),
  wheel({ id: 'wheel-small', title: 'Small wheel', across: 20, rim: 6.5 }),
  wheel({ id: 'wheel-medium', title: 'Wheel with an axle hole', across: 30, rim: 10, hasCross: true }),
  wheel({ id: 'wheel-large', title: 'Large wheel with an axle hole', across: 44, rim: 15, hasCross: true }),
]
