import { MINUS_Z, type Vec, type FlatPoint } from '../../space'
import { makeShape } from '../make'
import type { MeshBuilder } from '../mesh'
import { block, carved } from '../solids'
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
  readonly draw: (builder: MeshBuilder) => void
  readonly brim?: number
  /** A peak in front. */
  readonly hasPeak?: boolean
}

function headwear({ id, title, above, behind, beside, draw, brim = 0, hasPeak = false }: Headwear): Shape {
  // The body box is the crown; walls hang below it. In its own frame the top of the head is z = 0.
  const walls: BodyBox[] = []
  if (behind > 0) walls.push(block(0, 13, -behind, 14, 1, behind))
  if (beside > 0) walls.push(block(0, 1, -beside, 1, 12, beside), block(13, 1, -beside, 1, 12, beside))
  if (hasPeak) walls.push(block(2, -2, -1, 10, 2, 2))
  const crown = block(0, 0, 0, 14, 14, above)
  const rim = brim > 0 ? carved(block(-brim, -brim, 0, 14 + 2 * brim, 14 + 2 * brim, 2), [crown]) : []
  return makeShape({
    id,
    family: 'figure headwear',
    title,
    box: [14, 14, above],
    bodies: [crown, ...walls, ...rim],
    connectors: [{ kind: 'ring', at: [7, 7, 0], facing: MINUS_Z }],
    outline: draw,
  })
}

const MIDDLE: Vec = [7, 7, 0]

/** A half shell around the back of the head, from one side over the back to the other. */
function shell(builder: MeshBuilder, from: number, to: number, low: number, high: number, outer = 7, inner = 6.1): void {
  const points = (radius: number): FlatPoint[] =>
    Array.from({ length: 13 }, (_, i) => {
      const angle = ((from + ((to - from) * i) / 12) * Math.PI) / 180
      return [7 + radius * Math.cos(angle), 7 + radius * Math.sin(angle)]
    })
  builder.extrude([...points(outer), ...points(inner).reverse()], 2, low, high)
}

const bowl = (height: number, radius = 7): FlatPoint[] => [
  [radius, 0],
  [radius, height * 0.3],
  [radius * 0.86, height * 0.72],
  [radius * 0.5, height],
]

/** Hair, then hats. */
export const headwearShapes = (): Shape[] => [
  headwear({
    id: 'figure-hair-short',
    title: 'Figure hair, short',
    above: 4,
    behind: 6,
    beside: 4,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP, bowl(4), 24)
      shell(builder, -10, 190, -4, 0)
      shell(builder, 30, 150, -6, -4)
    },
  }),
  headwear({
    id: 'figure-hair-long',
    title: 'Figure hair, long',
    above: 4,
    behind: 16,
    beside: 9,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP, bowl(4), 24)
      shell(builder, -20, 200, -9, 0)
      shell(builder, 20, 160, -16, -9)
    },
  }),
  headwear({
    id: 'figure-hair-bun',
    title: 'Figure hair with a bun',
    above: 10,
    behind: 6,
    beside: 4,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP, bowl(4), 24)
      shell(builder, -10, 190, -5, 0)
      builder.lathe(
        [7, 10, 3],
        UP,
        [
          [1.4, 0],
          [3.2, 1.4],
          [3.4, 3.6],
          [2.4, 6],
          [0, 7],
        ],
        16,
      )
    },
  }),
  headwear({
    id: 'figure-hair-curly',
    title: 'Figure hair, curly',
    above: 7,
    behind: 6,
    beside: 5,
    draw: (builder) => {
      shell(builder, -15, 195, -5, 1)
      for (let i = 0; i < 8; i++) {
        const angle = (2 * Math.PI * i) / 8
        builder.lathe(
          [7 + 4.2 * Math.cos(angle), 7 + 4.2 * Math.sin(angle), 0],
          UP,
          [
            [1.6, 0],
            [2.7, 1.4],
            [2.7, 3.2],
            [1, 5],
          ],
          10,
        )
      }
      builder.lathe(
        MIDDLE,
        UP,
        [
          [4, 0],
          [4, 5],
          [2, 7],
        ],
        14,
      )
    },
  }),
  headwear({
    id: 'figure-hat-cap',
    title: 'Figure cap',
    hasPeak: true,
    above: 5,
    behind: 2,
    beside: 2,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP, bowl(5), 24)
      shell(builder, 0, 360, -2, 0)
      builder.extrude(
        [
          [2, 1.6],
          [12, 1.6],
          [11, -1],
          [8.4, -2],
          [5.6, -2],
          [3, -1],
        ],
        2,
        -1,
        0.2,
      )
    },
  }),
  headwear({
    id: 'figure-hat-brim',
    title: 'Figure hat with a brim',
    above: 8,
    behind: 0,
    beside: 0,
    brim: 3,
    draw: (builder) =>
      builder.lathe(
        MIDDLE,
        UP,
        [
          [9.8, 0],
          [9.8, 1],
          [6, 1.6],
          [5.6, 6.6],
          [4, 8],
        ],
        28,
      ),
  }),
  headwear({
    id: 'figure-hat-pointed',
    title: 'Figure hat, pointed',
    above: 22,
    behind: 0,
    beside: 0,
    brim: 2,
    draw: (builder) =>
      builder.lathe(
        MIDDLE,
        UP,
        [
          [8.8, 0],
          [8.8, 1],
          [6, 1.6],
          [0, 22],
        ],
        24,
      ),
  }),
  headwear({
    id: 'figure-hat-helmet',
    title: 'Figure helmet',
    above: 5,
    behind: 8,
    beside: 8,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP, bowl(5), 24)
      shell(builder, -35, 215, -8, 0)
    },
  }),
  headwear({
    id: 'figure-hat-crown',
    title: 'Figure crown',
    above: 7,
    behind: 0,
    beside: 0,
    draw: (builder) => {
      builder.tube([7, 7, 0], UP, 6.6, 5.4, 3, 24)
      builder.round([7, 7, 0], UP, 5.6, 5.6, 1, 24)
      for (let i = 0; i < 6; i++) {
        const angle = (2 * Math.PI * i) / 6
        builder.lathe(
          [7 + 5.5 * Math.cos(angle), 7 + 5.5 * Math.sin(angle), 2.6],
          UP,
          [
            [1.4, 0],
            [0, 4.4],
          ],
          6,
        )
      }
    },
  }),
  headwear({
    id: 'figure-hat-hood',
    title: 'Figure hood',
    above: 5,
    behind: 12,
    beside: 10,
    draw: (builder) => {
      builder.lathe(MIDDLE, UP, bowl(5), 24)
      shell(builder, -50, 230, -10, 0)
      shell(builder, 40, 140, -12, -10)
    },
  }),
  headwear({
    id: 'figure-hat-knit',
    title: 'Figure knitted hat',
    above: 9,
    behind: 2,
    beside: 2,
    draw: (builder) => {
      shell(builder, 0, 360, -2, 1)
      builder.lathe(
        MIDDLE,
        UP,
        [
          [6.6, 0],
          [6.2, 3],
          [4, 6],
          [1.6, 7],
        ],
        24,
      )
      builder.lathe(
        [7, 7, 6.4],
        UP,
        [
          [0.6, 0],
          [1.8, 1],
          [1.2, 2.4],
          [0, 2.6],
        ],
        12,
      )
    },
  }),
]
