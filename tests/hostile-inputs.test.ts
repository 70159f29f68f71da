import { readFileSync } from 'node:fs'
import { encode } from 'fast-png'
import { zlibSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { PageIndex, makeBundle } from '@core/booklet'
import { BASE_CATALOGUE } from '@core/catalogue'
import { readStock } from '@core/desk'
import { reportModel, viewsOf } from '@core/pipeline'
import { Fault } from '@core/fault'
import { checkBundle, partsTable, readModelFile, writePieceTable } from '@core/formats'
import {
  checkModel,
  cleanPicture,
  decodePicture,
  pictureAddress,
  pictureBytes,
  putTogether,
  readModelText,
  type ModelDocument,
} from '@core/model'
import { readAliases, readQuickLine, writeAliases } from '@core/names'
import { oneSection, part } from './support/models'
import { garbled, mutated, mutatedBytes } from './support/mutate'
import { randomFrom } from '../src/core/plan/random'

/** How many mutated inputs of all kinds; `npm run fuzz:inputs` takes ten thousand. */
const RUNS = Number(process.env['FUZZ_RUNS'] ?? 400)
const MOST_MS = 2000
const MOST_BYTES = 1e9

const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))
const small = ['bird-table', 'ferryman', 'wind-pump'].map(demo)
const bundles = small.map((model) => {
  const { report, looks } = reportModel(model)
  return makeBundle(model, report, viewsOf(looks))
})
const readTable = (text: string) => partsTable.read(new TextEncoder().encode(text), 'Table', {}).model
const table = partsTable.write(demo('ferry-house'))
const aliases = writeAliases([
  { kind: 'shape', id: 'brick-2x4', name: 'Pair', number: '2' },
  { kind: 'colour', id: 'sand', name: 'Dune', number: '' },
])
const picture = pictureBytes(
  pictureAddress(encode({ width: 8, height: 8, data: new Uint8Array(8 * 8 * 4).fill(90), depth: 8, channels: 4 })),
)

/** Bytes that hold a small model as text, for the reader of files. */
const files = small.map((model) => new TextEncoder().encode(JSON.stringify(model)))

/** One input of each kind, worse by a seed, and what reads it. Models that are taken are planned too. */
const KINDS: readonly { readonly name: string; readonly read: (seed: number) => void }[] = [
  {
    name: 'model',
    read: (seed) => {
      const model = checkModel(mutated(small[seed % small.length], seed))
      reportModel(model)
    },
  },
  { name: 'file', read: (seed) => void readModelFile(mutatedBytes(files[seed % files.length]!, seed), 'x.rail.json') },
  { name: 'table', read: (seed) => void readTable(garbled(table.slice(0, 4000), randomFrom(seed), 6)) },
  { name: 'names', read: (seed) => void readAliases(garbled(aliases, randomFrom(seed), 6), BASE_CATALOGUE) },
  {
    name: 'quick line',
    read: (seed) => void readQuickLine(garbled('4 plate 1x2 sand, 2 black tile 2x2', randomFrom(seed), 6), BASE_CATALOGUE),
  },
  { name: 'picture', read: (seed) => void decodePicture(cleanPicture(pictureAddress(mutatedBytes(picture, seed)))) },
  {
    name: 'bundle',
    read: (seed) => {
      const bundle = checkBundle(mutated(bundles[seed % bundles.length], seed, 2))
      // Whatever is taken can be opened: every page can be made.
      new PageIndex(bundle).all()
    },
  },
]

/** How long this process has kept processors busy, ms: unlike a clock, it does not count what else the machine does meanwhile. */
function busyMs(): number {
  const { user, system } = process.cpuUsage()
  return (user + system) / 1000
}

describe('mutated inputs', () => {
  it.each(KINDS)(
    'of the kind “$name” are read or refused with a fault, quickly, within bounds',
    { timeout: 3_600_000 },
    ({ name, read }) => {
      const each = Math.ceil(RUNS / KINDS.length)
      let refused = 0
      for (let seed = 1; seed <= each; seed++) {
        const start = busyMs()
        try {
          read(seed)
        } catch (thrown) {
          if (!(thrown instanceof Fault)) throw new Error(`seed ${seed} crashes: ${String(thrown)}`, { cause: thrown })
          expect(thrown.message.length).toBeLessThan(3000)
          refused++
        }
        const ms = busyMs() - start
        if (ms > MOST_MS) throw new Error(`seed ${seed} takes ${Math.round(ms)} ms`)
        if (process.memoryUsage().rss > MOST_BYTES * 2) throw new Error(`seed ${seed} takes ${process.memoryUsage().rss} bytes`)
      }
      // A line of words is never refused: what is unclear in it is told.
      expect(refused > 0).toBe(name !== 'quick line')
    },
  )
})

/** What would stop a machine: each is refused at once, with what to do. */
describe('inputs made to stop a machine', () => {
  const refusal = (read: () => unknown): { fault: Fault; ms: number } => {
    const start = busyMs()
    try {
      read()
    } catch (thrown) {
      if (thrown instanceof Fault) return { fault: thrown, ms: busyMs() - start }
      throw thrown
    }
    throw new Error('it was taken')
  }
  const expectRefused = (read: () => unknown, code: string): void => {
    const { fault, ms } = refusal(read)
    expect(fault.code).toBe(code)
    expect(ms).toBeLessThan(MOST_MS * 5)
  }
  const box = (size: readonly number[]) => ({
    ...oneSection([part('a', 'big', [0, 0, 0])]),
    shapes: [{ id: 'big', name: 'Big', boxes: [{ at: [0, 0, 0], size }] }],
  })
  const wall = (count: number, y = 0) =>
    Array.from({ length: count }, (_, i) =>
      part(`b${i}`, 'brick-1x2', [(i % 20) * 20 + (Math.floor(i / 20) % 2) * 10, y, Math.floor(i / 20) * 12]),
    )
  const packed = (bytes: number): string => {
    const head = new Uint8Array(13)
    new DataView(head.buffer).setUint32(0, 8)
    new DataView(head.buffer).setUint32(4, 8)
    head.set([8, 6], 8)
    const data = zlibSync(new Uint8Array(bytes), { level: 9 })
    return pictureAddress(
      putTogether([
        { type: 'IHDR', data: head },
        { type: 'IDAT', data },
        { type: 'IEND', data: new Uint8Array(0) },
      ]),
    )
  }

  it('ids of a million letters, in every place that names one', () => {
    const long = 'x'.repeat(1_400_000)
    expectRefused(() => checkModel(oneSection([{ ...part('a', 'plate-1x1', [0, 0, 0]), shape: long }])), 'too-long')
    expectRefused(() => checkModel({ ...oneSection([]), root: long }), 'too-long')
    expectRefused(() => checkModel({ ...oneSection([part('a', 'plate-1x1', [0, 0, 0])], [{ add: [long] }]) }), 'too-long')
    expectRefused(() => readAliases(`kind,id,name,number\nshape,${long},a,b\n`, BASE_CATALOGUE), 'unknown-shape')
    expectRefused(
      () => checkBundle({ ...bundles[0]!, plan: { ...bundles[0]!.plan, sections: [{ ...bundles[0]!.plan.sections[0]!, id: long }] } }),
      'not-a-bundle',
    )
  })

  it('a shape larger than any room, or of too many large boxes', () => {
    expectRefused(() => checkModel(box([100_000, 100_000, 100_000])), 'out-of-range')
    expectRefused(() => checkModel(box([2000, 2000, 2000])), 'too-large-shape')
    expect(checkModel(box([800, 800, 400]))).toBeTruthy()
  })

  it('a table of which every cell is wrong, each in its own way', () => {
    const bytes = (lines: readonly string[]): Uint8Array => new TextEncoder().encode(lines.join('\n'))
    const rows = Array.from({ length: 60_000 }, (_, i) => `a${i},plaat-${i},reddish ${i},${i}.3,x${i},0,sideways${i},few${i}`)
    expectRefused(() => partsTable.read(bytes(['id,shape,colour,x,y,z,turn,count', ...rows]), 'wrong', {}), 'csv-row')
    const stock = Array.from({ length: 90_000 }, (_, i) => `plate-1x2,red,few${i}`)
    expectRefused(() => readStock(bytes(['shape,colour,count', ...stock]), BASE_CATALOGUE), 'csv-row')
  })

  it('two thousand parts in one place, small or large', () => {
    const heap = (shape: string) =>
      checkModel(oneSection(Array.from({ length: 2000 }, (_, i) => part(`p${i}`, shape, [0, 0, 4 * (i % 2)]))))
    const models = ['brick-2x4', 'plate-16x16'].map(heap)
    for (const model of models) expectRefused(() => reportModel(model), 'too-much-work')
  })

  it('a hundred copies at free angles in one place', () => {
    const copies = Array.from({ length: 100 }, (_, i) => ({
      id: `c${i}`,
      section: 's',
      at: [0, 0, 0] as const,
      rotate: [i, 2 * i, 3 * i] as const,
    }))
    const sections = [
      { id: 'm', name: 'M', copies },
      { id: 's', name: 'S', parts: wall(100) },
    ]
    const model = checkModel({ ...oneSection([]), root: 'm', sections })
    expectRefused(() => reportModel(model), 'too-much-work')
  })

  it('but one tilted copy of a house is planned', () => {
    const copies = [{ id: 'c', section: 's', at: [0, 0, 0] as const, rotate: [3, 4, 5] as const }]
    const sections = [
      { id: 'm', name: 'M', parts: wall(300, 200), copies },
      { id: 's', name: 'S', parts: wall(500) },
    ]
    const model = checkModel({ ...oneSection([]), root: 'm', sections })
    const start = busyMs()
    expect(reportModel(model).report.parts).toBe(800)
    expect(busyMs() - start).toBeLessThan(5 * MOST_MS)
  })

  it('hundreds of thousands of parts in a section that nobody reaches', () => {
    const parts = Array.from({ length: 200_001 }, (_, i) => ({ id: `p${i}`, shape: 'plate-1x1', colour: 'red', at: [0, 0, 0] as const }))
    const sections = [
      { id: 'm', name: 'M', parts: [] },
      { id: 'far', name: 'Far', parts },
    ]
    expect(refusal(() => checkModel({ ...oneSection([]), root: 'm', sections })).fault.code).toBe('too-many-parts')
  })

  it('a picture that unpacks a thousandfold, is cut off, or holds less than it says', () => {
    const bomb = packed(200_000_000)
    const before = process.memoryUsage().rss
    expectRefused(() => cleanPicture(bomb), 'bad-picture')
    expect(process.memoryUsage().rss - before).toBeLessThan(100e6)
    expectRefused(() => cleanPicture(packed(10)), 'bad-picture')
    expectRefused(() => cleanPicture(pictureAddress(picture.slice(0, picture.length - 20))), 'bad-picture')
  })

  it('a plan whose sections come out of each other, or that brings what is not there', () => {
    const bundle = bundles[0]!
    const [first] = bundle.plan.sections
    const circle = [{ ...first!, id: 'a', derivedFrom: 'b' }, { ...first!, id: 'b', derivedFrom: 'a' }, first!]
    expectRefused(() => checkBundle({ ...bundle, plan: { ...bundle.plan, sections: circle } }), 'bundle-mismatch')
    const twice = { ...first!, steps: [...first!.steps, { ...first!.steps[0]!, number: first!.steps.length + 1 }] }
    expectRefused(() => checkBundle({ ...bundle, plan: { ...bundle.plan, sections: [twice] } }), 'bundle-mismatch')
    const strange = { ...first!, steps: [{ number: 1, moves: [{ parts: ['nobody'], direction: '-z' as const }], callout: [], rests: [] }] }
    expectRefused(() => checkBundle({ ...bundle, plan: { ...bundle.plan, sections: [strange] } }), 'bundle-mismatch')
    expectRefused(() => checkBundle({ ...bundle, views: [[0], [0], [0], [0]] }), 'bundle-mismatch')
  })
})

describe('what leaves the program', () => {
  it('is no formula to a spreadsheet, in any table, and comes back as it was', () => {
    const evil = '=HYPERLINK("http://x","y")'
    const model = oneSection([
      { ...part(evil, 'plate-1x1', [0, 0, 0]) },
      part('+1', 'plate-1x1', [10, 0, 0]),
      part("'quoted", 'plate-1x1', [20, 0, 0]),
    ])
    const text = partsTable.write(model)
    for (const line of text.split('\n')) for (const cell of line.split(',')) expect(cell).not.toMatch(/^"?[=+@](?![xyz][+-][xyz]$)/)
    expect(readTable(text).sections[0]!.parts!.map(({ id }) => id)).toEqual([evil, '+1', "'quoted"])
    const names = [{ kind: 'shape', id: 'plate-1x1', name: '@evil', number: '-1' }] as const
    expect(writeAliases(names)).toContain("'@evil")
    expect(readAliases(writeAliases(names), BASE_CATALOGUE)).toEqual(names)
    const pieces = [{ shape: 'plate-1x1', colour: 'red', count: 3 }]
    expect(writePieceTable(pieces, BASE_CATALOGUE, names)).toContain("'@evil")
  })

  it('is not read from what is no UTF-8', () => {
    const bytes = Uint8Array.from([0x7b, 0x22, 0xff, 0xfe, 0x22, 0x7d])
    expect(() => readModelFile(bytes, 'x.rail.json')).toThrow(expect.objectContaining({ code: 'not-utf8' }) as Error)
    expect(() => readModelFile(bytes, 'x.docx')).toThrow(expect.objectContaining({ code: 'unknown-format' }) as Error)
  })

  it('a section that nothing joins is told', () => {
    const sections = [
      { id: 'm', name: 'M', parts: [part('a', 'plate-1x1', [0, 0, 0])] },
      { id: 'lost', name: 'Lost', parts: [part('b', 'plate-1x1', [0, 0, 0])] },
    ]
    const { report } = reportModel(checkModel({ ...oneSection([]), root: 'm', sections }))
    expect(report.findings.filter(({ code }) => code === 'unjoined')).toMatchObject([
      { section: 'lost', severity: 'error', message: expect.stringContaining('1 part ') as unknown },
    ])
  })
})
