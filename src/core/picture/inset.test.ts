import { expect, it } from 'vitest'
import { closedRoom, oneSection, part } from '../../../tests/support/models'
import { makePages, makeBundle } from '../booklet'
import { insetsOf, reportModel, viewsOf } from '../pipeline'
import { checkBundle } from '../formats'
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

/** A wall between two buttons that come in one step: no view shows both. */
const twoSides: ModelDocument = oneSection(
  [
    part('floor', 'plate-8x8', [0, 0, 0]),
    ...[0, 1, 2, 3].flatMap((i) => [part(`w${i}`, 'brick-1x8', [0, 40, 4 + i * 12]), part(`v${i}`, 'brick-1x8', [0, 30, 4 + i * 12])]),
    part('front', 'plate-1x1', [40, 20, 4], undefined, 'red'),
    part('behind', 'plate-1x1', [40, 50, 4], undefined, 'blue'),
  ],
  [{ add: ['floor', ...[0, 1, 2, 3].flatMap((i) => [`w${i}`, `v${i}`])] }, { add: ['front', 'behind'] }],
)

it('what no view shows together with the rest is shown in an inset, from its own side', () => {
  const reported = reportModel(twoSides)
  const { report, looks } = reported
  expect(report.findings.filter(({ code }) => code === 'hidden')).toEqual([])
  expect(report.measures.poorlyVisible).toBe(0)
  const look = looks[0]![1]!
  expect(look.insets![0]!.things).toHaveLength(1)
  expect(look.insets![0]!.view).not.toBe(look.view)
  // The wall of the first step has an inset too: its far side.
  expect(insetsOf(reported).filter(({ step }) => step === 2)).toEqual([
    { section: 'main', step: 2, view: look.insets![0]!.view, things: look.insets![0]!.things },
  ])
  const section = drawnSection(twoSides, new Flattener(twoSides), report.sections, 'main')
  const painter = new RailPainter(section, catalogueOf(twoSides), SIZE)
  expect(longestInk(painter.paint(1, look.view, look.insets))).toBeGreaterThan(SIZE.width * 0.2)
  const framed = painter
    .draw(1, look.view, look.insets)!
    .items.flatMap((item) => (item.kind === 'drawing' && item.isFramed ? [item.drawing] : []))
  // The hidden one is the only thing of its colour, so it must be in the inset and nowhere else.
  expect(framed).toHaveLength(1)
  const bundle = makeBundle(twoSides, report, viewsOf(looks), { insets: insetsOf(reported) })
  expect(checkBundle(JSON.parse(JSON.stringify(bundle)))).toEqual(bundle)
  // A forged one with hundreds of insets would freeze whoever follows it.
  const forged = { ...bundle, insets: Array.from({ length: 4 }, () => bundle.insets!.find(({ step }) => step === 2)!) }
  expect(() => checkBundle(JSON.parse(JSON.stringify(forged)))).toThrow('A step has more than 3 insets.')
  const page = makePages(bundle).find((each) => each.kind === 'step' && each.number === 2)
  expect(page).toMatchObject({
    picture: { insets: [{ things: look.insets![0]!.things }] },
    seenFrom: expect.stringContaining('The small picture is seen from') as string,
  })
})

it('what no side shows at all stays a finding', () => {
  const inside = oneSection(
    [...closedRoom(), part('in', 'brick-2x2', [10, 10, 4])],
    [{ add: ['floor', 'front', 'back', 'left', 'right'] }, { add: ['in', 'roof'] }],
  )
  const { report, looks } = reportModel(inside)
  expect(report.findings.filter(({ code }) => code === 'hidden').map(({ parts }) => parts)).toEqual([['in']])
  expect(looks[0]![1]!.insets).toBeUndefined()
})
