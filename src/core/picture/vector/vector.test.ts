import type { Loop } from '../display-list'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readFileSync } from 'node:fs'
import { closedRoom, oneSection, part } from '../../../../tests/support/models'
import { BASE_CATALOGUE } from '../../catalogue'
import { reportModel } from '../../pipeline'
import { catalogueOf, Flattener, readModelText, type ModelDocument } from '../../model'
import { areaOf, common, leftOf, outsideOf, signedAreaOf, type FlatPoint } from '../../space'
import { drawnSection, drawPiece, pieceSource, RailPainter, VIEWS, writeSvg, type Drawing, type RgbImage } from '../index'
import { joinLines, outlineLoops } from './chain'
import { itemsOf } from './drawing'

const SIZE = { width: 320, height: 240 }
function painterOf(model: ModelDocument, section: string): RailPainter {
  const { report } = reportModel(model)
  return new RailPainter(drawnSection(model, new Flattener(model), report.sections, section), catalogueOf(model), SIZE)
}
const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))

/** Fills the areas of a drawing in their order, dot by dot, with no lines: a painter of its own to compare with. */
function fillAreas(drawing: Drawing): Uint8Array {
  const data = new Uint8Array(drawing.width * drawing.height * 3).fill(255)
  for (const item of drawing.items) {
    if (item.kind !== 'area') continue
    for (let y = 0; y < drawing.height; y++) {
      const xs = crossings(item.loops, y + 0.5)
      for (let i = 0; i + 1 < xs.length; i += 2) {
        for (let x = Math.ceil(xs[i]! - 0.5); x + 0.5 < xs[i + 1]!; x++) {
          if (x >= 0 && x < drawing.width) data.set(item.colour.map(Math.round), (y * drawing.width + x) * 3)
        }
      }
    }
  }
  return data
}
const crossings = (loops: readonly Loop[], y: number): number[] =>
  loops
    .flatMap((loop) =>
      loop.flatMap(([ax, ay], i) => {
        const [bx, by] = loop[(i + 1) % loop.length]!
        return ay <= y === by <= y ? [] : [ax + ((y - ay) / (by - ay)) * (bx - ax)]
      }),
    )
    .sort((a, b) => a - b)

/** The share of dots whose colour differs much, among those where neither picture has a line near. */
function difference(areas: Uint8Array, image: RgbImage): number {
  let [compared, differ] = [0, 0]
  const plain = (at: number): boolean => {
    for (const step of [-3, 3, -3 * image.width, 3 * image.width]) {
      for (let k = 0; k < 3; k++) if (Math.abs(image.data[at + k]! - (image.data[at + step + k] ?? 255)) > 2) return false
    }
    return true
  }
  for (let at = 0; at < areas.length; at += 3) {
    if (!plain(at)) continue
    compared++
    if ([0, 1, 2].some((k) => Math.abs(areas[at + k]! - image.data[at + k]!) > 12)) differ++
  }
  expect(compared).toBeGreaterThan(areas.length / 12)
  return differ / compared
}

describe('a picture as areas and lines', () => {
  it.each([
    ['ferry-house', 'house'],
    ['ferry-house', 'lamp'],
    ['bird-table', 'table'],
    ['ferryman', 'ferryman-arm-left'],
    ['granary', 'mill-roof'],
  ])('of %s, %s shows what the dots show, from every side', (name, id) => {
    const model = demo(name)
    const section = model.sections.some((each) => each.id === id) ? id : model.root
    const painter = painterOf(model, section)
    for (const view of VIEWS) {
      expect(difference(fillAreas(painter.drawFinished(view)!), painter.paintFinished(view)), `view ${view}`).toBeLessThan(0.01)
    }
  })

  it('has a heavy line all around what is new, as long as its outline', () => {
    const model = oneSection(
      [part('a', 'plate-2x2', [0, 0, 0]), part('b', 'tile-2x2', [0, 0, 4], undefined, 'red')],
      [{ add: ['a'] }, { add: ['b'] }],
    )
    const painter = painterOf(model, 'main')
    const heavy = painter.draw(1, 0)!.items.flatMap((item) => (item.kind === 'lines' && item.width > 2 ? item.lines : []))
    expect(heavy).toHaveLength(1)
    // Six corners, and back where it began.
    const [line] = heavy
    expect(line).toHaveLength(7)
    expect(Math.hypot(line![0]![0] - line![6]![0], line![0]![1] - line![6]![1])).toBeLessThan(0.1)
    const drawn = painter.drawFinished(0)!
    expect(drawn.items.every((item) => item.kind !== 'lines' || item.width < 2)).toBe(true)
  })

  it('leaves out what is hidden: a brick in a closed wall has no face and no line', () => {
    const wall = closedRoom()
    const hidden = oneSection([...wall, part('in', 'brick-2x2', [10, 10, 4], undefined, 'yellow')])
    const open = painterOf(hidden, 'main').drawFinished(0)!
    const colours = (drawing: Drawing): Set<string> =>
      new Set(drawing.items.flatMap((item) => (item.kind === 'area' ? [item.colour.join()] : [])))
    const without = painterOf(oneSection(wall), 'main').drawFinished(0)!
    expect(colours(open)).toEqual(colours(without))
  })

  it('turns into sound text: every number finite, every item there', () => {
    const painter = painterOf(demo('wind-pump'), 'pump')
    for (let step = 0; step < 9; step++) {
      const drawing = painter.draw(step, 0)!
      const svg = writeSvg(drawing)
      expect(svg).not.toMatch(/NaN|undefined|Infinity/)
      const areas = [...itemsOf(drawing)].filter((item) => item.kind === 'area' && item.seam === undefined).length
      expect(svg.match(/stroke-width="0\.3"/g) ?? []).toHaveLength(areas)
    }
    expect(writeSvg(painter.drawFinished(0)!)).toContain('<image ')
  })

  it('draws every piece of the catalogue', () => {
    const source = pieceSource(BASE_CATALOGUE)
    for (const shape of BASE_CATALOGUE.shapes.values()) {
      const { items } = drawPiece({ shape: shape.id, colour: 'teal' }, source, { width: 90, height: 70 })
      expect(
        items.some((item) => item.kind === 'area'),
        shape.id,
      ).toBe(true)
      expect(
        items.some((item) => item.kind === 'lines'),
        shape.id,
      ).toBe(true)
    }
  })
})

describe('flat polygons', () => {
  const square = (x: number, y: number, side: number): FlatPoint[] => [
    [x, y],
    [x + side, y],
    [x + side, y + side],
    [x, y + side],
  ]
  const rectangles = fc.tuple(fc.integer({ min: -20, max: 20 }), fc.integer({ min: -20, max: 20 }), fc.integer({ min: 1, max: 20 }))

  it('common and outside parts add up to the whole', () => {
    fc.assert(
      fc.property(rectangles, rectangles, ([ax, ay, as], [bx, by, bs]) => {
        const [a, b] = [square(ax, ay, as), square(bx, by, bs)]
        const outside = outsideOf(a, b).reduce((sum, piece) => sum + areaOf(piece), 0)
        expect(areaOf(common(a, b)) + outside).toBeCloseTo(as * as, 6)
      }),
    )
  })

  it('a cut leaves both sides, which add up', () => {
    const line = [
      [3, -1],
      [5, 20],
    ] as const
    const left = leftOf(square(0, 0, 10), line[0], line[1])
    const right = leftOf(square(0, 0, 10), line[1], line[0])
    expect(areaOf(left) + areaOf(right)).toBeCloseTo(100, 9)
  })

  it('squares side by side become one outline, whatever their order', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([0, 1, 2, 3, 4, 5], { minLength: 6 }), (order) => {
        const loops = outlineLoops(order.map((i) => square((i % 3) * 10, Math.floor(i / 3) * 10, 10)))
        expect(loops).toHaveLength(1)
        expect(signedAreaOf(loops[0]!)).toBeCloseTo(600, 9)
      }),
    )
  })

  it('a ring of squares keeps its hole', () => {
    const ring = [0, 1, 2, 3, 5, 6, 7, 8].map((i) => square((i % 3) * 10, Math.floor(i / 3) * 10, 10))
    const loops = outlineLoops(ring)
    expect(loops.map(signedAreaOf).sort((a, b) => a - b)).toEqual([-100, 900])
  })

  it('stretches that meet become one line without its straight corners', () => {
    const lines = joinLines([
      { from: [10, 0], to: [20, 0] },
      { from: [0, 0], to: [10, 0] },
      { from: [20, 0], to: [20, 5] },
    ])
    expect(lines).toEqual([
      [
        [0, 0],
        [20, 0],
        [20, 5],
      ],
    ])
  })
})
