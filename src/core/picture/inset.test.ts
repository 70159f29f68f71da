import { expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { reportModel } from '../checks'
import { catalogueOf, Flattener, type ModelDocument } from '../model'
import { drawnSection, RailPainter, type RgbImage } from './index'

const SIZE = { width: 640, height: 480 }
const field = (last: string): ModelDocument => {
  const plates = Array.from({ length: 25 }, (_, i) => part(`p${i}`, 'plate-8x8', [(i % 5) * 80, Math.floor(i / 5) * 80, 0]))
  const ties = Array.from({ length: 20 }, (_, i) => part(`t${i}`, 'plate-2x16', [(i % 2) * 160 + 40, Math.floor(i / 2) * 40 + 10, 4]))
  const parts = [...plates, ...ties, part('last', last, [20, 380, 4])]
  return oneSection(parts, [{ add: [...plates, ...ties].map(({ id }) => id) }, { add: ['last'] }])
}
function paint(model: ModelDocument): RgbImage {
  const { report } = reportModel(model)
  const section = drawnSection(model, new Flattener(model), report.sections, 'main')
  return new RailPainter(section, catalogueOf(model), SIZE).paint(1, 0)
}
/** The longest row of ink: the frame of an inset runs straight across. */
function longestInk({ data, width, height }: RgbImage): number {
  let longest = 0
  for (let y = 0; y < height; y++) {
    let run = 0
    for (let x = 0; x < width; x++) {
      run = data[(y * width + x) * 3] === 28 && data[(y * width + x) * 3 + 1] === 28 ? run + 1 : 0
      longest = Math.max(longest, run)
    }
  }
  return longest
}

it('what is small beside a large model is enlarged in an inset; what is large is not', () => {
  expect(longestInk(paint(field('plate-1x1')))).toBeGreaterThan(SIZE.width * 0.2)
  expect(longestInk(paint(field('plate-2x8')))).toBeLessThan(SIZE.width * 0.2)
})
