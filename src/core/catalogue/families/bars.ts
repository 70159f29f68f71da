import { boxAt, MINUS_Y, PLATE_HEIGHT, PLUS_X, PLUS_Z, STUD_PITCH, type Box, type Vec } from '../../space'
import { cellMiddles, makeShape, socketsAt, studsAt, type ShapeName, type ShapeRecipe } from '../make'
import { round } from '../solids'
import type { Solid } from '../solid'
import type { BodyBox, Connector, Shape } from '../types'

/** Bars are 4 u thick; a clip holds one between two jaws, and its mouth is as wide as the bar. */
const X: Vec = [1, 0, 0]

function bar(length: number): Shape {
  const long = length * STUD_PITCH
  return makeShape({
    id: `bar-${length}`,
    family: 'bar',
    title: `Bar, ${length} long`,
    box: [long, 4, 4],
    bodies: [round(boxAt([0, 0, 0], [long, 4, 4]))],
    connectors: [{ kind: 'bar', at: [0, 2, 2], facing: PLUS_X, length: long }],
    form: [{ kind: 'stump', foot: [0, 2, 2], axis: X, bottom: 2, top: 2, height: long, sides: 12 }],
  })
}

/** Parts of a plate, with or without studs, to which something is added. */
function plate(
  columns: number,
  rows: number,
  height: number,
  top: 'studs' | 'bare' = 'studs',
): { box: Vec; body: Box; connectors: Connector[] } {
  const cells = cellMiddles(columns, rows)
  const box: Vec = [columns * STUD_PITCH, rows * STUD_PITCH, height]
  return { box, body: boxAt([0, 0, 0], box), connectors: [...(top === 'studs' ? studsAt(cells, height) : []), ...socketsAt(cells)] }
}

interface Added {
  readonly bodies: readonly BodyBox[]
  readonly connectors: readonly Connector[]
  /** Drawn instead of the bodies. */
  readonly form?: readonly Solid[]
}

function withAdded({ id, family, title }: ShapeName, base: ReturnType<typeof plate>, added: readonly Added[]): Shape {
  const recipe: ShapeRecipe = {
    id,
    family,
    title,
    box: base.box,
    bodies: [base.body, ...added.flatMap(({ bodies }) => bodies)],
    connectors: [...base.connectors, ...added.flatMap(({ connectors }) => connectors)],
    form: [
      { kind: 'box', ...base.body },
      ...added.flatMap(({ bodies, form }) => form ?? bodies.map(({ min, max }): Solid => ({ kind: 'box', min, max }))),
    ],
  }
  return makeShape(recipe)
}

/** A clip on the −y side that holds an upright bar: middle at x, 4 u in front, its mouth to −y. */
const uprightClip = (x: number, z: number): Added => ({
  bodies: [boxAt([x - 4, -2, z - 2], [8, 2, 4]), boxAt([x - 4, -6, z - 2], [2, 4, 4]), boxAt([x + 2, -6, z - 2], [2, 4, 4])],
  connectors: [{ kind: 'clip', at: [x, -4, z], facing: MINUS_Y, along: PLUS_Z }],
})

/** A clip on the −y side that holds a bar lying along x. */
const lyingClip = (x: number, z: number): Added => ({
  bodies: [boxAt([x - 3, -2, z - 4], [6, 2, 8]), boxAt([x - 3, -6, z - 4], [6, 4, 2]), boxAt([x - 3, -6, z + 2], [6, 4, 2])],
  connectors: [{ kind: 'clip', at: [x, -4, z], facing: MINUS_Y, along: PLUS_X }],
})

/** A clip on top, its mouth up, that holds a bar lying along x. */
const topClip = (x: number, y: number, z: number): Added => ({
  bodies: [boxAt([x - 3, y - 4, z], [6, 8, 2]), boxAt([x - 3, y - 4, z + 2], [6, 2, 4]), boxAt([x - 3, y + 2, z + 2], [6, 2, 4])],
  connectors: [{ kind: 'clip', at: [x, y, z + 4], facing: PLUS_Z, along: PLUS_X }],
})

/** A bar along x in front of the −y side, on two arms. */
const barInFront = (left: number, right: number, z: number): Added => ({
  bodies: [
    boxAt([left, -2, z - 2], [2, 2, 4]),
    boxAt([right - 2, -2, z - 2], [2, 2, 4]),
    round(boxAt([left, -6, z - 2], [right - left, 4, 4])),
  ],
  connectors: [{ kind: 'bar', at: [left + 2, -4, z], facing: PLUS_X, length: right - left - 4 }],
  form: [
    ...[left, right - 2].map((x): Solid => ({ kind: 'box', ...boxAt([x, -4, z - 2], [2, 4, 4]) })),
    { kind: 'stump', foot: [left, -4, z], axis: X, bottom: 2, top: 2, height: right - left, sides: 12 },
  ],
})

/** A bar that stands on the top. */
const barOnTop = (x: number, y: number, z: number, length: number): Added => ({
  bodies: [round(boxAt([x - 2, y - 2, z], [4, 4, length]))],
  connectors: [{ kind: 'bar', at: [x, y, z], facing: PLUS_Z, length }],
  form: [{ kind: 'stump', foot: [x, y, z], axis: [0, 0, 1], bottom: 2, top: 2, height: length, sides: 12 }],
})

/** A bar that points away to −y. */
const barForward = (x: number, z: number, length: number): Added => ({
  bodies: [round(boxAt([x - 2, -length, z - 2], [4, length, 4]))],
  connectors: [{ kind: 'bar', at: [x, 0, z], facing: MINUS_Y, length }],
  form: [{ kind: 'stump', foot: [x, 0, z], axis: [0, -1, 0], bottom: 2, top: 2, height: length, sides: 12 }],
})

/** A ring on the −y side: a bar slides through it from above or below, and cannot come out in front. */
const ringInFront = (x: number, z: number): Added => ({
  bodies: [...uprightClip(x, z).bodies, boxAt([x - 4, -8, z - 2], [8, 2, 4])],
  connectors: [{ kind: 'clip', at: [x, -4, z], facing: PLUS_Z, along: PLUS_Z }],
  form: [
    { kind: 'box', ...boxAt([x - 2, -1, z - 2], [4, 1, 4]) },
    { kind: 'tube', foot: [x, -4, z - 2], axis: [0, 0, 1], outer: 4, inner: 2, height: 4, sides: 20 },
  ],
})

function elbow(): Shape {
  return makeShape({
    id: 'bar-elbow',
    family: 'bar',
    title: 'Bar elbow',
    box: [20, 4, 20],
    bodies: [round(boxAt([0, 0, 0], [20, 4, 4])), round(boxAt([0, 0, 4], [4, 4, 16]))],
    connectors: [
      { kind: 'bar', at: [4, 2, 2], facing: PLUS_X, length: 16 },
      { kind: 'bar', at: [2, 2, 4], facing: PLUS_Z, length: 16 },
    ],
    twin: 'bar-elbow',
    reflection: [0, 0, 1, 0, 1, 0, 1, 0, 0],
    form: [
      { kind: 'stump', foot: [0, 2, 2], axis: X, bottom: 2, top: 2, height: 20, sides: 12 },
      { kind: 'stump', foot: [2, 2, 0], axis: [0, 0, 1], bottom: 2, top: 2, height: 20, sides: 12 },
    ],
  })
}

function cross(): Shape {
  return makeShape({
    id: 'bar-cross',
    family: 'bar',
    title: 'Bar cross',
    box: [28, 4, 28],
    bodies: [round(boxAt([0, 0, 12], [28, 4, 4])), round(boxAt([12, 0, 0], [4, 4, 12])), round(boxAt([12, 0, 16], [4, 4, 12]))],
    connectors: [
      { kind: 'bar', at: [0, 2, 14], facing: PLUS_X, length: 10 },
      { kind: 'bar', at: [18, 2, 14], facing: PLUS_X, length: 10 },
      { kind: 'bar', at: [14, 2, 0], facing: PLUS_Z, length: 10 },
      { kind: 'bar', at: [14, 2, 18], facing: PLUS_Z, length: 10 },
    ],
    form: [
      { kind: 'stump', foot: [0, 2, 14], axis: X, bottom: 2, top: 2, height: 28, sides: 12 },
      { kind: 'stump', foot: [14, 2, 0], axis: [0, 0, 1], bottom: 2, top: 2, height: 28, sides: 12 },
    ],
  })
}

/** A bar with a clip at its end: bars that go on at an angle. */
function clipBar(): Shape {
  return makeShape({
    id: 'bar-clip',
    family: 'clip and bar',
    title: 'Bar with a clip at its end',
    box: [26, 4, 8],
    bodies: [round(boxAt([0, 0, 2], [18, 4, 4])), boxAt([18, 0, 0], [2, 4, 8]), boxAt([20, 0, 0], [6, 4, 2]), boxAt([20, 0, 6], [6, 4, 2])],
    connectors: [
      { kind: 'bar', at: [0, 2, 4], facing: PLUS_X, length: 16 },
      { kind: 'clip', at: [22, 2, 4], facing: PLUS_X, along: MINUS_Y },
    ],
    twin: 'bar-clip',
    reflection: [1, 0, 0, 0, -1, 0, 0, 0, 1],
    form: [
      { kind: 'stump', foot: [0, 2, 4], axis: X, bottom: 2, top: 2, height: 18, sides: 12 },
      ...[boxAt([18, 0, 0], [2, 4, 8]), boxAt([20, 0, 0], [6, 4, 2]), boxAt([20, 0, 6], [6, 4, 2])].map((jaw): Solid => ({
        kind: 'box',
        ...jaw,
      })),
    ],
  })
}

const P = PLATE_HEIGHT
const FAMILY = 'clip and bar'
const BRICK = 12

/** A bar on two feet over the top of a plate. */
function handle(width: number): Added {
  const z = P + 4
  return {
    bodies: [boxAt([0, 3, P], [2, 4, 8]), boxAt([width - 2, 3, P], [2, 4, 8]), round(boxAt([2, 3, z], [width - 4, 4, 4]))],
    connectors: [{ kind: 'bar', at: [4, 5, z + 2], facing: PLUS_X, length: width - 8 }],
    form: [
      ...[0, width - 2].map((x): Solid => ({ kind: 'box', ...boxAt([x, 3, P], [2, 4, 8]) })),
      { kind: 'stump', foot: [2, 5, z + 2], axis: X, bottom: 2, top: 2, height: width - 4, sides: 12 },
    ],
  }
}

/** Clips, bars, and pieces that carry them. */
const BARS: readonly Shape[] = [
  ...[1, 2, 3, 4, 6, 8].map(bar),
  elbow(),
  cross(),
  clipBar(),
  withAdded({ id: 'plate-1x1-clip', family: FAMILY, title: 'Plate 1 × 1 with a clip for an upright bar' }, plate(1, 1, P), [
    uprightClip(5, 2),
  ]),
  withAdded({ id: 'plate-1x1-clip-lying', family: FAMILY, title: 'Plate 1 × 1 with a clip for a lying bar' }, plate(1, 1, P), [
    lyingClip(5, 2),
  ]),
  withAdded({ id: 'plate-1x1-clip-top', family: FAMILY, title: 'Plate 1 × 1 with a clip on top' }, plate(1, 1, P, 'bare'), [
    topClip(5, 5, P),
  ]),
  withAdded({ id: 'plate-1x2-clip-end', family: FAMILY, title: 'Plate 1 × 2 with a clip in the middle of its side' }, plate(2, 1, P), [
    uprightClip(10, 2),
  ]),
  withAdded({ id: 'plate-1x2-clips', family: FAMILY, title: 'Plate 1 × 2 with two clips for upright bars' }, plate(2, 1, P), [
    uprightClip(5, 2),
    uprightClip(15, 2),
  ]),
  withAdded({ id: 'plate-1x2-clip-lying', family: FAMILY, title: 'Plate 1 × 2 with a clip for a lying bar' }, plate(2, 1, P), [
    lyingClip(10, 2),
  ]),
  withAdded({ id: 'plate-1x2-clips-top', family: FAMILY, title: 'Plate 1 × 2 with two clips on top' }, plate(2, 1, P, 'bare'), [
    topClip(5, 5, P),
    topClip(15, 5, P),
  ]),
  withAdded({ id: 'brick-1x1-clip', family: FAMILY, title: 'Brick 1 × 1 with a clip for an upright bar' }, plate(1, 1, BRICK), [
    uprightClip(5, 6),
  ]),
  withAdded({ id: 'brick-1x1-clip-lying', family: FAMILY, title: 'Brick 1 × 1 with a clip for a lying bar' }, plate(1, 1, BRICK), [
    lyingClip(5, 6),
  ]),
  withAdded({ id: 'plate-1x2-bar', family: FAMILY, title: 'Plate 1 × 2 with a bar along its side' }, plate(2, 1, P), [
    barInFront(0, 20, 2),
  ]),
  withAdded({ id: 'plate-2x2-bar', family: FAMILY, title: 'Plate 2 × 2 with a bar along its side' }, plate(2, 2, P), [
    barInFront(0, 20, 2),
  ]),
  withAdded({ id: 'brick-1x2-bar', family: FAMILY, title: 'Brick 1 × 2 with a bar along its side' }, plate(2, 1, BRICK), [
    barInFront(0, 20, 6),
  ]),
  withAdded({ id: 'brick-1x4-bar', family: FAMILY, title: 'Brick 1 × 4 with a bar along its side' }, plate(4, 1, BRICK), [
    barInFront(0, 40, 6),
  ]),
  withAdded({ id: 'plate-1x1-bar-up', family: FAMILY, title: 'Plate 1 × 1 with an upright bar' }, plate(1, 1, P, 'bare'), [
    barOnTop(5, 5, P, 10),
  ]),
  withAdded({ id: 'plate-1x2-bar-up', family: FAMILY, title: 'Plate 1 × 2 with an upright bar' }, plate(2, 1, P, 'bare'), [
    barOnTop(10, 5, P, 10),
  ]),
  withAdded({ id: 'plate-1x2-bar-forward', family: FAMILY, title: 'Plate 1 × 2 with a bar that points forward' }, plate(2, 1, P), [
    barForward(10, 2, 12),
  ]),
  withAdded({ id: 'tile-1x2-bars-up', family: FAMILY, title: 'Tile 1 × 2 with two upright bars' }, plate(2, 1, P, 'bare'), [
    barOnTop(5, 5, P, 10),
    barOnTop(15, 5, P, 10),
  ]),
  withAdded({ id: 'ring-plate-1x1', family: FAMILY, title: 'Plate 1 × 1 with a ring' }, plate(1, 1, P), [ringInFront(5, 2)]),
  withAdded({ id: 'ring-plate-1x2', family: FAMILY, title: 'Plate 1 × 2 with two rings' }, plate(2, 1, P), [
    ringInFront(5, 2),
    ringInFront(15, 2),
  ]),
  withAdded({ id: 'handle-plate-1x2', family: FAMILY, title: 'Plate 1 × 2 with a handle on top' }, plate(2, 1, P, 'bare'), [handle(20)]),
]

export const barShapes = (): readonly Shape[] => BARS

export { plate as plateBase, withAdded, type Added }
