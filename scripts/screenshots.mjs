// Takes the pictures of docs/screenshots/ from the demo data. Starts its own server; run `npm run build` before.
import { chromium } from '@playwright/test'
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const PORT = 4198
const origin = `http://127.0.0.1:${PORT}`
const folder = process.argv[2] ?? 'docs/screenshots'
const only = process.argv.slice(3)
mkdirSync(folder, { recursive: true })
const data = mkdtempSync(join(tmpdir(), 'jump-rail-'))

const server = spawn(process.execPath, ['dist/node/server.js'], {
  env: { ...process.env, PORT: String(PORT), JUMP_RAIL_STORE: data },
  stdio: 'ignore',
})
for (let tries = 0; ; tries++) {
  const answers = await fetch(`${origin}/healthz`).then(
    (r) => r.ok,
    () => false,
  )
  if (answers) break
  if (tries > 100) throw new Error('the server does not answer')
  await new Promise((resolve) => setTimeout(resolve, 100))
}

const shell = '/usr/bin/chromium-headless-shell'
const browser = await chromium.launch({
  executablePath: existsSync(shell) ? shell : '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
})
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB', reducedMotion: 'reduce' })
const page = await context.newPage()

const shot = async (name) => {
  if (only.length > 0 && !only.includes(name)) return
  await page.waitForTimeout(300)
  await page.screenshot({ path: join(folder, `${name}.png`) })
  console.log(name)
}
/** Every picture in sight has been painted. */
const drawn = async () => {
  await page.locator('canvas[data-drawn="true"]').first().waitFor({ timeout: 60_000 })
  await page.locator('canvas[data-drawn="false"], canvas[data-sharp="false"]').first().waitFor({ state: 'detached', timeout: 60_000 })
}
const openModel = async (name) => {
  await page.goto(origin)
  await page.getByRole('link', { name }).click()
  await page.getByRole('region', { name: 'Rail' }).waitFor({ timeout: 60_000 })
  // What is looked for or looked at again is done, and a better order that was found is left.
  await page.waitForTimeout(800)
  await page.getByRole('group', { name: /Planning|Looking/ }).waitFor({ state: 'detached', timeout: 60_000 })
  const leave = page.getByRole('button', { name: 'Leave it' })
  if (await leave.isVisible()) await leave.click()
}
const goToStep = async (label) => {
  await page.getByRole('button', { name: new RegExp(`^Step ${label},`) }).click()
  await drawn()
}

await page.goto(origin)
for (const name of ['Bird table', 'Ferry house', 'Granary', 'Ferryman', 'Wind pump', 'Market stall']) {
  await page
    .getByRole('listitem')
    .filter({ hasText: name })
    .getByText(/ready to publish|can be built/)
    .waitFor({ timeout: 60_000 })
}
await page.getByRole('listitem').nth(2).locator('img').waitFor({ timeout: 60_000 })
await shot('shelf')

// A table as somebody wrote it, with a word that nobody knows.
const hut = [
  'Piece;Color;x (studs);y (studs);z (plates);Rotation',
  'plate 6x8;green;0;0;0;0',
  ...[0, 4].map((x) => `brick 1x4;light grey;${x};0;1;0`),
  ...[0, 4].map((x) => `brick 1x4;light grey;${x};5;1;0`),
  ...[0, 7].map((x) => `brick 1x4;light grey;${x};1;1;90`),
  ...[0, 4].map((x) => `gable stone;rust;${x};4;4;0`),
]
const lookAt = async (text) => {
  await page.goto(origin)
  await page.getByLabel('Model files to bring in').setInputFiles({ name: 'Hut.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  await page.waitForTimeout(2500)
}
await lookAt(hut.join('\n').replaceAll('gable stone', 'slope 2x4'))
await page.locator('canvas[data-drawn="true"]').waitFor({ timeout: 60_000 })
await shot('bring-in')
await page.getByRole('button', { name: 'Leave it out' }).click()
// A draft built once with a clock, some steps with trouble.
await openModel('Ferry house')
await page.getByRole('link', { name: 'Booklet', exact: true }).click()
await page.getByRole('link', { name: 'Proof build' }).click()
await page.getByRole('button', { name: /^Begin: / }).click()
for (let step = 1; !(await page.getByRole('button', { name: 'Built' }).isVisible()); step++) {
  if (step === 4 || step === 9) await page.keyboard.press('m')
  if (step === 9) await page.keyboard.press('f')
  if (step === 9) await drawn()
  if (step === 9) await shot('proof')
  await page.waitForTimeout(step % 7 === 0 ? 900 : 250)
  await page.keyboard.press('ArrowRight')
}
await page.getByRole('button', { name: 'Built' }).click()
await page.getByRole('link', { name: 'Time', exact: true }).click()
await page.getByText(/^Building it takes/).waitFor()
await shot('time')

await openModel('Ferry house')
await goToStep('B 05')
await shot('rail')
await openModel('Granary')
await goToStep('B 12')

// The same house as somebody might bring it: a loft beam too short to be held, a wall without laps, a step list with gaps.
const flawed = JSON.parse(readFileSync('demo/models/ferry-house.rail.json', 'utf8'))
flawed.name = 'Ferry house, first draft'
const landing = flawed.sections.find((section) => section.id === 'landing')
landing.parts.push({ id: 'beam', shape: 'plate-1x4', colour: 'brown', at: [10, 10, 60] })
const shed = flawed.sections.find((section) => section.id === 'shed')
shed.parts.push({ id: 'post', shape: 'brick-1x1', colour: 'teal', at: shed.parts[0].at })
const lamp = flawed.sections.find((section) => section.id === 'lamp')
lamp.steps = [{ add: lamp.parts.slice(0, -1).map((part) => part.id) }]
for (const x of [0, 40])
  for (const z of [0, 12, 24])
    flawed.sections
      .find((section) => section.id === 'boat')
      .parts.push({ id: `q${x}-${z}`, shape: 'brick-1x4', colour: 'ash', at: [x, 200, z] })
await openModel('Bird table')
await page.getByRole('link', { name: 'Figures' }).click()
await page.getByRole('button', { name: 'Make a figure' }).click()
await drawn()
await page.getByRole('button', { name: 'Add a piece for headwear' }).click()
await page.getByLabel('Which piece?').fill('navy figure cap')
await page.waitForTimeout(800)
await shot('figures')
await page.keyboard.press('Escape')
// What the granary takes, against a made-up stock, kit and counter.
await openModel('Granary')
await page.getByRole('link', { name: 'Parts', exact: true }).click()
const pieces = JSON.parse(readFileSync('demo/models/granary.rail.json', 'utf8')).sections.flatMap(({ parts = [] }) => parts)
const kinds = [...new Map(pieces.map(({ shape, colour }) => [`${shape} ${colour}`, { shape, colour }])).values()]
const bring = async (button, name, content) => {
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), page.getByRole('button', { name: button }).click()])
  await chooser.setFiles({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(content) })
  await page.waitForTimeout(400)
}
const stock = kinds.filter((_, i) => i % 3 === 0).map(({ shape, colour }, i) => `${shape},${colour},${5 + i * 3}`)
await bring('Bring in a table of your stock', 'stock.csv', ['shape,colour,count', ...stock].join('\n'))
const yard = { id: 'yard', name: 'Yard box', pieces: kinds.slice(4, 16).map((kind) => ({ ...kind, count: 9 })) }
await bring('Bring in a file of kits', 'kits.json', JSON.stringify({ format: 'jump-rail-kits', version: 1, kits: [yard] }))
const counter = (id, name, more) => ({
  id,
  name,
  shipping: 4,
  offers: kinds.map((kind, i) => ({ ...kind, price: (6 + ((i * name.length) % 19)) / 100 })),
  kits: [{ id: 'yard', price: 9.5 }],
  ...more,
})
const suppliers = [counter('corner', 'Corner counter', { freeFrom: 60 }), counter('harbour', 'Harbour counter', { minimum: 10 })]
await bring(
  'Bring in a file of offers',
  'offers.json',
  JSON.stringify({ format: 'jump-rail-offers', version: 1, currency: 'EUR', date: '2026-11-20', suppliers }),
)
await page.getByLabel('Yard box').fill('2')
await page.getByLabel('Yard box').press('Tab')
await page.waitForTimeout(12_500)
await shot('parts')
await page.getByRole('link', { name: 'Buy', exact: true }).click()
await page.getByRole('button', { name: 'Find the cheapest orders' }).click()
await page.getByText(/cannot be had for less/).waitFor({ timeout: 70_000 })
await page.waitForTimeout(800)
await shot('buy')
await openModel('Market stall')
await page.getByRole('link', { name: 'Parts', exact: true }).click()
await page.getByRole('link', { name: 'Bags' }).click()
await page.getByLabel('Pieces in a bag, at most').fill('15')
await page.getByLabel('Pieces in a bag, at most').press('Tab')
await page.getByText(/^4 bags/).waitFor()
await page.waitForTimeout(1500)
await shot('bags')
await page.getByRole('link', { name: 'Versions' }).click()
await page.waitForTimeout(1500)
await shot('versions')

await page.goto(`${origin}/tools/catalogue`)
await page.locator('[data-shape="plate-1x2"]').waitFor()
await page.getByRole('region', { name: 'As high as a brick' }).scrollIntoViewIfNeeded()
await page.waitForTimeout(3500)
await shot('catalogue')

// The bench with something chosen, and a log of photos that are drawn here.
await openModel('Ferry house')
await page.getByRole('link', { name: 'Bench', exact: true }).click()
await page.locator('.paper[data-kind]').waitFor()
await page.waitForTimeout(1200)
for (let i = 0; i < 3; i++) await page.keyboard.press('n')
await page.waitForTimeout(600)
await shot('bench')
await page.goto(origin)
await page.getByRole('button', { name: 'New model' }).click()
await page.getByRole('link', { name: 'Photos' }).click()
const photographs = []
for (let step = 0; step < 4; step++) {
  const address = await page.evaluate((count) => {
    const canvas = globalThis.document.createElement('canvas')
    canvas.width = 1200
    canvas.height = 800
    const context = canvas.getContext('2d')
    context.fillStyle = '#cbb89a'
    context.fillRect(0, 0, 1200, 800)
    for (let i = 0; i <= count; i++) {
      context.fillStyle = ['#8a3b26', '#4d6a3f', '#2f4c63', '#b98a2e'][i]
      context.fillRect(330, 520 - i * 96, 540 - i * 90, 92)
      context.fillStyle = '#00000030'
      context.fillRect(330, 594 - i * 96, 540 - i * 90, 18)
    }
    return canvas.toDataURL('image/jpeg')
  }, step)
  photographs.push({ name: `bit-${step}.jpg`, mimeType: 'image/jpeg', buffer: Buffer.from(address.split(',')[1], 'base64') })
}
await page.getByLabel('Photos', { exact: true }).setInputFiles(photographs.reverse())
const paper = page.getByRole('application')
await paper.waitFor()
await page.getByLabel('with the words').fill('line up with the edge')
const place = await paper.boundingBox()
await page.mouse.move(place.x + 70, place.y + 60)
await page.mouse.down()
await page.mouse.move(place.x + place.width * 0.42, place.y + place.height * 0.52, { steps: 4 })
await page.mouse.up()
await page.getByLabel('Pieces', { exact: true }).first().fill('2 brick 2x4 moss, plate 2x6 sand')
await page.getByRole('button', { name: 'Add', exact: true }).first().click()
await page.waitForTimeout(1500)
await shot('photo-log')

await page.goto(origin)
await page.getByLabel('Model files to bring in').setInputFiles({
  name: 'draft.rail.json',
  mimeType: 'application/json',
  buffer: Buffer.from(JSON.stringify(flawed)),
})
await page.getByRole('button', { name: 'Bring it in' }).click()
await page.getByRole('button', { name: 'Open' }).click()
await page.getByRole('region', { name: 'Rail' }).waitFor({ timeout: 60_000 })
await page.getByRole('link', { name: /^Checks/ }).click()
await drawn()
await shot('checks')

await page.goto(origin)
await page.getByRole('link', { name: /^Ferry house$/ }).click()
await page.getByRole('region', { name: 'Rail' }).waitFor({ timeout: 60_000 })
await page.getByRole('link', { name: 'Booklet' }).click()
await drawn()
await shot('booklet')

await page.getByRole('button', { name: 'Publish and get a link' }).click()
const link = await page.getByRole('link', { name: /\/f\// }).getAttribute('href')
await page.goto(link)
await page.getByRole('button', { name: 'Begin' }).click()
for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight')
await drawn()
await page.getByRole('checkbox').first().check()
await page.setViewportSize({ width: 390, height: 844 })
await drawn()
await shot('follow-phone')

await page.setViewportSize({ width: 820, height: 1180 })
await drawn()
await shot('follow-tablet')
await page.setViewportSize({ width: 1280, height: 800 })

// A builder asks, the designer answers.
await page.getByRole('button', { name: 'Ask', exact: true }).click()
await page.getByLabel('What is the matter?').fill('Does this go in from above, or from the side?')
await page.getByLabel('Your name').fill('Ada')
await page.getByRole('button', { name: 'Send' }).click()
await page.getByText('Not answered yet.').waitFor()
await page.getByLabel('Built it').check()
await page.getByLabel('Minutes it took').fill('95')
await page.getByLabel('What you would like to say').fill('Lovely. It stands by the window now.')
await page.getByRole('button', { name: 'Send' }).click()
await page.getByText('Sent.').waitFor()
await page.goto(`${origin}/published`)
await page.getByRole('link', { name: /letters/ }).click()
await page.getByLabel('Answer').first().fill('From above, with its studs towards you.')
await page.getByRole('button', { name: 'Answer' }).first().click()
await page.getByText('You:').waitFor()
await shot('letters')

// What has gone out from this browser, with its keys.
await page.goto(origin)
await page.getByRole('link', { name: 'Published' }).click()
await page.getByRole('heading', { level: 1, name: 'Published' }).waitFor()
await shot('published')
await page.close()
await browser.close()
server.kill('SIGTERM')
rmSync(data, { recursive: true, force: true })
