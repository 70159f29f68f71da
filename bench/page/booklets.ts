import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { planBooklet, type Bundle } from '../../src/core/booklet'
import { EFFORTS } from '../../src/core/plan'
import { coverOf } from '../../src/press/cover'
import { writePdf } from '../../src/press/pdf/write'
import { prepareSheets } from '../../src/press/sheets'
import { packagedFont } from '../../tests/support/packaged-fonts'
import { town } from '../buildings'
import { table } from '../measure'
import { subjectNamed } from '../subjects'

/**
 * `npm run bench:booklets`: what a booklet costs: its PDF, and the page that builders follow on a slow phone.
 * `npm run bench:booklets -- --write` puts the table into docs/bench.md.
 */

const PORT = 4312
const SHELL = '/usr/bin/chromium-headless-shell'
/** How much slower the phone is than this machine. */
const SLOWER = 4
const PHONE = { width: 390, height: 780 }
const WALKS = 40
/** How long a builder looks at a step at least, ms. */
const LOOK_MS = 400
/** So many parts make a town of three hundred steps. */
const PARTS = 2700

const rows: [string, string][] = []
function note(what: string, value: string): void {
  rows.push([what, value])
  process.stderr.write(`${what}: ${value}\n`)
}

const stepsOf = ({ plan }: Bundle): number => plan.sections.reduce((sum, { steps }) => sum + steps.length, 0)

async function measurePdf(): Promise<void> {
  const { bundle } = planBooklet(town(PARTS), {}, { effort: EFFORTS.quick })
  const steps = `${stepsOf(bundle)} steps`
  const start = performance.now()
  const { laid, doc, faces, painter } = await prepareSheets({ bundle, aliases: [], assets: { font: packagedFont } })
  note(`a town of ${bundle.plan.parts} parts, ${steps}: laid out on its ${laid.sheets.length} sheets, s`, seconds(start))
  const bytes = await writePdf(laid, { doc, faces, painter })
  note('the same, written as a PDF, s', seconds(start))
  note('the PDF, MB', (bytes.length / 1e6).toFixed(1))
}

const seconds = (start: number): string => ((performance.now() - start) / 1000).toFixed(1)

/** Publishes a booklet. @returns its address */
async function publish(bundle: Bundle): Promise<string> {
  const origin = `http://127.0.0.1:${PORT}`
  const answer = await fetch(`${origin}/api/booklets`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ bundle }),
  })
  if (!answer.ok) throw new Error(await answer.text())
  return `${origin}/f/${((await answer.json()) as { id: string }).id}`
}

/** When the browser first painted something, ms after the page was asked for: before the program runs there is nothing but the first picture. */
const firstPaint = (page: Page): Promise<number> =>
  page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN)

const isDrawn = (page: Page): Promise<unknown> =>
  page.waitForFunction(() => document.querySelector('canvas[data-drawn="true"]') !== null, undefined, { polling: 'raf', timeout: 60_000 })

async function measureFollower(name: string, bundle: Bundle): Promise<void> {
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? (existsSync(SHELL) ? SHELL : '/usr/bin/chromium'),
    args: ['--no-sandbox', '--disable-gpu'],
  })
  const page = await (await browser.newContext({ viewport: PHONE, serviceWorkers: 'block' })).newPage()
  // What turns our TypeScript into JavaScript names functions by a helper that the page does not have.
  await page.addInitScript({ content: 'window.__name = (made) => made' })
  const session = await page.context().newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
  await session.send('Network.enable')
  let bytes = 0
  session.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength))
  const address = await publish(bundle)
  const start = performance.now()
  await page.goto(address, { waitUntil: 'commit' })
  await isDrawn(page)
  const first = ((await firstPaint(page)) / 1000).toFixed(1)
  note(`${name}, ${stepsOf(bundle)} steps: the first picture on a phone ${SLOWER} times slower, s`, first)
  note(`${name}: the page can be used, and has painted its own, s`, seconds(start))
  note(`${name}: what was sent until then, kB`, (bytes / 1000).toFixed(0))
  const times: number[] = []
  for (let i = 0; i < WALKS; i++) {
    await page.waitForTimeout(LOOK_MS)
    times.push(await nextStep(page))
  }
  times.sort((a, b) => a - b)
  note(`${name}: next step, from the key to its picture, median and 95th percentile, ms`, `${at(times, 0.5)}, ${at(times, 0.95)}`)
  await browser.close()
}

const at = (sorted: readonly number[], share: number): string => sorted[Math.floor(sorted.length * share)]!.toFixed(0)

/** From the key to the frame in which the page has another title and its picture is drawn, ms. */
const nextStep = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const title = document.querySelector('h1')?.textContent
        const start = performance.now()
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }))
        const look = (): void => {
          const isThere =
            document.querySelector('h1')?.textContent !== title && document.querySelector('canvas[data-drawn="true"]') !== null
          if (isThere || performance.now() - start > 5_000) resolve(performance.now() - start)
          else requestAnimationFrame(look)
        }
        requestAnimationFrame(look)
      }),
  )

const server = spawn(process.execPath, ['dist/node/server.js'], {
  env: { ...process.env, PORT: String(PORT), JUMP_RAIL_STORE: mkdtempSync(join(tmpdir(), 'jump-rail-')) },
  stdio: ['ignore', 'pipe', 'ignore'],
})
await new Promise((resolve) => server.stdout.once('data', resolve))
try {
  if (!process.argv.includes('--follower')) await measurePdf()
  for (const name of ['ferry house', 'granary']) {
    const { bundle } = planBooklet(subjectNamed(name).make(), {}, { effort: EFFORTS.quick })
    const cover = await coverOf(bundle)
    await measureFollower(name, cover === undefined ? bundle : { ...bundle, cover })
  }
} finally {
  server.kill()
}

const text = table(['booklets', 'here'], rows)
process.stdout.write(`${text}\n`)
if (process.argv.includes('--write')) {
  const file = 'docs/bench.md'
  const old = readFileSync(file, 'utf8')
  const marked = /<!-- bench:booklets -->[\s\S]*?<!-- end:booklets -->/
  writeFileSync(
    file,
    old.replace(marked, () => `<!-- bench:booklets -->\n\n${text}\n\n<!-- end:booklets -->`),
  )
}
