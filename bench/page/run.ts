import { execFileSync, spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { chromium, type Browser, type Page } from '@playwright/test'
import { table } from '../measure'
import { install, press, takeLoad } from './probe'
import { fixedSum, takenShare, ticks } from './quiet'
import { PAGE_SUBJECTS } from './subjects'

/**
 * `npm run bench:page`: what a person waits for, in the built application in a browser: from the key press to the picture.
 * `npm run bench:page -- --write` puts the table into docs/bench.md; other words name subjects ("1,700").
 * `--tree PATH` measures the application built in another working tree, so that two states are measured by the same hand.
 * A run the machine's other guests disturbed is made again; the least disturbed of three stands in the table.
 */

const PORT = 4311
const SHELL = '/usr/bin/chromium-headless-shell'
/** Edits whose smooth picture is waited for. */
const SMOOTH_EDITS = 20
const EDITS = 40
const WALKS = 40
const REST_MS = 20_000
/** How long a picture is looked at before the next is asked for. */
const LOOK_MS = 200
const RUNS = 3
/** Frames of a turning model, and pieces put down. */
const FRAMES = 40
const PUTS = 12
/** Share of the processors' time that others may take before a run is made again, %. */
const DISTURBED = 1
const TAKEN = 'share of the machine that others took meanwhile, %'

/** Figures of one run: row of the table → value. */
type Figures = Map<string, number>

const p95 = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)]!

/** Memory of the process that holds the page and its workers, MB. */
function rendererMemory(): number {
  const lines = execFileSync('ps', ['-eo', 'rss,args']).toString().split('\n')
  const renderers = lines.filter((line) => line.includes('--type=renderer')).map((line) => Number.parseInt(line, 10))
  return Math.max(0, ...renderers) / 1000
}

async function until(page: Page, isThere: () => boolean): Promise<void> {
  await page.waitForFunction(isThere, undefined, { timeout: 180_000, polling: 20 })
}

/** One subject in a page of its own, measured from one act to the next. */
class PageRun {
  readonly figures: Figures = new Map()
  private longest = { ms: 0, during: '' }

  constructor(
    private readonly page: Page,
    private readonly name: string,
  ) {}

  note(what: string, value: number): void {
    this.figures.set(what, value)
    process.stderr.write(`${this.name}: ${what} ${value.toFixed(0)}\n`)
  }

  private async takeTasks(during: string): Promise<Awaited<ReturnType<typeof takeLoad>>> {
    const load = await takeLoad(this.page)
    process.stderr.write(`${this.name}: longest task ${during} ${load.longest.toFixed(0)}\n`)
    if (load.longest > this.longest.ms) this.longest = { ms: load.longest, during }
    return load
  }

  noteLongest(): void {
    this.note('longest task on the main thread, anywhere', this.longest.ms)
    process.stderr.write(`${this.name}: that was ${this.longest.during}\n`)
  }

  async bringIn(model: string): Promise<void> {
    const { page } = this
    await page.goto(`http://127.0.0.1:${PORT}/`)
    await page
      .getByRole('button', { name: 'Stop' })
      .click({ timeout: 3000 })
      .catch(() => undefined)
    await page
      .getByLabel('Model files to bring in')
      .setInputFiles({ name: 'town.rail.json', mimeType: 'application/json', buffer: Buffer.from(model) })
    await page.getByRole('button', { name: 'Bring it in' }).click({ timeout: 60_000 })
    await page.getByRole('button', { name: 'Open' }).waitFor({ timeout: 60_000 })
    await takeLoad(page)
  }

  async open(): Promise<void> {
    const { page } = this
    const start = Date.now()
    await page.getByRole('button', { name: 'Open' }).click()
    await page.locator('main h1').waitFor()
    this.note('first opening, until there is something to read', Date.now() - start)
    await until(page, () => window.probe.version() !== '' && window.probe.drawn())
    this.note('first opening, until it is planned and its first step is on the screen', Date.now() - start)
    await this.takeTasks('opening it')
    // The search for a better order is ended, so that it does not run beside what is measured.
    await page
      .getByRole('group', { name: 'Looking for a better order' })
      .getByRole('button', { name: 'Stop' })
      .click({ timeout: 4000 })
      .catch(() => undefined)
    // What was shown is kept a moment after the last change.
    await page.waitForTimeout(4000)
  }

  async openAgain(): Promise<void> {
    const { page } = this
    const start = Date.now()
    await page.reload()
    await until(page, () => window.probe.version() !== '' && window.probe.drawn())
    this.note('something to read after opening again', Date.now() - start)
    await page.waitForFunction(() => document.querySelector('[data-checked="true"]') !== null, undefined, { timeout: 180_000 })
    this.note('the same, until it can be edited', Date.now() - start)
    await this.takeTasks('opening it again')
  }

  /** Through the largest section, from its middle, where what was there before is half the model, and back. */
  async walk(): Promise<void> {
    const { page } = this
    await page.keyboard.press('End')
    await until(page, () => window.probe.drawn())
    await page.locator('.lane-name').last().click()
    await until(page, () => window.probe.drawn())
    const of = Number(/of (\d+)/.exec(await page.locator('.place').first().innerText())?.[1])
    const warm = Math.min(60, Math.floor(of / 3))
    for (let i = 0; i < warm; i++) await press(page, 'ArrowRight', 'picture')
    const walks: number[] = []
    for (let i = 0; i < Math.max(2, Math.min(WALKS, of - warm - 4)); i++) walks.push(await press(page, 'ArrowRight', 'picture'))
    this.note('walking: picture of the next step, p95', p95(walks))
    await this.takeTasks('walking')
    // Back again, as somebody does who looks at each picture.
    const looks: number[] = []
    for (let i = 0; i < walks.length; i++) {
      await page.waitForTimeout(LOOK_MS)
      looks.push(await press(page, 'ArrowLeft', 'picture'))
    }
    this.note('the same, with a fifth of a second to look at each, p95', p95(looks))
    await this.takeTasks('walking with looks')
  }

  async edit(): Promise<void> {
    const { page } = this
    const edits: number[] = []
    const undos: number[] = []
    for (let i = 0; i < EDITS; i++) {
      // Merge and split take turns, a few steps on each time: what was merged can be split.
      edits.push(await press(page, i % 2 === 0 ? 'm' : 's', 'version'))
      if (i % 4 === 3)
        undos.push(await press(page, 'z', 'version', { ctrlKey: true }), await press(page, 'y', 'version', { ctrlKey: true }))
      if (i % 8 === 7) await press(page, 'ArrowRight', 'picture')
    }
    this.note('first edit of a section: key press → new picture and its findings', edits[0]!)
    this.note('an edit after that, p95', p95(edits.slice(1)))
    this.note('undo, p95', p95(undos))
    const smooth: number[] = []
    for (let i = 0; i < SMOOTH_EDITS; i++) {
      smooth.push(await press(page, i % 2 === 0 ? 'm' : 's', 'smooth'))
      if (i % 4 === 3) await press(page, 'ArrowRight', 'picture')
    }
    this.note('an edit, until its picture has no rough edges, p95', p95(smooth))
    const load = await this.takeTasks('editing')
    this.note('longest task while editing', load.longest)
    this.note('longest delay of input', load.delay)
  }

  async scrub(): Promise<void> {
    const start = Date.now()
    const steps = await this.page.evaluate(async () => {
      let count = 0
      let before = ''
      for (;;) {
        const label = document.querySelector('[aria-current="step"]')?.getAttribute('aria-label') ?? ''
        if (label === before || count >= 5000) return count
        before = label
        count++
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft', code: 'ArrowLeft', bubbles: true, cancelable: true }))
        await new Promise((resolve) => requestAnimationFrame(resolve))
      }
    })
    await until(this.page, () => window.probe.drawn())
    this.note('scrubbing back over the rail, ms a step', (Date.now() - start) / steps)
    await this.takeTasks('scrubbing')
  }

  async lookAround(): Promise<void> {
    const { page } = this
    await page.getByRole('link', { name: /^Checks/ }).click()
    const entry = page.locator('.entry').last()
    await entry.waitFor()
    await until(page, () => window.probe.drawn())
    await this.takeTasks('opening Checks')
    let start = Date.now()
    await entry.click()
    await until(page, () => window.probe.drawn())
    this.note('choosing a finding, until its picture', Date.now() - start)
    start = Date.now()
    await page.getByRole('link', { name: 'Booklet' }).click()
    await page.locator('.sheets canvas').first().waitFor()
    this.note('opening Booklet', Date.now() - start)
    await this.takeTasks('opening Booklet')
  }

  /** On the bench: until the model is drawn, a frame while it turns, a click, and a piece put down by keyboard. */
  async bench(): Promise<void> {
    const { page } = this
    const paper = page.locator('.paper:not(article)')
    let start = Date.now()
    await page.getByRole('link', { name: 'Bench', exact: true }).click()
    await paper.waitFor()
    await page.waitForFunction(
      () => Number(document.querySelector('.paper:not(article)')?.getAttribute('data-drawn') ?? 0) > 0,
      undefined,
      {
        timeout: 60_000,
      },
    )
    this.note('bench: until the model is drawn', Date.now() - start)
    await page.waitForTimeout(2500)
    this.note('bench: a frame while the model turns, p95', p95(await turnFrames(page)))
    const box = (await paper.boundingBox())!
    start = Date.now()
    await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2)
    await page.waitForTimeout(20)
    this.note('bench: a click, until what was hit is said', Date.now() - start)
    await page.keyboard.press('Escape')
    await page.keyboard.press('/')
    await page.keyboard.type('brick 2x4 red')
    await page.keyboard.press('Enter')
    const puts: number[] = []
    for (let i = 0; i < PUTS; i++) {
      await page.evaluate(() =>
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'PageUp', code: 'PageUp', bubbles: true, cancelable: true })),
      )
      puts.push(await press(page, 'Enter', 'put'))
    }
    this.note('bench: a piece put down by keyboard, until it is part of the plan, p95', p95(puts))
    await this.takeTasks('on the Bench')
  }
}

/** Turns the model by its keys, a frame after another; ms between frames. */
const turnFrames = (page: Page): Promise<number[]> =>
  page.evaluate(async (count) => {
    const frames: number[] = []
    let before = performance.now()
    for (let i = 0; i < count; i++) {
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', code: 'ArrowRight', bubbles: true, cancelable: true }))
      await new Promise((resolve) => requestAnimationFrame(resolve))
      const now = performance.now()
      if (i > 3) frames.push(now - before)
      before = now
    }
    return frames
  }, FRAMES)

type Subject = (typeof PAGE_SUBJECTS)[number]

async function measureOnce(browser: Browser, { name, make }: Subject): Promise<Figures> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })
  const page = await context.newPage()
  await install(page)
  const run = new PageRun(page, name)
  const sum = fixedSum()
  const before = ticks()
  await run.bringIn(JSON.stringify(make()))
  await run.open()
  await run.openAgain()
  await run.walk()
  await run.edit()
  await run.scrub()
  await run.lookAround()
  await run.bench()
  run.noteLongest()
  run.note('memory of page and workers right after all that, MB', rendererMemory())
  await page.waitForTimeout(REST_MS)
  run.note('the same after twenty seconds of rest', rendererMemory())
  run.note(TAKEN, takenShare(before, ticks()))
  run.note('a fixed sum on this machine before it', sum)
  await context.close()
  return run.figures
}

/** The least disturbed of up to three runs. */
async function measure(browser: Browser, subject: Subject): Promise<Figures> {
  let best = await measureOnce(browser, subject)
  for (let i = 1; i < RUNS && best.get(TAKEN)! > DISTURBED; i++) {
    const again = await measureOnce(browser, subject)
    if (again.get(TAKEN)! < best.get(TAKEN)!) best = again
  }
  return best
}

const { values: options, positionals: wanted } = parseArgs({
  options: { tree: { type: 'string', default: '.' }, write: { type: 'boolean', default: false } },
  allowPositionals: true,
})
const server = spawn(process.execPath, ['dist/node/server.js'], {
  cwd: options.tree,
  env: { ...process.env, PORT: String(PORT), JUMP_RAIL_STORE: mkdtempSync(join(tmpdir(), 'jump-rail-')) },
  stdio: ['ignore', 'pipe', 'ignore'],
})
await new Promise((resolve) => server.stdout.once('data', resolve))
const browser = await chromium.launch({
  executablePath: process.env['CHROMIUM'] ?? (existsSync(SHELL) ? SHELL : '/usr/bin/chromium'),
  args: ['--no-sandbox', '--disable-gpu'],
})
const subjects = PAGE_SUBJECTS.filter(({ name }) => wanted.length === 0 || wanted.some((word) => name.includes(word)))
const measured: Figures[] = []
try {
  for (const subject of subjects) measured.push(await measure(browser, subject))
} finally {
  await browser.close()
  server.kill()
}

const head = ['ms, in the browser', ...subjects.map(({ name }) => name)]
const rows = [...measured[0]!.keys()]
const text = table(
  head,
  rows.map((row) => [row, ...measured.map((figures) => figures.get(row)?.toFixed(0) ?? '–')]),
)
process.stdout.write(`${text}\n`)
if (options.write) {
  const file = 'docs/bench.md'
  const old = readFileSync(file, 'utf8')
  writeFileSync(
    file,
    old.replace(/<!-- bench:page -->[\s\S]*?<!-- end:page -->/, () => `<!-- bench:page -->\n\n${text}\n\n<!-- end:page -->`),
  )
}
