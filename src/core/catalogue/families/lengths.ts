import { PLUS_X, type Vec, type FlatPoint } from '../../space'
import { makeShape } from '../make'
import { arc } from '../polygon'
import { block, carved } from '../solids'
import type { Shape } from '../types'

/** What is no brick: tube, cord and band, cut to a length. */

const X: Vec = [1, 0, 0]

/** Lengths of what is cut from the roll, u: what a part that names no length has. */
const USUAL_LENGTH = 50

/** Hollow, 6 u across: goes through a pin hole. */
function tube(long: number, id = 'tube'): Shape {
  return makeShape({
    id,
    family: 'by length',
    title: 'Tube',
    box: [long, 6, 6],
    bodies: [{ ...block(0, 0, 0, long, 6, 6), round: true }],
    connectors: [{ kind: 'hose', at: [0, 3, 3], facing: PLUS_X, length: long }],
    outline: (builder) => builder.tube([0, 3, 3], X, 2.9, 1.6, long, 16),
  })
}

/** Two u across: goes through a pin hole, and through much else. */
function cord(long: number, id = 'cord'): Shape {
  return makeShape({
    id,
    family: 'by length',
    title: 'Cord',
    box: [long, 2, 2],
    bodies: [{ ...block(0, 0, 0, long, 2, 2), round: true }],
    connectors: [{ kind: 'hose', at: [0, 1, 1], facing: PLUS_X, length: long }],
    outline: (builder) => {
      for (let x = 0; x < long; x += 5)
        builder.lathe(
          [x, 1, 1],
          X,
          [
            [0.7, 0],
            [1, 1],
            [1, Math.min(5, long - x) - 1],
            [0.7, Math.min(5, long - x)],
          ],
          8,
        )
    },
  })
}

/** A flat ring of rubber, measured around; it lies stretched into a long round. */
function band(long: number, id = 'band'): Shape {
  const width = Math.max(8, Math.round(long / 2))
  return makeShape({
    id,
    family: 'by length',
    title: 'Band',
    box: [width, 8, 2],
    bodies: carved(block(0, 0, 0, width, 8, 2), width > 2 ? [block(1, 1, 0, width - 2, 6, 2)] : []),
    connectors: [],
    outline: (builder) => {
      const around = (radius: number): FlatPoint[] => [...arc([width - 4, 4], radius, -90, 90, 8), ...arc([4, 4], radius, 90, 270, 8)]
      const [outer, inner] = [around(4), around(3)]
      outer.forEach((point, i) => {
        const j = (i + 1) % outer.length
        builder.extrude([point, outer[j]!, inner[j]!, inner[i]!], 2, 0, 2, true)
      })
    },
  })
}

const BY_LENGTH = { tube, cord, band } as const
export type LengthId = keyof typeof BY_LENGTH

export const isByLength = (id: string): id is LengthId => id in BY_LENGTH

/** The shape of a piece cut to a length, u. Its id stays that of what it is cut from. */
export const cutToLength = (id: LengthId, long: number): Shape => BY_LENGTH[id](long)

/** Each in its usual length. */
export const lengthShapes = (): Shape[] => [tube(USUAL_LENGTH), cord(USUAL_LENGTH), band(USUAL_LENGTH)]
