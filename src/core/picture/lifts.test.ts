import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import { reportModel } from '../pipeline'
import { catalogueOf, Flattener, readModelText, type ModelDocument } from '../model'
import { dot, length, normalise, turnFromText } from '../space'
import { comesFromAbove, ghostsOf, liftsOf } from './lifts'
import { keptInside, reachMarks } from './marks'
import { drawnSection, fitCamera, RailPainter, type DrawnSection, type RgbImage } from './index'

const SIZE = { width: 320, height: 240 }
function drawn(model: ModelDocument, section = 'main'): DrawnSection {
  return drawnSection(model, new Flattener(model), reportModel(model).report.sections, section)
}
const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))

/** A floor, and a tower that is joined to it as one. */
const joined = twoSections(
  [part('floor', 'plate-4x4', [0, 0, 0])],
  [{ id: 'tower', section: 'inner', at: [10, 10, 4] }],
  [0, 1, 2].map((i) => part(`b${i}`, 'brick-2x2', [0, 0, i * 12])),
)

function paperAtEdges({ data, width, height }: RgbImage): boolean {
  for (let i = 0; i < width * height; i++) {
    const [x, y] = [i % width, Math.floor(i / width)]
    if (x > 0 && y > 0 && x < width - 1 && y < height - 1) continue
    if (data[i * 3]! < 250) return false
  }
  return true
}

describe('finished sections', () => {
  it('stand beside their place, back along the way they travel', () => {
    const section = drawn(joined)
    const jump = section.nodeJoins.findIndex((isJoin) => isJoin)
    const step = section.nodeRanges.findIndex(([from, to]) => jump >= from && jump < to)
    const lift = liftsOf(section, step, 2).get(jump)!
    expect(dot(normalise(lift), section.nodeTravels[jump]!)).toBeCloseTo(-1, 9)
    expect(length(lift)).toBeGreaterThanOrEqual(32)
  })

  it('are all in the picture, the arrow and the work too, even where that needs a look from farther off', () => {
    for (const [name, id] of [
      ['ferry-house', 'landing'],
      ['ferry-house', 'house'],
      ['wind-pump', 'pump'],
      ['ferryman', 'ferryman'],
    ] as const) {
      const section = drawn(demo(name), id)
      const painter = new RailPainter(section, catalogueOf(demo(name)), SIZE)
      section.ranges.forEach((_, step) => expect(paperAtEdges(painter.paint(step, 0)), `${name} ${id} ${step + 1}`).toBe(true))
    }
  })

  it('are in place where nothing holds them yet, and in every later picture', () => {
    const capped = twoSections(
      [part('floor', 'plate-4x4', [0, 0, 0]), part('cap', 'tile-2x2', [10, 10, 40])],
      joined.sections[0]!.copies!,
      joined.sections[1]!.parts!,
    )
    const section = drawn(capped)
    const jump = section.nodeJoins.findIndex((isJoin) => isJoin)
    const lifted = section.ranges.map((_, step) => [...liftsOf(section, step, 2).keys()])
    expect(lifted[0]).toEqual([])
    expect(lifted.flat()).toEqual([jump])
    expect(lifted.at(-1)).toEqual([])
    // In the last picture the tower stands where it belongs: the same dots as in the finished section.
    const painter = new RailPainter(section, catalogueOf(capped), SIZE)
    const tower = (drawing: ReturnType<typeof painter.draw>): Set<string> =>
      new Set(
        drawing!.items.flatMap((item) =>
          item.kind === 'area' ? item.loops.map((loop) => loop.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join()) : [],
        ),
      )
    const last = tower(painter.draw(section.ranges.length - 1, 0))
    expect([...tower(painter.drawFinished(0))].filter((loop) => !last.has(loop))).toEqual([])
  })
})

describe('ghosts', () => {
  it('stand where a part is before it goes in from a side; what comes from above has none', () => {
    const model = oneSection(
      [part('a', 'brick-1x1-side1', [0, 0, 0]), part('b', 'plate-1x1', [0, -4, 1], '+x+z'), part('c', 'plate-1x1', [0, 0, 12])],
      [{ add: ['a'] }, { add: ['b'] }, { add: ['c'] }],
    )
    const section = drawn(model)
    const [ghost] = ghostsOf(section, 1, 2)
    expect(ghost!.travel).toEqual([0, 1, 0])
    expect(ghost!.lift[1]).toBeLessThan(-20)
    expect(ghostsOf(section, 2, 2)).toEqual([])
    expect(ghostsOf(section, 0, 2)).toEqual([])
  })

  it('never lie over each other: of two that would meet one is left to its arrow', () => {
    /** Plates that go onto the studs of two bricks that face each other's way in: the one from the front, the other from the right. */
    const corner = (x: number): ModelDocument =>
      oneSection(
        [
          part('floor', 'plate-8x8', [-40, -40, -4]),
          part('under-a', 'brick-1x1', [0, 0, 0]),
          part('under-b', 'brick-1x1', [x, -30, 0]),
          part('a', 'brick-1x1-side1', [0, 0, 12]),
          part('b', 'brick-1x1-side1', [x, -30, 12], '+y-x'),
          part('from-front', 'plate-1x1', [0, -4, 13], '+x+z'),
          part('from-right', 'plate-1x1', [x + 10, -30, 13], '+y+z'),
        ],
        [{ add: ['floor', 'under-a', 'under-b', 'a', 'b'] }, { add: ['from-front', 'from-right'] }],
      )
    const paleOf = (model: ModelDocument): number => {
      const painter = new RailPainter(drawn(model), catalogueOf(model), { width: 640, height: 480 })
      return painter.draw(1, 0)!.items.filter((item) => item.kind === 'drawing' && item.opacity < 1).length
    }
    expect(ghostsOf(drawn(corner(-20)), 1, 8)).toHaveLength(2)
    expect(paleOf(corner(-20))).toBe(1)
    expect(paleOf(corner(-30))).toBe(2)
  })

  it('follow how the work lies: what comes from below comes from above once it is turned over', () => {
    expect(comesFromAbove([0, 0, -1], 0)).toBe(true)
    expect(comesFromAbove([0, 0, 1], 0)).toBe(false)
    expect(comesFromAbove([0, 0, 1], turnFromText('+x-y')!)).toBe(true)
  })
})

describe('how far a joint reaches', () => {
  const box = { min: [-5, -30, -5], max: [5, 0, 5] } as const
  const sight = {
    camera: fitCamera({ min: [-50, -50, -50], max: [50, 50, 50] }, 0, { width: 640, height: 480 }, { margin: 10, mostScale: 4 }),
    finer: 2,
  }

  it('is an arc for each turn, and a line for a slide', () => {
    const turns = [{ axis: [1, 0, 0], from: -50, to: 50 }] as const
    const marks = reachMarks(sight, { at: [0, 0, 0], turns, slide: { way: [0, 0, 1], from: -4, to: 20 } }, box, [0, 0, 0])
    expect(marks.map((mark) => mark.kind === 'path' && [mark.heads, mark.points.length > 2])).toEqual([
      ['both', true],
      ['both', false],
    ])
  })

  it('says nothing of a turn about the thing itself', () => {
    const turns = [{ axis: [0, 1, 0], from: -360, to: 360 }] as const
    expect(reachMarks(sight, { at: [0, 0, 0], turns }, box, [0, 0, 0])).toEqual([])
  })

  it('ends where the picture does', () => {
    const mark = {
      kind: 'path',
      heads: 'both',
      points: [
        [-5, 5],
        [10, 10],
        [20, 10],
        [30, 10],
        [60, 10],
      ],
    } as const
    expect(keptInside(mark, { width: 40, height: 40 }, 4)).toMatchObject({
      points: [
        [10, 10],
        [20, 10],
        [30, 10],
      ],
    })
  })
})

describe('a face picked on the picture', () => {
  const model = oneSection([part('a', 'brick-2x4', [0, 0, 0]), part('b', 'slope-2x2', [0, 0, 12])])
  const painter = new RailPainter(drawn(model), catalogueOf(model), SIZE)

  it('tells the part, a place on it and the way it looks, from every side', () => {
    let faces = 0
    for (const view of [0, 1, 2, 3, 4, 5] as const) {
      for (let y = 4; y < SIZE.height; y += 9) {
        for (let x = 4; x < SIZE.width; x += 9) {
          const found = painter.pick(view, x, y)
          if (!found) continue
          faces++
          expect(length(found.normal)).toBeCloseTo(1, 6)
          // A face of the lower brick lies on its box, or on one of its studs.
          if (found.part !== 'a' || Math.abs(found.normal[2]) > 0.5) continue
          const [px, py] = found.at
          const isSide = [px, py - 0, 40 - px, 20 - py].some((far) => Math.abs(far) < 0.05)
          if (found.at[2] < 11.9) expect(isSide, JSON.stringify(found)).toBe(true)
        }
      }
    }
    expect(faces).toBeGreaterThan(300)
    expect(painter.pick(0, 0, 0)).toBeUndefined()
    expect(painter.pick(0, -3, 9999)).toBeUndefined()
  })

  it('is found in the picture of a step among what is there by then, and framed where it is seen', () => {
    const steps = [{ add: ['a'] }, { add: ['b'] }]
    const laid = oneSection(model.sections[0]!.parts!, steps)
    const rail = new RailPainter(drawn(laid), catalogueOf(laid), SIZE)
    const [window] = rail.windowsInStep(1, 0, new Set(['b']))
    // For that nothing was drawn.
    expect(rail.isNear(1, 0)).toBe(false)
    const middle = [(window!.left + window!.right) / 2, (window!.top + window!.bottom) / 2] as const
    expect(rail.pickInStep(1, 0, middle)?.part).toBe('b')
    expect(rail.pickInStep(0, 0, middle)?.part).not.toBe('b')
    expect(rail.windowsInStep(0, 0, new Set(['b']))).toEqual([])
    expect(rail.windowsInStep(1, 0, new Set(['a', 'b', 'c']))).toHaveLength(2)
  })
})
