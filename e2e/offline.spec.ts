import type { Page } from '@playwright/test'
import { expect, test } from './fixtures'
import { openDemo, publish } from './support'

test.use({ serviceWorkers: 'allow', expectedErrors: [/ERR_INTERNET_DISCONNECTED/] })

/** What the service worker keeps, by the names of its caches. */
const kept = (page: Page): Promise<Record<string, string[]>> =>
  page.evaluate(
    async () =>
      Object.fromEntries(
        await Promise.all(
          (await caches.keys()).map(async (name) => [
            name,
            (await (await caches.open(name)).keys()).map(({ url }) => new URL(url).pathname),
          ]),
        ),
      ) as Record<string, string[]>,
  )

test('the application and a booklet that was opened work without a network', async ({ page, context }) => {
  await page.goto('/')
  await expect
    .poll(async () => Object.entries(await kept(page)).some(([name, files]) => name.startsWith('app ') && files.includes('/index.html')))
    .toBe(true)
  await openDemo(page, 'Bird table')
  const link = await publish(page)
  await page.goto(link)
  await expect.poll(async () => (await kept(page))['booklets']?.length ?? 0).toBe(1)

  await context.setOffline(true)
  await page.reload()
  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(page.locator('canvas[data-drawn="true"]').first()).toBeVisible()
  await page.goto('/')
  await page.getByRole('link', { name: 'Bird table' }).first().click()
  await page.getByRole('link', { name: 'Booklet' }).click()
  await expect(page.getByRole('article', { name: 'Sheet 1, Bird table' })).toBeVisible()
})

test('the application can be installed: it names itself, and has pictures of the sizes that are asked for', async ({ page, request }) => {
  await page.goto('/')
  const address = await page.locator('link[rel="manifest"]').getAttribute('href')
  const manifest = (await (await request.get(address!)).json()) as { icons: { src: string; sizes: string }[]; start_url: string }
  expect(manifest.start_url).toBe('/')
  for (const { src, sizes } of manifest.icons.filter(({ sizes }) => sizes !== 'any')) {
    const icon = await (await request.get(src)).body()
    expect(`${icon.readUInt32BE(16)}x${icon.readUInt32BE(20)}`).toBe(sizes)
  }
})
