import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import { BASE_CATALOGUE } from '../catalogue'
import { findJoints } from '../joints'
import { Flattener, type ModelDocument, type Part } from '../model'
import { buildScene, sectionNodes } from '../scene'
import { add, TURNS, type Vec } from '../space'
import {
  handBox,
  handOfNodes,
  handOfPiece,
  handOfSection,
  heldParts,
  mirrorHand,
  PartPicker,
  PlaceJudge,
  putDown,
  QUARTER_TURN,
  selectBy,
  snapTo,
  standOnTable,
  TIP_OVER,
  turnHand,
} from './index'

/** −0 is 0 to everybody but a comparison. */
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

const nodesOf = (model: ModelDocument) => sectionNodes(model, new Flattener(model), 'main')
const partsOf = (model: ModelDocument) => new Flattener(model).all('main')
const piece = (shape: string, colour = 'slate') => handOfPiece({ shape, colour }, BASE_CATALOGUE)
const SHAPES = ['brick-2x4', 'plate-1x3', 'slope-2x2', 'bracket-1x2-2x2', 'tile-1x2', 'wedge-plate-2x4-left'].filter((id) =>
  BASE_CATALOGUE.shapes.has(id),
)

describe('what lies under the pointer', () => {
  const model = oneSection([part('low', 'brick-2x4', [0, 0, 0]), part('high', 'brick-2x2', [10, 0, 12])])
  const picker = new PartPicker(partsOf(model))
  const down = (x: number, y: number) => ({ from: [x, y, 500] as Vec, way: [0, 0, -1] as Vec })

  it('is the nearest part, with the place and the way its surface faces', () => {
    expect(picker.pick(down(20, 10))).toMatchObject({ part: 1, at: [20, 10, 24], normal: [0, 0, 1] })
    expect(picker.pick(down(1, 1))).toMatchObject({ part: 0, at: [1, 1, 12] })
    expect(picker.pick(down(-5, 5))).toBeUndefined()
  })

  it('is a stud where one stands, and what is behind what is hidden', () => {
    expect(picker.pick(down(5, 5))).toMatchObject({ part: 0, at: [5, 5, 14] })
    expect(picker.pick(down(20, 10), (index) => index !== 1)).toMatchObject({ part: 0, at: [20, 10, 12] })
  })

  it('is found as by asking every part, whatever the ray', () => {
    const many = oneSection(
      Array.from({ length: 40 }, (_, i) => part(`p${i}`, SHAPES[i % SHAPES.length]!, [(i % 7) * 30, (i % 5) * 40, i * 3])),
    )
    const placed = partsOf(many)
    const all = new PartPicker(placed)
    const alone = placed.map((each) => new PartPicker([each]))
    let hits = 0
    fc.assert(
      fc.property(
        fc.tuple(fc.nat(210), fc.nat(180)),
        fc.tuple(fc.integer({ min: -90, max: 90 }), fc.integer({ min: -90, max: 90 })),
        ([x, y], [dx, dy]) => {
          const ray = { from: [x + 0.37 - dx * 3, y + 0.41 - dy * 3, 300] as Vec, way: [dx / 100, dy / 100, -1] as Vec }
          const heights = alone.map((each) => each.pick(ray)?.at[2] ?? -Infinity)
          const best = Math.max(...heights)
          const found = all.pick(ray)
          if (best === -Infinity) {
            expect(found).toBeUndefined()
            return
          }
          hits++
          expect(found!.at[2]).toBeCloseTo(best, 6)
        },
      ),
      { numRuns: 300 },
    )
    expect(hits).toBeGreaterThan(60)
  })
})

describe('the hand', () => {
  const turn = fc.constantFrom(...TURNS)
  const shape = fc.constantFrom(...SHAPES)

  it('puts down a piece where its lowest corner is said to be, in every turn', () => {
    fc.assert(
      fc.property(shape, turn, fc.tuple(fc.integer(), fc.integer(), fc.integer()), (id, matrix, [x, y, z]) => {
        const at: Vec = [x % 1000, y % 1000, z % 1000]
        const hand = turnHand(piece(id), matrix)
        const { parts } = putDown(hand, at)
        const model = oneSection([{ ...parts[0]!, id: 'p' }])
        expect(plain(partsOf(model)[0]!.pose)).toEqual(plain(heldParts(hand, at, BASE_CATALOGUE)[0]!.pose))
        expect(handBox(hand).min).toEqual([0, 0, 0])
      }),
    )
  })

  it('comes back after four quarters and after two mirrors', () => {
    for (const id of SHAPES) {
      const hand = piece(id)
      const round = [1, 2, 3, 4].reduce((held) => turnHand(held, QUARTER_TURN), hand)
      const over = [1, 2, 3, 4].reduce((held) => turnHand(held, TIP_OVER), hand)
      const twice = mirrorHand(mirrorHand(hand, 'x', BASE_CATALOGUE), 'x', BASE_CATALOGUE)
      for (const held of [round, over, twice]) {
        expect(putDown(held, [0, 0, 0]).parts.map(({ id: _id, ...rest }) => rest)).toEqual(
          putDown(hand, [0, 0, 0]).parts.map(({ id: _id, ...rest }) => rest),
        )
      }
    }
  })

  it('mirrors a wedge into its twin', () => {
    const { parts } = putDown(mirrorHand(piece('wedge-plate-2x4-left'), 'x', BASE_CATALOGUE), [0, 0, 0])
    expect(parts[0]!.shape).toBe('wedge-plate-2x4-right')
  })

  it('takes parts and copies up together and puts them down turned, as one body', () => {
    const model = twoSections(
      [part('a', 'brick-2x4', [0, 0, 0])],
      [{ id: 'c', section: 'inner', at: [40, 0, 12], turn: '+y-x' }],
      [part('b', 'slope-2x2', [0, 0, 0])],
    )
    const section = model.sections[0]!
    const { hand, at } = handOfNodes(model, section, new Set(['a', 'c']), new Flattener(model))!
    const turned = turnHand(hand, QUARTER_TURN)
    const put = putDown(turned, add(at, [30, 10, 4]))
    const moved = { ...model, sections: [{ ...section, parts: put.parts, copies: put.copies }, model.sections[1]!] }
    const sorted = (list: readonly { path: string; pose: object }[]) =>
      plain([...list].sort((a, b) => a.path.localeCompare(b.path)).map(({ pose }) => pose))
    expect(sorted(new Flattener(moved).all('main'))).toEqual(sorted(heldParts(turned, add(at, [30, 10, 4]), BASE_CATALOGUE)))
  })

  it('holds a section, mirrored too', () => {
    const model = twoSections(
      [part('a', 'brick-2x4', [0, 0, 0])],
      [],
      [part('b', 'wedge-plate-2x4-left', [0, 0, 0]), part('c', 'brick-1x1', [0, 0, 4])],
    )
    const hand = mirrorHand(handOfSection(new Flattener(model), 'inner'), 'x', BASE_CATALOGUE)
    const { copies } = putDown(hand, [100, 0, 0])
    expect(copies[0]).toMatchObject({ section: 'inner', mirror: 'x' })
    const whole = { ...model, sections: [{ ...model.sections[0]!, copies: [{ ...copies[0]!, id: 'm' }] }, model.sections[1]!] }
    const placed = new Flattener(whole).all('main')
    expect(placed.map(({ shape: { id } }) => id)).toContain('wedge-plate-2x4-right')
    expect(Math.min(...placed.slice(1).map(({ pose, shape: { box } }) => Math.min(pose.at[0], pose.at[0] + pose.matrix[0] * box[0])))).toBe(
      100,
    )
  })

  it('keeps a section with limbs at free angles in the lattice, however it is turned', () => {
    const arm = { id: 'arm', name: 'Arm', parts: [part('rod', 'brick-1x4', [0, 0, 0])] }
    const body = {
      id: 'body',
      name: 'Body',
      parts: [part('b', 'brick-2x2', [0, 0, 0])],
      copies: [{ id: 'arm', section: 'arm', at: [20, 3.5, 0.25] as Vec, rotate: [0, 0, 33] as Vec }],
    }
    const model: ModelDocument = { ...oneSection([]), sections: [{ id: 'main', name: 'Main', parts: [] }, body, arm] }
    for (const turn of [[], [QUARTER_TURN], [TIP_OVER], [TIP_OVER, QUARTER_TURN]]) {
      const hand = turn.reduce(turnHand, handOfSection(new Flattener(model), 'body'))
      expect(putDown(hand, [10, 20, 4]).copies[0]!.at!.every(Number.isInteger)).toBe(true)
    }
  })

  it('refuses a shape that is not there', () => {
    expect(() => piece('brick-9x9')).toThrow('There is no shape')
  })
})

describe('the judge', () => {
  const model = oneSection([part('low', 'brick-2x4', [0, 0, 0]), part('far', 'brick-2x4', [200, 0, 0])])
  const judge = new PlaceJudge(nodesOf(model))
  const ask = (shape: string, at: Vec, except?: ReadonlySet<string>) => judge.judge(heldParts(piece(shape), at, BASE_CATALOGUE), except)

  it('says what holds, what is in the way, what stands on the table', () => {
    expect(ask('brick-2x2', [10, 0, 12])).toEqual({ holds: 4, heldBy: ['low'], collidesWith: [], isOnTable: false })
    expect(ask('brick-2x2', [10, 0, 8])).toMatchObject({ collidesWith: ['low'] })
    expect(ask('brick-2x2', [10, 0, 8], new Set(['low']))).toMatchObject({ collidesWith: [], holds: 0 })
    expect(ask('brick-2x2', [60, 0, 0])).toMatchObject({ holds: 0, isOnTable: true })
  })

  it('agrees with joints and overlaps of the whole model, wherever a piece is put', () => {
    let held = 0
    fc.assert(
      fc.property(
        fc.constantFrom(...SHAPES),
        fc.tuple(fc.integer({ min: -4, max: 8 }), fc.integer({ min: -4, max: 4 }), fc.constantFrom(-3, -1, 0, 2, 3)),
        (shape, [x, y, z]) => {
          const at: Vec = [x * 10, y * 5, z * 4]
          const verdict = ask(shape, at)
          const parts: Part[] = [...model.sections[0]!.parts!, { id: 'new', shape, colour: 'slate', at }]
          const scene = buildScene(nodesOf(oneSection(parts)))
          const joints = findJoints(scene).list.filter(({ a, b }) => scene.nodes[a]!.id === 'new' || scene.nodes[b]!.id === 'new')
          expect(verdict.holds).toBe(joints.reduce((sum, { studs }) => sum + studs, 0))
          held += verdict.holds
        },
      ),
      { numRuns: 600 },
    )
    expect(held).toBeGreaterThan(30)
  })

  it('finds what a thing would come down on', () => {
    expect(judge.topUnder({ min: [10, 0, 0], max: [30, 20, 12] })).toBe(12)
    expect(judge.topUnder({ min: [90, 0, 0], max: [100, 20, 12] })).toBe(0)
    expect(judge.topUnder({ min: [10, 0, 0], max: [30, 20, 12] }, new Set(['low']))).toBe(0)
  })
})

describe('snapping', () => {
  const snap = (model: ModelDocument, shape: string, picked: { part: number; at: Vec; normal: Vec }) => {
    const parts = partsOf(model)
    const judge = new PlaceJudge(nodesOf(model))
    const found = snapTo({ hand: piece(shape), picked, target: parts[picked.part]!, judge, catalogue: BASE_CATALOGUE })
    return { ...found, verdict: judge.judge(heldParts(found.hand, found.at, BASE_CATALOGUE)) }
  }

  it('lands on the studs under the pointer', () => {
    const base = oneSection([part('base', 'plate-8x8', [0, 0, 0])])
    const found = snap(base, 'brick-2x2', { part: 0, at: [40, 40, 4], normal: [0, 0, 1] })
    expect(found).toMatchObject({ isHeld: true, at: [30, 30, 4], verdict: { holds: 4, collidesWith: [] } })
  })

  it('turns a tile onto a stud at the side', () => {
    const wall = oneSection([part('wall', 'brick-1x4-side4', [0, 0, 0])])
    const found = snap(wall, 'tile-1x2', { part: 0, at: [10, 0, 6], normal: [0, -1, 0] })
    expect(found.isHeld).toBe(true)
    expect(found.verdict).toMatchObject({ heldBy: ['wall'], collidesWith: [] })
  })

  it('takes hold of a bar with a clip', () => {
    const bar = [...BASE_CATALOGUE.shapes.values()].find(({ connectors }) => connectors.some(({ kind }) => kind === 'bar'))!
    const clip = [...BASE_CATALOGUE.shapes.values()].find(({ connectors }) => connectors.some(({ kind }) => kind === 'clip'))!
    const model = oneSection([part('bar', bar.id, [0, 0, 0])])
    const placed = partsOf(model)[0]!
    const at = bar.connectors.find(({ kind }) => kind === 'bar')!.at
    const found = snap(model, clip.id, { part: 0, at, normal: [0, 0, 1] })
    expect(placed.shape).toBe(bar)
    expect(found.isHeld).toBe(true)
  })

  it('stands on a smooth face, in the grid, where nothing takes hold', () => {
    const flat = oneSection([part('floor', 'tile-2x4', [0, 0, 0])])
    const found = snap(flat, 'brick-1x1', { part: 0, at: [16, 13, 4], normal: [0, 0, 1] })
    expect(found).toMatchObject({ isHeld: false, at: [10, 10, 4] })
    expect(standOnTable(piece('brick-2x4'), [21, 12, 0])).toEqual([0, 0, 0])
  })
})

describe('choosing', () => {
  const model = oneSection([
    part('post', 'brick-1x1', [0, 0, 0]),
    part('beam', 'plate-1x4', [0, 0, 12]),
    part('lamp', 'brick-1x1', [30, 0, 16]),
    { ...part('twin', 'brick-1x1', [100, 0, 0]), colour: 'red' },
  ])
  const scene = buildScene(nodesOf(model))
  const joints = findJoints(scene)
  const ids = (by: Parameters<typeof selectBy>[3], from: string) =>
    selectBy(
      scene,
      joints,
      scene.nodes.findIndex(({ id }) => id === from),
      by,
    ).map((node) => scene.nodes[node]!.id)

  it('takes what is alike, of one shape, colour or layer, and what hangs on a part', () => {
    expect(ids('alike', 'post')).toEqual(['post', 'lamp'])
    expect(ids('shape', 'post')).toEqual(['post', 'lamp', 'twin'])
    expect(ids('colour', 'twin')).toEqual(['twin'])
    expect(ids('layer', 'post')).toEqual(['post', 'twin'])
    expect(ids('hangs', 'post')).toEqual(['post', 'beam', 'lamp'])
    expect(ids('hangs', 'lamp')).toEqual(['lamp'])
  })
})
