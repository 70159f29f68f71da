import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { validateBytes } from 'gltf-validator'
import { describe, expect, it } from 'vitest'
import { changedDrawing, namelessDrawing, type GltfSketch } from '../../../../tests/support/drawings'
import { connectedHeap } from '../../../../tests/support/heaps'
import { oneSection, part, twoSections } from '../../../../tests/support/models'
import { Flattener, readModelText, type ModelDocument } from '../../model'
import { isLatticePose } from '../../space'
import type { ReadOptions } from '../format'
import { drawing } from './gltf'

const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))
const DEMOS = ['bird-table', 'ferry-house', 'ferryman', 'granary', 'wind-pump']
const read = (bytes: Uint8Array, options: ReadOptions = {}) => drawing.read(bytes, 'Drawing', options)

/** Shapes, colours and places in the world, moved so that the lowest stands at nothing; how a piece is turned is told by the test of places. */
function stands(model: ModelDocument): string[] {
  const parts = new Flattener(model).all(model.root).map(({ shape, colour, pose }) => {
    const corners = shape.mesh.flatMap(({ corners: all }) => all)
    const places = corners.map((corner) =>
      [0, 1, 2].map((row) => pose.at[row]! + [0, 1, 2].reduce((sum, k) => sum + pose.matrix[row * 3 + k]! * corner[k]!, 0)),
    )
    const low = [0, 1, 2].map((axis) => Math.min(...places.map((place) => place[axis]!)))
    const high = [0, 1, 2].map((axis) => Math.max(...places.map((place) => place[axis]!)))
    return { name: `${shape.id} ${colour}`, low, high, isFree: !isLatticePose(pose) }
  })
  const origin = [0, 1, 2].map((axis) => Math.min(...parts.map(({ low }) => low[axis]!)))
  const text = (place: number[]): string => place.map((value, axis) => Math.round(value - origin[axis]!)).join()
  return parts.map(({ name, low, high, isFree }) => (isFree ? name : `${name} ${text(low)} ${text(high)}`)).sort()
}

/** Every node's place and every root scaled, turned or moved. */
const wrapped = (json: GltfSketch, extra: Partial<GltfSketch['nodes'][number]>): void => {
  const root = json.scenes[0]!.nodes
  json.nodes.push({ name: '', children: [...root], ...extra })
  json.scenes[0]!.nodes = [json.nodes.length - 1]
}

describe('a drawing that this program wrote', () => {
  it.each(DEMOS)('%s comes back the same', (name) => {
    const model = demo(name)
    const { model: back, report, remarks } = read(drawing.write(model))
    const plain = (value: ModelDocument) => ({
      ...value,
      sections: value.sections.map(({ parts = [], copies = [], ...rest }) => ({ ...rest, parts, copies })),
    })
    expect(plain(back)).toEqual(plain(model))
    expect(report).toMatchObject({ mmPerUnit: 1000, up: 'y', unknown: [], unsure: [] })
    expect(remarks).toEqual([])
  })

  it('says what each part is, in its extras', () => {
    const model = twoSections(
      [part('a', 'wedge-plate-2x3-left', [0, 0, 0])],
      [{ id: 'other', section: 'inner', at: [40, 0, 0], mirror: 'x' }],
      [part('w', 'wedge-plate-2x3-left', [0, 0, 0])],
    )
    const given = {
      ...model,
      sections: model.sections.map((s) => (s.id === 'main' ? { ...s, steps: [{ add: ['a'] }, { join: ['other'] }] } : s)),
    }
    const nodes: GltfSketch['nodes'] = []
    changedDrawing(drawing.write(given), (json) => nodes.push(...json.nodes))
    expect(nodes.find(({ name }) => name === 'a')!.extras).toMatchObject({
      shape: 'wedge-plate-2x3-left',
      colour: 'slate',
      section: 'main',
      step: 1,
    })
    expect(nodes.find(({ name }) => name === 'other')!.extras).toMatchObject({ section: 'inner', step: 2 })
    expect(nodes.find(({ name }) => name === 'w')!.extras).toMatchObject({ shape: 'wedge-plate-2x3-right', section: 'inner' })
  })

  it.each(DEMOS)('%s passes the validator of the format', async (name) => {
    const { issues } = await validateBytes(drawing.write(demo(name)))
    expect({ errors: issues.numErrors, warnings: issues.numWarnings }).toEqual({ errors: 0, warnings: 0 })
  })

  it('carries loose parts, lengths, work and own shapes', () => {
    const model: ModelDocument = {
      ...oneSection([
        part('a', 'plate-2x4', [0, 0, 0]),
        { id: 'pole', shape: 'tube', colour: 'red', at: [0, 0, 4], length: 24, work: [{ kind: 'paint', note: 'grey' }] },
        { id: 'jars', shape: 'round-brick-1x1', colour: 'clear', count: 3 },
      ]),
      palette: [{ id: 'mud', name: 'Mud', hex: '#665544', finish: 'solid' }],
      shapes: [{ id: 'block', name: 'Block', boxes: [{ at: [0, 0, 0], size: [7, 9, 11] }] }],
    }
    expect(read(drawing.write(model)).model).toEqual(model)
  })

  it('any model of parts comes back the same', () => {
    fc.assert(
      fc.property(connectedHeap(6), (model) => {
        // No turn may be written, and is left out when it comes back.
        const plain = model.sections.map((section) => ({
          ...section,
          parts: section.parts!.map(({ turn, ...rest }) => (turn === undefined || turn === '+x+y' ? rest : { ...rest, turn })),
        }))
        expect(read(drawing.write(model)).model.sections).toEqual(plain)
      }),
      { numRuns: 30 },
    )
  })
})

describe('a drawing from elsewhere', () => {
  const granary = demo('granary')

  it('without a name is recognised by form alone, sections and copies too', () => {
    const { model, report } = read(namelessDrawing(granary))
    expect(stands(model)).toEqual(stands(granary))
    expect(model.sections).toHaveLength(granary.sections.length)
    expect(report).toMatchObject({ parts: 1717, recognised: 1717, byName: 0, byForm: 1717, unknown: [] })
  })

  const house = demo('ferry-house')
  it.each<[string, Partial<GltfSketch['nodes'][number]>, object]>([
    ['in millimetres', { scale: [1000, 1000, 1000] }, { mmPerUnit: 1 }],
    ['in our own unit', { scale: [1250, 1250, 1250] }, { mmPerUnit: 0.8 }],
    ['in a unit of nobody', { scale: [370, 370, 370] }, { mmPerUnit: 2.7 }],
    ['with z up', { rotation: [Math.SQRT1_2, 0, 0, Math.SQRT1_2] }, { up: 'z' }],
    ['moved as a whole', { translation: [0.1234, -3.21, 0.00067] }, { up: 'y' }],
  ])('%s', (_what, extra, expected) => {
    const { model, report } = read(namelessDrawing(house, (json) => wrapped(json, extra)))
    expect(stands(model)).toEqual(stands(house))
    if ('mmPerUnit' in expected) expect((report.mmPerUnit as number) / (expected.mmPerUnit as number)).toBeCloseTo(1, 2)
    else expect(report).toMatchObject(expected)
  })

  it('scale and axis can be said', () => {
    const { report } = read(namelessDrawing(house), { mmPerUnit: 1000, up: 'y' })
    expect(report).toMatchObject({ mmPerUnit: 1000, up: 'y', recognised: 239 })
  })

  it('what is turned freely becomes a section posed by degrees', () => {
    const turned = twoSections(
      [part('base', 'plate-4x8', [0, 0, 0])],
      [{ id: 'arm', section: 'inner', at: [20, 20, 4], rotate: [0, 0, 30] }],
      [part('a', 'brick-1x2', [0, 0, 0]), part('b', 'slope-2x2', [0, 0, 12])],
    )
    const flat = namelessDrawing(turned, (json) => json.nodes.forEach((node) => node.mesh === undefined && delete node.name))
    const { model } = read(flat)
    expect(model.sections).toHaveLength(2)
    const [copy] = model.sections.find(({ id }) => id === model.root)!.copies!
    expect(copy!.rotate).toEqual([0, 0, expect.closeTo(30, 2)])
    expect(stands(model)).toEqual(stands(turned))
  })

  it('groups of equal content, moved, turned or mirrored, become one section and its copies', () => {
    const inner = [part('p', 'brick-2x3', [0, 0, 0]), part('s', 'slope-2x1', [0, 0, 12]), part('w', 'wedge-plate-2x3-left', [0, 0, 24])]
    const model = twoSections(
      [part('base', 'plate-16x16', [0, 0, -4])],
      [
        { id: 'one', section: 'inner', at: [0, 0, 0] },
        { id: 'two', section: 'inner', at: [100, 60, 0], turn: '+y-x' },
        { id: 'three', section: 'inner', at: [60, 100, 0], mirror: 'x' },
      ],
      inner,
    )
    const { model: back } = read(namelessDrawing(model))
    expect(back.sections).toHaveLength(2)
    expect(back.sections.find(({ id }) => id === back.root)!.copies!.map(({ mirror }) => mirror !== undefined)).toEqual([
      false,
      false,
      true,
    ])
    expect(stands(back)).toEqual(stands(model))
  })

  it('is recognised by words, and by an own name', () => {
    const names = [{ kind: 'shape' as const, id: 'tile-2x2', name: 'Flagstone', number: '' }]
    const bytes = namelessDrawing(oneSection([part('a', 'brick-2x4', [0, 0, 0]), part('b', 'tile-2x2', [0, 0, 12])]), (json) => {
      const meshed = json.nodes.filter(({ mesh }) => mesh !== undefined)
      meshed[0]!.name = 'Brick_2x4.003'
      meshed[1]!.name = 'flagstone'
    })
    expect(read(bytes, { names }).report).toMatchObject({ byName: 2, byForm: 0 })
  })

  it('what no piece looks like becomes an own shape of boxes, and somebody must look at it', () => {
    const odd: ModelDocument = {
      ...oneSection([part('a', 'brick-2x4', [0, 0, 0]), part('b', 'odd', [0, 0, 12])]),
      shapes: [
        {
          id: 'odd',
          name: 'Odd',
          boxes: [
            { at: [0, 0, 0], size: [13, 17, 9] },
            { at: [0, 0, 9], size: [5, 5, 9] },
          ],
        },
      ],
    }
    const { model, report, remarks } = read(namelessDrawing(odd))
    expect(model.shapes).toEqual([{ id: 'unknown-1', name: 'Unknown 1', boxes: expect.any(Array) as unknown }])
    expect(report).toMatchObject({ recognised: 1, unknown: [{ box: [13, 17, 18] }] })
    expect(remarks.filter(({ needsPerson }) => needsPerson)).toHaveLength(1)
  })

  it('colours are the nearest by sight, see-through and metal apart', () => {
    const model = oneSection(
      ['clear-blue', 'gold', 'wine'].map((colour, i) => part(`p${i}`, 'brick-1x1', [i * 20, 0, 0], undefined, colour)),
    )
    const { model: back, report } = read(namelessDrawing(model))
    expect(back.sections[0]!.parts!.map(({ colour }) => colour)).toEqual(['clear-blue', 'gold', 'wine'])
    expect((report.colours as { deltaE: number }[]).every(({ deltaE }) => deltaE < 1)).toBe(true)
  })
})

describe('a damaged drawing', () => {
  const whole = drawing.write(oneSection([part('a', 'brick-2x4', [0, 0, 0])]))

  it.each<[string, Uint8Array, string]>([
    ['no drawing', new TextEncoder().encode('hello'), 'not-json'],
    ['of another version', new TextEncoder().encode('{"asset":{"version":"1.0"}}'), 'bad-drawing'],
    ['cut off', whole.slice(0, whole.length - 40), 'bad-drawing'],
    [
      'without its buffer',
      new TextEncoder().encode(JSON.stringify({ asset: { version: '2.0' }, buffers: [{ uri: 'gone.bin', byteLength: 4 }] })),
      'missing-neighbour',
    ],
    ['whose nodes go round', changedDrawing(whole, (json) => (json.nodes[0]!.children = [0])), 'bad-drawing'],
    ['with nothing in it', new TextEncoder().encode('{"asset":{"version":"2.0"}}'), 'bad-drawing'],
  ])('%s is refused', (_what, bytes, code) => {
    expect(() => read(bytes)).toThrow(expect.objectContaining({ code }) as Error)
  })

  it('any bytes changed: read, or refused with a reason', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { minLength: 1, maxLength: 6 }), (changes) => {
        const bytes = whole.slice()
        for (const [at, value] of changes) bytes[at] = value
        try {
          read(bytes)
        } catch (thrown) {
          expect((thrown as Error).name).toBe('Fault')
        }
      }),
      { numRuns: 150 },
    )
  })
})
