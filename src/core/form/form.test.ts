import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE } from '../catalogue'
import { posed, TURNS, type Vec } from '../space'
import { drawnAs, type DrawnAs } from '../../../tests/support/drawings'
import { alikeFits, columnBoxes, extentOf, fitsOf, formSymmetry, shapeExtent, transformed } from './index'

const SHAPES = [...BASE_CATALOGUE.shapes.values()]
const shape = (id: string) => BASE_CATALOGUE.shapes.get(id)!

/** Those that no form tells apart, whoever looks: the same body, left and right of a figure, round or cross holes. */
const SAME_FORM = new Set([
  'wedge-plate-2x2-left',
  'wedge-plate-2x2-right',
  'brick-1x2-hole',
  'brick-1x2-cross',
  'grille-1x1',
  'grille-1x2',
  'figure-leg-left',
  'figure-leg-right',
  'figure-arm-left',
  'figure-arm-right',
])

/** Blades as thin as a tenth of a millimetre is thick: drawn small they are something else. */
const TOO_THIN = ['tool-saw', 'tool-trowel']

describe('a shape is recognised by its form', () => {
  it.each<[string, DrawnAs]>([
    ['as few triangles as may be', { sides: 8 }],
    ['many triangles, without undersides', { sides: 20, isFine: true, isOpenBelow: true }],
    ['a body drawn 0.1 mm small on each side', { sides: 12, smaller: 0.125 }],
  ])(
    'drawn with %s, turned any way',
    (_what, as) => {
      const lost: string[] = []
      const unsure = new Set<string>()
      SHAPES.forEach((each, i) => {
        const turn = TURNS[(i * 7) % 24]!
        const alike = fitsOf(transformed(drawnAs(each, as), turn), SHAPES)
        const best = alike.length === 0 ? [] : alikeFits(alike)
        if (!best.some((fit) => fit.shape === each))
          lost.push(
            `${each.id}: ${alike
              .slice(0, 2)
              .map((fit) => fit.shape.id)
              .join()}`,
          )
        else if (best.length > 1) unsure.add(each.id)
      })
      expect(lost.filter((line) => as.smaller === undefined || !TOO_THIN.some((id) => line.startsWith(id)))).toEqual([])
      expect([...unsure].filter((id) => !SAME_FORM.has(id))).toEqual([])
    },
    120_000,
  )

  it('with the place and turn that it has', () => {
    for (const id of ['slope-2x3', 'bracket-1x2-1x4-up', 'wedge-plate-2x4-left', 'plate-1x1-clip', 'jumper-1x2']) {
      TURNS.forEach((turn) => {
        const moved = transformed(drawnAs(shape(id), { sides: 16 }), turn).map((value, i) => value + [3, -7, 11][i % 3]!)
        const [fit] = fitsOf(moved, SHAPES)
        expect(fit!.shape.id).toBe(id)
        const corners: Vec[] = [shapeExtent(shape(id)).min, shapeExtent(shape(id)).max]
        const [a, b] = corners.map((corner) => posed({ matrix: TURNS[fit!.turn]!, at: fit!.at }, corner))
        const { min, max } = extentOf(moved)
        for (const axis of [0, 1, 2]) {
          expect(Math.min(a![axis]!, b![axis]!)).toBeCloseTo(min[axis]!, 0)
          expect(Math.max(a![axis]!, b![axis]!)).toBeCloseTo(max[axis]!, 0)
        }
      })
    }
  })

  it('and what is no piece is none', () => {
    const box = drawnAs(shape('tile-2x2'), { sides: 8 })
    expect(
      fitsOf(
        box.map((value, i) => (i % 3 === 2 ? value * 1.9 : value)),
        SHAPES,
      ),
    ).toEqual([])
  })
})

describe('the symmetry of a form', () => {
  it.each([
    ['tile-2x2', 8],
    ['plate-2x4', 2],
    ['slope-2x2', 1],
    ['plate-1x1', 4],
  ])('%s looks the same in %i turns', (id, count) => {
    expect(formSymmetry(shape(id))).toHaveLength(count)
  })
})

describe('a form that nothing fits', () => {
  it('becomes boxes that fill it', () => {
    const { boxes, at } = columnBoxes(drawnAs(shape('plate-corner-2x2'), { sides: 8 }))
    expect(at).toEqual([0, 0, 0])
    const volume = boxes.reduce((sum, { size }) => sum + size[0] * size[1] * size[2], 0)
    expect(volume).toBeGreaterThanOrEqual(300 * 4)
    expect(volume).toBeLessThan(300 * 6.1)
  })
})
