import { execFileSync } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expect, test } from './fixtures'
import { expectAccessible, publish } from './support'

/** Made-up photos: blocks on a coloured table, one more in each. */
async function photos(page: Page, count: number) {
  const made: { name: string; mimeType: string; buffer: Buffer }[] = []
  for (let i = 0; i < count; i++) {
    const address = await page.evaluate((step) => {
      const canvas = document.createElement('canvas')
      canvas.width = 800
      canvas.height = 600
      const context = canvas.getContext('2d')!
      context.fillStyle = `hsl(${step * 50} 35% 80%)`
      context.fillRect(0, 0, 800, 600)
      context.fillStyle = '#345'
      for (let block = 0; block <= step; block++) context.fillRect(120 + block * 90, 260, 70, 110)
      return canvas.toDataURL('image/jpeg')
    }, i)
    made.push({ name: `step-${i}.jpg`, mimeType: 'image/jpeg', buffer: Buffer.from(address.split(',')[1]!, 'base64') })
  }
  return made
}

async function openLog(page: Page): Promise<void> {
  await page.goto('/')
  await page.getByRole('button', { name: 'New model' }).click()
  await page.getByRole('link', { name: 'Photos' }).click()
  await expect(page.getByRole('heading', { name: 'No photo yet' })).toBeVisible()
}
const steps = (page: Page) => page.getByRole('list', { name: 'Steps, as the photos were taken' }).locator('> li')

test('six photos of taking apart become six steps, marked, with pieces, as a PDF and for builders', async ({ page }, info) => {
  await openLog(page)
  await page.getByLabel('Photos', { exact: true }).setInputFiles(await photos(page, 6))
  await expect(page.getByRole('heading', { name: 'Step A 06' })).toBeVisible()
  await expect(page.getByRole('heading', { level: 2 }).first()).toHaveText('Step A 06')
  await page.getByRole('button', { name: 'Step A 01, photo 1' }).click()
  const paper = page.getByRole('application')
  const box = (await paper.boundingBox())!
  await page.mouse.move(box.x + 60, box.y + 40)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 5 })
  await page.mouse.up()
  const drawn = page.getByRole('list', { name: 'Drawn on it' }).getByRole('listitem')
  await expect(drawn).toHaveCount(1)
  await page.getByLabel('Draw', { exact: true }).selectOption('text')
  await page.getByLabel('with the words').fill('here')
  await paper.focus()
  for (const key of ['ArrowLeft', 'ArrowUp', 'Enter']) await page.keyboard.press(key)
  await expect(drawn).toHaveCount(2)
  await expect(drawn.nth(1)).toContainText('Words: here')
  await page.getByLabel('What is on it').fill('The first block on the table')
  await expect(page.getByRole('button', { name: /describe a photo/ })).toBeVisible()
  const last = steps(page).last()
  await last.getByLabel('Pieces').fill('2 brick 2x2 red, nonsense')
  await expect(last).toContainText('“nonsense” was not understood')
  await last.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(last.getByRole('list', { name: /^Pieces of/ })).toContainText('Brick 2 × 2')
  await expectAccessible(page)

  await page.getByRole('link', { name: 'Rail', exact: true }).click()
  await expect(page.getByRole('img', { name: 'The first block on the table' })).toBeVisible()
  await page.getByRole('link', { name: 'Booklet' }).click()
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: /PDF/ }).first().click()])
  const pdf = info.outputPath('log.pdf')
  await file.saveAs(pdf)
  const text = execFileSync('pdftotext', ['-layout', pdf, '-']).toString()
  expect(text).toContain('The first block on the table')
  expect(text).toContain('here')
  expect(
    execFileSync('pdfimages', ['-list', pdf])
      .toString()
      .split('\n')
      .filter((line) => line.includes('jpeg')),
  ).toHaveLength(6)
  await page.goto(await publish(page))
  await page.getByRole('button', { name: 'Begin' }).click()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('img', { name: 'The first block on the table' })).toBeVisible()
})

test('what is no photo is refused with a sentence, and nothing changes', async ({ page }) => {
  await openLog(page)
  const heic = Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(40)])
  await page.getByLabel('Photos', { exact: true }).setInputFiles([{ name: 'shot.heic', mimeType: 'image/heic', buffer: heic }])
  await expect(page.getByText('“shot.heic” is a HEIC photo, which browsers cannot read.')).toBeVisible()
  await page
    .getByLabel('Photos', { exact: true })
    .setInputFiles([{ name: 'a.svg', mimeType: 'image/svg+xml', buffer: Buffer.from('<svg/>') }])
  await expect(page.getByText('“a.svg” is no photo that can be read')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'No photo yet' })).toBeVisible()
})

test('everything goes into one file and comes back into an empty browser', async ({ page, browser }, info) => {
  await openLog(page)
  await page.getByLabel('Photos', { exact: true }).setInputFiles(await photos(page, 1))
  await expect(page.getByRole('heading', { name: 'Step A 01' })).toBeVisible()
  await page.getByRole('link', { name: 'Sections' }).click()
  await page.getByLabel('Name').fill('Lamp by the lake')
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await page.goto('/')
  await expect(page.getByText('Never saved to a file.')).toBeVisible()
  await expect(page.getByRole('list', { name: 'Models' }).getByRole('listitem')).toHaveCount(7)
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save everything' }).click()])
  await expect(page.getByText('Saved to a file today.')).toBeVisible()
  const zip = info.outputPath('all.zip')
  await file.saveAs(zip)

  const other = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const fresh = await other.newPage()
  await fresh.goto('/')
  await expect(fresh.getByRole('list', { name: 'Models' }).getByRole('listitem')).toHaveCount(6)
  await fresh.getByLabel('Model files to bring in').setInputFiles(zip)
  const found = fresh.getByRole('region', { name: 'What the backup holds' })
  await expect(found).toContainText('7 models')
  await found.getByRole('button', { name: 'Put them on the shelf' }).click()
  await expect(fresh.getByRole('list', { name: 'Models' }).getByRole('listitem')).toHaveCount(13)
  await fresh.getByLabel('Find a model').fill('lake')
  await expect(fresh.getByRole('list', { name: 'Models' }).getByRole('listitem')).toHaveCount(1)
  await fresh.getByRole('link', { name: /Lamp by the lake/ }).click()
  await expect(fresh.locator('figure.photo img')).toBeVisible()
  await other.close()

  writeFileSync(zip, Buffer.from('no zip'))
  await page.getByLabel('Model files to bring in').setInputFiles(zip)
  await expect(page.getByText('cannot be unpacked: it is no zip, or not whole')).toBeVisible()
})
