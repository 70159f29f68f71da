import { BRICK_HEIGHT, PLATE_HEIGHT, STUD_PITCH, type Vec } from '../../space'
import { cellMiddles, CORNER_DIAGONAL, makeShape, parseSize, sizeTitle, socketsAt, studsAt } from '../make'
import type { MeshBuilder } from '../mesh'
import type { Shape } from '../types'

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
  return makeShape({
    id: options.id,
    family: options.family,
    title: options.title,
    box: [across, across, options.height],
    connectors: [...studsAt(options.studs, options.height), ...socketsAt(options.sockets)],
    outline: (builder) => {
      const sides = 16 + 8 * options.cellsAcross
      builder.round([radius, radius, 0], UP, radius, options.topRadius ?? radius, options.height, sides)
    },
  })
}

function roundPlate(size: string): Shape {
  const [across] = parseSize(size)
  const far = across * STUD_PITCH - 5
  const isCorner = ([x, y]: [number, number]): boolean => (x === 5 || x === far) && (y === 5 || y === far)
  const cells = cellMiddles(across, across).filter((cell) => across < 4 || !isCorner(cell))
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
    sockets: cellMiddles(across, across),
  })
}

function roundBrick(size: string): Shape {
  const [across] = parseSize(size)
  const cells = cellMiddles(across, across)
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
    sockets: cellMiddles(across, across),
    topRadius: 3.6,
  })
}

/** A quarter of a disc: the round edge looks to +x −y, the square corner is at −x +y. */
function quarterTile(): Shape {
  const arc = Array.from({ length: 9 }, (_, i): Vec => {
    const angle = (Math.PI / 16) * i - Math.PI / 2
    return [10 * Math.cos(angle), 10 + 10 * Math.sin(angle), 0]
  })
  const outline: Vec[] = [[0, 10, 0], ...arc]
  const smooth = [2, 3, 4, 5, 6, 7, 8]
  return makeShape({
    id: 'quarter-tile-1x1',
    family: 'round tile',
    title: 'Quarter tile 1 × 1',
    box: [10, 10, PLATE_HEIGHT],
    connectors: socketsAt([[5, 5]]),
    reflection: CORNER_DIAGONAL,
    outline: (builder: MeshBuilder) => {
      builder.prism([outline], outline, [0, 0, PLATE_HEIGHT], smooth)
    },
  })
}

/** Round plates, tiles and bricks, and cones. Their collision body is the whole box. */
export const roundShapes = (): Shape[] => [
  roundPlate('1x1'),
  roundPlate('2x2'),
  roundPlate('4x4'),
  roundTile('1x1'),
  roundTile('2x2'),
  quarterTile(),
  roundBrick('1x1'),
  roundBrick('2x2'),
  cone('cone-1x1', 'Cone 1 × 1', 1, BRICK_HEIGHT),
  cone('cone-2x2-tall2', 'Cone 2 × 2, 2 high', 2, 2 * BRICK_HEIGHT),
]
