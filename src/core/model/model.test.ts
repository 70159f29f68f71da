import { describe, expect, it } from 'vitest'
import { Fault } from '../fault'
import { posedBox, turnOfMatrix, turnText } from '../space'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import { buildingOrder, checkModel, Flattener, LIMITS, readModelText, sectionUses, type ModelDocument, withLooseParts } from './index'

const valid = (): ModelDocument =>
  twoSections(
    [part('top', 'plate-2x4', [0, 0, 12])],
    [{ id: 'leg-1', section: 'inner', at: [0, 0, 0] }],
    [part('foot', 'brick-1x2', [0, 0, 0], '+y-x')],
  )

function refusal(change: (model: Record<string, never>) => void): Fault {
  const model = JSON.parse(JSON.stringify(valid())) as Record<string, never>
  change(model)
  try {
    checkModel(model)
  } catch (thrown) {
    return thrown as Fault
  }
  throw new Error('it was not refused')
}
type Loose = Record<string, any> // eslint-disable-line @typescript-eslint/no-explicit-any

describe('reading a model', () => {
  it('takes a valid one as it is', () => {
    expect(checkModel(valid())).toEqual(valid())
    expect(readModelText(`\ufeff${JSON.stringify(valid())}`)).toEqual(valid())
  })

  it.each<[string, string, string | undefined, (m: Loose) => void]>([
    ['an unknown key', 'unknown-key', 'sections[0].parts[0].color', (m) => (m['sections'][0].parts[0].color = 'red')],
    ['an unknown key on top', 'unknown-key', 'extra', (m) => (m['extra'] = 1)],
    ['a bad turn', 'bad-turn', 'sections[1].parts[0].turn', (m) => (m['sections'][1].parts[0].turn = '+x+x')],
    ['a fraction in the lattice', 'not-integer', 'sections[0].parts[0].at[2]', (m) => (m['sections'][0].parts[0].at = [0, 0, 1.5])],
    ['a place too far out', 'out-of-range', 'sections[0].parts[0].at[0]', (m) => (m['sections'][0].parts[0].at = [100_001, 0, 0])],
    [
      'a negative count',
      'bad-count',
      'sections[0].parts[1].count',
      (m) => m['sections'][0].parts.push({ id: 'l', shape: 'plate-1x1', colour: 'red', count: -1 }),
    ],
    ['a missing name', 'missing-key', 'name', (m) => delete m['name']],
    ['a name too long', 'too-long', 'name', (m) => (m['name'] = 'x'.repeat(201))],
    ['notes too long', 'too-long', 'notes', (m) => (m['notes'] = 'x'.repeat(20_001))],
    ['an unknown shape', 'unknown-shape', 'sections[0].parts[0].shape', (m) => (m['sections'][0].parts[0].shape = 'plate-2x5')],
    ['an unknown colour', 'unknown-colour', 'sections[0].parts[0].colour', (m) => (m['sections'][0].parts[0].colour = 'purpel')],
    ['a second id', 'double-id', 'sections[0].copies[0].id', (m) => (m['sections'][0].copies[0].id = 'top')],
    ['a second section id', 'double-id', 'sections[1].id', (m) => (m['sections'][1].id = 'main')],
    ['a missing root', 'missing-root', 'root', (m) => (m['root'] = 'nowhere')],
    ['a copy of nothing', 'unknown-section', 'sections[0].copies[0].section', (m) => (m['sections'][0].copies[0].section = 'leg')],
    [
      'a step naming an unknown part',
      'unknown-part',
      'sections[0].steps[0].add[0]',
      (m) => (m['sections'][0].steps = [{ add: ['nobody'] }]),
    ],
    ['a step adding a copy', 'unknown-part', 'sections[0].steps[0].add[0]', (m) => (m['sections'][0].steps = [{ add: ['leg-1'] }])],
    ['a step joining nothing', 'unknown-copy', 'sections[0].steps[0].join[0]', (m) => (m['sections'][0].steps = [{ join: ['top'] }])],
    ['a section within itself', 'cycle', 'sections[0]', (m) => (m['sections'][1].copies = [{ id: 'c', section: 'main', at: [0, 0, 0] }])],
    [
      'turn and rotate at once',
      'bad-value',
      'sections[0].copies[0]',
      (m) => Object.assign(m['sections'][0].copies[0], { turn: '+x+y', rotate: [0, 0, 1] }),
    ],
    ['a count on a part with a place', 'bad-count', 'sections[0].parts[0].count', (m) => (m['sections'][0].parts[0].count = 2)],
    ['no section', 'too-few', 'sections', (m) => (m['sections'] = [])],
    ['another version', 'bad-value', 'version', (m) => (m['version'] = 2)],
  ])('refuses %s', (_what, code, place, change) => {
    const fault = refusal(change)
    expect(fault).toBeInstanceOf(Fault)
    expect({ code: fault.code, place: fault.place }).toEqual({ code, place })
    expect(fault.message).toMatch(/\.$/)
  })

  it('names the nearest known shapes', () => {
    const fault = refusal((m) => ((m as Loose)['sections'] = [{ id: 'main', name: 'M', parts: [part('a', 'plate-1x7', [0, 0, 0])] }]))
    expect(fault.wayOut).toContain('plate-1x')
  })

  it('refuses text that is no model', () => {
    expect(() => readModelText('{')).toThrow(expect.objectContaining({ code: 'not-json' }) as Error)
    expect(() => readModelText('[]')).toThrow(expect.objectContaining({ code: 'not-a-model' }) as Error)
    expect(() => readModelText('null')).toThrow(expect.objectContaining({ code: 'not-a-model' }) as Error)
  })

  it('refuses a length on what is not cut from a roll', () => {
    const long = (shape: string) => oneSection([{ ...part('a', shape, [0, 0, 0]), length: 30 }])
    expect(checkModel(long('tube'))).toEqual(long('tube'))
    expect(() => checkModel(long('plate-1x1'))).toThrow(
      expect.objectContaining({ code: 'bad-value', place: 'sections[0].parts[0].length' }) as Error,
    )
  })

  it('takes fractions for a copy that is rotated freely', () => {
    const model = twoSections([], [{ id: 'c', section: 'inner', at: [0.5, 0, 0], rotate: [0, 0, 30] }], [part('a', 'plate-1x1', [0, 0, 0])])
    expect(checkModel(model)).toEqual(model)
  })

  it('refuses nesting deeper than the limit and growth beyond it, without flattening', () => {
    const chain = (depth: number, width: number): ModelDocument => ({
      ...oneSection([]),
      root: 's0',
      sections: Array.from({ length: depth + 1 }, (_, i) => ({
        id: `s${i}`,
        name: `S${i}`,
        parts: [part('p', 'plate-1x1', [0, 0, 0])],
        ...(i < depth
          ? { copies: Array.from({ length: width }, (_v, k) => ({ id: `c${k}`, section: `s${i + 1}`, at: [0, 0, 0] as const })) }
          : {}),
      })),
    })
    expect(checkModel(chain(LIMITS.nesting, 1)).root).toBe('s0')
    expect(() => checkModel(chain(LIMITS.nesting + 1, 1))).toThrow(expect.objectContaining({ code: 'too-deep' }) as Error)
    expect(() => checkModel(chain(16, 3))).toThrow(expect.objectContaining({ code: 'too-many-parts' }) as Error)
  })
})

describe('flattening', () => {
  const box = (model: ModelDocument) =>
    new Flattener(model).all('main').map((placed) => ({
      path: placed.path,
      shape: placed.shape.id,
      ...posedBox(placed.pose, { min: [0, 0, 0], max: placed.shape.box }),
      turn: turnText(turnOfMatrix(placed.pose.matrix)!),
    }))

  it('puts the lowest corner of the turned body box at `at`', () => {
    expect(box(oneSection([part('a', 'plate-1x4', [5, 6, 7], '+y-x')]))).toEqual([
      { path: 'a', shape: 'plate-1x4', min: [5, 6, 7], max: [15, 46, 11], turn: '+y-x' },
    ])
  })

  it('nests, turns and keeps paths', () => {
    const model = twoSections([], [{ id: 'c', section: 'inner', at: [100, 0, 0], turn: '+y-x' }], [part('a', 'plate-1x2', [10, 0, 4])])
    expect(box(model)).toEqual([{ path: 'c/a', shape: 'plate-1x2', min: [90, 10, 4], max: [100, 30, 8], turn: '+y-x' }])
  })

  it('exchanges a left wedge for a right one in a mirrored copy, in its place', () => {
    const model = twoSections(
      [],
      [{ id: 'c', section: 'inner', at: [0, 0, 0], mirror: 'x' }],
      [part('a', 'wedge-plate-2x3-left', [10, 0, 0])],
    )
    expect(box(model)).toEqual([{ path: 'c/a', shape: 'wedge-plate-2x3-right', min: [-40, 0, 0], max: [-10, 20, 4], turn: '+x+y' }])
  })

  it('turns a corner plate so that its missing cell is mirrored', () => {
    const model = twoSections([], [{ id: 'c', section: 'inner', at: [0, 0, 0], mirror: 'x' }], [part('a', 'plate-corner-2x2', [0, 0, 0])])
    const placed = new Flattener(model).all('main')[0]!
    const studs = placed.shape.connectors
      .filter((c) => c.kind === 'stud')
      .map((c) => [...posedBox(placed.pose, { min: c.at, max: c.at }).min])
    // The cell at +x −y is missing; in the mirror that is the one at −x −y.
    expect(studs).not.toContainEqual([-15, 5, 4])
    expect(studs).toContainEqual([-5, 5, 4])
    expect(placed.lacksTwin).toBe(false)
  })

  it('counts uses, mirrored ones apart, a mirror within a mirror as it stands', () => {
    const model: ModelDocument = {
      ...oneSection([]),
      sections: [
        {
          id: 'main',
          name: 'M',
          copies: [
            { id: 'a', section: 'arm', at: [0, 0, 0] },
            { id: 'b', section: 'arm', at: [0, 0, 0], mirror: 'x' },
          ],
        },
        {
          id: 'arm',
          name: 'A',
          copies: [
            { id: 'l', section: 'hand', at: [0, 0, 0] },
            { id: 'r', section: 'hand', at: [0, 0, 0], mirror: 'y' },
          ],
        },
        { id: 'hand', name: 'H', parts: [part('p', 'plate-1x1', [0, 0, 0])] },
      ],
    }
    expect(sectionUses(model).get('arm')).toEqual({ times: 1, mirrored: 1 })
    expect(sectionUses(model).get('hand')).toEqual({ times: 2, mirrored: 2 })
    expect(buildingOrder(model)).toEqual(['hand', 'arm', 'main'])
  })
})

describe('loose parts', () => {
  it('are added under ids that nobody has', () => {
    const model = checkModel({
      format: 'jump-rail-model',
      version: 1,
      name: 'Bits',
      root: 'main',
      sections: [{ id: 'main', name: 'Main', parts: [{ id: 'loose-2', shape: 'plate-1x1', colour: 'red', count: 4 }] }],
    })
    const more = [
      { shape: 'tile-1x1', colour: 'red', count: 2 },
      { shape: 'tile-1x2', colour: 'blue', count: 1 },
    ]
    expect(checkModel(withLooseParts(model, 'main', more)).sections[0]!.parts!.map(({ id, count }) => [id, count])).toEqual([
      ['loose-2', 4],
      ['loose-1', 2],
      ['loose-3', 1],
    ])
  })
})
