import type { Copy, ModelDocument, Part } from '@core/model'
import { oneSection, part, twoSections } from '../support/models'
import type { Specimen } from './corpus'

/** Parts that stand otherwise than all that is like them, and parts that may. */

const HALF = '-x-y'
const floor = part('floor', 'plate-8x8', [0, 0, 0])
const row = (shape: string, turns: readonly (string | undefined)[], { y = 0, z = 4, step = 10, x = 0 } = {}): Part[] =>
  turns.map((turn, i) => part(`r${i}`, shape, [x + i * step, y, z], turn))
const on = (parts: readonly Part[]): ModelDocument => oneSection([floor, ...parts])
/** So narrow that clips reach out over both edges. */
const onStrip = (parts: readonly Part[]): ModelDocument => oneSection([part('floor', 'plate-1x8', [0, 0, 0]), ...parts])

/** A roof of four slopes a side over a body of bricks, the same front and back. */
const roof = (reversed: boolean): Part[] => [
  ...[0, 40].flatMap((x) => [0, 20, 40, 60].map((y) => part(`b${x}-${y}`, 'brick-2x4', [x, y, 4]))),
  ...[0, 20, 40, 60].map((x) => part(`front${x}`, 'slope-2x2', [x, 0, 16], reversed && x === 20 ? HALF : undefined)),
  ...[0, 20, 40, 60].map((x) => part(`back${x}`, 'slope-2x2', [x, 60, 16], HALF)),
  ...[0, 40].flatMap((x) => [20, 40].map((y) => part(`m${x}-${y}`, 'brick-2x4', [x, y, 16]))),
]

/** A wing of two wedges under a spine; the right one is the other's twin. */
const wings = (right: string): Part[] => [
  part('spine', 'plate-2x6', [30, 0, 0], '+y-x'),
  part('left', 'wedge-plate-2x4-left', [20, 20, 4], '+y-x'),
  part('right', right, [40, 20, 4], right.endsWith('left') ? '+y-x' : '-y+x'),
]

/** A leg that is not its own image, four times, under a table. */
const leg: Part[] = [part('foot', 'brick-1x2', [0, 0, 0]), part('toe', 'slope-low-1x1', [10, 0, 12]), part('shin', 'brick-1x1', [0, 0, 12])]
const table = (mirrors: readonly boolean[]): ModelDocument => {
  const at = (i: number): [number, number, number] => [i % 2 === 0 ? 0 : mirrors[i]! ? 80 : 60, i < 2 ? 0 : 70, 0]
  const copies: Copy[] = mirrors.map((isMirrored, i) => ({
    id: `leg${i}`,
    section: 'inner',
    at: at(i),
    ...(isMirrored ? { mirror: 'x' as const } : {}),
  }))
  return twoSections([part('top', 'plate-8x8', [0, 0, 24])], copies, leg)
}

/** A head with two eyes of half a tile, fewer parts than make a pattern by themselves. */
const face = (right: string): Part[] => [
  part('chin', 'plate-2x4', [0, 0, 0]),
  part('head', 'brick-2x4', [0, 0, 4]),
  part('left', 'slope-2x1', [0, 0, 16], '+y-x'),
  part('right', 'slope-2x1', [20, 0, 16], right),
  part('brim', 'plate-1x4', [0, 0, 28]),
]

export const turned: readonly Specimen[] = [
  { name: 'a roof that is the same front and back', model: on(roof(false)), codes: [] },
  { name: 'a roof with one slope reversed', model: on(roof(true)), codes: ['turn-trap'] },
  {
    name: 'a bracket turned in a row',
    model: on(row('bracket-1x2-1x2-up', [undefined, undefined, HALF, undefined, undefined], { y: 40, step: 20, x: 0 }).slice(0, 4)),
    codes: ['turn-trap'],
  },
  {
    name: 'brackets all one way',
    model: on(row('bracket-1x2-1x2-up', [undefined, undefined, undefined, undefined], { y: 40, step: 20 })),
    codes: [],
  },
  {
    name: 'a half tile turned in a row',
    model: on(row('half-tile-2x2', [undefined, HALF, undefined, undefined], { y: 20, step: 20 })),
    codes: ['turn-trap'],
  },
  {
    name: 'half tiles all one way',
    model: on(row('half-tile-2x2', [undefined, undefined, undefined, undefined], { y: 20, step: 20 })),
    codes: [],
  },
  { name: 'half tiles in turn', model: on(row('half-tile-2x2', [undefined, HALF, undefined, HALF], { y: 20, step: 20 })), codes: [] },
  {
    name: 'a clip turned in a row',
    model: onStrip(row('plate-1x1-clip', [undefined, undefined, undefined, undefined, undefined, HALF])),
    codes: ['turn-trap'],
  },
  { name: 'clips all one way', model: onStrip(row('plate-1x1-clip', Array<undefined>(6).fill(undefined))), codes: [] },
  {
    name: 'a grille turned in a row',
    model: on(row('grille-1x1', [undefined, undefined, '+y-x', undefined, undefined], { y: 40 }).slice(0, 4)),
    codes: ['turn-trap'],
  },
  {
    name: 'grilles turned half round look the same',
    model: on(row('grille-1x1', [undefined, HALF, undefined, undefined], { y: 40 })),
    codes: [],
  },
  {
    name: 'plates turned half round look the same',
    model: on(row('plate-1x2', [undefined, HALF, undefined, undefined], { y: 40, step: 20 })),
    codes: [],
  },
  {
    name: 'a row with another one in its middle',
    model: on(
      row('half-tile-2x2', [undefined, undefined, HALF, undefined, undefined], { y: 20, step: 10 }).filter((_, i) => i !== 1 && i !== 3),
    ),
    codes: [],
  },
  {
    name: 'low slopes, one the other way',
    model: on(row('slope-low-1x1', [undefined, undefined, undefined, HALF, undefined, undefined], { y: 40 })),
    codes: ['turn-trap'],
  },
  { name: 'low slopes all one way', model: on(row('slope-low-1x1', Array<undefined>(6).fill(undefined), { y: 40 })), codes: [] },
  { name: 'legs mirrored in pairs', model: table([false, true, false, true]), codes: [] },
  { name: 'one leg not mirrored', model: table([false, true, false, false]), codes: ['turn-trap'] },
  { name: 'wings of two hands', model: oneSection([...wings('wedge-plate-2x4-right'), part('cap', 'plate-2x2', [30, 0, 4])]), codes: [] },
  {
    name: 'a left wedge where the right belongs',
    model: oneSection([...wings('wedge-plate-2x4-left'), part('cap', 'plate-2x2', [30, 0, 4])]),
    codes: ['turn-trap'],
  },
  { name: 'a face that is the same on both sides', model: oneSection(face('-y+x')), codes: [] },
  { name: 'a face with one brow reversed', model: oneSection(face('+y-x')), codes: ['turn-trap'] },
  {
    name: 'a side stud that looks away',
    model: oneSection([part('foot', 'plate-2x2', [0, 0, 0]), part('arm', 'brick-1x1-side1', [0, 0, 4], HALF)]),
    codes: ['turn-trap'],
  },
  {
    name: 'a side stud that looks at the reader',
    model: oneSection([part('foot', 'plate-2x2', [0, 0, 0]), part('arm', 'brick-1x1-side1', [0, 0, 4])]),
    codes: [],
  },
  {
    name: 'the arms of a windmill',
    model: oneSection([
      part('hub', 'plate-2x2', [20, 20, 0]),
      part('a', 'slope-2x1', [20, 10, 4]),
      part('b', 'slope-2x1', [30, 30, 4], HALF),
      part('cap', 'tile-1x1', [20, 20, 16]),
      part('hat', 'tile-1x1', [30, 30, 16]),
    ]),
    codes: [],
  },
]
