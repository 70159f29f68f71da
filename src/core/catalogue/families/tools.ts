import { boxAt, PLUS_X, type Vec, type FlatPoint } from '../../space'
import { makeShape } from '../make'
import type { Solid } from '../solid'
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
  /** Beyond the handle, whose middle is at half its height. */
  readonly form: readonly Solid[]
}

export function tool({ id, title, handle, long, high, deep = 4, form }: Tool): Shape {
  const middle = high / 2
  const side = deep / 2
  return makeShape({
    id: `tool-${id}`,
    family: 'hand-held',
    title,
    box: [long, deep, high],
    bodies: [
      { ...boxAt([0, side - 2, middle - 2], [handle, 4, 4]), round: true } satisfies BodyBox,
      ...(long > handle ? [boxAt([handle, 0, 0], [long - handle, deep, high])] : []),
    ],
    connectors: [{ kind: 'bar', at: [0, side, middle], facing: PLUS_X, length: handle - 2 }],
    reflection: FLAT,
    form: [{ kind: 'stump', foot: [0, side, middle], axis: X, bottom: 1.9, top: 1.9, height: handle, sides: 12 }, ...form],
  })
}

export const flat = (outline: readonly FlatPoint[], from = 1.2, to = 2.8): Solid => ({ kind: 'prism', outline, axis: 1, from, to })

const TOOLS: readonly Tool[] = [
  { id: 'hammer', title: 'Hammer', handle: 24, long: 30, high: 14, form: [{ kind: 'box', ...boxAt([24, 0, 1], [6, 4, 12]) }] },
  {
    id: 'axe',
    title: 'Axe',
    handle: 26,
    long: 34,
    high: 16,
    form: [
      flat([
        [25, 5],
        [30, 5],
        [34, 0],
        [34, 16],
        [30, 11],
        [25, 11],
      ]),
    ],
  },
  {
    id: 'saw',
    title: 'Saw',
    handle: 12,
    long: 36,
    high: 10,
    form: [
      flat(
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
    ],
  },
  {
    id: 'spanner',
    title: 'Spanner',
    handle: 22,
    long: 30,
    high: 10,
    form: [
      flat([
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
    ],
  },
  {
    id: 'shovel',
    title: 'Shovel',
    handle: 30,
    long: 44,
    high: 10,
    form: [
      flat([
        [29, 3],
        [32, 0],
        [40, 0],
        [44, 5],
        [40, 10],
        [32, 10],
        [29, 7],
      ]),
    ],
  },
  {
    id: 'pickaxe',
    title: 'Pickaxe',
    handle: 26,
    long: 32,
    high: 26,
    form: [
      flat(
        [
          [26, 0],
          [30, 8],
          [32, 13],
          [30, 18],
          [26, 26],
          [27, 17],
          [26, 13],
          [27, 9],
        ],
        0.8,
        3.2,
      ),
    ],
  },
  {
    id: 'broom',
    title: 'Broom',
    handle: 34,
    long: 46,
    high: 12,
    form: [
      flat(
        [
          [33, 4],
          [46, 0],
          [46, 12],
          [33, 8],
        ],
        0.4,
        3.6,
      ),
    ],
  },
  {
    id: 'rake',
    title: 'Rake',
    handle: 34,
    long: 40,
    high: 16,
    form: [
      { kind: 'box', ...boxAt([34, 1, 0], [2, 2, 16]) },
      ...[0, 3.5, 7, 10.5, 14].map((z): Solid => ({ kind: 'box', ...boxAt([36, 1.2, z], [4, 1.6, 1.6]) })),
    ],
  },
  {
    id: 'paddle',
    title: 'Paddle',
    handle: 36,
    long: 54,
    high: 10,
    form: [
      flat([
        [35, 3.4],
        [40, 0.4],
        [50, 0],
        [54, 5],
        [50, 10],
        [40, 9.6],
        [35, 6.6],
      ]),
    ],
  },
  {
    id: 'pan',
    title: 'Pan',
    handle: 16,
    long: 34,
    high: 18,
    form: [
      { kind: 'stump', foot: [25, 2, 9], axis: [0, 1, 0], bottom: 8.6, top: 8, height: 1, sides: 24 },
      { kind: 'tube', foot: [25, 0, 9], axis: [0, 1, 0], outer: 9, inner: 8, height: 2, sides: 24 },
    ],
  },
  {
    id: 'brush',
    title: 'Paint brush',
    handle: 18,
    long: 28,
    high: 8,
    form: [
      { kind: 'box', ...boxAt([18, 0.6, 0.4], [4, 2.8, 7.2]) },
      flat(
        [
          [22, 0.6],
          [27, 1.4],
          [28, 4],
          [27, 6.6],
          [22, 7.4],
        ],
        1,
        3,
      ),
    ],
  },
  {
    id: 'torch',
    title: 'Torch',
    handle: 20,
    long: 28,
    high: 8,
    deep: 8,
    form: [
      {
        kind: 'revolution',
        foot: [20, 4, 4],
        axis: X,
        rings: [
          [2, 0],
          [3.8, 3],
          [3.8, 8],
        ],
        sides: 16,
      },
    ],
  },
  {
    id: 'telescope',
    title: 'Telescope',
    handle: 14,
    long: 30,
    high: 6,
    deep: 6,
    form: [
      {
        kind: 'revolution',
        foot: [14, 3, 3],
        axis: X,
        rings: [
          [2, 0],
          [2.4, 0.4],
          [2.4, 8],
          [2.9, 8.4],
          [2.9, 16],
        ],
        sides: 18,
      },
    ],
  },
  {
    id: 'staff',
    title: 'Staff',
    handle: 56,
    long: 60,
    high: 6,
    deep: 6,
    form: [
      {
        kind: 'revolution',
        foot: [56, 3, 3],
        axis: X,
        rings: [
          [1.9, 0],
          [2.8, 1.4],
          [2.4, 3],
          [0, 4],
        ],
        sides: 14,
      },
    ],
  },
  {
    id: 'net',
    title: 'Landing net',
    handle: 28,
    long: 46,
    high: 18,
    form: [
      { kind: 'tube', foot: [37, 1, 9], axis: [0, 1, 0], outer: 9, inner: 7.4, height: 2, sides: 24 },
      ...[5, 9, 13].map((z): Solid => ({ kind: 'box', ...boxAt([30.5, 1.6, z - 0.4], [13, 0.8, 0.8]) })),
      ...[33, 37, 41].map((x): Solid => ({ kind: 'box', ...boxAt([x - 0.4, 1.6, 2.4], [0.8, 0.8, 13.2]) })),
    ],
  },
  {
    id: 'flag',
    title: 'Flag',
    handle: 20,
    long: 50,
    high: 20,
    form: [
      { kind: 'stump', foot: [20, 2, 10], axis: X, bottom: 1.4, top: 1.4, height: 30, sides: 10 },
      flat(
        [
          [28, 10],
          [28, 20],
          [36, 19],
          [42, 20],
          [49, 19],
          [49, 10],
        ],
        1.6,
        2.4,
      ),
    ],
  },
]

/** Tools for hands. */
export const toolShapes = (): Shape[] => TOOLS.map(tool)
