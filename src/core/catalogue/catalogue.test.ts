import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { apply, dot, DIRECTION_VECTORS, scale, subtract, type Vec } from '../space'
import {
  BASE_CATALOGUE,
  extendCatalogue,
  nearestIds,
  socketCount,
  studCount,
  type Connector,
  type ConnectorKind,
  type Mesh,
  type Shape,
} from './index'

const shapes = [...BASE_CATALOGUE.shapes.values()]
const shape = (id: string): Shape => BASE_CATALOGUE.shapes.get(id)!

/** Twice the signed area, as a vector: sums to zero over a closed outline with outward facets. */
function areaVector(mesh: Mesh): Vec {
  let sum: Vec = [0, 0, 0]
  for (const facet of mesh) {
    for (let i = 1; i + 1 < facet.corners.length; i++) {
      const a = subtract(facet.corners[i]!, facet.corners[0]!)
      const b = subtract(facet.corners[i + 1]!, facet.corners[0]!)
      sum = [sum[0] + a[1] * b[2] - a[2] * b[1], sum[1] + a[2] * b[0] - a[0] * b[2], sum[2] + a[0] * b[1] - a[1] * b[0]]
    }
  }
  return sum
}

function volume(mesh: Mesh): number {
  let six = 0
  for (const facet of mesh) {
    for (let i = 1; i + 1 < facet.corners.length; i++) {
      const [a, b, c] = [facet.corners[0]!, facet.corners[i]!, facet.corners[i + 1]!]
      six += dot(a, [b[1] * c[2] - b[2] * c[1], b[2] * c[0] - b[0] * c[2], b[0] * c[1] - b[1] * c[0]])
    }
  }
  return six / 6
}

/** Holes are square in the body and drawn round, which leaves more. */
const ROUNDED = 1.35
/** Studs and their like stand on the surface; what turns or slides is known by its axis. */
const ON_SURFACE = new Set<ConnectorKind>(['stud', 'socket', 'post', 'ring'])
const BY_AXIS = new Set<ConnectorKind>(['pin', 'hole', 'cross'])

/** The same text for connectors that do the same: a bar may be told from either end. */
function connectorKey({ kind, at, facing, along, length }: Connector, place: (p: Vec) => string, turned: (way: Vec) => Vec): string {
  const way = DIRECTION_VECTORS[facing]!
  const text = (v: Vec, isAxis: boolean): string => v.map((value) => (isAxis ? Math.abs(value) : value) + 0).join()
  const ends = [0, length ?? 0].map((by) => place(at.map((value, i) => value + way[i]! * by) as unknown as Vec)).sort()
  const isAxis = BY_AXIS.has(kind) || length !== undefined || (along !== undefined && along >> 1 === facing >> 1)
  return [kind, ...ends, text(turned(way), isAxis), along === undefined ? '' : text(turned(DIRECTION_VECTORS[along]!), true)].join(' ')
}

describe('every shape', () => {
  it.each(shapes.map((s) => [s.id, s] as const))('%s: closed outline inside its bounds, connectors on its surface', (_id, s) => {
    expect(areaVector(s.mesh).every((value) => Math.abs(value) < 1e-6)).toBe(true)
    const bodies = s.bodies.reduce((sum, b) => sum + (b.max[0] - b.min[0]) * (b.max[1] - b.min[1]) * (b.max[2] - b.min[2]), 0)
    expect(volume(s.mesh)).toBeGreaterThan(bodies * 0.12)
    expect(volume(s.mesh)).toBeLessThan((bodies + studCount(s) * 72) * ROUNDED + 1e-6)
    // Bodies of gears and wheels lie inside their round, so the bounds are those of the body box and all bodies together.
    const [low, high] = [0, 1].map((end) =>
      [0, 1, 2].map((i) => {
        const values = s.bodies.map((body) => (end === 0 ? body.min : body.max)[i]!)
        return end === 0 ? Math.min(0, ...values) - 1e-9 : Math.max(s.box[i]!, ...values) + 1e-9
      }),
    ) as [number[], number[]]
    for (const corner of s.plainMesh.flatMap((facet) => facet.corners)) {
      expect(corner.every((value, i) => value >= low[i]! && value <= high[i]!)).toBe(true)
    }
    for (const connector of s.connectors.filter(({ kind }) => ON_SURFACE.has(kind))) {
      const facing = DIRECTION_VECTORS[connector.facing]!
      // A hair beside the middle, since bodies may meet right there.
      const into = (by: number): Vec => connector.at.map((value, i) => value + facing[i]! * by + 0.01 * (i + 1)) as unknown as Vec
      const holds = (p: Vec): boolean => s.bodies.some((b) => p.every((value, i) => value > b.min[i]! && value < b.max[i]!))
      expect(holds(into(-0.5))).toBe(true)
      expect(holds(into(0.5))).toBe(false)
    }
    for (const connector of s.connectors) {
      expect(connector.at.every(Number.isInteger)).toBe(true)
      if (connector.along !== undefined && connector.kind !== 'clip') expect(connector.along >> 1).not.toBe(connector.facing >> 1)
    }
    expect(s.bodies.every((body) => [...body.min, ...body.max].every(Number.isInteger) && body.min.every((v, i) => v < body.max[i]!))).toBe(
      true,
    )
  })

  it.each(shapes.map((s) => [s.id, s] as const))('%s: its bodies keep apart', (_id, s) => {
    s.bodies.forEach((a, i) =>
      s.bodies.slice(i + 1).forEach((b) => {
        expect([0, 1, 2].every((k) => a.min[k]! < b.max[k]! && b.min[k]! < a.max[k]!)).toBe(false)
      }),
    )
  })

  it.each(shapes.map((s) => [s.id, s] as const))('%s: the mirror image of its twin is itself, bodies and connectors too', (_id, s) => {
    const twin = shape(s.mirror.twin!)
    expect(twin.mirror.twin).toBe(s.id)
    const half = scale(s.box, 0.5)
    const twinHalf = scale(twin.box, 0.5)
    const image = (p: Vec): string => {
      const q = apply(s.mirror.reflection, subtract(p, half))
      return q.map((value, i) => value + twinHalf[i]! + 0).join()
    }
    const mirrored = (way: Vec): Vec => apply(s.mirror.reflection, way)
    const here = new Set(s.connectors.map((c) => connectorKey(c, image, mirrored)))
    const there = new Set(
      twin.connectors.map((c) =>
        connectorKey(
          c,
          (p) => p.map((value) => value + 0).join(),
          (way) => way,
        ),
      ),
    )
    expect(here).toEqual(there)
    const fills = (of: Shape, p: Vec): boolean => of.bodies.some((b) => p.every((value, i) => value > b.min[i]! && value < b.max[i]!))
    const steps = (from: number, to: number): number[] => Array.from({ length: 9 }, (_, i) => from + ((to - from) * (i + 0.37)) / 9 + 0.003)
    for (const x of steps(-12, s.box[0] + 12))
      for (const y of steps(-12, s.box[1] + 12))
        for (const z of steps(-8, s.box[2] + 8)) {
          const there = image([x, y, z]).split(',').map(Number) as unknown as Vec
          expect(fills(twin, there)).toBe(fills(s, [x, y, z]))
        }
  })
})

describe('the contract', () => {
  it.each([
    ['plate-1x4', [40, 10, 4], 4, 4],
    ['brick-2x4', [40, 20, 12], 8, 8],
    ['brick-1x2-tall5', [20, 10, 60], 2, 2],
    ['plate-corner-2x2', [20, 20, 4], 3, 3],
    ['base-32x32', [320, 320, 2], 1024, 0],
    ['tile-2x6', [60, 20, 4], 0, 12],
    ['jumper-2x2', [20, 20, 4], 1, 4],
    ['half-tile-2x2', [20, 20, 4], 2, 4],
    ['round-plate-4x4', [40, 40, 4], 12, 12],
    ['cone-2x2-tall2', [20, 20, 24], 1, 4],
    ['slope-low-1x2', [20, 10, 8], 0, 2],
    ['slope-2x3', [30, 20, 12], 3, 6],
    ['slope-1x2-tall3', [20, 10, 36], 0, 2],
    ['slope-inv-2x2', [20, 20, 12], 4, 2],
    ['curve-4x1', [10, 40, 12], 0, 4],
    ['wedge-plate-2x3-left', [30, 20, 4], 5, 5],
    ['wedge-plate-2x4-right', [40, 20, 4], 6, 6],
    ['bracket-1x2-1x4-up', [20, 10, 4], 6, 2],
    ['brick-1x1-side4', [10, 10, 12], 5, 1],
    ['brick-1x4-side4', [40, 10, 12], 8, 4],
    ['brick-1x2-tall5p-side4', [20, 10, 20], 6, 2],
  ] as const)('%s fills %j u and has %i studs and %i sockets', (id, box, studs, sockets) => {
    expect(shape(id).box).toEqual(box)
    expect(studCount(shape(id))).toBe(studs)
    expect(socketCount(shape(id))).toBe(sockets)
  })

  it('holds every id of the table, and more than three hundred shapes', () => {
    const ids = `brick-1x1-tall3 base-16x16 jumper-2x2 half-tile-2x2 quarter-tile-1x1 cone-2x2-tall2 slope-low-1x2 slope-1x2-tall3
      slope-inv-2x2 curve-4x2 wedge-plate-2x4-right bracket-1x2-1x4-down brick-1x2-tall5p-side4 plate-1x1-clip plate-1x1-clip-top
      plate-1x2-bar plate-1x2-clip-end bar-3 bar-4 ring-plate-1x1 hinge-plate-1x2-fork hinge-plate-1x2-tongue turntable-2x2
      plate-1x2-ball plate-1x2-cup brick-1x1-ball brick-1x1-hole brick-1x2-hole brick-1x2-holes brick-1x4-holes beam-2 beam-3 beam-5
      beam-7 beam-9 beam-11 beam-13 beam-15 pin pin-long pin-half axle-2 axle-3 axle-4 axle-5 axle-6 axle-7 axle-8 axle-10 axle-12
      bush bush-half gear-8 gear-16 gear-24 grille-1x2 fence-1x4 panel-1x2 panel-1x4 window-1x2-tall2 door-1x4-tall6 ladder
      lattice-1x4 wheel-small wheel-large stem leaf flower bottle cup antenna horn flame figure-legs figure-torso figure-arm-left
      figure-arm-right figure-hand figure-head figure-cape tube cord band`.split(/\s+/)
    expect(ids.filter((id) => !BASE_CATALOGUE.shapes.has(id))).toEqual([])
    expect(shapes.length).toBeGreaterThanOrEqual(330)
  })

  it('puts the wall of a bracket where it belongs', () => {
    const up = shape('bracket-1x2-1x4-up')
    expect(up.bodies[1]).toEqual({ min: [-10, -2, 0], max: [30, 0, 10] })
    expect(up.connectors.filter((c) => c.facing === 3).map((c) => c.at)).toEqual([
      [-5, -2, 5],
      [5, -2, 5],
      [15, -2, 5],
      [25, -2, 5],
    ])
    expect(shape('bracket-1x2-1x2-down').bodies[1]).toEqual({ min: [0, -2, -6], max: [20, 0, 4] })
  })

  it('has left and right twins of wedge plates and of limbs only', () => {
    expect(shape('wedge-plate-2x3-left').mirror.twin).toBe('wedge-plate-2x3-right')
    const families = new Set(shapes.filter((s) => s.mirror.twin !== s.id).map((s) => s.family))
    expect([...families].sort()).toEqual(['figure', 'wedge plate'])
  })

  it('knows all colours by name, each with a mix of its own', () => {
    const colours = [...BASE_CATALOGUE.colours.values()]
    expect(colours).toHaveLength(43)
    expect(new Set(colours.map((c) => c.hex)).size).toBe(43)
    expect(BASE_CATALOGUE.colours.get('clear-sky')).toMatchObject({ name: 'See-through sky', finish: 'clear' })
  })
})

describe('own shapes', () => {
  const own = {
    id: 'step',
    name: 'Step',
    boxes: [
      { at: [0, 0, 0], size: [20, 10, 4] },
      { at: [0, 0, 4], size: [10, 10, 4] },
    ],
  } as const

  it('have no twin unless they are their own mirror image', () => {
    const catalogue = extendCatalogue([own, { ...own, id: 'plain', boxes: [own.boxes[0]] }])
    expect(catalogue.shapes.get('step')!.mirror.twin).toBeNull()
    expect(catalogue.shapes.get('plain')!.mirror.twin).toBe('plain')
    expect(catalogue.shapes.get('step')!.box).toEqual([20, 10, 8])
  })
})

it('stands in docs/catalogue.md as it is (`npm run catalogue-doc`)', () => {
  const text = readFileSync(new URL('../../../docs/catalogue.md', import.meta.url), 'utf8')
  const rows = [...text.matchAll(/^\| `([^`]+)` \| ([\d × ]+) \| (\d+) \| (\d+) \|/gm)].map((row) => row.slice(1, 5).join(' '))
  expect(rows.sort()).toEqual(shapes.map((s) => `${s.id} ${s.box.join(' × ')} ${studCount(s)} ${socketCount(s)}`).sort())
})

describe('nearest ids', () => {
  it('finds what was meant', () => {
    expect(nearestIds('plate-2x1', BASE_CATALOGUE.shapes.keys())).toContain('plate-1x1')
    expect(nearestIds('brik-2x4', BASE_CATALOGUE.shapes.keys())[0]).toBe('brick-2x4')
  })
})
