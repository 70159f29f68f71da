import type { ModelDocument, Part } from '@core/model'
import { closedRoom, oneSection, part } from '../support/models'
import type { Specimen } from './corpus'

/** Rooms: what light finds its way into, and what nobody sees. */

/** Eight studs square, five courses; one brick in each place, so that any may be left out. `fills` stand where they were. */
function room(isOut: (side: string, course: number, place: number) => boolean = () => false, fills: readonly Part[] = []): ModelDocument {
  const plates = [0, 40].flatMap((x) =>
    [0, 40].flatMap((y) => [part(`floor${x}-${y}`, 'plate-4x4', [x, y, 0]), part(`roof${x}-${y}`, 'plate-4x4', [x, y, 64])]),
  )
  const across = [part('tie-x', 'plate-2x8', [0, 30, 68]), part('tie-y', 'plate-2x8', [30, 0, 72], '+y-x')]
  const walls: Part[] = []
  for (let course = 0; course < 5; course++) {
    const z = 4 + course * 12
    const brick = (side: string, place: number, x: number, y: number): void => {
      if (!isOut(side, course, place)) walls.push(part(`${side}-${course}-${place}`, 'brick-1x1', [x, y, z]))
    }
    for (let place = 0; place < 8; place++) {
      brick('front', place, place * 10, 0)
      brick('back', place, place * 10, 70)
      if (place === 0 || place === 7) continue
      brick('left', place, 0, place * 10)
      brick('right', place, 70, place * 10)
    }
  }
  return oneSection([...plates, ...walls, ...across, ...fills])
}
const light = ['see-through', 'straight-seam']
const slit = Array.from({ length: 5 }, (_, i): Part => part(`fill${i}`, 'tile-1x1', [30, 0, 4 + i * 12], '+y+z'))

const seen = (name: string, extra: readonly Part[], codes: readonly string[]): Specimen => ({
  name,
  model: oneSection([...closedRoom(), ...extra]),
  codes,
})

export const rooms: readonly Specimen[] = [
  { name: 'a closed room of single bricks', model: room(), codes: ['straight-seam'] },
  {
    name: 'a room with one brick left out in front',
    model: room((side, course, place) => side === 'front' && course === 2 && place === 3),
    codes: light,
  },
  {
    name: 'a room with one brick left out on the left',
    model: room((side, course, place) => side === 'left' && course === 4 && place === 5),
    codes: light,
  },
  {
    name: 'a room with a slit three courses high',
    model: room((side, course, place) => side === 'back' && course > 1 && place === 4),
    codes: light,
  },
  {
    name: 'a room with a slit of half a stud',
    model: room((side, _course, place) => side === 'front' && place === 3, slit),
    codes: ['overlap', 'unheld', ...light],
  },
  {
    name: 'a room with a door',
    model: room((side, course, place) => side === 'front' && course < 3 && (place === 3 || place === 4)),
    codes: ['straight-seam'],
  },
  {
    name: 'a room with a window',
    model: room((side, course, place) => side === 'right' && (course === 2 || course === 3) && place > 2 && place < 5),
    codes: ['straight-seam'],
  },
  seen('a part that the given step hides in a box', [part('in', 'plate-1x1', [10, 10, 4])], []),
  {
    name: 'a box closed in one given step',
    model: oneSection(
      [...closedRoom(), part('in', 'plate-1x1', [10, 10, 4])],
      [{ add: ['floor', 'in', 'front', 'back', 'left', 'right', 'roof'] }],
    ),
    codes: ['hidden'],
  },
  {
    name: 'a box closed in two given steps',
    model: oneSection(
      [...closedRoom(), part('in', 'plate-1x1', [10, 10, 4])],
      [{ add: ['floor', 'in'] }, { add: ['front', 'back', 'left', 'right'] }, { add: ['roof'] }],
    ),
    codes: [],
  },
  {
    name: 'a pin that ends inside its holes',
    model: oneSection([
      part('a', 'brick-1x2-hole', [0, 0, 0]),
      part('b', 'brick-1x2-hole', [0, 10, 0]),
      part('cap', 'plate-2x2', [0, 0, 12]),
      part('foot', 'plate-2x2', [0, 0, -4]),
    ]),
    codes: [],
  },
]
