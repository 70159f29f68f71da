import { readFileSync } from 'node:fs'
import { beforeAll, describe, expect, it } from 'vitest'
import { makeBundle, makePages, type Bundle, type StepPage } from '@core/booklet'
import { pictureAddress, readModelText, type BookletWishes } from '@core/model'
import { encodePng } from '@core/picture'
import { reportModel, viewsOf } from '@core/pipeline'
import { packagedFont } from '../../../tests/support/packaged-fonts'
import { previewOf } from '../preview'
import { prepareSheets } from '../sheets'
import type { Element } from './elements'
import type { LaidBooklet, LaidSheet, PictureItem } from './items'
import { MARGINS } from './look'

let bundle: Bundle
beforeAll(() => {
  const model = readModelText(readFileSync('demo/models/ferry-house.rail.json', 'utf8'))
  const { report, looks } = reportModel(model)
  bundle = makeBundle(model, report, viewsOf(looks))
})

async function laid(booklet: BookletWishes = {}, model = bundle.model): Promise<LaidBooklet> {
  const asked = { ...bundle, model: { ...model, booklet } }
  return (await prepareSheets({ bundle: asked, aliases: [], assets: { font: packagedFont } })).laid
}

const steps = (): StepPage[] => makePages(bundle).filter((page): page is StepPage => page.kind === 'step' || page.kind === 'jump')
const texts = ({ items }: LaidSheet): string[] => items.flatMap((item) => (item.kind === 'text' ? [item.text] : []))
const labelsOn = (sheet: LaidSheet): string[] => texts(sheet).filter((text) => /^[A-Z] \d\d$/.test(text))

/** What reaches over the edge of a sheet, or into its margin at the sides. */
function off({ width, height, items }: LaidSheet, margin: number): unknown[] {
  return items.filter((item) => {
    if (item.kind === 'text') return item.x < margin - 1 || item.x + item.line.width > width - margin + 1 || item.y < 8 || item.y > height
    if (item.kind === 'picture' || item.kind === 'piece' || item.kind === 'rectangle')
      return item.x < 0 || item.y < 0 || item.x + item.width > width || item.y + item.height > height
    return false
  })
}

describe('a booklet on its sheets', () => {
  const looks: BookletWishes[] = [
    {},
    { paper: 'a5', margins: 'wide' },
    { paper: 'square', columns: 'two' },
    { paper: 'letter', columns: 'one' },
    { paper: 'slide', stepsOnSheet: 4 },
    { paper: 'phone', margins: 'narrow' },
    { stepsOnSheet: 1, margins: 'narrow' },
    { trays: 'steps' },
    { trays: 'sections', contents: true, label: true },
  ]
  it.each(looks)('has every step once, in its order, and nothing runs off: %o', async (look) => {
    const { sheets } = await laid(look)
    expect(sheets.flatMap(labelsOn)).toEqual(steps().map(({ label }) => label))
    for (const sheet of sheets) expect(off(sheet, MARGINS[look.margins ?? 'usual'])).toEqual([])
  })

  it.each(['a4', 'slide'] as const)(
    'has a photo as large as the picture of the model beside it, where that is asked for: %s',
    async (paper) => {
      const file = pictureAddress(await encodePng({ width: 60, height: 20, data: new Uint8Array(60 * 20 * 3).fill(90) }))
      const photos = [{ file, alt: 'The real one' }]
      const cover = async (booklet: BookletWishes): Promise<LaidSheet['items']> =>
        (await laid({ paper, ...booklet }, { ...bundle.model, photos })).sheets[0]!.items
      const box = (items: LaidSheet['items'], kind: 'picture' | 'image') => items.find((item) => item.kind === kind) as PictureItem
      const [plain, asked] = [await cover({}), await cover({ reference: true })]
      const [model, photo] = [box(asked, 'picture'), box(asked, 'image')]
      expect(model.width).toBeLessThan(box(plain, 'picture').width)
      // It touches the frame, which is as large as the picture, on two sides, and neither lies on the other.
      expect(Math.max(photo.width / model.width, photo.height / model.height)).toBeCloseTo(1)
      const isApart = photo.x >= model.x + model.width || photo.y + photo.height <= model.y
      expect(isApart).toBe(true)
      expect(asked.filter(({ kind }) => kind === 'image')).toHaveLength(1)
    },
  )

  it('has no more steps on a sheet than are asked for', async () => {
    for (const most of [1, 3])
      for (const sheet of (await laid({ stepsOnSheet: most })).sheets) expect(labelsOn(sheet).length).toBeLessThanOrEqual(most)
  })

  it('has larger pictures where a step has its sheet alone', async () => {
    const widest = async (look: BookletWishes): Promise<number> =>
      Math.max(
        ...(await laid(look)).sheets.flatMap(({ items }) =>
          items.map((item) => (item.kind === 'picture' && item.content === 'step' ? item.width : 0)),
        ),
      )
    expect(await widest({ stepsOnSheet: 1 })).toBeGreaterThan(1.3 * (await widest({})))
  })

  it('never begins a sheet with the last step of a section, where two others stand before it', async () => {
    const last = new Map(steps().map(({ letter, number, label, of }) => [label, number === of && of > 2 ? letter : '']))
    const { sheets } = await laid({ columns: 'one' })
    for (const [i, sheet] of sheets.entries()) {
      const [first, ...rest] = labelsOn(sheet)
      const before = i > 0 ? labelsOn(sheets[i - 1]!) : []
      if (first && last.get(first) && before.length > 2) expect(rest.length + before.length).toBe(0)
    }
  })

  it('lists pieces where it is asked to', async () => {
    const pieces = async (look: BookletWishes): Promise<number> =>
      (await laid(look)).sheets.flatMap(({ items }) => items.filter(({ kind }) => kind === 'piece')).length
    const [both, sections, each] = [await pieces({}), await pieces({ trays: 'sections' }), await pieces({ trays: 'steps' })]
    expect(sections).toBeLessThan(both)
    expect(each).toBeLessThan(both)
    // Whatever is asked, the last sheets list all pieces, and what a mirror image takes instead is told with its section.
    const mirrored = makePages(bundle).reduce((sum, page) => sum + (page.kind === 'tray' ? page.mirroredPieces.length : 0), 0)
    expect(sections + each - both).toBe(bundle.plan.inventory.length + mirrored)
  })

  it('tells in its contents where each begins of those that have one name, the name of the whole', async () => {
    const name = 'Same'
    const model = { ...bundle.model, name, sections: bundle.model.sections.map((section) => ({ ...section, name })) }
    const plan = { ...bundle.plan, sections: bundle.plan.sections.map((section) => ({ ...section, name })) }
    const pages = makePages({ ...bundle, model, plan }).map((page) => (page.kind === 'tray' ? { ...page, letter: '' } : page))
    const asked = { ...bundle, model: { ...model, booklet: { contents: true } }, plan }
    const { laid } = await prepareSheets({ bundle: asked, aliases: [], assets: { font: packagedFont } }, pages)
    const told = texts(laid.sheets[1]!)
      .filter((text) => /^\d+$/.test(text))
      .map(Number)
    const begun = laid.bookmarks.slice(2).map(({ sheet }) => sheet + 1)
    expect(told.slice(0, begun.length)).toEqual(begun)
  })

  it('tells in its contents on which sheet each section begins', async () => {
    const { sheets, bookmarks } = await laid({ contents: true })
    const at = bookmarks.find(({ title }) => title === 'Contents')!.sheet
    const words = texts(sheets[at]!)
    for (const { title, sheet } of bookmarks.filter(({ title }) => /^[A-Z] /.test(title))) {
      expect(words).toContain(title)
      expect(words).toContain(String(sheet + 1))
      expect(texts(sheets[sheet]!)).toContain(title.slice(2))
    }
  })

  it('says on its last sheets what was put right, who is thanked, and under which terms', async () => {
    const { sheets } = await laid({ errata: 'B 07: two plates.', credits: 'To the ferry.', terms: 'Build it.\nDo not sell it.' })
    const words = texts(sheets.at(-1)!).concat(texts(sheets.at(-2)!))
    for (const line of ['B 07: two plates.', 'To the ferry.', 'Build it.', 'Do not sell it.']) expect(words).toContain(line)
  })

  it('has one heading for the whole, and every picture says what it shows', async () => {
    const { structure, sheets } = await laid()
    const all: Element[] = []
    const walk = (element: Element): void => {
      all.push(element)
      element.kids.forEach(walk)
    }
    walk(structure)
    expect(all.filter(({ role }) => role === 'H1')).toHaveLength(1)
    for (const { role, alt } of all) if (role === 'Figure') expect(alt).toMatch(/\w/)
    const known = new Set(all)
    for (const { items } of sheets) for (const { element } of items) if (element) expect(known.has(element)).toBe(true)
    for (const { items } of sheets) for (const item of items) if (item.kind === 'picture') expect(item.element?.role).toBe('Figure')
  })

  it('goes to a screen as plain values, mark by mark', async () => {
    const booklet = await laid({ label: true })
    const preview = previewOf(booklet)
    expect(structuredClone(preview)).toEqual(preview)
    expect(preview.sheets.map(({ marks }) => marks.length)).toEqual(booklet.sheets.map(({ items }) => items.length))
    // Paper counts from below, screens from above.
    booklet.sheets.forEach(({ items, height }, sheet) =>
      items.forEach((item, i) => {
        const mark = preview.sheets[sheet]!.marks[i]!
        if (item.kind === 'text' && mark.kind === 'text') expect(mark.y + item.y).toBeCloseTo(height)
        if (item.kind === 'picture' && mark.kind === 'picture') expect(mark.y + mark.height + item.y).toBeCloseTo(height)
        if (item.kind === 'line' && mark.kind === 'line') expect(mark.to.y + item.to.y).toBeCloseTo(height)
      }),
    )
  })
})
