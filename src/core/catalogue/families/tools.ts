import { PLUS_X, type Vec, type FlatPoint } from '../../space'
import { makeShape } from '../make'
import type { MeshBuilder } from '../mesh'
import { block } from '../solids'
import type { BodyBox, Shape } from '../types'

/** Things for a figure's hand: a handle of 4 u, held like a bar, and what is at its end. */

const X: Vec = [1, 0, 0]
const FLAT: [number, number, number, number, number, number, number, number, number] = [1, 0, 0, 0, -1, 0, 0, 0, 1]

export interface Tool {
  readonly id: string
  readonly title: string
  /** Of the handle and of the whole, u. */
  readonly handle: number
  readonly long: number
  readonly high: number
  readonly deep?: number
  readonly draw: (builder: MeshBuilder, middle: number) => unknown
}

export function tool({ id, title, handle, long, high, deep = 4, draw }: Tool): Shape {
  const middle = high / 2
  const side = deep / 2
  return makeShape({
    id: `tool-${id}`,
    family: 'hand-held',
    title,
    box: [long, deep, high],
    bodies: [
      { ...block(0, side - 2, middle - 2, handle, 4, 4), round: true } satisfies BodyBox,
      ...(long > handle ? [block(handle, 0, 0, long - handle, deep, high)] : []),
    ],
    connectors: [{ kind: 'bar', at: [0, side, middle], facing: PLUS_X, length: handle - 2 }],
    reflection: FLAT,
    outline: (builder) => {
      builder.round([0, side, middle], X, 1.9, 1.9, handle, 12)
      draw(builder, middle)
    },
  })
}

export const flat = (builder: MeshBuilder, outline: readonly FlatPoint[], from = 1.2, to = 2.8): MeshBuilder =>
  builder.extrude(outline, 1, from, to)

const TOOLS: readonly Tool[] = [
  { id: 'hammer', title: 'Hammer', handle: 24, long: 30, high: 14, draw: (b) => b.box(block(24, 0, 1, 6, 4, 12)) },
  {
    id: 'axe',
    title: 'Axe',
    handle: 26,
    long: 34,
    high: 16,
    draw: (b, m) =>
      flat(b, [
        [25, m - 3],
        [30, m - 3],
        [34, 0],
        [34, 16],
        [30, m + 3],
        [25, m + 3],
      ]),
  },
  {
    id: 'saw',
    title: 'Saw',
    handle: 12,
    long: 36,
    high: 10,
    draw: (b) =>
      flat(
        b,
        [
          [11, 8],
          [11, 2],
          [14, 0],
          [16, 1.6],
          [19, 0],
          [22, 1.6],
          [25, 0],
          [28, 1.6],
          [31, 0],
          [36, 4],
          [36, 8],
        ],
        1.5,
        2.5,
      ),
  },
  {
    id: 'spanner',
    title: 'Spanner',
    handle: 22,
    long: 30,
    high: 10,
    draw: (b) =>
      flat(b, [
        [21, 3],
        [24, 0],
        [30, 0],
        [30, 2.4],
        [26, 3.4],
        [26, 6.6],
        [30, 7.6],
        [30, 10],
        [24, 10],
        [21, 7],
      ]),
  },
  {
    id: 'shovel',
    title: 'Shovel',
    handle: 30,
    long: 44,
    high: 10,
    draw: (b) =>
      flat(b, [
        [29, 3],
        [32, 0],
        [40, 0],
        [44, 5],
        [40, 10],
        [32, 10],
        [29, 7],
      ]),
  },
  {
    id: 'pickaxe',
    title: 'Pickaxe',
    handle: 26,
    long: 32,
    high: 26,
    draw: (b, m) =>
      flat(
        b,
        [
          [26, 0],
          [30, m - 5],
          [32, m],
          [30, m + 5],
          [26, 26],
          [27, m + 4],
          [26, m],
          [27, m - 4],
        ],
        0.8,
        3.2,
      ),
  },
  {
    id: 'broom',
    title: 'Broom',
    handle: 34,
    long: 46,
    high: 12,
    draw: (b) =>
      flat(
        b,
        [
          [33, 4],
          [46, 0],
          [46, 12],
          [33, 8],
        ],
        0.4,
        3.6,
      ),
  },
  {
    id: 'rake',
    title: 'Rake',
    handle: 34,
    long: 40,
    high: 16,
    draw: (b) => {
      b.box(block(34, 1, 0, 2, 2, 16))
      for (const z of [0, 3.5, 7, 10.5, 14]) b.box(block(36, 1.2, z, 4, 1.6, 1.6))
    },
  },
  {
    id: 'paddle',
    title: 'Paddle',
    handle: 36,
    long: 54,
    high: 10,
    draw: (b) =>
      flat(b, [
        [35, 3.4],
        [40, 0.4],
        [50, 0],
        [54, 5],
        [50, 10],
        [40, 9.6],
        [35, 6.6],
      ]),
  },
  {
    id: 'pan',
    title: 'Pan',
    handle: 16,
    long: 34,
    high: 18,
    draw: (b) => {
      b.round([25, 2, 9], [0, 1, 0], 8.6, 8, 1, 24)
      b.tube([25, 0, 9], [0, 1, 0], 9, 8, 2, 24)
    },
  },
  {
    id: 'brush',
    title: 'Paint brush',
    handle: 18,
    long: 28,
    high: 8,
    draw: (b) => {
      b.box(block(18, 0.6, 0.4, 4, 2.8, 7.2))
      flat(
        b,
        [
          [22, 0.6],
          [27, 1.4],
          [28, 4],
          [27, 6.6],
          [22, 7.4],
        ],
        1,
        3,
      )
    },
  },
  {
    id: 'torch',
    title: 'Torch',
    handle: 20,
    long: 28,
    high: 8,
    deep: 8,
    draw: (b) =>
      b.lathe(
        [20, 4, 4],
        X,
        [
          [2, 0],
          [3.8, 3],
          [3.8, 8],
        ],
        16,
      ),
  },
  {
    id: 'telescope',
    title: 'Telescope',
    handle: 14,
    long: 30,
    high: 6,
    deep: 6,
    draw: (b) =>
      b.lathe(
        [14, 3, 3],
        X,
        [
          [2, 0],
          [2.4, 0.4],
          [2.4, 8],
          [2.9, 8.4],
          [2.9, 16],
        ],
        18,
      ),
  },
  {
    id: 'staff',
    title: 'Staff',
    handle: 56,
    long: 60,
    high: 6,
    deep: 6,
    draw: (b) =>
      b.lathe(
        [56, 3, 3],
        X,
        [
          [1.9, 0],
          [2.8, 1.4],
          [2.4, 3],
          [0, 4],
        ],
        14,
      ),
  },
  {
    id: 'net',
    title: 'Landing net',
    handle: 28,
    long: 46,
    high: 18,
    draw: (b) => {
      b.tube([37, 1, 9], [0, 1, 0], 9, 7.4, 2, 24)
      for (const z of [5, 9, 13]) b.box(block(30.5, 1.6, z - 0.4, 13, 0.8, 0.8))
      for (const x of [33, 37, 41]) b.box(block(x - 0.4, 1.6, 2.4, 0.8, 0.8, 13.2))
    },
  },
  {
    id: 'flag',
    title: 'Flag',
    handle: 20,
    long: 50,
    high: 20,
    draw: (b, m) => {
      b.round([20, 2, m], X, 1.4, 1.4, 30, 10)
      flat(
        b,
        [
          [28, m],
          [28, 20],
          [36, 19],
          [42, 20],
          [49, 19],
          [49, m],
        ],
        1.6,
        2.4,
      )
    },
  },
]

/** Tools for hands. */
export const toolShapes = (): Shape[] => TOOLS.map(tool)
