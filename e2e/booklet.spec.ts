import { readFileSync } from 'node:fs'
import { execFileSync } from 'node:child_process'
import { pathToFileURL } from 'node:url'
import type { Page } from '@playwright/test'
import { expect, test } from './fixtures'
import { expectAccessible, invalidHtml, openDemo, pictureDrawn, publish } from './support'

/** Walks a booklet to its end, ticking the first piece of each step. @returns the titles passed */
async function tickThrough(page: Page): Promise<string[]> {
  const titles: string[] = []
  for (;;) {
    titles.push(await page.getByRole('heading', { level: 1 }).innerText())
    const boxes = page.getByRole('checkbox')
    if ((await boxes.count()) > 0) await boxes.first().check()
    const next = page.getByRole('button', { name: /^Next/ })
    if (await next.isDisabled()) return titles
    await next.click()
  }
}

test('previews the sheets as they are printed; what is composed is seen at once, and undone', async ({ page }) => {
  await openDemo(page, 'Ferry house')
  await page.getByRole('link', { name: 'Booklet' }).click()
  const first = page.getByRole('article', { name: 'Sheet 1, Ferry house' })
  await expect(first).toContainText('239')
  await expect(first.locator('canvas[data-drawn="true"]')).toHaveCount(1)
  const sheets = page.getByRole('article')
  const standing = await sheets.count()
  expect(standing).toBeGreaterThan(10)
  await page.getByText('Sheets and words').click()
  await page.getByLabel('Paper', { exact: true }).selectOption('Wide, for a wall')
  await expect.poll(() => sheets.count()).toBeGreaterThan(standing + 5)
  await page.getByLabel('Contents').check()
  await expect(page.getByRole('article', { name: 'Sheet 2, Contents' })).toBeVisible()
  await page.getByLabel('For how many people').fill('2')
  await page.getByLabel('For how many people').press('Tab')
  await expect(first).toContainText('For 2 people who build together.')

  // Before anything is published, it can be seen as a builder does.
  await page.getByRole('button', { name: 'See it as a builder does' }).click()
  const builder = page.getByRole('dialog', { name: 'As a builder sees it' })
  await builder.getByRole('button', { name: 'Begin' }).click()
  await expect(builder.locator('canvas[data-drawn="true"]').first()).toBeVisible()
  await expectAccessible(page)
  await builder.getByRole('button', { name: 'Back to the booklet' }).click()
  await expect(builder).toHaveCount(0)
  await expectAccessible(page)
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Undo' }).click()
  await expect(sheets).toHaveCount(standing)
})

test('publishes, and another builder follows to the last step; the place is kept on that device', async ({ page, browser }) => {
  await openDemo(page, 'Bird table')
  const link = await publish(page)
  await expect(page.getByRole('img', { name: 'The link as a code to scan' })).toBeVisible()
  await page.getByRole('button', { name: 'Copy the link' }).click()
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(link)

  const stranger = await browser.newContext()
  const follower = await stranger.newPage()
  const errors: string[] = []
  follower.on('pageerror', (error) => errors.push(error.message))
  await follower.goto(link)
  await expect(follower.getByRole('heading', { level: 1, name: 'Bird table' })).toBeVisible()
  await expect(follower.getByText('Small parts: keep them away')).toBeVisible()
  await pictureDrawn(follower)
  await expectAccessible(follower)
  await follower.getByRole('button', { name: 'Begin' }).click()
  const titles = await tickThrough(follower)
  expect(titles[0]).toContain('A Bird table')
  expect(titles[titles.length - 1]).toBe('All pieces')
  expect(titles.filter((title) => /^A \d\d$/.test(title)).length).toBeGreaterThan(4)
  await expect(follower.getByText('36 parts')).toBeVisible()

  await follower.keyboard.press('ArrowLeft')
  const last = await follower.getByRole('heading', { level: 1 }).innerText()
  await follower.reload()
  await expect(follower.getByRole('heading', { level: 1 })).toHaveText(last)
  await expect(follower.getByRole('checkbox').first()).toBeChecked()
  await expectAccessible(follower)
  expect(errors).toEqual([])
  await stranger.close()
})

test('the follower has an overview of sections and turns the model', async ({ page }) => {
  await openDemo(page, 'Ferry house')
  await page.goto(await publish(page))
  await page.keyboard.press('o')
  const overview = page.getByRole('region', { name: 'Sections' })
  await expect(overview.getByRole('button', { name: /^C Shed/ })).toBeVisible()
  await expectAccessible(page)
  await overview.getByRole('button', { name: 'Step B 03' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('B 03')
  await pictureDrawn(page)
  const before = await page.locator('canvas[role="img"]').screenshot()
  await page.keyboard.press('t')
  await expect.poll(async () => (await page.locator('canvas[role="img"]').screenshot()).equals(before)).toBe(false)

  // Turned by hand it stays on its page, and comes back.
  const box = (await page.locator('canvas[role="img"]').boundingBox())!
  await page.mouse.move(box.x + 200, box.y + 150)
  await page.mouse.down()
  await page.mouse.move(box.x + 60, box.y + 170, { steps: 5 })
  await page.mouse.up()
  await expect(page.getByRole('img', { name: 'Turned by hand. From above, back and right.' })).toBeVisible()
  await page.keyboard.press('Shift+ArrowLeft')
  await page.keyboard.press('+')
  await expectAccessible(page)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('B 03')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('img', { name: /^Turned by hand/ })).toHaveCount(0)
})

test('the exported page works from a disk, offline, with the names of the designer', async ({ page, browser }) => {
  await page.goto('/tools/catalogue')
  await page.locator('[data-shape="plate-6x6"]').click()
  await page.getByLabel('Your name').fill('Lawn square')
  await page.getByLabel('Your name').press('Tab')
  await expect(page.locator('[data-shape="plate-6x6"]')).toContainText('Lawn square')
  await openDemo(page, 'Bird table')
  await page.getByRole('link', { name: 'Booklet' }).click()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'One page that works offline' }).click(),
  ])
  expect(file.suggestedFilename()).toBe('bird-table.html')
  const stranger = await browser.newContext({ offline: true })
  const follower = await stranger.newPage()
  const requests: string[] = []
  follower.on('request', (request) => {
    if (/^https?:/.test(request.url())) requests.push(request.url())
  })
  const path = test.info().outputPath('bird-table.html')
  await file.saveAs(path)
  expect(await invalidHtml(readFileSync(path, 'utf8'))).toEqual([])
  await follower.goto(pathToFileURL(path).href)
  await follower.getByRole('button', { name: 'Begin' }).click()
  await pictureDrawn(follower)
  await expect(follower.getByText('Lawn square').first()).toBeVisible()
  expect((await tickThrough(follower)).pop()).toBe('All pieces')
  expect(requests).toEqual([])
  await stranger.close()
})

test('the PDF holds every step and an inventory that adds up', async ({ page }) => {
  await openDemo(page, 'Bird table')
  await page.getByRole('link', { name: 'Booklet' }).click()
  await page.getByText('Sheets and words').click()
  for (const [paper, size] of [
    ['A4', '595.28 x 841.89'],
    ['Letter', '612 x 792'],
  ] as const) {
    await page.getByLabel('Paper', { exact: true }).selectOption(paper)
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'PDF', exact: true }).click()])
    const path = test.info().outputPath(`${paper}.pdf`)
    await file.saveAs(path)
    expect(execFileSync('qpdf', ['--check', path], { encoding: 'utf8' })).toContain('No syntax or stream encoding errors found')
    expect(execFileSync('pdfinfo', [path], { encoding: 'utf8' })).toContain(size)
    const text = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' })
    const inventory = text.slice(text.indexOf('All pieces'), text.indexOf('All colours'))
    const counts = [...inventory.matchAll(/(?:^|\s{2,})(\d+)\s+(?=[A-Z])/gm)].map((match) => Number(match[1]))
    expect(counts.reduce((a, b) => a + b, 0)).toBe(36)
    expect(inventory).toContain('36 parts')
  }
})

test('the booklet in words alone tells the place of every part', async ({ page }) => {
  await openDemo(page, 'Bird table')
  await page.getByRole('link', { name: 'Booklet' }).click()
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'In words alone' }).click()])
  const path = test.info().outputPath('words.txt')
  await file.saveAs(path)
  const text = readFileSync(path, 'utf8')
  expect(text.match(/^- .*: stud \d+.*, row \d+.*\.$/gm)).toHaveLength(36)
})

test('a large PDF shows its progress and can be stopped; all its sheets are previewed', async ({ page }) => {
  await openDemo(page, 'Granary')
  await page.getByRole('link', { name: 'Booklet' }).click()
  // More than come at once, and as many as are said.
  const said = page.getByText(/\d+ sheets\./)
  await expect(said).toBeVisible()
  const count = Number(/(\d+) sheets/.exec(await said.innerText())![1])
  expect(count).toBeGreaterThan(40)
  await expect(page.locator('.sheets article')).toHaveCount(count)
  await page.getByRole('button', { name: 'PDF', exact: true }).click()
  const work = page.getByRole('group', { name: 'Writing: PDF' })
  await expect(work.getByRole('progressbar')).toBeVisible()
  await work.getByRole('button', { name: 'Stop' }).click()
  await expect(work).toBeHidden()
  await expect(page.getByRole('button', { name: 'PDF', exact: true })).toBeEnabled()
})

test.describe('a server that refuses', () => {
  test.use({ expectedErrors: [/429/] })
  test('is quoted, and the files remain', async ({ page }) => {
    await openDemo(page, 'Bird table')
    await page.getByRole('link', { name: 'Booklet' }).click()
    await page.route('**/api/booklets', (route) =>
      route.fulfill({ status: 429, json: { code: 'too-often', message: 'Too many booklets.' } }),
    )
    await page.getByRole('button', { name: 'Publish and get a link' }).click()
    await expect(page.getByRole('alert')).toContainText('Too many booklets.')
    await expectAccessible(page)
  })
})

test('printing prepares every page and hands it to the printer', async ({ page }) => {
  await openDemo(page, 'Bird table')
  await page.goto(await publish(page))
  await page.evaluate(() => {
    window.print = () => document.body.setAttribute('data-printed', String(document.querySelectorAll('.print-page').length))
  })
  await page.getByRole('button', { name: 'Print', exact: true }).click()
  await expect(page.locator('body')).toHaveAttribute('data-printed', /^\d+$/)
  expect(Number(await page.locator('body').getAttribute('data-printed'))).toBeGreaterThan(8)
})
