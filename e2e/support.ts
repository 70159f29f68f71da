import { readFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import { expect, type Locator, type Page } from '@playwright/test'
import { HtmlValidate } from 'html-validate'

/** Opens a demo from the shelf and waits for its rail. */
export async function openDemo(page: Page, name: string): Promise<void> {
  await page.goto('/')
  await page.getByRole('link', { name }).click()
  await expect(page.getByRole('region', { name: 'Rail' })).toBeVisible()
  await pictureDrawn(page)
}

/** Looks at a file from the shelf, and brings it in. */
export async function bringIn(page: Page, name: string, content: string | Buffer): Promise<void> {
  await lookAt(page, name, content)
  await page.getByRole('button', { name: 'Bring it in' }).click()
}

/** Brings in the file of a demo and opens it: unlike what stands on the shelf, nobody has planned it before. */
export async function openDemoFile(page: Page, demo: string): Promise<void> {
  const file = `${demo}.rail.json`
  await page.goto('/')
  await bringIn(page, file, readFileSync(`demo/models/${file}`))
  await page.getByRole('button', { name: 'Open' }).click()
}

/** Picks a file on the shelf: it is shown, and not stored. */
export async function lookAt(page: Page, name: string, content: string | Buffer): Promise<void> {
  await page
    .getByLabel('Model files to bring in')
    .setInputFiles({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(content) })
  await expect(page.getByRole('heading', { level: 1, name: 'Bring in' })).toBeVisible()
}

/** The step picture has been painted. */
export async function pictureDrawn(page: Page): Promise<void> {
  await expect(page.locator('canvas[data-drawn="true"]').first()).toBeVisible()
}

export const tie = (page: Page, label: string): Locator => page.getByRole('button', { name: new RegExp(`^Step ${label},`) })

/** The label of the step that the tray shows: "B 05". */
export const stepLabel = (page: Page): Locator => page.getByRole('region', { name: 'Tray' }).getByRole('heading', { level: 2 })

/** Publishes the open model and returns the link. */
export async function publish(page: Page): Promise<string> {
  await page.getByRole('link', { name: 'Booklet' }).click()
  await page.getByRole('button', { name: 'Publish and get a link' }).click()
  const link = page.getByRole('link', { name: /\/f\// })
  await expect(link).toBeVisible()
  return (await link.getAttribute('href'))!
}

/** The library's buttons draw their frame with elements that HTML does not allow there; browsers mind nothing. */
const OF_THE_LIBRARY = '<div> element is not permitted as content under <button>'
const validator = new HtmlValidate({ extends: ['html-validate:standard'] })

/** What is wrong with a page or a file as HTML. */
export async function invalidHtml(html: string): Promise<string[]> {
  const { results } = await validator.validateString(html)
  const found = results.flatMap(({ messages }) => messages)
  return found
    .filter(({ message }) => message !== OF_THE_LIBRARY)
    .map(({ ruleId, message, selector }) => `${ruleId}: ${message} ${selector ?? ''}`)
}

/** No finding of axe on the page as it stands, and valid HTML. */
export async function expectAccessible(page: Page): Promise<void> {
  expect(await invalidHtml(await page.content())).toEqual([])
  // Without a page of its own to gather frames in, and without the lists of what passed, it takes half the time.
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })
  const { violations } = await axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']).analyze()
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html).join(' | ')}`)).toEqual([])
}

/** The total of the counts that a tray lists. */
export async function trayTotal(tray: Locator): Promise<number> {
  const counts = await tray.locator('.count').allInnerTexts()
  return counts.reduce((sum, text) => sum + Number.parseInt(text, 10), 0)
}
