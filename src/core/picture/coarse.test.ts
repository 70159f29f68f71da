import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { town } from '../../../bench/buildings'
import { catalogueOf, Flattener, readModelText, type ModelDocument } from '../model'
import { planModel } from '../plan'
import { drawnSection, RailPainter, type RgbImage } from './index'

const SIZE = { width: 400, height: 300 }
const read = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))

/** A square's mean, so that lines that differ by a part of a dot differ by little. */
const SQUARE = 10

/** The greatest difference between squares of two pictures, as a share of white. */
function largestDifference(a: RgbImage, b: RgbImage): number {
  let largest = 0
  for (let y = 0; y < a.height; y += SQUARE) {
    for (let x = 0; x < a.width; x += SQUARE) {
      for (let channel = 0; channel < 3; channel++)
        largest = Math.max(largest, Math.abs(meanOf(a, x, y, channel) - meanOf(b, x, y, channel)))
    }
  }
  return largest / 255
}

function meanOf({ width, data }: RgbImage, left: number, top: number, channel: number): number {
  let sum = 0
  for (let y = top; y < top + SQUARE; y++) for (let x = left; x < left + SQUARE; x++) sum += data[(y * width + x) * 3 + channel]!
  return sum / SQUARE / SQUARE
}

describe('a picture with rough edges', () => {
  // With pictures on pieces, with stripes of light on what is see-through, and large.
  it.each([
    ['market-stall', read('market-stall')],
    ['ferry-house', read('ferry-house')],
    ['town', town(600)],
  ])('shows the same in the same places: %s', (_, model) => {
    const section = drawnSection(model, new Flattener(model), planModel(model).plan.sections, model.root)
    const [sharp, coarse] = [false, true].map((isCoarse) => new RailPainter(section, catalogueOf(model), SIZE, { isCoarse })) as [
      RailPainter,
      RailPainter,
    ]
    const last = section.ranges.length - 1
    for (const step of [0, last >> 1, last]) {
      const [fine, rough] = [sharp.paint(step, 0), coarse.paint(step, 0)]
      expect({ width: rough.width, height: rough.height }).toEqual(SIZE)
      expect(largestDifference(fine, rough), `step ${step}`).toBeLessThan(0.2)
    }
    // Two steps that differ are told from each other by the same measure.
    expect(largestDifference(sharp.paint(last, 0), coarse.paint(0, 0))).toBeGreaterThan(0.4)
  })
})
