import { describe, expect, it } from 'vitest'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import { addPlace, checkModel, removePlace, type ModelDocument, type Part } from '../model'
import { reportModel } from '../pipeline'
import { waysOut, type Finding, type FindingCode } from './index'

const found = (model: ModelDocument, code: FindingCode): Finding[] =>
  reportModel(checkModel(model)).report.findings.filter((finding) => finding.code === code)

/** A closed box, six studs by six and two bricks high inside, with a thing in it; `gap` studs of one wall are left open. */
function box(gap: number, inside: readonly Part[] = []): ModelDocument {
  const walls = [0, 1].flatMap((course) => {
    const z = 4 + course * 12
    const across = (id: string, y: number, from: number): Part[] =>
      Array.from({ length: 8 - from }, (_, i) => part(`${id}${course}${i}`, 'brick-1x1', [(i + from) * 10, y, z]))
    const along = (id: string, x: number): Part[] =>
      Array.from({ length: 6 }, (_, i) => part(`${id}${course}${i}`, 'brick-1x1', [x, (i + 1) * 10, z]))
    // The gap is at the middle of the front, through both courses.
    const front = across('f', 0, 0).filter((_, i) => i < 3 || i >= 3 + gap)
    return [...front, ...across('b', 70, 0), ...along('l', 0), ...along('r', 70)]
  })
  return oneSection([part('floor', 'plate-8x8', [0, 0, 0]), ...walls, ...inside, part('roof', 'plate-8x8', [0, 0, 28])])
}

describe('light', () => {
  it('through a gap of one stud into a closed room is a finding that names what stands around it', () => {
    const [gap, ...more] = found(box(1), 'see-through')
    expect(more).toEqual([])
    expect(gap!.parts).toEqual(expect.arrayContaining(['f02', 'floor']))
  })

  it('is none where the box is closed, and none where a door is open on purpose', () => {
    expect(found(box(0), 'see-through')).toEqual([])
    expect(found(box(2), 'see-through')).toEqual([])
  })
})

describe('never seen', () => {
  const lamp = part('lamp', 'round-brick-1x1', [30, 30, 4], undefined, 'yellow')
  it('names what is inside a closed box, until its colour is free', () => {
    const model = box(0, [lamp])
    const [note] = found(model, 'never-seen')
    expect(note!.parts).toEqual(['lamp'])
    expect(note!.severity).toBe('note')
    expect(found(waysOut(model, note!)[0]!.change(model), 'never-seen')).toEqual([])
  })

  it('says nothing of what shows in one copy at least', () => {
    const inner = [part('seat', 'plate-2x2', [0, 0, 0])]
    const covered = twoSections(
      [part('on', 'plate-8x8', [-30, -30, 4])],
      [
        { id: 'under', section: 'inner', at: [0, 0, 0] },
        { id: 'beside', section: 'inner', at: [200, 0, 0] },
      ],
      inner,
    )
    expect(found(covered, 'never-seen')).toEqual([])
  })
})

describe('turn traps', () => {
  const stand = (turn: string): ModelDocument =>
    oneSection([part('foot', 'plate-2x2', [0, 0, 0]), part('arm', 'brick-1x1-side1', [0, 0, 4], turn)])
  it('are side studs that point away from the viewer', () => {
    expect(found(stand('-x-y'), 'turn-trap').map(({ parts }) => parts)).toEqual([['arm']])
    expect(found(stand('+x+y'), 'turn-trap')).toEqual([])
  })

  it('are gone with a note in the step', () => {
    const model = stand('-x-y')
    const { report } = reportModel(model)
    const [trap] = report.findings.filter(({ code }) => code === 'turn-trap')
    const noted = waysOut(model, trap!, report.sections)[0]!.change(model)
    expect(noted.sections[0]!.steps!.some(({ note }) => note?.includes('arm'))).toBe(true)
    expect(found(noted, 'turn-trap')).toEqual([])
  })

  it('are parts turned differently on two sides that are otherwise the same', () => {
    const side = (id: string, x: number, slope: string): Part[] => [
      ...[0, 1, 2, 3, 4].map((i) => part(`${id}${i}`, 'brick-2x2', [x, 0, 4 + i * 12])),
      part(`${id}-elbow`, 'slope-2x1', [x, 0, 64], slope),
    ]
    const figure = (turn: string): ModelDocument =>
      oneSection([
        part('hips', 'plate-2x6', [0, 0, 0]),
        part('belt', 'plate-2x6', [0, 0, 76]),
        ...side('left', 0, '+x+y'),
        ...side('right', 40, turn),
      ])
    const codes = (model: ModelDocument): string[][] => found(model, 'turn-trap').map(({ parts }) => [...parts])
    // Mirrored, so the right one stands at the outer edge of its column.
    const shifted = (turn: string): ModelDocument => {
      const model = figure(turn)
      const parts = model.sections[0]!.parts!.map((p) => (p.id === 'right-elbow' ? { ...p, at: [50, 0, 64] as const } : p))
      return { ...model, sections: [{ ...model.sections[0]!, parts }] }
    }
    expect(codes(shifted('+x+y'))).toEqual([])
    expect(codes(shifted('-x-y'))).toEqual([['left-elbow', 'right-elbow']])
  })
})

describe('places', () => {
  const bench = oneSection(
    [
      part('floor', 'plate-8x8', [0, 0, 0]),
      part('seat', 'plate-2x2', [30, 30, 4]),
      ...[
        ['n', 60],
        ['s', 0],
      ].flatMap(([id, y]) => [4, 16, 28].map((z) => part(`${id}${z}`, 'brick-2x8', [0, y as number, z]))),
      ...[
        ['w', 0],
        ['e', 60],
      ].flatMap(([id, x]) => [4, 16, 28].map((z) => part(`${id}${z}`, 'brick-2x4', [x as number, 20, z], '+y-x'))),
      part('roof', 'plate-8x8', [0, 0, 40]),
    ],
    [
      { add: ['floor', 'seat'] },
      { add: ['n4', 's4', 'w4', 'e4'] },
      { add: ['n16', 's16', 'w16', 'e16', 'n28', 's28', 'w28', 'e28'] },
      { add: ['roof'] },
    ],
  )

  it('are told from the step on that closes the last way', () => {
    const marked = addPlace(bench, 'main', { name: 'Seat', part: 'seat' })
    const [lost] = found(marked, 'access')
    expect([lost!.step, lost!.severity]).toEqual([4, 'warning'])
    expect(lost!.message).toContain('“Seat” can no longer be reached')
    expect(lost!.parts).toContain('roof')
    expect(found(removePlace(marked, 'main', 0), 'access')).toEqual([])
    expect(removePlace(marked, 'main', 0).sections[0]).toEqual(bench.sections[0])
  })

  it('need a name and a part that is there', () => {
    expect(() => addPlace(bench, 'main', { name: ' ', part: 'seat' })).toThrow('name')
    expect(() => addPlace(bench, 'main', { name: 'Seat', part: 'sofa' })).toThrow('no part')
    expect(() => checkModel({ ...bench, sections: [{ ...bench.sections[0], places: [{ name: 'Seat', part: 'sofa' }] }] })).toThrow('sofa')
  })
})
