import { expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { INK } from './paint'
import { BASE_CATALOGUE } from '../catalogue'
import { reportModel } from '../pipeline'
import { lettersOf, trayOf } from '../count'
import { catalogueOf, Flattener, type ModelDocument } from '../model'
import { drawnSection, RailPainter } from './index'

const row = (colours: readonly string[]): ModelDocument =>
  oneSection([
    part('base', 'plate-4x8', [0, 0, 0], undefined, 'white'),
    ...colours.map((colour, i) => part(`t${i}`, 'plate-2x2', [i * 20, 0, 4], undefined, colour)),
  ])

const lettersIn = (colours: readonly string[]) => [...lettersOf(trayOf(row(colours).sections[0]!.parts!), BASE_CATALOGUE.colours).values()]

/** How many dots of the pictures differ from those of a model whose colours need no letters. */
function paintLast(model: ModelDocument): Uint8ClampedArray | Uint8Array {
  const { report } = reportModel(model)
  const section = drawnSection(model, new Flattener(model), report.sections, 'main')
  return new RailPainter(section, catalogueOf(model), { width: 320, height: 240 }).paint(section.ranges.length - 1, 0).data
}

it('letters stand where colours of one shape are hard to tell apart, and nowhere else', () => {
  expect(lettersIn(['red', 'brown'])).toEqual(['A', 'B'])
  expect(lettersIn(['red', 'white', 'blue'])).toEqual([])
  expect(lettersIn(['brown', 'brown'])).toEqual([])
  const mixed = oneSection([part('a', 'plate-1x1', [0, 0, 0], undefined, 'red'), part('b', 'tile-1x1', [0, 0, 4], undefined, 'brown')])
  expect(lettersOf(trayOf(mixed.sections[0]!.parts!), BASE_CATALOGUE.colours).size).toBe(0)
})

it('the picture carries them: paper and ink that the part alone does not have', () => {
  const inked = (data: ArrayLike<number>): number => {
    let count = 0
    for (let i = 0; i < data.length; i += 3) if (INK.every((value, k) => data[i + k] === value)) count++
    return count
  }
  expect(inked(paintLast(row(['red', 'brown'])))).toBeGreaterThan(inked(paintLast(row(['red', 'blue']))) + 40)
})
