import { boxAt, MINUS_Z, type Vec, type FlatPoint } from '../../space'
import { makeShape } from '../make'
import { carved } from '../solids'
import type { Solid } from '../solid'
import type { BodyBox, Shape } from '../types'

/** Hair and hats of our figure: each sits on the post of a head by a ring. */

const UP: Vec = [0, 0, 1]

/** What sits on a head: a crown above it, and walls that hang down behind and beside it. */
interface Headwear {
  readonly id: string
  readonly title: string
  /** Above the head, u; how far it hangs down behind and beside. */
  readonly above: number
  readonly behind: number
  readonly beside: number
  readonly form: readonly Solid[]
  readonly brim?: number
  /** A peak in front. */
  readonly hasPeak?: boolean
}

function headwear({ id, title, above, behind, beside, form, brim = 0, hasPeak = false }: Headwear): Shape {
  // The body box is the crown; walls hang below it. In its own frame the top of the head is z = 0.
  const walls: BodyBox[] = []
  if (behind > 0) walls.push(boxAt([0, 13, -behind], [14, 1, behind]))
  if (beside > 0) walls.push(boxAt([0, 1, -beside], [1, 12, beside]), boxAt([13, 1, -beside], [1, 12, beside]))
  if (hasPeak) walls.push(boxAt([2, -2, -1], [10, 2, 2]))
  const crown = boxAt([0, 0, 0], [14, 14, above])
  const rim = brim > 0 ? carved(boxAt([-brim, -brim, 0], [14 + 2 * brim, 14 + 2 * brim, 2]), [crown]) : []
  return makeShape({
    id,
    family: 'figure headwear',
    title,
    box: [14, 14, above],
    bodies: [crown, ...walls, ...rim],
    connectors: [{ kind: 'ring', at: [7, 7, 0], facing: MINUS_Z }],
    form,
  })
}

const MIDDLE: Vec = [7, 7, 0]

/** A half shell around the back of the head, from one side over the back to the other. */
function shell({
  from,
  to,
  low,
  high,
}: {
  readonly from: number
  readonly to: number
  readonly low: number
  readonly high: number
}): Solid {
  const points = (radius: number): FlatPoint[] =>
    Array.from({ length: 13 }, (_, i) => {
      const angle = ((from + ((to - from) * i) / 12) * Math.PI) / 180
      return [7 + radius * Math.cos(angle), 7 + radius * Math.sin(angle)]
    })
  return { kind: 'prism', outline: [...points(7), ...points(6.1).reverse()], axis: 2, from: low, to: high }
}

const bowl = (height: number, radius = 7): FlatPoint[] => [
  [radius, 0],
  [radius, height * 0.3],
  [radius * 0.86, height * 0.72],
  [radius * 0.5, height],
]

/** Hair, then hats. */
const HEADWEAR: readonly Headwear[] = [
  {
    id: 'figure-hair-short',
    title: 'Figure hair, short',
    above: 4,
    behind: 6,
    beside: 4,
    form: [
      { kind: 'revolution', foot: MIDDLE, axis: UP, rings: bowl(4), sides: 24 },
      shell({ from: -10, to: 190, low: -4, high: 0 }),
      shell({ from: 30, to: 150, low: -6, high: -4 }),
    ],
  },
  {
    id: 'figure-hair-long',
    title: 'Figure hair, long',
    above: 4,
    behind: 16,
    beside: 9,
    form: [
      { kind: 'revolution', foot: MIDDLE, axis: UP, rings: bowl(4), sides: 24 },
      shell({ from: -20, to: 200, low: -9, high: 0 }),
      shell({ from: 20, to: 160, low: -16, high: -9 }),
    ],
  },
  {
    id: 'figure-hair-bun',
    title: 'Figure hair with a bun',
    above: 10,
    behind: 6,
    beside: 4,
    form: [
      { kind: 'revolution', foot: MIDDLE, axis: UP, rings: bowl(4), sides: 24 },
      shell({ from: -10, to: 190, low: -5, high: 0 }),
      {
        kind: 'revolution',
        foot: [7, 10, 3],
        axis: UP,
        rings: [
          [1.4, 0],
          [3.2, 1.4],
          [3.4, 3.6],
          [2.4, 6],
          [0, 7],
        ],
        sides: 16,
      },
    ],
  },
  {
    id: 'figure-hair-curly',
    title: 'Figure hair, curly',
    above: 7,
    behind: 6,
    beside: 5,
    form: [
      shell({ from: -15, to: 195, low: -5, high: 1 }),
      ...Array.from({ length: 8 }, (_, i): Solid => {
        const angle = (2 * Math.PI * i) / 8
        return {
          kind: 'revolution',
          foot: [7 + 4.2 * Math.cos(angle), 7 + 4.2 * Math.sin(angle), 0],
          axis: UP,
          rings: [
            [1.6, 0],
            [2.7, 1.4],
            [2.7, 3.2],
            [1, 5],
          ],
          sides: 10,
        }
      }),
      {
        kind: 'revolution',
        foot: MIDDLE,
        axis: UP,
        rings: [
          [4, 0],
          [4, 5],
          [2, 7],
        ],
        sides: 14,
      },
    ],
  },
  {
    id: 'figure-hat-cap',
    title: 'Figure cap',
    hasPeak: true,
    above: 5,
    behind: 2,
    beside: 2,
    form: [
      { kind: 'revolution', foot: MIDDLE, axis: UP, rings: bowl(5), sides: 24 },
      shell({ from: 0, to: 360, low: -2, high: 0 }),
      {
        kind: 'prism',
        outline: [
          [2, 1.6],
          [12, 1.6],
          [11, -1],
          [8.4, -2],
          [5.6, -2],
          [3, -1],
        ],
        axis: 2,
        from: -1,
        to: 0.2,
      },
    ],
  },
  {
    id: 'figure-hat-brim',
    title: 'Figure hat with a brim',
    above: 8,
    behind: 0,
    beside: 0,
    brim: 3,
    form: [
      {
        kind: 'revolution',
        foot: MIDDLE,
        axis: UP,
        rings: [
          [9.8, 0],
          [9.8, 1],
          [6, 1.6],
          [5.6, 6.6],
          [4, 8],
        ],
        sides: 28,
      },
    ],
  },
  {
    id: 'figure-hat-pointed',
    title: 'Figure hat, pointed',
    above: 22,
    behind: 0,
    beside: 0,
    brim: 2,
    form: [
      {
        kind: 'revolution',
        foot: MIDDLE,
        axis: UP,
        rings: [
          [8.8, 0],
          [8.8, 1],
          [6, 1.6],
          [0, 22],
        ],
        sides: 24,
      },
    ],
  },
  {
    id: 'figure-hat-helmet',
    title: 'Figure helmet',
    above: 5,
    behind: 8,
    beside: 8,
    form: [{ kind: 'revolution', foot: MIDDLE, axis: UP, rings: bowl(5), sides: 24 }, shell({ from: -35, to: 215, low: -8, high: 0 })],
  },
  {
    id: 'figure-hat-crown',
    title: 'Figure crown',
    above: 7,
    behind: 0,
    beside: 0,
    form: [
      { kind: 'tube', foot: [7, 7, 0], axis: UP, outer: 6.6, inner: 5.4, height: 3, sides: 24 },
      { kind: 'stump', foot: [7, 7, 0], axis: UP, bottom: 5.6, top: 5.6, height: 1, sides: 24 },
      ...Array.from({ length: 6 }, (_, i): Solid => {
        const angle = (2 * Math.PI * i) / 6
        return {
          kind: 'revolution',
          foot: [7 + 5.5 * Math.cos(angle), 7 + 5.5 * Math.sin(angle), 2.6],
          axis: UP,
          rings: [
            [1.4, 0],
            [0, 4.4],
          ],
          sides: 6,
        }
      }),
    ],
  },
  {
    id: 'figure-hat-hood',
    title: 'Figure hood',
    above: 5,
    behind: 12,
    beside: 10,
    form: [
      { kind: 'revolution', foot: MIDDLE, axis: UP, rings: bowl(5), sides: 24 },
      shell({ from: -50, to: 230, low: -10, high: 0 }),
      shell({ from: 40, to: 140, low: -12, high: -10 }),
    ],
  },
  {
    id: 'figure-hat-knit',
    title: 'Figure knitted hat',
    above: 9,
    behind: 2,
    beside: 2,
    form: [
      shell({ from: 0, to: 360, low: -2, high: 1 }),
      {
        kind: 'revolution',
        foot: MIDDLE,
        axis: UP,
        rings: [
          [6.6, 0],
          [6.2, 3],
          [4, 6],
          [1.6, 7],
        ],
        sides: 24,
      },
      {
        kind: 'revolution',
        foot: [7, 7, 6.4],
        axis: UP,
        rings: [
          [0.6, 0],
          [1.8, 1],
          [1.2, 2.4],
          [0, 2.6],
        ],
        sides: 12,
      },
    ],
  },
]

export const headwearShapes = (): Shape[] => HEADWEAR.map(headwear)
