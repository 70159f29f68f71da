import { boxAt, BRICK_HEIGHT, PLATE_HEIGHT, STUD_PITCH, type Vec } from '../../space'
import {
  cellMiddles,
  CORNER_DIAGONAL,
  makeShape,
  parseSize,
  sizeTitle,
  socketsAt,
  studsAt,
  type ShapeName,
  type ShapeRecipe,
} from '../make'
import type { Solid } from '../solid'
import type { BodyBox, Shape } from '../types'

const words = (text: string): string[] => text.trim().split(/\s+/)

const BRICKS = words('1x1 1x2 1x3 1x4 1x6 1x8 1x10 1x12 1x16 2x2 2x3 2x4 2x6 2x8 2x10 2x12 4x4 4x6 4x8 4x10 4x12 8x8')
const TALL_BRICKS: readonly [string, number][] = [
  ['1x1', 3],
  ['1x1', 5],
  ['1x2', 2],
  ['1x2', 3],
  ['1x2', 5],
  ['1x3', 5],
  ['1x4', 3],
  ['1x4', 5],
  ['1x6', 5],
  ['2x2', 3],
]
const PLATES = words(`1x1 1x2 1x3 1x4 1x5 1x6 1x8 1x10 1x12 2x2 2x3 2x4 2x6 2x8 2x10 2x12 2x14 2x16 3x3 4x4 4x6 4x8 4x10 4x12
  6x6 6x8 6x10 6x12 6x14 6x16 6x24 8x8 8x10 8x12 8x16 12x12 12x16 16x16`)
const BASES = words('8x16 16x16 16x32 32x32 48x48')
const TILES = words('1x1 1x2 1x3 1x4 1x5 1x6 1x8 2x2 2x3 2x4 2x6 2x8 3x3 3x4 4x4 4x6 6x6 8x8 8x16')
const BASE_HEIGHT = 2

/** A full rectangle of cells: the smaller number of the size runs along y, the larger along x. */
function rectangle(size: string, height: number): { box: Vec; cells: [number, number][] } {
  const [rows, columns] = parseSize(size)
  return { box: [columns * STUD_PITCH, rows * STUD_PITCH, height], cells: cellMiddles(columns, rows) }
}

function studded({ id, family, title }: ShapeName, size: string, height: number): Shape {
  const { box, cells } = rectangle(size, height)
  return makeShape({ id, family, title, box, connectors: [...studsAt(cells, height), ...socketsAt(cells)] })
}

/** A tile shows a groove above its foot, which tells it from a plate without studs at a glance. */
const groovedBox = (box: Vec): Solid[] => [
  { kind: 'box', ...boxAt([0, 0, 0], [box[0], box[1], 1]) },
  { kind: 'box', min: [0, 0, 1], max: box },
]

/** Three cells of a 2 × 2 square; the missing one is at +x −y. */
const CORNER_CELLS: [number, number][] = [
  [5, 5],
  [5, 15],
  [15, 15],
]
const CORNER_BODIES: readonly BodyBox[] = [boxAt([0, 0, 0], [10, 20, 4]), boxAt([10, 10, 0], [10, 10, 4])]

function corner(id: string, family: string, title: string, top: 'studs' | 'bare'): Shape {
  const outline = (bottom: number): Vec[] => [
    [0, 0, bottom],
    [10, 0, bottom],
    [10, 10, bottom],
    [20, 10, bottom],
    [20, 20, bottom],
    [0, 20, bottom],
  ]
  const layer = (bottom: number, height: number): Solid => {
    const o = outline(bottom)
    return {
      kind: 'slab',
      floors: [
        [o[0]!, o[1]!, o[2]!, [0, 10, bottom]],
        [[0, 10, bottom], o[3]!, o[4]!, o[5]!],
      ],
      outline: o,
      rise: [0, 0, height],
    }
  }
  return makeShape({
    id,
    family,
    title,
    box: [20, 20, PLATE_HEIGHT],
    bodies: CORNER_BODIES,
    connectors: [...(top === 'studs' ? studsAt(CORNER_CELLS, PLATE_HEIGHT) : []), ...socketsAt(CORNER_CELLS)],
    reflection: CORNER_DIAGONAL,
    form: top === 'studs' ? [layer(0, PLATE_HEIGHT)] : [layer(0, 1), layer(1, PLATE_HEIGHT - 1)],
  })
}

function jumper(size: string): Shape {
  const { box, cells } = rectangle(size, PLATE_HEIGHT)
  return makeShape({
    id: `jumper-${size}`,
    family: 'jumper',
    title: `Jumper ${sizeTitle(size)}`,
    box,
    connectors: [
      ...studsAt(
        box[0] === 40
          ? [
              [10, box[1] / 2],
              [30, box[1] / 2],
            ]
          : [[box[0] / 2, box[1] / 2]],
        PLATE_HEIGHT,
      ),
      ...socketsAt(cells),
    ],
    form: groovedBox(box),
  })
}

function tile(size: string): Shape {
  const { box, cells } = rectangle(size, PLATE_HEIGHT)
  const recipe: ShapeRecipe = {
    id: `tile-${size}`,
    family: 'tile',
    title: `Tile ${sizeTitle(size)}`,
    box,
    connectors: socketsAt(cells),
    form: groovedBox(box),
  }
  return makeShape(recipe)
}

function halfTile(): Shape {
  const { box, cells } = rectangle('2x2', PLATE_HEIGHT)
  const back = cells.filter(([, y]) => y > 10)
  return makeShape({
    id: 'half-tile-2x2',
    family: 'half tile',
    title: 'Half tile 2 × 2',
    box,
    connectors: [...studsAt(back, PLATE_HEIGHT), ...socketsAt(cells)],
    form: groovedBox(box),
  })
}

function base(size: string): Shape {
  const { box, cells } = rectangle(size, BASE_HEIGHT)
  return makeShape({
    id: `base-${size}`,
    family: 'base plate',
    title: `Base plate ${sizeTitle(size)}`,
    box,
    connectors: studsAt(cells, BASE_HEIGHT),
  })
}

/** An L of cells along the −x and +y sides; the missing square is at +x −y. */
function largeCorner(family: 'plate' | 'tile', across: number): Shape {
  const wide = across * STUD_PITCH
  return ell({
    id: `${family}-corner-${across}x${across}`,
    family: family === 'plate' ? 'corner plate' : 'tile',
    title: `Corner ${family} ${across} × ${across}`,
    across: wide,
    leg: across > 3 ? 20 : 10,
    height: PLATE_HEIGHT,
    hasStuds: family === 'plate',
  })
}

const cornerBrick = (): Shape =>
  ell({ id: 'brick-corner-2x2', family: 'brick', title: 'Corner brick 2 × 2', across: 20, leg: 10, height: BRICK_HEIGHT, hasStuds: true })

interface Ell {
  readonly id: string
  readonly family: string
  readonly title: string
  /** Of the whole and of each leg, u. */
  readonly across: number
  readonly leg: number
  readonly height: number
  readonly hasStuds: boolean
}

function ell({ id, family, title, across, leg, height, hasStuds }: Ell): Shape {
  const count = across / STUD_PITCH
  const cells = cellMiddles(count, count).filter(([x, y]) => x < leg || y > across - leg)
  return makeShape({
    id,
    family,
    title,
    box: [across, across, height],
    bodies: [boxAt([0, 0, 0], [leg, across, height]), boxAt([leg, across - leg, 0], [across - leg, leg, height])],
    connectors: [...(hasStuds ? studsAt(cells, height) : []), ...socketsAt(cells)],
    reflection: CORNER_DIAGONAL,
    form: [
      {
        kind: 'prism',
        outline: [
          [0, 0],
          [leg, 0],
          [leg, across - leg],
          [across, across - leg],
          [across, across],
          [0, across],
        ],
        axis: 2,
        from: 0,
        to: height,
      },
    ],
  })
}

/** Bricks, plates, tiles and what is made from the same rectangle. */
export const rectangularShapes = (): Shape[] => [
  ...BRICKS.map((size) => studded({ id: `brick-${size}`, family: 'brick', title: `Brick ${sizeTitle(size)}` }, size, BRICK_HEIGHT)),
  ...TALL_BRICKS.map(([size, tall]) =>
    studded(
      { id: `brick-${size}-tall${tall}`, family: 'tall brick', title: `Tall brick ${sizeTitle(size)}, ${tall} high` },
      size,
      BRICK_HEIGHT * tall,
    ),
  ),
  ...PLATES.map((size) => studded({ id: `plate-${size}`, family: 'plate', title: `Plate ${sizeTitle(size)}` }, size, PLATE_HEIGHT)),
  corner('plate-corner-2x2', 'corner plate', 'Corner plate 2 × 2', 'studs'),
  ...BASES.map(base),
  ...TILES.map(tile),
  corner('tile-corner-2x2', 'tile', 'Corner tile 2 × 2', 'bare'),
  jumper('1x2'),
  jumper('1x3'),
  jumper('2x2'),
  jumper('2x4'),
  halfTile(),
  ...[3, 4].map((across) => largeCorner('plate', across)),
  ...[3].map((across) => largeCorner('tile', across)),
  cornerBrick(),
]
