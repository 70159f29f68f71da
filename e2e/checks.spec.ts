import type { Page } from '@playwright/test'
import { expect, test } from './fixtures'
import { bringIn, expectAccessible, openDemo, pictureDrawn, stepLabel, tie } from './support'

/** A tower of bricks whose given steps forget one and name another twice. */
async function openFlawed(page: Page): Promise<void> {
  const parts = [0, 1, 2, 3].map((i) => ({ id: `b${i}`, shape: 'brick-2x2', colour: 'sand', at: [0, 0, i * 12] }))
  const steps = [{ add: ['b0', 'b1'] }, { add: ['b1', 'b2'] }]
  const sections = [{ id: 'm', name: 'Tower', parts, steps }]
  const model = { format: 'jump-rail-model', version: 1, name: 'Flawed', root: 'm', sections }
  await page.goto('/')
  await bringIn(page, 'f.rail.json', JSON.stringify(model))
  await page.getByRole('button', { name: 'Open' }).click()
  await expect(page.getByRole('region', { name: 'Rail' })).toBeVisible()
}

test('a model without findings says so', async ({ page }) => {
  await openDemo(page, 'Ferry house')
  await page.getByRole('link', { name: /^Checks/ }).click()
  await expect(page.getByText('Nothing found.')).toBeVisible()
  await expectAccessible(page)
})

test('findings are solved with one click, undone, and lead to their step', async ({ page }) => {
  await openFlawed(page)
  await page.getByRole('link', { name: 'Checks 2 findings' }).click()
  const errors = page.getByRole('group', { name: /^Findings/ })
  await expect(errors.getByRole('button')).toHaveCount(2)
  await errors.getByRole('button', { name: /In no step/ }).click()
  const one = page.getByRole('region', { name: 'Finding', exact: true })
  await expect(one).toContainText('No step adds “b3”')
  await pictureDrawn(page)
  await expectAccessible(page)

  await one.getByRole('button', { name: 'Put them into a last step' }).click()
  await expect(errors.getByRole('button')).toHaveCount(1)
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click()
  await expect(errors.getByRole('button')).toHaveCount(2)
  await errors.getByRole('button', { name: /In no step/ }).click()
  await one.getByRole('button', { name: 'Put them into a last step' }).click()
  await errors.getByRole('button', { name: /In two steps/ }).click()
  await one.getByRole('button', { name: 'Show it on the rail' }).click()
  await expect(stepLabel(page)).toContainText('A 02')
  await page.getByRole('link', { name: /^Checks/ }).click()
  await page.getByRole('button', { name: 'Keep it only where it comes first' }).click()
  await expect(page.getByText('Nothing found.')).toBeVisible()
})

test('findings are filtered and walked by keyboard', async ({ page }) => {
  await openFlawed(page)
  await page.getByRole('link', { name: /^Checks/ }).click()
  const entries = page.getByRole('group', { name: /^Findings/ }).getByRole('button')
  await entries.first().focus()
  await page.keyboard.press('ArrowDown')
  await expect(entries.nth(1)).toBeFocused()
  await expect(entries.nth(1)).toHaveAttribute('aria-current', 'true')
  await page.getByLabel('What').selectOption({ label: 'In two steps' })
  await expect(entries).toHaveCount(1)
})

test('a step says why it works', async ({ page }) => {
  await openDemo(page, 'Ferry house')
  await tie(page, 'B 02').click()
  await page.getByText('Why this works').click()
  const proof = page.getByRole('listitem').filter({ hasText: /Goes in from above; holds on \d+ studs? of “/ })
  await expect(proof.first()).toBeVisible()
  await expectAccessible(page)
  // One part alone, with an arrow along its way in; again shows the step.
  const whole = await page.locator('.picture canvas').first().screenshot()
  const one = proof.first().getByRole('button')
  await one.click()
  await expect(one).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByRole('img', { name: /alone, with its way in/ })).toHaveAttribute('data-drawn', 'true')
  expect((await page.locator('.picture canvas').first().screenshot()).equals(whole)).toBe(false)
  await one.click()
  await expect(page.getByRole('img', { name: /alone, with its way in/ })).toHaveCount(0)
})

test('the strategy and the size of steps are chosen, compared, kept, and leave the model alone', async ({ page }) => {
  await openDemo(page, 'Bird table')
  const ties = page.getByRole('button', { name: /^Step A \d\d,/ })
  const before = await ties.count()
  await page.getByLabel('Step size').selectOption({ label: 'Easy, few parts' })
  await expect.poll(() => ties.count()).toBeGreaterThan(before)
  await page.getByRole('button', { name: 'Compare the strategies' }).click()
  await expect(page.getByRole('table').getByRole('row')).toHaveCount(4)
  await expectAccessible(page)
  const easy = await ties.count()
  await page.reload()
  await expect(ties).toHaveCount(easy)
  // The strategy is undone like everything else.
  await page.getByRole('button', { name: 'Undo: lay the steps another way' }).click()
  await expect(ties).toHaveCount(before)
  await expect(page.getByLabel('Step size')).toHaveValue('normal')
})

test('a place is kept within reach: the step that closes it is told, until the place is removed', async ({ page }) => {
  const walls = [0, 12].flatMap((z) => [
    { id: `n${z}`, shape: 'brick-1x4', colour: 'sand', at: [0, 30, 4 + z] },
    { id: `s${z}`, shape: 'brick-1x4', colour: 'sand', at: [0, 0, 4 + z] },
    { id: `w${z}`, shape: 'brick-1x2', colour: 'sand', at: [0, 10, 4 + z], turn: '+y-x' },
    { id: `e${z}`, shape: 'brick-1x2', colour: 'sand', at: [30, 10, 4 + z], turn: '+y-x' },
  ])
  const parts = [
    { id: 'floor', shape: 'plate-4x4', colour: 'slate', at: [0, 0, 0] },
    { id: 'seat', shape: 'tile-2x2', colour: 'rust', at: [10, 10, 4], showsColour: false },
    ...walls,
    { id: 'lid', shape: 'plate-4x4', colour: 'slate', at: [0, 0, 28] },
  ]
  const model = { format: 'jump-rail-model', version: 1, name: 'Box', root: 'm', sections: [{ id: 'm', name: 'Box', parts }] }
  await page.goto('/')
  await bringIn(page, 'b.rail.json', JSON.stringify(model))
  await page.getByRole('button', { name: 'Open' }).click()
  await pictureDrawn(page)
  await page.getByRole('link', { name: /^Checks/ }).click()
  await page.getByText('Places to keep within reach').click()
  await page.getByLabel('Part', { exact: true }).fill('seat')
  await page.getByLabel('Name', { exact: true }).fill('Warm seat')
  await page.getByRole('button', { name: 'Keep within reach' }).click()
  await page.getByRole('button', { name: /Out of reach/ }).click()
  await expect(page.getByRole('region', { name: 'Finding', exact: true })).toContainText('“Warm seat” can no longer be reached')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Remove the place Warm seat' }).click()
  await expect(page.getByRole('button', { name: /Out of reach/ })).toHaveCount(0)
  await page.getByLabel('Part', { exact: true }).fill('sofa')
  await page.getByLabel('Name', { exact: true }).fill('Sofa')
  await page.getByRole('button', { name: 'Keep within reach' }).click()
  await expect(page.getByRole('alert')).toContainText('has no part “sofa”')
})

/** Opens a large floor on which small parts come far apart, in one step. */
async function openYard(page: Page, small: number): Promise<void> {
  const piece = (id: string, shape: string, at: readonly number[]) => ({ id, shape, colour: 'sand', at })
  const floor = Array.from({ length: 16 }, (_, i) => piece(`p${i}`, 'plate-8x16', [(i % 4) * 160, Math.floor(i / 4) * 80, 0]))
  const places = [[10, 10], [620, 310], [620, 10], [10, 310], [310, 160]] as const // prettier-ignore
  const far = places.slice(0, small).map(([x, y], i) => piece(`far${i}`, 'plate-1x1', [x, y, 4]))
  const steps = [{ add: floor.map(({ id }) => id) }, { add: far.map(({ id }) => id) }]
  const sections = [{ id: 'm', name: 'Yard', parts: [...floor, ...far], steps }]
  await page.goto('/')
  await bringIn(page, 'yard.rail.json', JSON.stringify({ format: 'jump-rail-model', version: 1, name: 'Yard', root: 'm', sections }))
  await page.getByRole('button', { name: 'Open' }).click()
  await page.getByRole('link', { name: /^Checks/ }).click()
}

test('the pictures are read as a builder would, with progress, and what is easy to misread is told until a note says where it goes', async ({
  page,
}) => {
  await openYard(page, 5)
  const reading = page.getByRole('region', { name: 'Reading the pictures' })
  await reading.getByRole('button', { name: 'Read the pictures as a builder would' }).click()
  await expect(reading.getByText('2 parts easy to misread, 9.5 of a hundred.')).toBeVisible()
  await expectAccessible(page)
  const entry = page.getByRole('button', { name: /Easy to misread/ })
  await expect(entry).toHaveCount(2)
  await entry.first().click()
  await expect(page.getByText(/would hold one stud to the \w+ too, and the picture would look almost the same/)).toBeVisible()
  // A note is about its step: it takes away what was told of that step.
  await page.getByRole('button', { name: 'Write a note into the step' }).click()
  await expect(entry).toHaveCount(0)
  await expect(reading.getByText('The model has changed since.')).toBeVisible()
})

test('reading the pictures gives steps small pictures that tell where parts go; they are kept over a reload, and can be undone', async ({
  page,
}) => {
  await openYard(page, 2)
  const reading = page.getByRole('region', { name: 'Reading the pictures' })
  const read = reading.getByRole('button', { name: /^Read the pictures/ })
  await read.click()
  await expect(page.getByText('2 small pictures tell where parts go')).toBeVisible()
  await expect(reading.getByText('No part is easy to misread.')).toBeVisible()
  await page.reload()
  const undo = page.getByRole('button', { name: 'Undo: show small pictures that tell where parts go' })
  await undo.click()
  await expect(undo).toHaveCount(0)
  // Read again, it gives the same again.
  await read.click()
  await expect(page.getByText('2 small pictures tell where parts go')).toBeVisible()
})
