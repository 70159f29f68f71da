import { describe, expect, it } from 'vitest'
import { farApart, onFloor, part } from '../../../tests/support/models'
import { catalogueOf, Flattener, type ModelDocument, type Part } from '../model'
import { insetsOf, reportModel, type Reported } from '../pipeline'
import { drawnSection, patchesByPart, RailPainter, type RgbImage } from '../picture'
import { add, NO_TURN, TURNS } from '../space'
import { readSection, slipsOf } from './index'

const readingOf = (model: ModelDocument): { reported: Reported; misread: string[] } => {
  const reported = reportModel(model)
  const { built } = reported.planned
  return {
    reported,
    misread: built.flatMap((section, i) =>
      readSection(section, reported.looks[i]!).misreadings.map(({ node, slip }) => `${section.scene.nodes[node]!.id} ${slip}`),
    ),
  }
}

/** A wall with a part just behind it, of which hardly anything shows. */
const wall = (from: number): Part[] => Array.from({ length: 4 }, (_, i) => part(`w${i}`, 'brick-1x8', [0, from, 4 + i * 12]))

describe('parts that can be misread', () => {
  it('are none where all is large and in sight', () => {
    const bricks = [part('a', 'brick-2x4', [20, 20, 4]), part('b', 'brick-1x1', [70, 70, 4])]
    expect(readingOf(onFloor(8, 1, [bricks])).misread).toEqual([])
  })

  it('are shown in insets of their own where they are small and far apart on a large floor', () => {
    const model = onFloor(16, 4, [farApart(2)])
    const { reported, misread } = readingOf(model)
    expect(misread).toEqual([])
    const { looks } = readSection(reported.planned.built[0]!, reported.looks[0]!)
    expect(looks[1]!.insets).toEqual([
      { view: 0, things: ['far0'], tellsPlaces: true },
      { view: 0, things: ['far1'], tellsPlaces: true },
    ])
    // Alone in its step each is enlarged anyway.
    const apart = onFloor(
      16,
      4,
      farApart(2).map((each) => [each]),
    )
    const { planned, looks: seen } = reportModel(apart)
    expect(readSection(planned.built[0]!, seen[0]!).looks.flatMap(({ insets = [] }) => insets)).toEqual([])
  })

  it('are more small ones far apart than insets have room for', () => {
    expect(readingOf(onFloor(16, 4, [farApart(5)])).misread).toHaveLength(2)
  })

  it('are shown by what the insets of a report show', () => {
    const model = onFloor(16, 4, [farApart(2)])
    expect(insetsOf(reportModel(model))).toEqual([])
    expect(insetsOf(reportModel(model, { reads: true })).map(({ step, things }) => ({ step, things }))).toEqual([
      { step: 2, things: ['far0'] },
      { step: 2, things: ['far1'] },
    ])
    expect(insetsOf(reportModel(model, { reads: { section: 'main' } }))).toHaveLength(2)
    expect(insetsOf(reportModel(model, { reads: { section: 'other' } }))).toEqual([])
    expect(insetsOf(reportModel(model, { reads: { section: 'main', step: 1 } }))).toHaveLength(2)
    expect(insetsOf(reportModel(model, { reads: { section: 'main', step: 0 } }))).toEqual([])
  })

  it('are told as a finding with the other place, until a note says where they go', () => {
    const model = onFloor(16, 4, [farApart(5)])
    const { report } = reportModel(model, { reads: true })
    const told = report.findings.filter(({ code }) => code === 'misreadable')
    expect(told.map(({ parts, step, severity }) => ({ parts, step, severity }))).toEqual([
      { parts: ['far3'], step: 2, severity: 'note' },
      { parts: ['far4'], step: 2, severity: 'note' },
    ])
    expect(told[0]!.message).toMatch(/would hold one stud to the (left|right|front|back) too/)
    expect(report.measures.misreadablePer100).toBeGreaterThan(0)
    const noted = structuredClone(model) as ModelDocument
    Object.assign(noted.sections[0]!.steps![1]!, { note: 'One stud from the corner.' })
    expect(reportModel(noted, { reads: true }).report.findings.filter(({ code }) => code === 'misreadable')).toEqual([])
    // Who has not looked says nothing.
    expect(reportModel(model).report.measures).not.toHaveProperty('misreadablePer100')
  })

  it('are judged by samples where there are too many to read, as they are without insets', () => {
    const corners = [20, 120, 220].flatMap((y): [number, number][] => [
      [10, y],
      [330, y],
    ])
    const steps = Array.from({ length: 12 }, (_, i) => corners.map(([x, y], k) => part(`p${i}-${k}`, 'plate-1x1', [x + 20 * i, y, 4])))
    const { planned, looks } = reportModel(onFloor(16, 4, steps))
    const [built, seen] = [planned.built[0]!, looks[0]!]
    const all = readSection(built, seen)
    const some = readSection(built, seen, { most: 40 })
    const insets = ({ looks: told }: typeof all): number => told.filter(({ insets: own = [] }) => own.length > 0).length
    expect([all.parts, all.likely]).toEqual([some.parts, 0])
    expect(all.misreadings.length).toBeGreaterThan(0)
    expect(insets(some)).toBeLessThan(insets(all))
    // Unread steps have no insets that tell, so more of their parts are in doubt.
    expect(some.likely + some.misreadings.length).toBeGreaterThan(all.misreadings.length)
    expect(some.likely).toBeLessThanOrEqual(some.parts)
  })

  it('are not those that what comes with them would not hold on to elsewhere', () => {
    // The tile covers the stud that tells how the post is turned; but it goes nowhere else.
    const post = part('post', 'brick-1x1-side1', [30, 30, 4])
    const tile = { ...part('tile', 'tile-1x1', [30, 26, 5]), turn: '+x+z' } as Part
    expect(readingOf(onFloor(8, 1, [[post, tile]])).misread).toEqual([])
  })

  it('are not those whose other place is taken', () => {
    const row = Array.from({ length: 8 }, (_, i) => part(`t${i}`, 'tile-1x1', [i * 10, 70, 4]))
    const { misread } = readingOf(onFloor(8, 1, [wall(60), row]))
    // Between its neighbours and before the edge none of a full row can stand anywhere else.
    expect(misread.filter((each) => !/^t(0|7)/.test(each) && !each.startsWith('w'))).toEqual([])
  })
})

describe('slips', () => {
  const placed = (shape: string): Parameters<typeof slipsOf>[0] => ({
    shape: catalogueOf(onFloor(8, 1, [])).shapes.get(shape)!,
    pose: { matrix: TURNS[NO_TURN]!, at: [0, 0, 0] },
  })

  it('are turns only where a turn makes a difference, and stay among the studs', () => {
    const turns = (shape: string): string[] =>
      slipsOf(placed(shape)).flatMap(({ slip }) => (slip === 'half' || slip === 'quarter' ? [slip] : []))
    expect(turns('brick-2x2')).toEqual([])
    expect(new Set(turns('brick-2x4'))).toEqual(new Set(['quarter']))
    expect(turns('brick-1x1-side1')).toEqual(['quarter', 'half', 'quarter'])
    for (const { slip, pose } of slipsOf(placed('brick-1x2'))) {
      if (slip !== 'quarter') continue
      expect(pose.at.every((value) => value % 10 === 0)).toBe(true)
    }
  })
})

/** How many dots of two pictures differ. */
function differing(a: RgbImage, b: RgbImage): number {
  let dots = 0
  for (let i = 0; i < a.data.length; i += 3)
    if (a.data[i] !== b.data[i] || a.data[i + 1] !== b.data[i + 1] || a.data[i + 2] !== b.data[i + 2]) dots++
  return dots
}

describe('the reader against the painter', () => {
  const SIZE = { width: 800, height: 600 }
  const painted = (model: ModelDocument, step: number): RgbImage => {
    const { report } = reportModel(model)
    const section = drawnSection(model, new Flattener(model), report.sections, 'main')
    return new RailPainter(section, catalogueOf(model), SIZE).paint(step, 0)
  }

  it('agree on what a part one stud off changes', () => {
    // Both far from the threshold: a brick in full sight, and one of which only a hair shows.
    const seen = [part('x', 'brick-2x4', [20, 20, 4])]
    const least = 0.0015 * SIZE.width * SIZE.height
    const moved = (step: readonly Part[]): Part[] => step.map((each) => ({ ...each, at: add(each.at!, [10, 0, 0]) }))
    expect(differing(painted(onFloor(8, 1, [seen]), 1), painted(onFloor(8, 1, [moved(seen)]), 1))).toBeGreaterThan(least)
    expect(readingOf(onFloor(8, 1, [seen])).misread).toEqual([])
    const far = [part('near', 'plate-1x1', [10, 10, 4]), part('far', 'plate-1x1', [620, 310, 4])]
    expect(differing(painted(onFloor(16, 4, [far]), 1), painted(onFloor(16, 4, [[moved(far)[0]!, far[1]!]]), 1))).toBeLessThan(least)
  })
})

describe('pictures on pieces', () => {
  const pixel = 'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='
  /** A tile in the middle of a floor, with a picture on a face of it. */
  const tileWith = (face: string): ModelDocument => ({
    ...onFloor(8, 1, [
      [{ ...part('tile', 'tile-2x2', [30, 30, 4]), work: [{ kind: 'decal', decal: 'mark', face }] } as Part],
      [part('post', 'brick-1x1', [0, 0, 4])],
    ]),
    decals: [{ id: 'mark', name: 'Mark', size: [14, 14], picture: pixel }],
  })

  it('tell how a piece is turned that looks the same from all sides, where they show', () => {
    const plain = {
      shape: catalogueOf(onFloor(8, 1, [])).shapes.get('tile-2x2')!,
      pose: { matrix: TURNS[NO_TURN]!, at: [0, 0, 0] as const },
    }
    expect(slipsOf(plain).every(({ slip }) => slip === 'stud' || slip === 'plate')).toBe(true)
    expect(slipsOf(plain, true).filter(({ slip }) => slip === 'half' || slip === 'quarter')).toHaveLength(3)
    const { reported, misread } = readingOf(tileWith('top'))
    expect(misread).toEqual([])
    const patches = patchesByPart(tileWith('top'), reported.planned.built[0]!.scene.parts)
    expect(patches.size).toBe(1)
    expect(readSection(reported.planned.built[0]!, reported.looks[0]!, { patches }).misreadings).toEqual([])
  })
})
