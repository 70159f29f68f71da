import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { printedFinding } from '@core/checks'
import { BASE_CATALOGUE } from '@core/catalogue'
import { reportModel } from '@core/pipeline'
import { catalogueOf, Flattener, readModelText, type ModelDocument } from '@core/model'
import { drawnSection, RailPainter } from '@core/picture'
import { town, townOfSections, withFlaws } from '../bench/buildings'

/**
 * What the program made of the demos, of generated towns and of its catalogue when it was last looked at. A change of the rooms
 * changes nothing here; a change for the better is looked at and written down anew: `npm run golden`.
 */
const FOLDER = new URL('./golden/', import.meta.url)
const isWritten = process.env['GOLDEN'] === 'write'

/** Numbers that differ in the ninth place only are the same. */
const steady = (_key: string, value: unknown): unknown => (typeof value === 'number' ? Math.round(value * 1e6) / 1e6 : value)
const hashOf = (value: unknown): string =>
  createHash('sha256')
    .update(value instanceof Uint8Array ? value : JSON.stringify(value, steady))
    .digest('hex')
    .slice(0, 16)

function golden(name: string, made: unknown): void {
  const file = new URL(`${name}.json`, FOLDER)
  if (isWritten) {
    mkdirSync(FOLDER, { recursive: true })
    writeFileSync(file, `${JSON.stringify(made, null, 2)}\n`)
  }
  expect(existsSync(file), `tests/golden/${name}.json is missing: npm run golden`).toBe(true)
  expect(made, `other than tests/golden/${name}.json: look at what has changed, then npm run golden`).toEqual(
    JSON.parse(readFileSync(file, 'utf8')),
  )
}

const SIZE = { width: 240, height: 180 }
/** Pictures of every so many steps of a section, and of it finished. */
const EVERY = 4

function picturesOf(model: ModelDocument, { report, looks }: ReturnType<typeof reportModel>): Record<string, string> {
  const flattener = new Flattener(model)
  return Object.fromEntries(
    report.sections.map(({ id, steps }, s) => {
      const painter = new RailPainter(drawnSection(model, flattener, report.sections, id), catalogueOf(model), SIZE)
      const hash = createHash('sha256')
      for (let step = 0; step < steps.length; step += EVERY) {
        const look = looks[s]![step]!
        hash.update(painter.paint(step, look.view, look.insets).data)
      }
      if (steps.length > 0) hash.update(painter.paintFinished(0).data)
      return [id, hash.digest('hex').slice(0, 16)]
    }),
  )
}

function madeOf(model: ModelDocument, hasPictures: boolean) {
  const reported = reportModel(model)
  const { report } = reported
  const codes: Record<string, number> = {}
  for (const { code } of report.findings) codes[code] = (codes[code] ?? 0) + 1
  return {
    parts: report.parts,
    colours: report.colours.length,
    sections: Object.fromEntries(report.sections.map(({ id, steps }) => [id, { steps: steps.length, plan: hashOf(steps) }])),
    inventory: hashOf(report.inventory),
    measures: JSON.parse(JSON.stringify(report.measures, steady)) as unknown,
    findings: codes,
    said: hashOf(report.findings.map(printedFinding)),
    ...(hasPictures ? { pictures: picturesOf(model, reported) } : {}),
  }
}

const DEMOS = new URL('../demo/models/', import.meta.url)

describe('what was made before is made again', () => {
  it.each(readdirSync(DEMOS).map((name) => name.replace('.rail.json', '')))('of %s', (name) => {
    golden(name, madeOf(readModelText(readFileSync(new URL(`${name}.rail.json`, DEMOS), 'utf8')), true))
  })

  it.each([
    ['town', () => town(600)],
    ['town-with-flaws', () => withFlaws(town(1200), 20)],
    ['town-of-sections', () => townOfSections(900)],
  ])('of a %s', (name, make) => golden(name, madeOf(make(), false)))

  it('of every shape', () => {
    // How it fits, and how it looks.
    const shapes = [...BASE_CATALOGUE.shapes].map(([id, { mesh, plainMesh, mirror, family, bodies, connectors, box, title }]) => [
      id,
      `${hashOf({ title, family, mirror, box, bodies, connectors })} ${hashOf({ mesh, plainMesh })}`,
    ])
    golden('shapes', Object.fromEntries(shapes))
  })
})
