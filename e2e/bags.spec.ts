import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { expectAccessible, openDemo } from './support'

test('steps come out of bags, fewer pieces a bag make more of them, and several builders have booklets of their own', async ({ page }) => {
  await openDemo(page, 'Ferry house')
  await page.getByRole('link', { name: 'Parts', exact: true }).click()
  await page.getByRole('link', { name: 'Bags' }).click()
  await expect(page.getByText(/^2 bags, \d+ pieces in the largest/)).toBeVisible({ timeout: 20_000 })
  await expect(
    page.getByRole('article', { name: 'Bag 1' }).getByRole('list', { name: 'Pieces of bag 1' }).getByRole('listitem').first(),
  ).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('Pieces in a bag, at most').fill('40')
  await page.getByLabel('Pieces in a bag, at most').press('Tab')
  await expect(page.getByText(/^([6-9]|1\d) bags/)).toBeVisible()
  await page.getByLabel('Builders at the same time').fill('3')
  await page.getByLabel('Builders at the same time').press('Enter')
  await expect(page.getByRole('heading', { name: 'Booklet 3' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Booklet 3' })).toContainText('It joins what the others have built.')
  await expect(page.getByRole('region', { name: 'Booklet 1' })).toContainText('It needs nothing of the others.')
  const [table] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as a table' }).click()])
  expect(readFileSync(await table.path(), 'utf8')).toContain('bag,booklet,section,from step,to step,times,mirrored,pieces of the bag')
})
