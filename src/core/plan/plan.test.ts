import { describe, expect, it } from 'vitest'
import { town } from '../../../bench/buildings'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import { replay } from '../replay'
import { reportModel } from '../pipeline'
import type { GivenStep, ModelDocument, Part } from '../model'
import { unite } from '../space'
import { DENSITIES, planModel, STRATEGIES } from './index'
import { searchSchedule } from './search'

const codes = (model: ModelDocument): string[] => reportModel(model).report.findings.map((found) => found.code)
const orderOf = (model: ModelDocument, section = 'main'): string[] =>
  planModel(model)
    .plan.sections.find((s) => s.id === section)!
    .steps.flatMap((step) =>
      step.moves.flatMap((move) => ('parts' in move ? [...move.parts] : ['copy' in move ? move.copy : move.section])),
    )
function directions(model: ModelDocument): Record<string, unknown> {
  const found: Record<string, unknown> = {}
  for (const section of planModel(model).plan.sections)
    for (const step of section.steps)
      for (const move of step.moves)
        for (const id of 'parts' in move ? move.parts : ['copy' in move ? move.copy : move.section]) found[id] = move.direction
  return found
}
function buildable(model: ModelDocument): void {
  const { report } = reportModel(model)
  expect(report.findings.filter((found) => found.severity === 'error')).toEqual([])
  expect(replay(model, report)).toEqual([])
}

/** A room of four walls of tall bricks on a floor, with something inside, under a roof. */
const room = (inside: readonly Part[]): ModelDocument =>
  oneSection([
    part('floor', 'plate-4x4', [0, 0, 0]),
    part('front', 'brick-1x4', [0, 0, 4]),
    part('back', 'brick-1x4', [0, 30, 4]),
    part('left', 'brick-1x2', [0, 10, 4], '+y-x'),
    part('right', 'brick-1x2', [30, 10, 4], '+y-x'),
    ...inside,
    part('roof', 'plate-4x4', [0, 0, 16]),
  ])

describe('planning', () => {
  it('lets a lamp into a closed room before the roof', () => {
    const model = room([part('lamp', 'round-brick-1x1', [10, 10, 4])])
    buildable(model)
    const order = orderOf(model)
    expect(order.indexOf('lamp')).toBeLessThan(order.indexOf('roof'))
  })

  it('puts jars on a shelf before the shelf above', () => {
    const model = oneSection([
      part('back', 'brick-1x2-tall5', [0, 0, 0]),
      part('foot', 'plate-1x2', [0, 0, 60]),
      part('low', 'plate-2x2', [0, -10, 64]),
      part('jar', 'round-brick-1x1', [0, -10, 68]),
      part('wall', 'brick-1x2', [0, 0, 68]),
      part('high', 'plate-2x2', [0, -10, 80]),
    ])
    buildable(model)
    const order = orderOf(model)
    expect(order.indexOf('jar')).toBeLessThan(order.indexOf('high'))
  })

  it('lets plates rest until the next layer joins them, and says so', () => {
    const model = oneSection([
      part('a', 'plate-2x2', [0, 0, 0]),
      part('b', 'plate-2x2', [20, 0, 0]),
      part('c', 'plate-2x2', [40, 0, 0]),
      part('ab', 'plate-2x2', [10, 0, 4]),
      part('bc', 'plate-2x2', [30, 0, 4]),
    ])
    buildable(model)
    const rests = planModel(model).plan.sections[0]!.steps.flatMap((step) => step.rests)
    expect(rests.length).toBeLessThanOrEqual(2)
  })

  it('brings a sideways panel in from the side it faces', () => {
    const model = oneSection([
      part('brick', 'brick-1x4-side4', [0, 0, 0]),
      part('panel', 'plate-1x4', [0, -4, 1], '+x+z'),
      part('face', 'tile-1x4', [0, -8, 1], '+x+z'),
    ])
    buildable(model)
    expect(directions(model)).toMatchObject({ panel: '+y', face: '+y' })
  })

  it('builds two sideways panels that face each other, though neither can pass the other', () => {
    const column = (id: string, y: number): Part[] => [0, 1, 2, 3, 4, 5].map((i) => part(`${id}${i}`, 'brick-1x1', [0, y, 4 + i * 12]))
    const facing = oneSection([
      part('base', 'plate-2x4', [0, 0, 0], '+y-x'),
      ...column('b', 20),
      part('back', 'brick-1x1-side1', [0, 20, 76]),
      part('back-face', 'tile-1x1', [0, 16, 77], '+x+z'),
      ...column('f', 0),
      part('front', 'brick-1x1-side1', [0, 0, 76], '-x-y'),
      part('front-face', 'tile-1x1', [0, 10, 77], '+x-z'),
    ])
    buildable(facing)
    const { plan } = planModel(facing)
    expect(plan.sections.map((section) => section.derivedFrom)).toEqual(['main', undefined])
    expect(plan.sections.reduce((sum, section) => sum + section.parts, 0)).toBe(17)
  })

  it('needs no unit for what hangs free: it comes in from below', () => {
    const free = oneSection([
      part('post', 'brick-1x1', [0, 0, 0]),
      part('arm', 'plate-1x4', [0, 0, 12]),
      part('lamp', 'plate-1x1', [30, 0, 8]),
    ])
    buildable(free)
    expect(planModel(free).plan.sections).toHaveLength(1)
    expect(directions(free)['lamp']).toBe('+z')
  })

  it('lays down one of two towers that only their top joins', () => {
    const tower = (id: string, x: number): Part[] => Array.from({ length: 14 }, (_, i) => part(`${id}${i}`, 'brick-2x2', [x, 0, i * 12]))
    const model = oneSection([...tower('a', 0), ...tower('b', 60), part('top', 'plate-2x8', [0, 0, 168])])
    buildable(model)
    expect(planModel(model).plan.sections).toHaveLength(2)
  })

  it('says who blocks whom where nothing can leave, and ends', () => {
    const wall = (id: string, at: [number, number, number], turn?: string): Part => part(id, 'brick-1x1-side4', at, turn)
    // Four bricks around a middle one, each holding the next across another axis: a ring locked on itself.
    const model = oneSection([
      wall('a', [0, 0, 0]),
      part('b', 'plate-1x2', [10, 0, 1], '-z+y'),
      part('c', 'plate-1x2', [-4, 0, 1], '+z+y'),
      part('d', 'plate-1x2', [-4, 0, 12]),
    ])
    const found = reportModel(model).report.findings
    expect(found.every((f) => f.message.endsWith('.'))).toBe(true)
    expect(planModel(model).plan.sections.flatMap((s) => s.steps.flatMap((t) => t.moves)).length).toBeGreaterThan(0)
  })

  it('joins copies after their section, mirrored ones too', () => {
    const model: ModelDocument = twoSections(
      [part('top', 'plate-2x6', [0, 0, 12])],
      [
        { id: 'l', section: 'inner', at: [0, 0, 0] },
        { id: 'r', section: 'inner', at: [60, 0, 0], mirror: 'x' },
      ],
      [part('foot', 'brick-1x2', [0, 0, 0], '+y-x')],
    )
    buildable(model)
    expect(planModel(model).plan.sections.map((s) => [s.id, s.times, s.mirrored])).toEqual([
      ['inner', 1, 1],
      ['main', 1, 0],
    ])
  })

  it('joins a copy in a free pose along the joint that carries it', () => {
    const model = twoSections(
      [part('base', 'plate-2x2', [0, 0, 0]), part('jumper', 'jumper-2x2', [0, 0, 4])],
      [{ id: 'vane', section: 'inner', at: [10, 10, 8], rotate: [0, 0, 33] }],
      [part('arm', 'plate-1x4', [-15, -5, 0])],
    )
    expect(codes(model)).toEqual([])
    expect(directions(model)['vane']).toBe('-z')
  })

  it('is the same for the same model, whatever was planned before', () => {
    const model = room([part('lamp', 'round-brick-1x1', [10, 10, 4])])
    expect(JSON.stringify(planModel(model).plan)).toBe(JSON.stringify(planModel(structuredClone(model)).plan))
  })

  it('handles nothing at all', () => {
    expect(reportModel(oneSection([])).report.sections[0]!.steps).toEqual([])
  })
})

describe('given steps', () => {
  const parts = [part('a', 'plate-2x2', [0, 0, 0]), part('b', 'brick-2x2', [0, 0, 4]), part('c', 'plate-2x2', [0, 0, 16])]
  const given = (...steps: GivenStep[]): ModelDocument => oneSection(parts, steps)

  it('are kept as they are', () => {
    const model = given({ add: ['c', 'b'], note: 'Upside down.' }, { add: ['a'] })
    expect(codes(model)).toEqual([])
    expect(directions(model)).toEqual({ c: '-z', b: '+z', a: '+z' })
  })

  it.each<[string, GivenStep[], string]>([
    ['leave one out', [{ add: ['a', 'b'] }], 'step-missing'],
    ['add one twice', [{ add: ['a', 'b'] }, { add: ['b', 'c'] }], 'step-twice'],
    ['close the way of one', [{ add: ['a', 'c'] }, { add: ['b'] }], 'blocked'],
    ['let one hang in the air', [{ add: ['a', 'c'] }, { add: ['b'] }], 'unheld'],
  ])('that %s are found', (_what, steps, code) => {
    expect(codes(given(...steps))).toContain(code)
  })

  it('that let a part rest too long are found', () => {
    const posts = [0, 40].map((x, i) => part(`p${i}`, 'brick-1x1', [x, 0, 0]))
    const more = Array.from({ length: 4 }, (_, i) => part(`m${i}`, 'plate-1x1', [0, 0, 12 + 4 * i]))
    const top = [part('x', 'brick-1x1', [40, 0, 12]), part('y', 'plate-1x1', [40, 0, 24]), part('beam', 'plate-1x6', [0, 0, 28])]
    const steps = [{ add: ['p0', 'p1'] }, ...more.map((m) => ({ add: [m.id] })), { add: ['x', 'y', 'beam'] }]
    expect(codes(oneSection([...posts, ...more, ...top], steps))).toContain('rests')
  })
})

describe('loose parts', () => {
  it('are counted, noted, and come last', () => {
    const model = oneSection([part('a', 'plate-1x1', [0, 0, 0]), { id: 'l', shape: 'plate-1x2', colour: 'red', count: 3 }])
    const { report } = reportModel(model)
    expect(report.parts).toBe(4)
    expect(report.findings.map((found) => [found.code, found.severity])).toEqual([['loose', 'note']])
    expect(report.sections[0]!.steps.map((step) => step.callout.reduce((sum, piece) => sum + piece.count, 0))).toEqual([1, 3])
  })

  it('alone, with given steps, are complete', () => {
    const model = oneSection(
      [
        { id: 'l', shape: 'plate-1x2', colour: 'red', count: 3 },
        { id: 'm', shape: 'plate-1x1', colour: 'red' },
      ],
      [{ add: ['l'] }, { add: ['m'] }],
    )
    expect(codes(model)).toEqual(['loose'])
  })
})

describe('strategies and limits', () => {
  const clad = oneSection([
    part('base', 'plate-4x4', [0, 0, 0]),
    part('foot', 'plate-1x1', [10, 10, 4]),
    ...[0, 1].flatMap((i) => [
      part(`core${i}`, 'brick-1x1-side4', [10, 10, 8 + i * 12]),
      part(`side${i}`, 'tile-1x1', [10, 6, 9 + i * 12], '+x+z'),
    ]),
    part('cap', 'tile-1x1', [10, 10, 32]),
  ])

  it('put the cladding last from the core out', () => {
    const { plan } = planModel(clad, { strategy: 'core-out' })
    const order = plan.sections[0]!.steps.flatMap((step) => step.moves.flatMap((move) => ('parts' in move ? [...move.parts] : [])))
    expect(order.indexOf('side0')).toBeGreaterThan(order.indexOf('core1'))
  })

  it('stay buildable in each school and each density, within the limits', () => {
    for (const strategy of STRATEGIES) {
      for (const limits of Object.values(DENSITIES)) {
        const { report } = reportModel(clad, { strategy, limits })
        expect(report.findings.filter((found) => found.severity === 'error')).toEqual([])
        expect(replay(clad, report, limits)).toEqual([])
      }
    }
  })
})

describe('slide and press', () => {
  // A hood over a floor, all of one piece before the jar comes: it goes in from the front a stud's height up, then down.
  const hooded: Part[] = [
    part('floor', 'plate-2x4', [0, 0, 0], '+y-x'),
    part('back', 'brick-1x2', [0, 30, 4]),
    part('post', 'brick-1x2', [0, 30, 16]),
    part('hood', 'plate-2x4', [0, 0, 28], '+y-x'),
    part('jar', 'round-brick-1x1', [0, 10, 4]),
  ]
  it('is found for given steps where nothing goes straight, and is replayed', () => {
    const model = oneSection(hooded, [{ add: ['floor', 'back', 'post', 'hood'] }, { add: ['jar'] }])
    buildable(model)
    const move = planModel(model).plan.sections[0]!.steps[1]!.moves[0]!
    expect(move.press).toBe('-z')
    expect(['+x', '-x', '+y', '-y']).toContain(move.direction)
  })

  it('needs room for the height of a stud', () => {
    const low = hooded.map((p) => (p.id === 'jar' ? part('jar', 'brick-1x1-tall3', [0, 10, 4]) : p))
    const tight = low.map((p) => (p.id === 'hood' ? part('hood', 'plate-2x4', [0, 0, 40], '+y-x') : p))
    const tall = [...tight, part('post2', 'brick-1x2', [0, 30, 28])]
    const model = oneSection(tall, [{ add: ['floor', 'back', 'post', 'post2', 'hood'] }, { add: ['jar'] }])
    expect(codes(model)).toContain('blocked')
  })

  it('is not used where a straight way is', () => {
    expect(
      planModel(oneSection(hooded))
        .plan.sections.flatMap((s) => s.steps.flatMap((step) => step.moves))
        .some((m) => m.press),
    ).toBe(false)
  })
})

describe('sections without parts', () => {
  it('are joined and hold nothing up, wherever their table would be', () => {
    const model = twoSections(
      [part('a', 'brick-2x2', [0, 0, 120]), part('b', 'brick-2x2', [0, 0, 132])],
      [{ id: 'nothing', section: 'inner', at: [0, 0, 0] }],
      [],
    )
    buildable(model)
    expect(orderOf(model).sort()).toEqual(['a', 'b', 'nothing'])
  })
})

describe('what is never held', () => {
  it('is not called late, however long the plan is', () => {
    const tower = Array.from({ length: 40 }, (_, i) => part(`t${i}`, 'brick-2x4', [0, 0, i * 12]))
    const model = oneSection(
      [...tower, part('alone', 'brick-2x2', [100, 0, 0])],
      [{ add: ['t0', 'alone'] }, ...tower.slice(1).map((p) => ({ add: [p.id] }))],
    )
    expect(codes(model).filter((code) => code !== 'tips-over')).toEqual(['unheld'])
  })
})

describe('the search', () => {
  // A long low wall in three colours: there is always something to gain.
  const wall = oneSection(
    Array.from({ length: 160 }, (_, i) => {
      const [column, course] = [i % 20, Math.floor(i / 20)]
      return part(
        `b${i}`,
        'brick-1x2',
        [column * 20 + (course % 2) * 10, 0, course * 12],
        undefined,
        ['sand', 'slate', 'rust'][(column + course) % 3],
      )
    }),
  )
  const planWith = (effort: number, seed?: number) => planModel(wall, { effort, ...(seed === undefined ? {} : { seed }) })
  const priceOf = (effort: number): number => searchSchedule(planWith(0).built[0]!.frame!, { limits: DENSITIES.normal, effort }).cost

  it('gives the same plan for the same seed, and one that reads better than without', () => {
    expect(planWith(4000, 3).plan).toEqual(planWith(4000, 3).plan)
    expect(priceOf(0)).toBeGreaterThan(0.1)
    expect(priceOf(16_000)).toBeLessThan(priceOf(0))
    const { report } = reportModel(wall, { effort: 8000 })
    expect(report.findings.filter(({ severity }) => severity === 'error')).toEqual([])
    expect(replay(wall, report)).toEqual([])
  })
})

describe('a step', () => {
  it('reaches no farther than a picture can show with studs that can be counted', () => {
    // Before each house lie two like stools: near enough to those before the next house to go on with, all together too far apart.
    const { built } = planModel(town(4000))
    for (const { scene, steps } of built) {
      for (const step of steps.filter(({ length }) => length > 1)) {
        const reach = step.map((node) => scene.nodeBoxes[node]!).reduce(unite)
        expect(reach.max[0] - reach.min[0]).toBeLessThanOrEqual(420)
      }
    }
    const together = built.flatMap(({ steps }) => steps.map((step) => step.length))
    expect(Math.max(...together)).toBeGreaterThan(1)
  })
})
