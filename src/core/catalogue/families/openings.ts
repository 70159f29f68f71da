import { boxAt, BRICK_HEIGHT, PLUS_X, STUD_PITCH, type Box, type Vec, type FlatPoint } from '../../space'
import { cellMiddles, makeShape, parseSize, sizeTitle, socketsAt, studsAt } from '../make'
import { arc, cornersOf, rectangle } from '../polygon'
import { carved } from '../solids'
import type { Solid } from '../solid'
import type { Shape } from '../types'

/** Frames, walls and arches: all of them hollow, so that what stands inside is in nobody's way. */

interface WindowFrame {
  readonly id: string
  readonly family: string
  readonly title: string
  readonly columns: number
  readonly height: number
  /** Of the opening: from the side, from below, from above, u. */
  readonly side: number
  readonly sill: number
  readonly head: number
  /** Bars across the opening: at these heights, and at these places along. */
  readonly rails?: readonly number[]
  readonly posts?: readonly number[]
}

function frame(options: WindowFrame): Shape {
  const { columns, height, side, sill, head } = options
  const box: Vec = [columns * STUD_PITCH, STUD_PITCH, height]
  const hole = boxAt([side, 0, sill], [box[0] - 2 * side, 10, height - sill - head])
  const posts = (options.posts ?? []).map((x) => boxAt([x - 1, 4, sill], [2, 2, height - sill - head]))
  const rails = (options.rails ?? []).flatMap((z) => carved(boxAt([side, 4, z - 1], [box[0] - 2 * side, 2, 2]), posts))
  const bars = [...rails, ...posts]
  const cells = cellMiddles(columns, 1)
  return makeShape({
    id: options.id,
    family: options.family,
    title: options.title,
    box,
    bodies: [...carved(boxAt([0, 0, 0], box), [hole]), ...bars],
    connectors: [...studsAt(cells, height), ...socketsAt(sill > 0 ? cells : cells.filter(([x]) => x < side || x > box[0] - side))],
    form: [sill > 0 ? framed(box, hole) : gate(box, side, height - head), ...bars.map((bar): Solid => ({ kind: 'box', ...bar }))],
  })
}

/** A frame around a hole. */
const framed = (box: Vec, hole: Box): Solid => {
  const whole = cornersOf(rectangle(0, 0, box[0], box[2]))
  const inner = cornersOf(rectangle(hole.min[0], hole.min[2], hole.max[0], hole.max[2]))
  return { kind: 'perforated', outline: whole, cells: [{ cell: whole, hole: inner }], axis: 1, from: 0, to: 10 }
}

/** Two posts and what lies over them, from `lintel` up. */
const gate = ([width, , height]: Vec, side: number, lintel: number): Solid => ({
  kind: 'prism',
  outline: [
    [0, 0],
    [side, 0],
    [side, lintel],
    [width - side, lintel],
    [width - side, 0],
    [width, 0],
    [width, height],
    [0, height],
  ],
  axis: 1,
  from: 0,
  to: 10,
})

function window(size: string, height: number, rails: number[], posts: number[]): Shape {
  const [, columns] = parseSize(size)
  const tall = height / BRICK_HEIGHT
  return frame({
    id: `window-${size}-tall${tall}`,
    family: 'window',
    title: `Window ${sizeTitle(size)}, ${tall} high`,
    columns,
    height,
    side: 2,
    sill: 3,
    head: 3,
    rails,
    posts,
  })
}

const door = (columns: number, tall: number): Shape =>
  frame({
    id: `door-1x${columns}-tall${tall}`,
    family: 'door',
    title: `Door frame 1 × ${columns}, ${tall} high`,
    columns,
    height: tall * BRICK_HEIGHT,
    side: 3,
    sill: 2,
    head: 3,
  })

/** A round arch from pier to pier; each pier is one cell. */
function arch(columns: number, tall: number): Shape {
  const width = columns * STUD_PITCH
  const height = tall * BRICK_HEIGHT
  const radius = (width - 20) / 2
  const rise = height - 3
  const squash = Math.min(1, rise / radius)
  const opening = arc([0, 0], radius, [180, 0], 12).map(([u, v]): FlatPoint => [width / 2 + u, v * squash])
  const cells = cellMiddles(columns, 1)
  const steps = archSteps(width, radius, squash)
  return makeShape({
    id: `arch-1x${columns}${tall > 1 ? `-tall${tall}` : ''}`,
    family: 'arch',
    title: `Arch 1 × ${columns}${tall > 1 ? `, ${tall} high` : ''}`,
    box: [width, STUD_PITCH, height],
    bodies: carved(boxAt([0, 0, 0], [width, 10, height]), steps),
    connectors: [...studsAt(cells, height), ...socketsAt(cells.filter(([x]) => x < 10 || x > width - 10))],
    form: [{ kind: 'prism', outline: [[0, 0], ...opening, [width, 0], [width, height], [0, height]], axis: 1, from: 0, to: 10 }],
  })
}

/** Boxes that fill the opening of an arch from inside, in four steps. */
function archSteps(width: number, radius: number, squash: number): Box[] {
  return [0.3, 0.6, 0.8, 0.95].flatMap((share) => {
    const half = Math.floor(radius * share)
    const high = Math.floor(Math.sqrt(radius ** 2 - half ** 2) * squash)
    return high > 0 ? [boxAt([width / 2 - half, 0, 0], [2 * half, 10, high])] : []
  })
}

/** A floor of one plate's strength with a thin wall on its +y side. */
function panel(columns: number, tall: number): Shape {
  const width = columns * STUD_PITCH
  const height = tall * BRICK_HEIGHT
  const isHigh = tall > 1
  const cells = cellMiddles(columns, 1)
  const side: FlatPoint[] = isHigh
    ? [
        [0, 0],
        [10, 0],
        [10, height],
        [0, height],
        [0, height - 3],
        [8, height - 3],
        [8, 3],
        [0, 3],
      ]
    : [
        [0, 0],
        [10, 0],
        [10, height],
        [8, height],
        [8, 3],
        [0, 3],
      ]
  return makeShape({
    id: `panel-1x${columns}${isHigh ? `-tall${tall}` : ''}`,
    family: 'panel',
    title: `Panel 1 × ${columns}${isHigh ? `, ${tall} high` : ''}`,
    box: [width, 10, height],
    bodies: [
      boxAt([0, 0, 0], [width, 10, 3]),
      boxAt([0, 8, 3], [width, 2, isHigh ? height - 6 : height - 3]),
      ...(isHigh ? [boxAt([0, 0, height - 3], [width, 10, 3])] : []),
    ],
    connectors: [...(isHigh ? studsAt(cells, height) : []), ...socketsAt(cells)],
    form: [{ kind: 'prism', outline: side, axis: 0, from: 0, to: width }],
  })
}

/** Two thin walls that meet at +x +y, on one cell. */
function cornerPanel(): Shape {
  return makeShape({
    id: 'panel-corner-1x1',
    family: 'panel',
    title: 'Corner panel 1 × 1',
    box: [10, 10, BRICK_HEIGHT],
    bodies: [boxAt([0, 0, 0], [10, 10, 3]), boxAt([0, 8, 3], [10, 2, 9]), boxAt([8, 0, 3], [2, 8, 9])],
    connectors: socketsAt(cellMiddles(1, 1)),
    reflection: [0, 1, 0, 1, 0, 0, 0, 0, 1],
  })
}

/** Upright bars between a foot and a rail. */
function fence(columns: number): Shape {
  const width = columns * STUD_PITCH
  const cells = cellMiddles(columns, 1)
  const pales = Array.from({ length: columns * 2 }, (_, i) => boxAt([i * 5 + 2 - (i % 2), 4, 4], [2, 2, 16]))
  return makeShape({
    id: `fence-1x${columns}`,
    family: 'fence',
    title: `Fence 1 × ${columns}`,
    box: [width, 10, 24],
    bodies: [boxAt([0, 0, 0], [width, 10, 4]), ...pales, boxAt([0, 2, 20], [width, 6, 4])],
    connectors: socketsAt(cells),
  })
}

/** Crossed laths in a frame. */
function lattice(): Shape {
  const [width, height] = [40, 24]
  const hole = boxAt([3, 0, 3], [width - 6, 10, height - 6])
  return makeShape({
    id: 'lattice-1x4',
    family: 'fence',
    title: 'Lattice 1 × 4',
    box: [width, 10, height],
    bodies: [...carved(boxAt([0, 0, 0], [width, 10, height]), [hole]), boxAt([3, 4, 3], [width - 6, 2, height - 6])],
    connectors: [...studsAt(cellMiddles(4, 1), height), ...socketsAt(cellMiddles(4, 1))],
    form: [framed([width, 10, height], boxAt([3, 0, 3], [width - 6, 10, height - 6])), ...laths(width)],
  })
}

/** Laths that lean to the right before laths that lean to the left, as far as they fit. */
const laths = (width: number): Solid[] =>
  Array.from({ length: 5 }, (_, i) =>
    [1, -1].flatMap((lean): Solid[] => {
      const foot = i * 9 - 1
      const band: FlatPoint[] = [
        [foot - 1.2, 3],
        [foot + 1.2, 3],
        [foot + 10.2, 21],
        [foot + 7.8, 21],
      ]
      const outline = lean > 0 ? band : band.map(([x, z]): FlatPoint => [width - x, z])
      if (!outline.every(([x]) => x > 2 && x < width - 2)) return []
      return [{ kind: 'prism', outline, axis: 1, from: lean > 0 ? 3.4 : 4.6, to: lean > 0 ? 4.6 : 5.8 }]
    }),
  ).flat()

/** Rungs between two rails; every rung is a bar. */
function ladder(): Shape {
  const rungs = [6, 18, 30, 42, 54]
  return makeShape({
    id: 'ladder',
    family: 'detail',
    title: 'Ladder',
    box: [20, 4, 60],
    bodies: [boxAt([0, 0, 0], [3, 4, 60]), boxAt([17, 0, 0], [3, 4, 60]), ...rungs.map((z) => boxAt([3, 0, z - 2], [14, 4, 4]))],
    connectors: rungs.map((z) => ({ kind: 'bar', at: [4, 2, z], facing: PLUS_X, length: 12 })),
    form: [
      ...[0, 17].map((x): Solid => ({ kind: 'box', ...boxAt([x, 0, 0], [3, 4, 60]) })),
      ...rungs.map((z): Solid => ({ kind: 'stump', foot: [3, 2, z], axis: [1, 0, 0], bottom: 1.6, top: 1.6, height: 14, sides: 12 })),
    ],
  })
}

/** Windows, doors, arches, panels, fences. */
export const openingShapes = (): Shape[] => [
  window('1x2', 24, [12], []),
  window('1x2', 36, [18], []),
  window('1x3', 36, [18], [15]),
  window('1x4', 36, [18], [20]),
  window('1x4', 60, [20, 40], [20]),
  door(4, 6),
  door(3, 6),
  arch(3, 1),
  arch(4, 1),
  arch(6, 1),
  arch(4, 2),
  arch(6, 2),
  arch(8, 2),
  panel(1, 1),
  panel(2, 1),
  panel(3, 1),
  panel(4, 1),
  panel(2, 2),
  panel(4, 3),
  cornerPanel(),
  fence(2),
  fence(4),
  lattice(),
  ladder(),
]
