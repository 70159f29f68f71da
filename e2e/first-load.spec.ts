import { readdirSync, statSync } from 'node:fs'
import { expect, test } from './fixtures'

const ASSETS = 'dist/app/assets'

test('the shelf needs at most 240 kB before there is something to read', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('list', { name: 'Models' }).getByRole('listitem')).toHaveCount(6)
  // What arrives after the first words are painted kept nobody waiting.
  const first = await page.evaluate(() => {
    const painted = performance.getEntriesByName('first-contentful-paint')[0]!.startTime
    const resources = performance.getEntriesByType('resource') as PerformanceResourceTiming[]
    return resources
      .filter(({ responseEnd, name }) => responseEnd < painted && /\.(js|css)$/.test(name))
      .map(({ name, encodedBodySize }) => ({ name, size: encodedBodySize }))
  })
  const sum = first.reduce((all, { size }) => all + size, 0)
  expect(first.length).toBeGreaterThan(5)
  expect(sum).toBeGreaterThan(50_000)
  expect(sum).toBeLessThan(240_000)
})

test('no file of the application is over 500 kB', () => {
  const programs = readdirSync(ASSETS).filter((file) => /\.(js|css)$/.test(file))
  expect(programs.length).toBeGreaterThan(10)
  expect(programs.filter((file) => statSync(`${ASSETS}/${file}`).size > 500_000)).toEqual([])
})
