import { readFileSync } from 'node:fs'
import { flattened } from '../tests/support/flattened'
import type { ModelDocument } from '../src/core/model'
import { expect, test } from './fixtures'
import { bringIn, pictureDrawn } from './support'

test('a demo that lost its sections is cut up again, and its rail is laid from them', async ({ page }) => {
  const demo = JSON.parse(readFileSync('demo/models/ferry-house.rail.json', 'utf8')) as ModelDocument
  const flat = flattened(demo)
  const count = flat.sections[0]!.parts!.length
  expect(flat.sections).toHaveLength(1)
  await page.goto('/')
  await bringIn(page, 'flat.rail.json', JSON.stringify({ ...flat, name: 'Flat house' }))
  await page.getByRole('button', { name: 'Open' }).click()
  await pictureDrawn(page)
  await page.getByRole('link', { name: 'Sections' }).click()
  await page.getByRole('button', { name: 'Make all that save telling' }).click()
  await expect(page.getByRole('button', { name: /^Undo: make sections/ })).toBeVisible()
  const lines = page.getByRole('list', { name: 'Sections of this model' }).getByRole('listitem')
  expect(await lines.count()).toBeGreaterThan(2)
  // What is told once is less than what stands there, and what stands there is the same.
  const told = (await lines.allTextContents()).reduce((sum, text) => sum + Number(/(\d+) pieces? of its own/.exec(text)?.[1] ?? 0), 0)
  expect(told).toBeLessThan(count)
  await page.getByRole('link', { name: 'Rail', exact: true }).click()
  await pictureDrawn(page)
  await page.getByRole('link', { name: 'Booklet' }).click()
  await page.getByLabel('Go to').selectOption('All pieces')
  await expect(page.getByText(new RegExp(`${count} parts`)).first()).toBeVisible()
})
