import { readFileSync } from 'node:fs'
import { expect, test } from './fixtures'
import { expectAccessible, openDemo } from './support'

test('steps come out of bags, fewer pieces a bag make more of them, and several builders have booklets of their own', async ({ page }) => {
  await openDemo(page, 'Ferry house')
  await page.getByRole('link', { name: 'Parts', exact: true }).click()
  await page.getByRole('link', { name: 'Bags' }).click()
  await expect(page.getByText(/^2 bags, \d+ pieces in the largest/)).toBeVisible()
  await expect(
    page.getByRole('article', { name: 'Bag 1' }).getByRole('list', { name: 'Pieces of bag 1' }).getByRole('listitem').first(),
  ).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('Pieces in a bag, at most').fill('40')
  await page.getByLabel('Pieces in a bag, at most').press('Tab')
  await expect(page.getByText(/^([6-9]|1\d) bags/)).toBeVisible()
  await page.getByText('What matters').click()
  await page.getByLabel('Sections whole').selectOption('matters most')
  await expect(page.getByText(/^([6-9]|1\d) bags/)).toBeVisible()
  await page.getByLabel('Builders at the same time').fill('3')
  await page.getByLabel('Builders at the same time').press('Enter')
  await expect(page.getByRole('heading', { name: 'Booklet 3' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Booklet 3' })).toContainText('It joins what the others have built.')
  await expect(page.getByRole('region', { name: 'Booklet 1' })).toContainText('It needs nothing of the others.')
  await expect(page.getByRole('region', { name: 'Who builds when' })).toContainText('3 builders are ready')
  const [table] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as a table' }).click()])
  expect(readFileSync(await table.path(), 'utf8')).toContain('bag,booklet,section,from step,to step,times,mirrored,pieces of the bag')
})

test('the booklet says where a bag begins where that is asked for, and bags have labels', async ({ page }) => {
  await openDemo(page, 'Market stall')
  await page.getByRole('link', { name: 'Parts', exact: true }).click()
  await page.getByRole('link', { name: 'Bags' }).click()
  await page.getByLabel('Pieces in a bag, at most').fill('15')
  await page.getByLabel('Pieces in a bag, at most').press('Tab')
  await expect(page.getByText(/^4 bags/)).toBeVisible()
  await page.getByLabel('The booklet says where a bag begins').check()
  await expect(page.getByRole('button', { name: 'Undo: tell of bags in the booklet' })).toBeVisible()
  await page.getByRole('button', { name: 'Print labels' }).click()
  const labels = page.getByRole('dialog', { name: 'Labels for the bags' })
  await expect(labels.getByRole('listitem')).toHaveCount(4)
  await expect(labels.getByRole('listitem').nth(1)).toContainText('B Stall, step 1')
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  const before = await page.getByRole('article').allInnerTexts()
  await page.getByRole('button', { name: 'Last step of bag 2 to the bag after' }).click()
  await expect(page.getByText('The bag would hold 17 pieces, and 15 at most are asked for.')).toBeVisible()
  await page.getByRole('button', { name: 'First step of bag 4 to the bag before' }).click()
  await expect(page.getByRole('button', { name: 'Undo: move work to the bag before' })).toBeVisible()
  await expect(page.getByText('Steps were moved between bags.')).toBeVisible()
  await page.getByRole('button', { name: 'Pack them anew' }).click()
  await expect(page.getByText('Steps were moved between bags.')).toBeHidden()
  await expect.poll(() => page.getByRole('article').allInnerTexts()).toEqual(before)
  await page.getByRole('link', { name: 'Booklet', exact: true }).click()
  // Bags are articles too, and stand until the sheets come.
  const sheets = page.getByRole('article', { name: /^Sheet/ })
  await expect(sheets.first()).toBeVisible()
  const said: string[] = []
  for (let i = 0; i < (await sheets.count()); i++) {
    await sheets.nth(i).scrollIntoViewIfNeeded()
    await expect(sheets.nth(i).locator('text').first()).toBeVisible()
    said.push(await sheets.nth(i).innerText())
  }
  for (const bag of [1, 2, 3, 4]) expect(said.join('\n')).toContain(`Open bag ${bag}`)
})
