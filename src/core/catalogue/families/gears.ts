import { MINUS_Y, type Box, type Vec, type FlatPoint } from '../../space'
import { makeShape } from '../make'
import { block, carved } from '../solids'
import type { Shape } from '../types'
import { BEAM, bore, crossHole, Y } from './through-holes'

/** A disc as boxes: a square, and on each side of it a narrower one that reaches to the rim. All from the middle, u. */
const disc = (middle: number, square: number, reach: number, narrow: number): Box[] => [
  block(middle - square, 0, middle - square, 2 * square, BEAM, 2 * square),
  block(middle - reach, 0, middle - narrow, reach - square, BEAM, 2 * narrow),
  block(middle + square, 0, middle - narrow, reach - square, BEAM, 2 * narrow),
  block(middle - narrow, 0, middle - reach, 2 * narrow, BEAM, reach - square),
  block(middle - narrow, 0, middle + square, 2 * narrow, BEAM, reach - square),
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
          block(middle - 4, 0, middle - 4, 8, BEAM, 8),
          ...[-5, 4].flatMap((by) => [block(middle + by, 0, middle - 2, 1, BEAM, 4), block(middle - 2, 0, middle + by, 4, BEAM, 1)]),
        ]
      : disc(middle, square, wide, narrow)
  return makeShape({
    id: `gear-${teeth}`,
    family: 'gear',
    title: `Gear, ${teeth} teeth`,
    box,
    bodies: slabs.filter(({ min, max }) => max[0] > min[0] && max[2] > min[2]).flatMap((slab) => carved(slab, [bore(middle, middle)])),
    connectors: crossHole(middle, middle),
    outline: (builder) => {
      const rim = (from: number, depth: number, outer: number, inner: number): void => {
        builder.tube([middle, from, middle], Y, outer, inner, depth, 4 * teeth > 48 ? 48 : 24)
      }
      if (pitch > 7) rim(2, 6, pitch - 0.8, pitch - 3)
      rim(0, BEAM, Math.min(4.2, pitch - 0.8), 2.6)
      if (pitch > 7) rim(3.5, 3, pitch - 3, 4.2)
      for (let i = 0; i < teeth; i++) builder.extrude(tooth(middle, pitch, (2 * Math.PI * (i + 0.5)) / teeth, Math.PI / teeth), 1, 2, 8)
    },
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
    outline: (builder) => {
      builder.tube([middle, 0, middle], Y, middle - 1, rim, BEAM, 40)
      builder.tube([middle, 1, middle], Y, middle, middle - 1, BEAM - 2, 40)
      builder.tube([middle, 1.5, middle], Y, rim, rim - 1.2, BEAM - 3, 32)
      builder.tube([middle, 1, middle], Y, 4.4, 2.9, BEAM - 2, 20)
      for (let i = 0; i < 5; i++) builder.extrude(spoke(middle, 4, rim - 0.8, (2 * Math.PI * i) / 5, 1.4), 1, 3, 6)
    },
  })
}

function spoke(middle: number, from: number, to: number, angle: number, half: number): FlatPoint[] {
  const at = (radius: number, side: number): FlatPoint => [
    middle + radius * Math.cos(angle) - side * Math.sin(angle),
    middle + radius * Math.sin(angle) + side * Math.cos(angle),
  ]
  return [at(from, -half), at(to, -half), at(to, half), at(from, half)]
}
