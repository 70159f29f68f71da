import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { makePages, makeBundle, type Bundle, type Page } from '@core/booklet'
import { reportModel, viewsOf } from '@core/pipeline'
import { readModelText, type BookletWishes, type Paper } from '@core/model'
import { EFFORTS } from '@core/plan'
import { coverOf } from './cover'
import { BUNDLE_MARK, writeHtml } from './index'
import { packagedFont } from '../../tests/support/packaged-fonts'
import { writePdf } from './pdf/write'
import { prepareSheets } from './sheets'

const at = (path: string): string => new URL(`../../${path}`, import.meta.url).pathname

function bundleOf(demo: string): Bundle {
  const model = readModelText(readFileSync(at(`demo/models/${demo}.rail.json`), 'utf8'))
  const { report, looks } = reportModel(model, { effort: EFFORTS.quick })
  return makeBundle(model, report, viewsOf(looks))
}
const bundle = bundleOf('ferry-house')
const { model, plan: report } = bundle

async function printed(
  paper: Paper,
  progress?: (fraction: number) => void,
  pages?: readonly Page[],
  wishes: BookletWishes = {},
  of: Bundle = bundle,
): Promise<string> {
  const asked = { ...of, model: { ...of.model, booklet: { ...wishes, paper } } }
  const prepared = await prepareSheets({ bundle: asked, aliases: [], assets: { font: packagedFont } }, pages)
  const bytes = await writePdf(prepared.laid, { ...prepared, ...(progress ? { progress } : {}) })
  const path = join(mkdtempSync(join(tmpdir(), 'jump-rail-')), 'booklet.pdf')
  writeFileSync(path, bytes)
  return path
}

const run = (command: string, ...args: string[]): string => execFileSync(command, args, { encoding: 'utf8' })

/** The whole booklet on A4, printed once for those that only read it, and what its progress told. */
let whole: Promise<{ readonly path: string; readonly fractions: readonly number[] }> | undefined
async function printWhole(): Promise<{ readonly path: string; readonly fractions: readonly number[] }> {
  const fractions: number[] = []
  return { path: await printed('a4', (fraction) => fractions.push(fraction)), fractions }
}

describe('the PDF', () => {
  it('is sound, has its fonts inside, and its text can be read: the inventory adds up to the parts', { timeout: 120_000 }, async () => {
    const { path, fractions } = await (whole ??= printWhole())
    expect(run('qpdf', '--check', path)).toContain('No syntax or stream encoding errors')
    expect(run('pdfinfo', path)).toMatch(/Page size:\s+595.28 x 841.89/)
    for (const line of run('pdffonts', path).trim().split('\n').slice(2)) expect(line).toMatch(/AtkinsonHyperlegible.* yes +\w+ +yes /)
    const text = run('pdftotext', '-layout', path, '-')
    expect(text).toContain('Ferry house')
    const inventory = text.slice(text.indexOf('All pieces'), text.indexOf('All colours'))
    const counts = [...inventory.matchAll(/(\d+) +(?=(?:[A-Z][a-z]+[ -]))/g)].map((match) => Number(match[1]))
    expect(counts.reduce((a, b) => a + b, 0)).toBe(report.parts)
    expect(fractions.at(-1)).toBe(1)
    expect([...fractions].sort((a, b) => a - b)).toEqual(fractions)
  })

  it('packs steps by what they need: less than a sheet for two steps, and every step is there once', { timeout: 120_000 }, async () => {
    const { path } = await (whole ??= printWhole())
    const sheets = Number(/Pages:\s+(\d+)/.exec(run('pdfinfo', path))![1])
    const steps = makePages(bundle).filter(({ kind }) => kind === 'step' || kind === 'jump')
    expect(sheets).toBeLessThan(steps.length / 2)
    const text = run('pdftotext', '-layout', path, '-')
    for (const page of steps) if ('label' in page) expect(text.split(page.label).length - 1, page.label).toBe(1)
  })

  it('tells what can hurt before everything else, on the sheet of its step', async () => {
    const page = makePages(bundle).find(({ kind }) => kind === 'step')!
    const long = Array.from({ length: 900 }, (_, i) => `word${i}`).join(' ')
    for (const note of ['A note.', long]) {
      const path = await printed('a4', undefined, [{ ...page, note, cautions: ['Mind the edge.'] } as Page])
      const first = run('pdftotext', '-l', '1', path, '-')
      expect(first).toContain('Mind the edge.')
      expect(first.indexOf('Mind the edge.')).toBeLessThan(first.indexOf(note === long ? 'word0' : 'A note.') >>> 0)
    }
  })

  it('has bookmarks: the cover, each section where its pieces stand, and the last list', { timeout: 120_000 }, async () => {
    const { path } = await (whole ??= printWhole())
    interface Bookmark {
      readonly title: string
      readonly destpageposfrom1: number
    }
    const { outlines } = JSON.parse(run('qpdf', '--json=1', '--json-key=outlines', path)) as { readonly outlines: readonly Bookmark[] }
    const trays = makePages(bundle).flatMap((page) => (page.kind === 'tray' ? [`${page.letter} ${page.name}`] : []))
    expect(outlines.map(({ title }) => title)).toEqual(['Ferry house', ...trays, 'All pieces'])
    const pages = outlines.map(({ destpageposfrom1 }) => destpageposfrom1)
    expect([...pages].sort((a, b) => a - b)).toEqual(pages)
    for (const { title, destpageposfrom1: page } of outlines) {
      const [letter, ...name] = title.split(' ')
      const text = run('pdftotext', '-f', String(page), '-l', String(page), path, '-')
      expect(text).toContain(trays.includes(title) ? name.join(' ') : letter)
    }
  })

  it.each(['a5', 'square'] as const)('on %s nothing runs off a sheet', { timeout: 120_000 }, async (paper) => {
    const pages = makePages(bundle)
    const first = pages.findIndex(({ kind }) => kind === 'tray')
    const path = await printed(paper, undefined, [...pages.slice(0, first + 8), pages.at(-1)!])
    const html = run('pdftotext', '-bbox', path, '-')
    const [width, height] = [...(/page width="([\d.]+)" height="([\d.]+)"/.exec(html) ?? [])].slice(1).map(Number) as [number, number]
    const words = [...html.matchAll(/xMin="([\d.-]+)" yMin="([\d.-]+)" xMax="([\d.-]+)" yMax="([\d.-]+)"/g)].map((found) =>
      found.slice(1).map(Number),
    )
    expect(words.length).toBeGreaterThan(200)
    const off = words.filter(([left, top, right, bottom]) => left! < 10 || top! < 5 || right! > width - 10 || bottom! > height - 5)
    expect(off).toEqual([])
  })

  // The tool that reads the tags takes a multiple of the time for a booklet twice as thick.
  it('is tagged: headings, lists, and pictures with what they show in words; all else is decoration', async () => {
    const bundle = bundleOf('market-stall')
    const path = await printed('a4', undefined, undefined, {}, bundle)
    expect(run('pdfinfo', path)).toMatch(/Tagged:\s+yes/)
    const tree = run('pdfinfo', '-struct-text', path)
    const pages = makePages(bundle)
    const count = (role: string): number => tree.match(new RegExp(`^ *${role}\\b`, 'gm'))?.length ?? 0
    const steps = pages.filter(({ kind }) => kind === 'step' || kind === 'jump')
    expect(count('H1')).toBe(1)
    expect(count('Sect')).toBe(steps.length)
    for (const page of steps) if ('label' in page) expect(tree).toMatch(new RegExp(`H3 \\(block\\)\\s+"${page.label}"`))
    const structure = execFileSync('qpdf', ['--qdf', '--object-streams=disable', path, '-'], { maxBuffer: 1e8 }).toString('latin1')
    expect(structure.match(/\/S \/Figure/g)).toHaveLength(structure.match(/\/Alt /g)!.length)
    // Every stretch that is begun is ended, none within another.
    const marks = [...structure.matchAll(/^(?:\/\w+ (?:<<[^>]*>> )?(BDC|BMC)|(EMC))$/gm)].map(([, begin]) => begin !== undefined)
    expect(marks.length).toBeGreaterThan(200)
    marks.forEach((isBegin, i) => expect(isBegin).toBe(i % 2 === 0))
  })

  it('sets names of five more scripts, in the order in which they are read', async () => {
    const names = ['Водяная мельница', 'Ο φάρος', 'טחנת הרוח', 'بيت العبارة', '渡船の家', '나루터의 집']
    const pages = makePages(bundle)
      .slice(0, 2)
      .map((page, i) => (i === 0 ? { ...page, name: names[0]!, notes: names.slice(1).join('\n') } : page))
    const path = await printed('a4', undefined, pages as Page[])
    expect(run('qpdf', '--check', path)).toContain('No syntax or stream encoding errors')
    const text = run('pdftotext', path, '-')
    for (const name of names) expect(text).toContain(name)
    const fonts = run('pdffonts', path).trim().split('\n').slice(2)
    for (const face of ['NotoSans-', 'NotoSansHebrew', 'NotoSansArabic', 'NotoSansKR', 'NotoSansSC']) expect(fonts.join()).toContain(face)
    for (const font of fonts) expect(font).toMatch(/ yes +\w+ +yes /)
  })

  it('comes on letter paper too', async () => {
    expect(run('pdfinfo', await printed('letter', undefined, makePages(bundle).slice(0, 4)))).toMatch(/Page size:\s+612 x 792/)
  })

  it('leaves nothing out of a step with many pieces and long words', async () => {
    const pieces = report.inventory.slice(0, 40)
    const note = Array.from({ length: 300 }, (_, i) => `word${i}`).join(' ')
    const pages = makePages(bundle).flatMap((page) =>
      page.kind === 'step'
        ? [
            {
              ...page,
              callout: pieces,
              note,
              cautions: ['Mind the edge.'],
              signs: [{ kind: 'hold' as const, text: 'Hold while pressing: both ends.' }],
              turn: 'Turn it over',
              seenFrom: 'Seen from behind',
              remarks: ['Arm: turns 40° either way.'],
            },
          ]
        : [],
    )
    const text = run('pdftotext', '-layout', await printed('a4', undefined, pages.slice(0, 1)), '-')
    for (let i = 0; i < 300; i++) expect(text).toContain(`word${i}`)
    for (const words of [
      'Mind the edge.',
      'Turn it over.',
      'Seen from behind.',
      'Hold while pressing: both ends.',
      'Arm: turns 40° either way.',
    ])
      expect(text).toContain(words)
    const counts = [...text.slice(0, text.indexOf('word0')).matchAll(/(\d+) +(?=(?:[A-Z][a-z]+[ -]))/g)].map((match) => Number(match[1]))
    expect(counts.reduce((a, b) => a + b, 0)).toBe(pieces.reduce((sum, piece) => sum + piece.count, 0))
  })

  it('prints decals at their true size, as often as they are needed, with cutting marks', async () => {
    const pump = readModelText(readFileSync(at('demo/models/wind-pump.rail.json'), 'utf8'))
    const planned = reportModel(pump)
    const source = makeBundle(pump, planned.report, viewsOf(planned.looks))
    const sheet = makePages(source).filter((page) => page.kind === 'decals')
    expect(sheet).toHaveLength(1)
    const plain = await printed('a4', undefined, sheet)
    const text = execFileSync('qpdf', ['--qdf', '--object-streams=disable', plain, '-'], { maxBuffer: 1e8 }).toString('latin1')
    // A picture is placed by "width 0 0 height x y cm" in 1/72 inch; a mark by "x y m" and "x y l".
    const sizes = [...text.matchAll(/^([\d.]+) 0 0 ([\d.]+) 0 0 cm\n[^\n]*\n?\/Image/gm)].map(([, width, height]) => [
      Number(width),
      Number(height),
    ])
    const inMm = sizes.map(([width, height]) => [(width! / 72) * 25.4, (height! / 72) * 25.4])
    const wanted = (pump.decals ?? []).map(({ size }) => [...size]).sort((a, b) => b[1]! - a[1]!)
    expect(inMm).toHaveLength(wanted.length)
    inMm.forEach((size, i) => size.forEach((side, k) => expect(side).toBeCloseTo(wanted[i]![k]!, 3)))
    // Eight marks each, and the ruler with its two ends.
    expect(text.match(/ l\nS/g) ?? []).toHaveLength(8 * wanted.length + 3)
    expect(run('pdftotext', plain, '-')).toContain('This line is 50 mm long')
  })

  it('holds pictures as lines, and the letters in them as text', async () => {
    const path = await printed('a4', undefined, makePages(bundle).slice(0, 4))
    expect(run('pdfimages', '-list', path).trim().split('\n')).toHaveLength(2)
  })

  it('stops when its progress throws', async () => {
    await expect(
      printed('a4', (fraction) => {
        if (fraction > 0.3) throw new Error('stopped')
      }),
    ).rejects.toThrow('stopped')
  })
})

describe('the page', () => {
  it('holds the bundle so that nothing in it can end the script', () => {
    const nasty: Bundle = { ...bundle, model: { ...model, name: '</script><b>$& & "x"' } }
    const html = writeHtml(`<title>Booklet</title>${BUNDLE_MARK}`, nasty)
    expect(html.match(/<\/script>/g)).toHaveLength(1)
    const json = /id="bundle">(.*)<\/script>/s.exec(html)![1]!
    expect((JSON.parse(json) as Bundle).model.name).toBe('</script><b>$& & "x"')
    expect(html).toContain('<title>&lt;/script&gt;&lt;b&gt;$&amp; &amp; "x"</title>')
  })

  it('shows the finished model before anything is read, and has that picture once', async () => {
    const cover = await coverOf(bundle)
    expect(cover).toMatch(/^data:image\/png;base64,/)
    const template = `<title>Booklet</title><div id="follow"></div>${BUNDLE_MARK}`
    for (const whole of [
      { ...bundle, cover: cover! },
      { ...bundle, cover: cover!, names: [] },
      { cover: cover!, ...bundle },
    ]) {
      const html = writeHtml(template, whole)
      expect(html).toContain(`<div id="follow"><img src="${cover!}"`)
      expect(html.split(cover!)).toHaveLength(2)
      const { cover: _cover, ...rest } = whole
      expect(JSON.parse(/id="bundle">(.*)<\/script>/s.exec(html)![1]!)).toEqual(JSON.parse(JSON.stringify(rest)))
    }
    // Whoever calls something by these words shows nothing by it.
    const quoted: Bundle = { ...bundle, model: { ...model, name: '"cover":"data:image/png;base64,AAAA"' } }
    expect(writeHtml(template, quoted)).not.toContain('<img')
  })

  it('needs its place', () => {
    expect(() => writeHtml('<html></html>', bundle)).toThrow(RangeError)
  })
})
