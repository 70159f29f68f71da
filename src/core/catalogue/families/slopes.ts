import { boxAt, BRICK_HEIGHT, PLATE_HEIGHT, STUD_PITCH, type Vec } from '../../space'
import { cellMiddles, LEFT_RIGHT, makeShape, parseSize, socketsAt, studsAt } from '../make'
import type { BodyBox, Connector, Shape } from '../types'

type SlopeProfile = readonly (readonly [number, number])[]

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
  readonly profile: SlopeProfile
  readonly smooth?: readonly number[]
  /** Boxes across the whole width that hold the profile: from y to y, from z to z. Left out: all of it. */
  readonly steps?: readonly (readonly [fromY: number, toY: number, fromZ: number, toZ: number])[]
}

/** Sizes of slopes are depth × width: they fall toward −y, the width runs along x. */
function slopeShape(options: SlopeOptions): Shape {
  const box: Vec = [options.width * STUD_PITCH, options.depth * STUD_PITCH, options.height]
  return makeShape({
    id: options.id,
    family: options.family,
    title: options.title,
    box,
    ...(options.steps
      ? { bodies: options.steps.map(([y0, y1, z0, z1]) => ({ min: [0, y0, z0] as const, max: [box[0], y1, z1] as const })) }
      : {}),
    connectors: options.connectors(cellMiddles(options.width, options.depth)),
    form: [{ kind: 'profile', outline: options.profile, width: box[0], ...(options.smooth ? { smooth: options.smooth } : {}) }],
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

/** One row of studs at the back, the rest falls. */
function slope(size: string): Shape {
  const [depth, width] = depthByWidth(size)
  const run = depth * STUD_PITCH
  const edge = run - STUD_PITCH
  // Where the fall is half way down, the lower half of its box is enough.
  const half = Math.floor(edge / 2)
  const heightAt = Math.ceil(LIP + ((BRICK_HEIGHT - LIP) * half) / edge)
  return slopeShape({
    id: `slope-${size}`,
    family: 'slope',
    title: `Slope ${sizeWords(size)}`,
    depth,
    width,
    height: BRICK_HEIGHT,
    connectors: (cells) => [
      ...studsAt(
        cells.filter(([, y]) => y > edge),
        BRICK_HEIGHT,
      ),
      ...socketsAt(cells),
    ],
    profile: [
      [0, 0],
      [run, 0],
      [run, BRICK_HEIGHT],
      [edge, BRICK_HEIGHT],
      [0, LIP],
    ],
    steps: [
      [0, half, 0, heightAt],
      [half, run, 0, BRICK_HEIGHT],
    ],
  })
}

/** Two slopes back to back: a ridge without studs. */
function ridge(width: number): Shape {
  return slopeShape({
    id: `slope-ridge-2x${width}`,
    family: 'slope',
    title: `Ridge 2 deep, ${width} wide`,
    depth: 2,
    width,
    height: BRICK_HEIGHT,
    connectors: socketsAt,
    profile: [
      [0, 0],
      [20, 0],
      [20, LIP],
      [10, BRICK_HEIGHT],
      [0, LIP],
    ],
    steps: [
      [0, 5, 0, 7],
      [5, 15, 0, BRICK_HEIGHT],
      [15, 20, 0, 7],
    ],
  })
}

function steepSlope(size: string, tall: number): Shape {
  const [depth, width] = depthByWidth(size)
  const height = BRICK_HEIGHT * tall
  const run = depth * STUD_PITCH
  const top = depth > 1 ? STUD_PITCH : 2
  const half = Math.floor((run - top) / 2)
  const heightAt = Math.ceil(LIP + ((height - LIP) * half) / (run - top))
  return slopeShape({
    id: `slope-${size}-tall${tall}`,
    family: 'steep slope',
    title: `Steep slope ${sizeWords(size)}, ${tall} high`,
    depth,
    width,
    height,
    connectors: (cells) => [
      ...(depth > 1
        ? studsAt(
            cells.filter(([, y]) => y > run - top),
            height,
          )
        : []),
      ...socketsAt(cells),
    ],
    profile: [
      [0, 0],
      [run, 0],
      [run, height],
      [run - top, height],
      [0, LIP],
    ],
    steps: [
      [0, half, 0, heightAt],
      [half, run, 0, height],
    ],
  })
}

function invertedSlope(size: string): Shape {
  const [depth, width] = depthByWidth(size)
  const run = depth * STUD_PITCH
  const edge = run - STUD_PITCH
  const half = Math.floor(edge / 2)
  const heightAt = Math.floor(BRICK_HEIGHT - LIP - ((BRICK_HEIGHT - LIP) * half) / edge)
  return slopeShape({
    id: `slope-inv-${size}`,
    family: 'inverted slope',
    title: `Inverted slope ${sizeWords(size)}`,
    depth,
    width,
    height: BRICK_HEIGHT,
    connectors: (cells) => [...studsAt(cells, BRICK_HEIGHT), ...socketsAt(cells.filter(([, y]) => y > edge))],
    profile: [
      [0, BRICK_HEIGHT - LIP],
      [edge, 0],
      [run, 0],
      [run, BRICK_HEIGHT],
      [0, BRICK_HEIGHT],
    ],
    steps: [
      [0, half, heightAt, BRICK_HEIGHT],
      [half, run, 0, BRICK_HEIGHT],
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
  // The first fifth of the run lies clearly lower than the rest.
  const low = Math.max(1, Math.floor(run / 5))
  const heightAt = (y: number): number => LIP + (height - LIP) * Math.sqrt(1 - ((run - y) / run) ** 2)
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
    steps: [
      [0, low, 0, Math.ceil(heightAt(low))],
      [low, run, 0, height],
    ],
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
    form: [{ kind: 'slab', floors: [outline], outline, rise: [0, 0, PLATE_HEIGHT] }],
  })
}

/** Everything that falls toward −y, and the wedge plates. Bodies follow the fall in two steps. */
export const slopedShapes = (): Shape[] => [
  ...['1x1', '1x2', '1x3', '1x4'].map(lowSlope),
  ...['2x1', '2x2', '2x3', '2x4', '2x6', '2x8', '3x1', '3x2', '3x4', '4x1', '4x2'].map(slope),
  ...[1, 2, 4].map(ridge),
  steepSlope('1x1', 2),
  steepSlope('1x2', 2),
  steepSlope('1x1', 3),
  steepSlope('1x2', 3),
  steepSlope('2x1', 2),
  steepSlope('2x2', 2),
  steepSlope('2x1', 3),
  steepSlope('2x2', 3),
  ...['2x1', '2x2', '2x4', '3x1', '3x2'].map(invertedSlope),
  curvedSlope('1x1', 8),
  curvedSlope('1x2', 8),
  curvedSlope('2x1', 8),
  curvedSlope('2x2', 8),
  curvedSlope('2x4', 8),
  curvedSlope('3x1', 8),
  curvedSlope('3x2', 8),
  curvedSlope('4x1', BRICK_HEIGHT),
  curvedSlope('4x2', BRICK_HEIGHT),
  curvedSlope('6x1', BRICK_HEIGHT),
  curvedSlope('6x2', BRICK_HEIGHT),
  wedgePlate(2, 1, 'left'),
  wedgePlate(2, 1, 'right'),
  wedgePlate(6, 4, 'left'),
  wedgePlate(6, 4, 'right'),
  wedgePlate(3, 1, 'left'),
  wedgePlate(3, 1, 'right'),
  wedgePlate(4, 2, 'left'),
  wedgePlate(4, 2, 'right'),
]
