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
    ...(options.cellsAcross < 3 ? {} : { bodies: rimBodies(discStrips(across), options.height, options.sockets) }),
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
    ...(across === 1 ? {} : { bodies: rimBodies(quarterStrips(wide), height, cells) }),
    connectors: [...(family === 'tile' ? [] : studsAt(cells, height)), ...socketsAt(cells)],
    reflection: CORNER_DIAGONAL,
    form: [{ kind: 'prism', outline, axis: 2, from: 0, to: height, smooth: true }],
  })
}

/**
 * The strips of a round body, cut at the edges of studs: where no socket is, at the rim, a stud from below stands beside the round or in
 * its hollow edge, so those cells stop other bodies but let a stud in.
 * @param strips one for each row of studs along x: from where to where it runs along y, u
 * @param sockets the middles of cells that hold a stud
 */
function rimBodies(
  strips: readonly (readonly [from: number, to: number])[],
  height: number,
  sockets: readonly (readonly [number, number])[],
): BodyBox[] {
  const held = new Set(sockets.map(([x, y]) => `${Math.floor(x / STUD_PITCH)} ${Math.floor(y / STUD_PITCH)}`))
  return strips.flatMap(([from, to], column) => {
    const bodies: BodyBox[] = []
    for (let row = Math.floor(from / STUD_PITCH); row * STUD_PITCH < to; row++) {
      const [low, high] = [Math.max(from, row * STUD_PITCH), Math.min(to, (row + 1) * STUD_PITCH)]
      const isHeld = held.has(`${column} ${row}`)
      const last = bodies.at(-1)
      if (last && (last.open !== true) === isHeld) bodies[bodies.length - 1] = { ...last, max: [last.max[0], high, height] }
      else
        bodies.push({
          ...boxAt([column * STUD_PITCH, low, 0], [STUD_PITCH, high - low, height]),
          ...(isHeld ? {} : { open: true as const }),
        })
    }
    return bodies
  })
}

/** Strips of whole studs that hold a quarter of a disc. */
const quarterStrips = (wide: number): [number, number][] =>
  Array.from({ length: wide / STUD_PITCH }, (_, i) => {
    const far = STUD_PITCH * Math.ceil(Math.sqrt(wide ** 2 - (i * STUD_PITCH) ** 2) / STUD_PITCH)
    return [wide - far, wide]
  })

/** Strips of one stud that hold a disc. */
function discStrips(across: number): [number, number][] {
  const radius = across / 2
  return Array.from({ length: across / STUD_PITCH }, (_, i) => {
    const [left, right] = [i * STUD_PITCH - radius, (i + 1) * STUD_PITCH - radius]
    const nearest = left * right < 0 ? 0 : Math.min(Math.abs(left), Math.abs(right))
    const half = Math.ceil(Math.sqrt(radius ** 2 - nearest ** 2))
    return [radius - half, radius + half]
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
