import {
  boxAt,
  BRICK_HEIGHT,
  MINUS_Y,
  PLATE_HEIGHT,
  PLUS_X,
  PLUS_Y,
  STUD_PITCH,
  WALL_THICKNESS,
  MINUS_X,
  type Direction,
  type Vec,
} from '../../space'
import { cellMiddles, CORNER_DIAGONAL, makeShape, parseSize, sideStud, sizeTitle, socketsAt, studsAt } from '../make'
import type { Connector, Shape } from '../types'

/** Where a stud of a side stands: `cell` counts along the side, `height` is above the bottom. */
function sidePlace(box: Vec, facing: Direction, height: number, cell: number): Vec {
  if (facing === PLUS_X) return [box[0], 5, height]
  if (facing === MINUS_X) return [0, 5, height]
  return [cell * STUD_PITCH + 5, facing === PLUS_Y ? box[1] : 0, height]
}

/** One stud a cell on each of the named sides, at each of the heights above the bottom (u). */
function sideStuds(box: Vec, sides: readonly Direction[], heights: readonly number[]): Connector[] {
  const studs: Connector[] = []
  for (const facing of sides) {
    const cells = facing === MINUS_Y || facing === PLUS_Y ? box[0] / STUD_PITCH : 1
    for (const height of heights)
      for (let cell = 0; cell < cells; cell++) studs.push(sideStud(sidePlace(box, facing, height, cell), facing))
  }
  return studs
}

interface SideBrickOptions {
  readonly id: string
  readonly title: string
  readonly columns: number
  readonly height?: number
  readonly sides: readonly Direction[]
  readonly heights?: readonly number[]
  readonly isCorner?: boolean
}

function sideStudBrick(options: SideBrickOptions): Shape {
  const height = options.height ?? BRICK_HEIGHT
  const box: Vec = [options.columns * STUD_PITCH, STUD_PITCH, height]
  const cells = cellMiddles(options.columns, 1)
  return makeShape({
    id: options.id,
    family: height === BRICK_HEIGHT ? 'side-stud brick' : 'tall side-stud brick',
    title: options.title,
    box,
    connectors: [...studsAt(cells, height), ...socketsAt(cells), ...sideStuds(box, options.sides, options.heights ?? [BRICK_HEIGHT / 2])],
    ...(options.isCorner ? { reflection: CORNER_DIAGONAL } : {}),
  })
}

/** A plate with a wall on its −y side whose studs face −y, one row for each stud of its height. The body box for `at` is the plate alone. */
function bracket(size: string, wallSize: string, way: 'up' | 'down'): Shape {
  const [rows, columns] = parseSize(size)
  const [wallRows, wallColumns] = parseSize(wallSize)
  const width = columns * STUD_PITCH
  const wallWidth = wallColumns * STUD_PITCH
  const left = (width - wallWidth) / 2
  const wallHeight = wallRows * STUD_PITCH
  const bottom = way === 'up' ? 0 : PLATE_HEIGHT - wallHeight
  const wall = boxAt([left, -WALL_THICKNESS, bottom], [wallWidth, WALL_THICKNESS, wallHeight])
  const cells = cellMiddles(columns, rows)
  const wallStuds = Array.from({ length: wallRows }, (_r, row) => row).flatMap((row) =>
    Array.from({ length: wallColumns }, (_, i) =>
      sideStud([left + i * STUD_PITCH + 5, -WALL_THICKNESS, bottom + row * STUD_PITCH + 5], MINUS_Y),
    ),
  )
  return makeShape({
    id: `bracket-${size}-${wallSize}-${way}`,
    family: 'bracket',
    title: `Bracket ${sizeTitle(size)} with a ${sizeTitle(wallSize)} wall ${way}`,
    box: [width, rows * STUD_PITCH, PLATE_HEIGHT],
    bodies: [boxAt([0, 0, 0], [width, rows * STUD_PITCH, PLATE_HEIGHT]), wall],
    connectors: [...studsAt(cells, PLATE_HEIGHT), ...socketsAt(cells), ...wallStuds],
  })
}

/** Bricks with studs on their sides, and brackets: what sideways building starts from. */
export const sidewaysShapes = (): Shape[] => [
  sideStudBrick({ id: 'brick-1x1-side1', title: 'Side-stud brick 1 × 1, 1 side', columns: 1, sides: [MINUS_Y] }),
  sideStudBrick({
    id: 'brick-1x1-side2',
    title: 'Side-stud brick 1 × 1, 2 opposite sides',
    columns: 1,
    sides: [MINUS_Y, PLUS_Y],
  }),
  sideStudBrick({
    id: 'brick-1x1-side2-corner',
    title: 'Side-stud brick 1 × 1, 2 sides at a corner',
    columns: 1,
    sides: [MINUS_Y, PLUS_X],
    isCorner: true,
  }),
  sideStudBrick({
    id: 'brick-1x1-side4',
    title: 'Side-stud brick 1 × 1, 4 sides',
    columns: 1,
    sides: [MINUS_Y, PLUS_Y, PLUS_X, MINUS_X],
  }),
  sideStudBrick({ id: 'brick-1x2-side2', title: 'Side-stud brick 1 × 2, 2 studs', columns: 2, sides: [MINUS_Y] }),
  sideStudBrick({ id: 'brick-1x4-side4', title: 'Side-stud brick 1 × 4, 4 studs', columns: 4, sides: [MINUS_Y] }),
  sideStudBrick({
    id: 'brick-1x2-tall5p-side4',
    title: 'Tall side-stud brick 1 × 2, 5 plates high',
    columns: 2,
    height: 20,
    sides: [MINUS_Y],
    heights: [5, 15],
  }),
  sideStudBrick({ id: 'brick-1x1-side3', title: 'Side-stud brick 1 × 1, 3 sides', columns: 1, sides: [MINUS_Y, PLUS_X, MINUS_X] }),
  sideStudBrick({ id: 'brick-1x2-side4', title: 'Side-stud brick 1 × 2, 2 studs on either side', columns: 2, sides: [MINUS_Y, PLUS_Y] }),
  ...(
    [
      ['1x1', '1x1'],
      ['1x2', '1x2'],
      ['1x2', '1x4'],
      ['1x2', '2x2'],
      ['2x2', '1x2'],
      ['2x2', '2x2'],
    ] as const
  ).flatMap(([size, wall]) => [bracket(size, wall, 'up'), bracket(size, wall, 'down')]),
]
