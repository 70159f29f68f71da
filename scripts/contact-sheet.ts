// Draws every shape of the catalogue on sheets, to be looked at: `npm run contact-sheet [folder] [family…]`.
import { chromium } from '@playwright/test'
import { existsSync, mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { BASE_CATALOGUE } from '../src/core/catalogue'
import { encodePng, paintPiece, pieceSource } from '../src/core/picture'

const folder = process.argv[2] ?? 'contact-sheets'
const families = new Set(process.argv.slice(3))
const COLOURS = ['teal', 'amber', 'red', 'ivory', 'slate', 'moss', 'sky', 'sand']
const PER_SHEET = 63

const shapes = [...BASE_CATALOGUE.shapes.values()].filter(({ family }) => families.size === 0 || families.has(family))
const order = [...new Set(shapes.map(({ family }) => family))]
const drawCell = async (shape: (typeof shapes)[number]): Promise<string> => {
  const colour = COLOURS[order.indexOf(shape.family) % COLOURS.length]!
  const png = await encodePng(paintPiece({ shape: shape.id, colour }, pieceSource(BASE_CATALOGUE), { width: 128, height: 92 }))
  const picture = Buffer.from(png).toString('base64')
  return `<figure><img src="data:image/png;base64,${picture}"><figcaption>${shape.id}</figcaption></figure>`
}
const cells = await Promise.all(shapes.map(drawCell))

mkdirSync(folder, { recursive: true })
const shell = '/usr/bin/chromium-headless-shell'
const browser = await chromium.launch({
  executablePath: existsSync(shell) ? shell : '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
})
const page = await browser.newPage({ viewport: { width: 1280, height: 860 } })
const STYLE =
  'body{margin:8px;font:11px sans-serif;display:grid;grid-template-columns:repeat(9,1fr);gap:2px}figure{margin:0;text-align:center}figcaption{overflow-wrap:anywhere}'
for (let sheet = 0; sheet * PER_SHEET < cells.length; sheet++) {
  await page.setContent(`<style>${STYLE}</style>${cells.slice(sheet * PER_SHEET, (sheet + 1) * PER_SHEET).join('')}`)
  await page.screenshot({ path: join(folder, `sheet-${sheet + 1}.png`) })
}
await browser.close()
console.log(`${cells.length} shapes on ${Math.ceil(cells.length / PER_SHEET)} sheets in ${folder}`)
