import type { Part } from '@core/model'
import { oneSection, part } from '../support/models'
import type { Specimen } from './corpus'

/** Walls with and without a lap. */

const BRICK = 12
/** Bricks of given lengths in studs, one after another along x. */
const course = (z: number, lengths: readonly number[], { y = 0, x = 0, id = 'c' } = {}): Part[] => {
  let at = x
  return lengths.map((length, i) => {
    const brick = part(`${id}-${z}-${i}`, `brick-1x${length}`, [at, y, z])
    at += length * 10
    return brick
  })
}
const base = (length = 8): Part => part('base', `plate-2x${length}`, [0, 0, 0])
const stack = (rows: readonly (readonly number[])[], at = {}): Part[] => rows.flatMap((lengths, i) => course(4 + i * BRICK, lengths, at))
const standing = (name: string, parts: readonly Part[], codes: readonly string[] = []): Specimen => ({
  name,
  model: oneSection([base(), ...parts]),
  codes,
})
const ALONG_Y = '+y-x'
const upY = (id: string, length: number, y: number, z: number): Part => part(id, `brick-1x${length}`, [0, y, z], ALONG_Y)

/** Two walls that meet in a corner; `laps` says of each course which of them runs through. */
const corner = (laps: readonly ('x' | 'y')[]): Part[] =>
  laps.flatMap((through, i) => {
    const z = 4 + i * BRICK
    return through === 'x'
      ? [part(`x${i}`, 'brick-1x4', [0, 0, z]), upY(`y${i}`, 3, 10, z)]
      : [part(`x${i}`, 'brick-1x3', [10, 0, z]), upY(`y${i}`, 4, 0, z)]
  })
const cornerFloor = part('floor', 'plate-4x4', [0, 0, 0])

export const walls: readonly Specimen[] = [
  standing(
    'a wall whose bricks meet at one place three times',
    stack([
      [4, 4],
      [4, 4],
      [4, 4],
    ]),
    ['straight-seam'],
  ),
  standing(
    'a wall whose bricks meet at one place five times',
    stack([
      [4, 4],
      [4, 4],
      [4, 4],
      [4, 4],
      [4, 4],
    ]),
    ['straight-seam'],
  ),
  standing(
    'a wall with its bricks in turn',
    stack([
      [4, 4],
      [2, 4, 2],
      [4, 4],
      [2, 4, 2],
    ]),
  ),
  standing(
    'a wall whose bricks meet twice, then a lap',
    stack([
      [4, 4],
      [4, 4],
      [2, 4, 2],
      [4, 4],
      [4, 4],
    ]),
  ),
  standing(
    'three bricks beside nine plates',
    [
      ...[0, 1, 2].map((i) => part(`b${i}`, 'brick-2x4', [0, 0, 4 + i * BRICK])),
      ...Array.from({ length: 9 }, (_, i) => part(`p${i}`, 'plate-2x4', [40, 0, 4 + i * 4])),
    ],
    ['straight-seam'],
  ),
  standing('two bricks beside six plates', [
    ...[0, 1].map((i) => part(`b${i}`, 'brick-2x4', [0, 0, 4 + i * BRICK])),
    ...Array.from({ length: 6 }, (_, i) => part(`p${i}`, 'plate-2x4', [40, 0, 4 + i * 4])),
  ]),
  standing(
    'nine plates beside three bricks, a plate across',
    [
      ...[0, 1, 2].map((i) => part(`b${i}`, 'brick-2x4', [0, 0, 4 + i * BRICK])),
      ...Array.from({ length: 9 }, (_, i) => part(`p${i}`, 'plate-2x4', [40, 0, 4 + i * 4])),
      part('across', 'plate-2x8', [0, 0, 40]),
    ],
    ['straight-seam'],
  ),
  standing('two bricks with a hole side by side', [part('a', 'brick-1x2-hole', [0, 0, 4]), part('b', 'brick-1x2-hole', [20, 0, 4])]),
  standing(
    'two courses of bricks with a hole',
    [0, 1].flatMap((i) => [0, 20, 40].map((x) => part(`h${i}-${x}`, 'brick-1x2-hole', [x, 0, 4 + i * BRICK]))),
  ),
  standing(
    'three courses of bricks with a hole',
    [0, 1, 2].flatMap((i) => [0, 20].map((x) => part(`h${i}-${x}`, 'brick-1x2-hole', [x, 0, 4 + i * BRICK]))),
    ['straight-seam'],
  ),
  { name: 'a corner that laps', model: oneSection([cornerFloor, ...corner(['x', 'y', 'x', 'y'])]), codes: [] },
  { name: 'a corner that never laps', model: oneSection([cornerFloor, ...corner(['x', 'x', 'x', 'x'])]), codes: ['straight-seam'] },
  standing(
    'plates that meet at one place three times',
    Array.from({ length: 3 }, (_, i) => [0, 40].map((x) => part(`p${i}-${x}`, 'plate-2x4', [x, 0, 4 + i * 4]))).flat(),
    ['straight-seam'],
  ),
  standing('plates in turn', [
    ...[0, 40].map((x) => part(`p0-${x}`, 'plate-2x4', [x, 0, 4])),
    part('p1', 'plate-2x8', [0, 0, 8]),
    ...[0, 40].map((x) => part(`p2-${x}`, 'plate-2x4', [x, 0, 12])),
  ]),
  standing('a wall beside a tall post of one piece', [
    part('post', 'brick-1x2-tall5', [0, 0, 4]),
    ...[0, 1, 2, 3, 4].map((i) => part(`w${i}`, 'brick-1x4', [20, 0, 4 + i * BRICK])),
  ]),
  standing('round posts beside a wall', [
    ...[0, 1, 2, 3].map((i) => part(`w${i}`, 'brick-1x6', [20, 0, 4 + i * BRICK])),
    ...[0, 1, 2, 3].map((i) => part(`r${i}`, 'round-brick-1x1', [10, 0, 4 + i * BRICK])),
  ]),
  standing(
    'two leaves of a wall that nothing ties',
    [0, 1, 2].flatMap((i) => [0, 10].map((y) => part(`l${i}-${y}`, 'brick-1x8', [0, y, 4 + i * BRICK]))),
    ['straight-seam'],
  ),
  standing('two leaves with a brick across in each third course', [
    ...[0, 1].flatMap((i) => [0, 10].map((y) => part(`l${i}-${y}`, 'brick-1x8', [0, y, 4 + i * BRICK]))),
    part('tie', 'brick-2x8', [0, 0, 28]),
    ...[3, 4].flatMap((i) => [0, 10].map((y) => part(`l${i}-${y}`, 'brick-1x8', [0, y, 4 + i * BRICK]))),
  ]),
]
