import { boxAt, BRICK_HEIGHT, PLATE_HEIGHT, STUD_PITCH, type Vec, type FlatPoint } from '../../space'
import { cellMiddles, CORNER_DIAGONAL, makeShape, parseSize, sizeTitle, socketsAt, studsAt } from '../make'
import { arc } from '../polygon'
import type { BodyBox, Shape } from '../types'

const UP: Vec = [0, 0, 1]

interface RoundOptions {
  readonly id: string
  readonly family: string
  readonly title: string
  readonly cellsAcross: number
  readonly height: number
  readonly studs: readonly (readonly [number, number])[]
  readonly sockets: readonly (readonly [number, number])[]
  readonly topRadius?: number
}

function round(options: RoundOptions): Shape {
  const across = options.cellsAcross * STUD_PITCH
  const radius = across / 2
  const sides = 16 + 8 * options.cellsAcross
  return makeShape({
    id: options.id,
    family: options.family,
    title: options.title,
    box: [across, across, options.height],
    ...(options.cellsAcross < 4 ? {} : { bodies: discBodies(across, options.height) }),
    connectors: [...studsAt(options.studs, options.height), ...socketsAt(options.sockets)],
    form: [
      {
        kind: 'stump',
        foot: [radius, radius, 0],
        axis: UP,
        bottom: radius,
        top: options.topRadius ?? radius,
        height: options.height,
        sides,
      },
    ],
  })
}

/** Cells whose stud stands on the round: up to two across all of them, of larger ones none of the corners. */
function cellsInRound(across: number): [number, number][] {
  const radius = (across * STUD_PITCH) / 2
  const reach = (edge: number): number => Math.abs(edge - radius) + 3
  return cellMiddles(across, across).filter(([x, y]) => across < 3 || Math.hypot(reach(x), reach(y)) <= radius + 2)
}

function roundPlate(size: string): Shape {
  const [across] = parseSize(size)
  const cells = cellsInRound(across)
  return round({
    id: `round-plate-${size}`,
    family: 'round plate',
    title: `Round plate ${sizeTitle(size)}`,
    cellsAcross: across,
    height: PLATE_HEIGHT,
    studs: cells,
    sockets: cells,
  })
}

function roundTile(size: string): Shape {
  const [across] = parseSize(size)
  return round({
    id: `round-tile-${size}`,
    family: 'round tile',
    title: `Round tile ${sizeTitle(size)}`,
    cellsAcross: across,
    height: PLATE_HEIGHT,
    studs: [],
    sockets: cellsInRound(across),
  })
}

function roundBrick(size: string): Shape {
  const [across] = parseSize(size)
  const cells = cellsInRound(across)
  return round({
    id: `round-brick-${size}`,
    family: 'round brick',
    title: `Round brick ${sizeTitle(size)}`,
    cellsAcross: across,
    height: BRICK_HEIGHT,
    studs: cells,
    sockets: cells,
  })
}

function cone(id: string, title: string, across: number, height: number): Shape {
  const middle = (across * STUD_PITCH) / 2
  return round({
    id,
    family: 'cone',
    title,
    cellsAcross: across,
    height,
    studs: [[middle, middle]],
    sockets: cellsInRound(across),
    topRadius: 3.6,
  })
}

/** A quarter of a disc: the round edge looks to +x −y, the square corner is at −x +y. Its studs and sockets stand within the round. */
function quarter(family: 'tile' | 'plate' | 'brick', across: number): Shape {
  const wide = across * STUD_PITCH
  const height = family === 'brick' ? BRICK_HEIGHT : PLATE_HEIGHT
  const outline: FlatPoint[] = [[0, wide], ...arc([0, wide], wide, [-90, 0], 4 + 4 * across)]
  const inside = cellMiddles(across, across).filter(([x, y]) => Math.hypot(x + 3, wide - y + 3) <= wide)
  const cells = across === 1 ? ([[5, 5]] as const) : inside
  return makeShape({
    id: `quarter-${family}-${across}x${across}`,
    family: `round ${family}`,
    title: `Quarter ${family} ${across} × ${across}`,
    box: [wide, wide, height],
    ...(across === 1 ? {} : { bodies: quarterBodies(wide, height) }),
    connectors: [...(family === 'tile' ? [] : studsAt(cells, height)), ...socketsAt(cells)],
    reflection: CORNER_DIAGONAL,
    form: [{ kind: 'prism', outline, axis: 2, from: 0, to: height, smooth: true }],
  })
}

/** Strips of whole studs that hold the round. */
function quarterBodies(wide: number, height: number): BodyBox[] {
  return Array.from({ length: wide / STUD_PITCH }, (_, i) => {
    const far = STUD_PITCH * Math.ceil(Math.sqrt(wide ** 2 - (i * STUD_PITCH) ** 2) / STUD_PITCH)
    return boxAt([i * STUD_PITCH, wide - far, 0], [STUD_PITCH, far, height])
  })
}

/** Strips of one stud that hold a disc. */
function discBodies(across: number, height: number): BodyBox[] {
  const radius = across / 2
  return Array.from({ length: across / STUD_PITCH }, (_, i) => {
    const [left, right] = [i * STUD_PITCH - radius, (i + 1) * STUD_PITCH - radius]
    const nearest = left * right < 0 ? 0 : Math.min(Math.abs(left), Math.abs(right))
    const half = Math.ceil(Math.sqrt(radius ** 2 - nearest ** 2))
    return boxAt([i * STUD_PITCH, radius - half, 0], [STUD_PITCH, 2 * half, height])
  })
}

/** Half a ball on a round foot. */
function dome(across: number, height: number): Shape {
  const radius = (across * STUD_PITCH) / 2
  const foot = 4
  const rings: FlatPoint[] = [
    [radius, 0],
    [radius, foot],
    ...arc([0, foot], 1, [0, 78], 6)
      .slice(1)
      .map(([u, v]): FlatPoint => [u * radius, foot + (v - foot) * (height - foot)]),
  ]
  return makeShape({
    id: `dome-${across}x${across}`,
    family: 'dome',
    title: `Dome ${across} × ${across}`,
    box: [2 * radius, 2 * radius, height],
    connectors: [...studsAt([[radius, radius]], height), ...socketsAt(cellMiddles(across, across))],
    form: [{ kind: 'revolution', foot: [radius, radius, 0], axis: UP, rings: [...rings, [3.2, height]], sides: 16 + 6 * across }],
  })
}

/** Round plates, tiles and bricks, and cones. Their collision body is the whole box. */
export const roundShapes = (): Shape[] => [
  roundPlate('1x1'),
  roundPlate('2x2'),
  ...['4x4', '6x6', '8x8'].map(roundPlate),
  ...['1x1', '2x2', '3x3', '4x4', '6x6'].map(roundTile),
  ...[1, 2, 3, 4].map((across) => quarter('tile', across)),
  ...[2, 3, 4, 6].map((across) => quarter('plate', across)),
  ...[2, 3, 4].map((across) => quarter('brick', across)),
  ...['1x1', '2x2', '4x4'].map(roundBrick),
  dome(2, 16),
  dome(4, 28),
  cone('cone-1x1', 'Cone 1 × 1', 1, BRICK_HEIGHT),
  cone('cone-1x1-tall2', 'Cone 1 × 1, 2 high', 1, 2 * BRICK_HEIGHT),
  cone('cone-2x2-tall2', 'Cone 2 × 2, 2 high', 2, 2 * BRICK_HEIGHT),
  cone('cone-3x3-tall2', 'Cone 3 × 3, 2 high', 3, 2 * BRICK_HEIGHT),
  cone('cone-4x4-tall2', 'Cone 4 × 4, 2 high', 4, 2 * BRICK_HEIGHT),
]
