import { boxAt, MM_PER_U, PLUS_X, type Vec, type FlatPoint } from '../../space'
import { makeShape } from '../make'
import { arc } from '../polygon'
import { carved } from '../solids'
import type { Solid } from '../solid'
import type { Shape } from '../types'

/** What is no brick: tube, cord and band, cut to a length. */

const X: Vec = [1, 0, 0]

/** Lengths of what is cut from the roll, u: what a part that names no length has. */
const USUAL_LENGTH = 50
/** The same in mm: what is counted where no length is told. */
export const USUAL_LENGTH_MM = USUAL_LENGTH * MM_PER_U

/** Hollow, 6 u across: goes through a pin hole. */
function tube(long: number, id = 'tube'): Shape {
  return makeShape({
    id,
    family: 'by length',
    title: 'Tube',
    box: [long, 6, 6],
    bodies: [{ ...boxAt([0, 0, 0], [long, 6, 6]), round: true }],
    connectors: [{ kind: 'hose', at: [0, 3, 3], facing: PLUS_X, length: long }],
    form: [{ kind: 'tube', foot: [0, 3, 3], axis: X, outer: 2.9, inner: 1.6, height: long, sides: 16 }],
  })
}

/** Two u across: goes through a pin hole, and through much else. */
function cord(long: number, id = 'cord'): Shape {
  return makeShape({
    id,
    family: 'by length',
    title: 'Cord',
    box: [long, 2, 2],
    bodies: [{ ...boxAt([0, 0, 0], [long, 2, 2]), round: true }],
    connectors: [{ kind: 'hose', at: [0, 1, 1], facing: PLUS_X, length: long }],
    form: Array.from({ length: Math.ceil(long / 5) }, (_, i): Solid => {
      const height = Math.min(5, long - i * 5)
      const rings: FlatPoint[] = [
        [0.7, 0],
        [1, 1],
        [1, height - 1],
        [0.7, height],
      ]
      return { kind: 'revolution', foot: [i * 5, 1, 1], axis: X, rings, sides: 8 }
    }),
  })
}

/** A flat ring of rubber, measured around; it lies stretched into a long round. */
function band(long: number, id = 'band'): Shape {
  const width = Math.max(8, Math.round(long / 2))
  const around = (radius: number): FlatPoint[] => [...arc([width - 4, 4], radius, [-90, 90], 8), ...arc([4, 4], radius, [90, 270], 8)]
  const [outer, inner] = [around(4), around(3)]
  return makeShape({
    id,
    family: 'by length',
    title: 'Band',
    box: [width, 8, 2],
    bodies: carved(boxAt([0, 0, 0], [width, 8, 2]), width > 2 ? [boxAt([1, 1, 0], [width - 2, 6, 2])] : []),
    connectors: [],
    form: outer.map((point, i): Solid => {
      const next = (i + 1) % outer.length
      return { kind: 'prism', outline: [point, outer[next]!, inner[next]!, inner[i]!], axis: 2, from: 0, to: 2, smooth: true }
    }),
  })
}

const BY_LENGTH = { tube, cord, band } as const
export type LengthId = keyof typeof BY_LENGTH

export const isByLength = (id: string): id is LengthId => id in BY_LENGTH

/** The shape of a piece cut to a length, u. Its id stays that of what it is cut from. */
export const cutToLength = (id: LengthId, long: number): Shape => BY_LENGTH[id](long)

/** Each in its usual length. */
export const lengthShapes = (): Shape[] => [tube(USUAL_LENGTH), cord(USUAL_LENGTH), band(USUAL_LENGTH)]
