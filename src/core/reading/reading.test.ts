import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { catalogueOf, Flattener, type ModelDocument, type Part } from '../model'
import { reportModel, type Reported } from '../pipeline'
import { drawnSection, RailPainter, type RgbImage } from '../picture'
import { add, NO_TURN, TURNS } from '../space'
import { readSection, slipsOf } from './index'

/** A floor of so many studs each way, and further parts, each list a step. */
const onFloor = (studs: 8 | 16, count: number, steps: readonly (readonly Part[])[]): ModelDocument => {
  const side = studs * 10
  const plates = Array.from({ length: count * count }, (_, i) =>
    part(`p${i}`, studs === 8 ? 'plate-8x8' : 'plate-8x16', [(i % count) * side, Math.floor(i / count) * 80, 0]),
  )
  return oneSection(
    [...plates, ...steps.flat()],
    [{ add: plates.map(({ id }) => id) }, ...steps.map((step) => ({ add: step.map(({ id }) => id) }))],
  )
}

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

  it('are small ones far apart on a large floor, where no inset can show them all', () => {
    const far = [part('near', 'plate-1x1', [10, 10, 4]), part('far', 'plate-1x1', [620, 310, 4])]
    const { misread } = readingOf(onFloor(16, 4, [far]))
    expect(misread).toEqual(['near stud', 'far stud'])
    // Alone in its step it is shown enlarged.
    expect(
      readingOf(
        onFloor(
          16,
          4,
          far.map((each) => [each]),
        ),
      ).misread,
    ).toEqual([])
  })

  it('are told as a finding with the other place, until a note says where they go', () => {
    const far = [part('near', 'plate-1x1', [10, 10, 4]), part('far', 'plate-1x1', [620, 310, 4])]
    const model = onFloor(16, 4, [far])
    const { report } = reportModel(model, { reads: true })
    const told = report.findings.filter(({ code }) => code === 'misreadable')
    expect(told.map(({ parts, step, severity }) => ({ parts, step, severity }))).toEqual([
      { parts: ['near'], step: 2, severity: 'note' },
      { parts: ['far'], step: 2, severity: 'note' },
    ])
    expect(told[0]!.message).toMatch(/would hold one stud to the (left|right|front|back) too/)
    expect(report.measures.misreadablePer100).toBeGreaterThan(0)
    const noted = structuredClone(model) as ModelDocument
    Object.assign(noted.sections[0]!.steps![1]!, { note: 'One stud from the corner.' })
    expect(reportModel(noted, { reads: true }).report.findings.filter(({ code }) => code === 'misreadable')).toEqual([])
    // Who has not looked says nothing.
    expect(reportModel(model).report.measures).not.toHaveProperty('misreadablePer100')
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
    path: 'x',
    part: part('x', shape, [0, 0, 0]),
    shape: catalogueOf(onFloor(8, 1, [])).shapes.get(shape)!,
    colour: 'red',
    pose: { matrix: TURNS[NO_TURN]!, at: [0, 0, 0] },
    lacksTwin: false,
    isMirrored: false,
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
