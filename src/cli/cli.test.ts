import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import type { ModelDocument } from '@core/model'
import type { ModelPlan } from '@core/plan'
import { buildPrograms } from '../../tests/support/built'
import { oneSection, part } from '../../tests/support/models'

const folder = mkdtempSync(join(tmpdir(), 'jump-rail-'))
const top = new URL('../../', import.meta.url).pathname
const demo = (name: string): string => join(top, `demo/models/${name}.rail.json`)

let built = ''
beforeAll(async () => {
  built = await buildPrograms('cli')
}, 120_000)

function run(...args: string[]): { code: number | null; out: string; err: string } {
  const result = spawnSync(process.execPath, [join(built, 'cli.js'), ...args], { cwd: top, encoding: 'utf8' })
  return { code: result.status, out: result.stdout, err: result.stderr }
}

function file(name: string, content: ModelDocument | string): string {
  const path = join(folder, name)
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content))
  return path
}

describe('the command line', () => {
  it('shows what a terminal would take for orders, and is refused where the file is no UTF-8', () => {
    const evil = '\u001b[31mred\u001b[0m'
    const { err } = run(
      'check',
      file('evil.rail.json', oneSection([part(evil, 'brick-2x2', [0, 0, 0]), part('b', 'brick-2x2', [10, 0, 0])])),
      '--json',
    )
    expect(err).toContain('\\u001b[31mred')
    expect(err).not.toContain('\u001b')
    const path = join(folder, 'latin.rail.json')
    writeFileSync(path, Uint8Array.of(0x7b, 0xe9, 0x7d))
    expect(run('check', path, '--json')).toMatchObject({ code: 2, err: expect.stringContaining('UTF-8') as unknown })
  })

  it('plans: everything the contract prints, and the inventory is the sum of callouts times uses', () => {
    const { code, out } = run('plan', demo('ferry-house'), '--json')
    expect(code).toBe(0)
    const plan = JSON.parse(out) as ModelPlan & { measures: unknown; findings: unknown }
    expect(Object.keys(plan).sort()).toEqual(['colours', 'findings', 'inventory', 'measures', 'name', 'parts', 'sections'])
    expect(plan.parts).toBe(plan.inventory.reduce((sum, piece) => sum + piece.count, 0))
    expect(plan.parts).toBe(plan.colours.reduce((sum, colour) => sum + colour.count, 0))
    const sum = plan.sections.reduce(
      (all, section) =>
        all + (section.times + section.mirrored) * section.steps.flatMap((step) => step.callout).reduce((n, piece) => n + piece.count, 0),
      0,
    )
    expect(sum).toBe(plan.parts)
  })

  it('proves a plan by replaying it, by another strategy', () => {
    const { code, err } = run('plan', demo('bird-table'), '--json', '--verify', '--strategy', 'core-out', '--density', 'easy')
    expect(code).toBe(0)
    expect(err).toContain('replay: every step can be built as it is printed')
    expect(run('plan', demo('bird-table'), '--max-parts', '0').code).toBe(2)
  })

  it('searches as long as it is told, the same for the same seed, and refuses what it does not know', () => {
    const plan = (...more: string[]): string => run('plan', demo('bird-table'), '--json', ...more).out
    expect(plan('--effort', 'quick')).toBe(plan('--effort', 'quick', '--seed', '9'))
    expect(plan('--seed', '2')).toBe(plan('--effort', 'normal', '--seed', '2'))
    expect(run('plan', demo('bird-table'), '--effort', 'eager').code).toBe(2)
    expect(run('plan', demo('bird-table'), '--seed', 'x').code).toBe(2)
    expect(run('check', demo('bird-table'), '--for-travel', '--json').code).toBe(0)
  })

  it('ends with 1 where an error stands, and still prints the plan', () => {
    const hovering = file('hovering.rail.json', oneSection([part('a', 'brick-1x1', [0, 0, 0]), part('b', 'brick-1x1', [50, 0, 40])]))
    const planned = run('plan', hovering, '--json')
    expect(planned.code).toBe(1)
    expect((JSON.parse(planned.out) as ModelPlan).sections[0]!.steps.length).toBeGreaterThan(0)
    expect(planned.err).toContain('unheld')
    const checked = run('check', hovering, '--json')
    expect(checked.code).toBe(1)
    expect((JSON.parse(checked.out) as { code: string }[]).map((finding) => finding.code)).toEqual(['unheld'])
  })

  it.each([
    ['a torn file', file('torn.rail.json', '{"form'), 'not valid JSON'],
    ['an unknown shape, with the nearest', file('shape.rail.json', oneSection([part('a', 'plate-2x44', [0, 0, 0])])), 'plate-2x4'],
    ['a file that is not there', join(folder, 'nothing.rail.json'), 'cannot be read'],
  ])('refuses %s with 2, a reason, and prints nothing', (_what, path, reason) => {
    const { code, out, err } = run('plan', path, '--json')
    expect([code, out]).toEqual([2, ''])
    expect(err).toContain(reason)
  })

  it.each([
    [['dance'], 'unknown command'],
    [[], 'Usage: npm run -s cli'],
    [['plan'], 'missing required argument'],
    [['plan', demo('bird-table'), '--sideways'], "unknown option '--sideways'"],
    [['check', demo('bird-table'), '--paper', 'a4'], "unknown option '--paper'"],
    [['shapes', 'all'], 'too many arguments'],
    [['booklet', demo('bird-table')], "required option '-o, --output <file>'"],
    [['booklet', demo('bird-table'), '-o', 'x.pdf', '--paper', 'a9'], 'Allowed choices are a4, a5, letter, square'],
    [['booklet', demo('bird-table'), '-o', 'x.docx'], '.pdf'],
    [['convert', demo('bird-table'), 'x.docx'], '.csv'],
  ])('refuses %j with 2 and says what is not known or missing', (args, reason) => {
    const { code, out, err } = run(...args)
    expect([code, out]).toEqual([2, ''])
    expect(err).toContain(reason)
  })

  it('lists its commands and the options of each when it is asked for help', () => {
    const { code, out } = run('help')
    expect(code).toBe(0)
    for (const command of ['plan', 'check', 'picture', 'booklet', 'convert', 'shapes']) expect(out).toContain(command)
    expect(run('plan', '--help').out).toContain('--strategy')
  })

  it('writes the pieces of a booklet as a table', () => {
    const path = join(folder, 'pieces.csv')
    expect(run('booklet', demo('bird-table'), '-o', path).code).toBe(0)
    expect(readFileSync(path, 'utf8').split('\n')[0]).toBe('count,shape,piece,colour,colour name,length mm,work')
  })

  it('refuses what it does not know with 2', () => {
    expect(run('plan', demo('bird-table'), '--strategy', 'sideways-first').code).toBe(2)
    expect(run('picture', demo('bird-table'), '--step', '99', '-o', join(folder, 'x.png')).code).toBe(2)
  })

  it('writes a picture of the asked width', () => {
    const path = join(folder, 'step.png')
    expect(run('picture', demo('bird-table'), '--section', 'bird-table', '--step', '2', '-o', path, '--width', '320').code).toBe(0)
    const png = readFileSync(path)
    expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([320, 240])
  })

  it('converts to a table and back without loss of parts', () => {
    const table = join(folder, 'bird.csv')
    const back = join(folder, 'bird.rail.json')
    expect(run('convert', demo('bird-table'), table).code).toBe(0)
    expect(run('convert', table, back).code).toBe(0)
    const parts = (path: string) => (JSON.parse(readFileSync(path, 'utf8')) as ModelDocument).sections[0]!.parts
    expect(parts(back)).toEqual(parts(demo('bird-table')))
  })

  it('lists the catalogue', () => {
    const shapes = JSON.parse(run('shapes', '--json').out) as Record<string, unknown>[]
    expect(shapes.find((shape) => shape['id'] === 'slope-2x4')).toEqual({
      id: 'slope-2x4',
      family: 'slope',
      box: [40, 20, 12],
      studs: 4,
      sockets: 8,
      mirror: 'slope-2x4',
    })
  })

  it('says what a version takes, what is there, and what is cheapest', () => {
    const stock = join(folder, 'stock.csv')
    writeFileSync(stock, 'shape;colour;count\nbrick-2x2;slate;1\n')
    const kits = join(folder, 'kits.json')
    const pieces = [{ shape: 'tile-2x2', colour: 'slate', count: 1 }]
    writeFileSync(kits, JSON.stringify({ format: 'jump-rail-kits', version: 1, kits: [{ id: 'yard', name: 'Yard', pieces }] }))
    const offers = join(folder, 'offers.json')
    const suppliers = [{ id: 'near', name: 'Near', shipping: 1, offers: [{ shape: 'brick-2x2', colour: 'slate', price: 0.2 }], kits: [] }]
    writeFileSync(offers, JSON.stringify({ format: 'jump-rail-offers', version: 1, currency: 'EUR', date: '2026-11-01', suppliers }))
    const model = file('boxes.rail.json', {
      ...oneSection([part('a', 'brick-2x2', [0, 0, 0]), { ...part('cap', 'tile-2x2', [0, 0, 12]), option: 'caps' }]),
      options: [
        { id: 'caps', name: 'Caps', needs: ['row'] },
        { id: 'row', name: 'Row' },
      ],
    })
    const parts = (...more: string[]) =>
      run('parts', model, '--json', '--copies', '2', '--stock', stock, '--kits', kits, '--offers', offers, ...more)
    const plain = parts()
    expect(plain.code).toBe(0)
    expect(JSON.parse(plain.out)).toMatchObject({
      copies: 2,
      need: [{ shape: 'brick-2x2', colour: 'slate', count: 2 }],
      covered: [{ shape: 'brick-2x2', colour: 'slate', count: 1, from: 'stock' }],
      missing: [{ shape: 'brick-2x2', colour: 'slate', count: 1 }],
      buy: { total: 1.2, goods: 0.2, shipping: 1, lowerBound: 1.2, optimal: true },
    })
    const capped = parts('--with', 'caps', '--have', 'yard')
    expect(capped.code).toBe(1)
    expect((JSON.parse(capped.out) as { buy: { unavailable: unknown } }).buy.unavailable).toEqual([
      { shape: 'tile-2x2', colour: 'slate', count: 1 },
    ])
    expect(parts('--have', 'barn').code).toBe(2)
    expect(run('check', model, '--json', '--with', 'caps')).toMatchObject({
      code: 1,
      err: expect.stringContaining('option-clash') as unknown,
    })
    expect(run('plan', model, '--json', '--with', 'hats')).toMatchObject({ code: 2, err: expect.stringContaining('caps') as unknown })
    const bags = run('bags', model, '--json', '--pieces', '1', '--with', 'caps,row')
    expect((JSON.parse(bags.out) as { bags: { pieces: number }[] }).bags.reduce((sum, bag) => sum + bag.pieces, 0)).toBe(2)
    expect(Object.keys(JSON.parse(run('time', model, '--json').out) as object)).toEqual(['build', 'write', 'basis'])
    expect((JSON.parse(run('shapes', '--json', '--colours').out) as { colours: object[] }).colours[0]).toEqual({
      id: 'white',
      hex: '#f6f4ee',
      finish: 'solid',
    })
  })
})
