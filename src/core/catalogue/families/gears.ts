import { boxAt, MINUS_Y, type Box, type Vec, type FlatPoint } from '../../space'
import { makeShape } from '../make'
import { carved } from '../solids'
import type { Solid } from '../solid'
import type { Shape } from '../types'
import { BEAM, bore, crossHole, Y } from './through-holes'

/** A disc as boxes: a square, and on each side of it a narrower one that reaches to the rim. All from the middle, u. */
const disc = (middle: number, square: number, reach: number, narrow: number): Box[] => [
  boxAt([middle - square, 0, middle - square], [2 * square, BEAM, 2 * square]),
  boxAt([middle - reach, 0, middle - narrow], [reach - square, BEAM, 2 * narrow]),
  boxAt([middle + square, 0, middle - narrow], [reach - square, BEAM, 2 * narrow]),
  boxAt([middle - narrow, 0, middle - reach], [2 * narrow, BEAM, reach - square]),
  boxAt([middle - narrow, 0, middle + square], [2 * narrow, BEAM, reach - square]),
]

/** Teeth stand half over the pitch circle, so that two gears mesh where their radii add up to whole studs. */
export function gear(teeth: number): Shape {
  const pitch = (teeth * 5) / 8
  const across = 2 * (pitch + 1)
  const middle = across / 2
  const box: Vec = [across, BEAM, across]
  const inside = pitch - 1
  const narrow = Math.floor(inside * 0.45)
  const wide = Math.floor(Math.sqrt(inside ** 2 - narrow ** 2))
  const square = Math.floor(inside / Math.SQRT2)
  const slabs =
    teeth <= 8
      ? [
          boxAt([middle - 4, 0, middle - 4], [8, BEAM, 8]),
          ...[-5, 4].flatMap((by) => [
            boxAt([middle + by, 0, middle - 2], [1, BEAM, 4]),
            boxAt([middle - 2, 0, middle + by], [4, BEAM, 1]),
          ]),
        ]
      : disc(middle, square, wide, narrow)
  const ring = ({ from, ...sizes }: Record<'from' | 'height' | 'outer' | 'inner', number>): Solid => ({
    kind: 'tube',
    foot: [middle, from, middle],
    axis: Y,
    ...sizes,
    sides: 4 * teeth > 48 ? 48 : 24,
  })
  return makeShape({
    id: `gear-${teeth}`,
    family: 'gear',
    title: `Gear, ${teeth} teeth`,
    box,
    bodies: slabs.filter(({ min, max }) => max[0] > min[0] && max[2] > min[2]).flatMap((slab) => carved(slab, [bore(middle, middle)])),
    connectors: crossHole(middle, middle),
    form: [
      ...(pitch > 7 ? [ring({ from: 2, height: 6, outer: pitch - 0.8, inner: pitch - 3 })] : []),
      ring({ from: 0, height: BEAM, outer: Math.min(4.2, pitch - 0.8), inner: 2.6 }),
      ...(pitch > 7 ? [ring({ from: 3.5, height: 3, outer: pitch - 3, inner: 4.2 })] : []),
      ...Array.from({ length: teeth }, (_, i): Solid => {
        const outline = tooth(middle, pitch, (2 * Math.PI * (i + 0.5)) / teeth, Math.PI / teeth)
        return { kind: 'prism', outline, axis: 1, from: 2, to: 8 }
      }),
    ],
  })
}

function tooth(middle: number, pitch: number, angle: number, half: number): FlatPoint[] {
  const at = (radius: number, turn: number): FlatPoint => [
    middle + radius * Math.cos(angle + turn),
    middle + radius * Math.sin(angle + turn),
  ]
  return [at(pitch - 1, -half * 0.55), at(pitch + 1, -half * 0.28), at(pitch + 1, half * 0.28), at(pitch - 1, half * 0.55)]
}

interface WheelOptions {
  readonly id: string
  readonly title: string
  readonly across: number
  readonly rim: number
  readonly hasCross?: boolean
}

/** Rim and tyre in one; turns on a pin or an axle. */
export function wheel({ id, title, across, rim, hasCross }: WheelOptions): Shape {
  const middle = across / 2
  const inside = Math.floor((middle - 1) / Math.SQRT2)
  const long = middle - 1
  const narrow = Math.floor(inside * 0.6)
  const slabs = disc(middle, inside, long, narrow)
  return makeShape({
    id,
    family: 'wheel',
    title,
    box: [across, BEAM, across],
    bodies: slabs.flatMap((slab) => carved(slab, [bore(middle, middle)])),
    connectors: hasCross ? crossHole(middle, middle) : [{ kind: 'hole', at: [middle, 5, middle], facing: MINUS_Y }],
    form: [
      { kind: 'tube', foot: [middle, 0, middle], axis: Y, outer: middle - 1, inner: rim, height: BEAM, sides: 40 },
      { kind: 'tube', foot: [middle, 1, middle], axis: Y, outer: middle, inner: middle - 1, height: BEAM - 2, sides: 40 },
      { kind: 'tube', foot: [middle, 1.5, middle], axis: Y, outer: rim, inner: rim - 1.2, height: BEAM - 3, sides: 32 },
      { kind: 'tube', foot: [middle, 1, middle], axis: Y, outer: 4.4, inner: 2.9, height: BEAM - 2, sides: 20 },
      ...Array.from({ length: 5 }, (_, i): Solid => ({
        kind: 'prism',
        outline: spoke(middle, [4, rim - 0.8], (2 * Math.PI * i) / 5, 1.4),
        axis: 1,
        from: 3,
        to: 6,
      })),
    ],
  })
}

function spoke(middle: number, [from, to]: readonly [number, number], angle: number, half: number): FlatPoint[] {
  const at = (radius: number, side: number): FlatPoint => [
    middle + radius * Math.cos(angle) - side * Math.sin(angle),
    middle + radius * Math.sin(angle) + side * Math.cos(angle),
  ]
  return [at(from, -half), at(to, -half), at(to, half), at(from, half)]
}
