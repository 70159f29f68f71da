import { boxAt, BRICK_HEIGHT, PLATE_HEIGHT, STUD_PITCH, type Vec } from '../../space'
import { cellMiddles, LEFT_RIGHT, makeShape, parseSize, socketsAt, studsAt } from '../make'
import type { BodyBox, Connector, Shape } from '../types'

type Profile = readonly (readonly [number, number])[]

/** Height of the upright lip at the low edge of a slope, in u. */
const LIP = 2

interface SlopeOptions {
  readonly id: string
  readonly family: string
  readonly title: string
  readonly depth: number
  readonly width: number
  readonly height: number
  readonly connectors: (cells: [number, number][]) => Connector[]
  readonly profile: Profile
  readonly smooth?: readonly number[]
}

/** Sizes of slopes are depth × width: they fall toward −y, the width runs along x. */
function slopeShape(options: SlopeOptions): Shape {
  const box: Vec = [options.width * STUD_PITCH, options.depth * STUD_PITCH, options.height]
  return makeShape({
    id: options.id,
    family: options.family,
    title: options.title,
    box,
    connectors: options.connectors(cellMiddles(options.width, options.depth)),
    outline: (builder) => {
      builder.profile(options.profile, box[0], options.smooth)
    },
  })
}

const depthByWidth = (size: string): [number, number] => parseSize(size)
const sizeWords = (size: string): string => {
  const [depth, width] = depthByWidth(size)
  return `${depth} deep, ${width} wide`
}

function lowSlope(size: string): Shape {
  const [depth, width] = depthByWidth(size)
  return slopeShape({
    id: `slope-low-${size}`,
    family: 'low slope',
    title: `Low slope ${sizeWords(size)}`,
    depth,
    width,
    height: 8,
    connectors: socketsAt,
    profile: [
      [0, 0],
      [10, 0],
      [10, 8],
      [9, 8],
      [0, LIP],
    ],
  })
}

function slope(size: string): Shape {
  const [depth, width] = depthByWidth(size)
  return slopeShape({
    id: `slope-${size}`,
    family: 'slope',
    title: `Slope ${sizeWords(size)}`,
    depth,
    width,
    height: BRICK_HEIGHT,
    connectors: (cells) => [
      ...studsAt(
        cells.filter(([, y]) => y > 10),
        BRICK_HEIGHT,
      ),
      ...socketsAt(cells),
    ],
    profile: [
      [0, 0],
      [20, 0],
      [20, BRICK_HEIGHT],
      [10, BRICK_HEIGHT],
      [0, LIP],
    ],
  })
}

function steepSlope(size: string, tall: number): Shape {
  const [depth, width] = depthByWidth(size)
  const height = BRICK_HEIGHT * tall
  return slopeShape({
    id: `slope-${size}-tall${tall}`,
    family: 'steep slope',
    title: `Steep slope ${sizeWords(size)}, ${tall} high`,
    depth,
    width,
    height,
    connectors: socketsAt,
    profile: [
      [0, 0],
      [10, 0],
      [10, height],
      [8, height],
      [0, LIP],
    ],
  })
}

function invertedSlope(size: string): Shape {
  const [depth, width] = depthByWidth(size)
  return slopeShape({
    id: `slope-inv-${size}`,
    family: 'inverted slope',
    title: `Inverted slope ${sizeWords(size)}`,
    depth,
    width,
    height: BRICK_HEIGHT,
    connectors: (cells) => [...studsAt(cells, BRICK_HEIGHT), ...socketsAt(cells.filter(([, y]) => y > 10))],
    profile: [
      [0, BRICK_HEIGHT - LIP],
      [10, 0],
      [20, 0],
      [20, BRICK_HEIGHT],
      [0, BRICK_HEIGHT],
    ],
  })
}

const CURVE_STEPS = 8

function curvedSlope(size: string, height: number): Shape {
  const [depth, width] = depthByWidth(size)
  const run = depth * STUD_PITCH
  const arc = Array.from({ length: CURVE_STEPS + 1 }, (_, i): [number, number] => {
    const angle = (Math.PI / 2) * (i / CURVE_STEPS)
    return [run - run * Math.sin(angle), LIP + (height - LIP) * Math.cos(angle)]
  })
  return slopeShape({
    id: `curve-${size}`,
    family: 'curved slope',
    title: `Curved slope ${sizeWords(size)}`,
    depth,
    width,
    height,
    connectors: socketsAt,
    profile: [[0, 0], [run, 0], ...arc],
    smooth: [3, 4, 5, 6, 7, 8, 9],
  })
}

/** The cut corner of a wedge plate is at −y: at −x for left, at +x for right. It stops bodies but not studs. */
function wedgePlate(columns: number, cut: number, hand: 'left' | 'right'): Shape {
  const isLeft = hand === 'left'
  const width = columns * STUD_PITCH
  const cutWidth = cut * STUD_PITCH
  const size = `2x${columns}`
  const isCut = ([x, y]: [number, number]): boolean => y < 10 && (isLeft ? x < cutWidth : x > width - cutWidth)
  const cells = cellMiddles(columns, 2).filter((cell) => !isCut(cell))
  const bodies: BodyBox[] = [
    boxAt([0, 10, 0], [width, 10, PLATE_HEIGHT]),
    boxAt([isLeft ? cutWidth : 0, 0, 0], [width - cutWidth, 10, PLATE_HEIGHT]),
    { ...boxAt([isLeft ? 0 : width - cutWidth, 0, 0], [cutWidth, 10, PLATE_HEIGHT]), open: true },
  ]
  const outline: Vec[] = isLeft
    ? [
        [cutWidth, 0, 0],
        [width, 0, 0],
        [width, 20, 0],
        [0, 20, 0],
        [0, 10, 0],
      ]
    : [
        [0, 0, 0],
        [width - cutWidth, 0, 0],
        [width, 10, 0],
        [width, 20, 0],
        [0, 20, 0],
      ]
  return makeShape({
    id: `wedge-plate-${size}-${hand}`,
    family: 'wedge plate',
    title: `Wedge plate 2 × ${columns}, ${hand}`,
    box: [width, 20, PLATE_HEIGHT],
    bodies,
    connectors: [...studsAt(cells, PLATE_HEIGHT), ...socketsAt(cells)],
    twin: `wedge-plate-${size}-${isLeft ? 'right' : 'left'}`,
    reflection: LEFT_RIGHT,
    outline: (builder) => {
      builder.prism([outline], outline, [0, 0, PLATE_HEIGHT])
    },
  })
}

/** Everything that falls toward −y, and the wedge plates. The collision body of a slope is its whole box. */
export const slopedShapes = (): Shape[] => [
  ...['1x1', '1x2'].map(lowSlope),
  ...['2x1', '2x2', '2x3', '2x4'].map(slope),
  steepSlope('1x1', 2),
  steepSlope('1x2', 3),
  ...['2x1', '2x2'].map(invertedSlope),
  curvedSlope('2x1', 8),
  curvedSlope('2x2', 8),
  curvedSlope('4x1', BRICK_HEIGHT),
  curvedSlope('4x2', BRICK_HEIGHT),
  wedgePlate(3, 1, 'left'),
  wedgePlate(3, 1, 'right'),
  wedgePlate(4, 2, 'left'),
  wedgePlate(4, 2, 'right'),
]
