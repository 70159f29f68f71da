import { expect, test } from './fixtures'
import { bringIn, expectAccessible } from './support'

/** Posts on a floor, all in one heap: what somebody has who took no notes. */
function heap() {
  const post = (name: string, x: number, y: number, colour = 'red') => [
    { id: `${name}-a`, shape: 'brick-1x2', colour: 'slate', at: [x, y, 4] },
    { id: `${name}-b`, shape: 'brick-1x2', colour, at: [x, y, 16] },
    { id: `${name}-c`, shape: 'plate-1x1', colour: 'slate', at: [x, y, 28] },
    { id: `${name}-d`, shape: 'tile-1x1', colour: 'slate', at: [x + 10, y, 28] },
    { id: `${name}-e`, shape: 'cone-1x1', colour: 'slate', at: [x, y, 32] },
  ]
  const floor = { id: 'floor', shape: 'plate-16x16', colour: 'green', at: [0, 0, 0] }
  const parts = [floor, ...post('one', 0, 0), ...post('two', 50, 30), ...post('three', 100, 100)]
  return { format: 'jump-rail-model', version: 1, name: 'Posts', root: 'm', sections: [{ id: 'm', name: 'Posts', parts }] }
}

test('what repeats is found, shown with its reason, made a section, renamed, and undone', async ({ page }) => {
  await page.goto('/')
  await bringIn(page, 'posts.rail.json', JSON.stringify(heap()))
  await page.getByRole('button', { name: 'Open' }).click()
  await page.getByRole('link', { name: 'Sections' }).click()
  await page.getByRole('button', { name: 'Look for sections' }).click()
  const suggestions = page.getByRole('list', { name: 'Suggested sections' }).getByRole('listitem')
  await expect(suggestions.first()).toContainText('5 parts, 3 times; 10 parts fewer to tell')
  await expect(suggestions.first().getByRole('img')).toBeVisible()
  await expectAccessible(page)
  await suggestions.first().getByRole('button').click()
  const sections = page.getByRole('list', { name: 'Sections of this model' }).getByRole('listitem')
  await expect(sections).toHaveCount(2)
  await expect(sections.nth(1)).toContainText('5 pieces of its own; built 3 times.')
  await sections.nth(1).getByRole('textbox').fill('Post')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('button', { name: 'Undo: rename a section' })).toBeVisible()
  await page.getByRole('button', { name: /^Undo/ }).click()
  await page.getByRole('button', { name: 'Undo: make a section' }).click()
  await expect(sections).toHaveCount(1)
})

test('all that saves telling is made at once, and can be taken back at once', async ({ page }) => {
  await page.goto('/')
  await bringIn(page, 'posts.rail.json', JSON.stringify(heap()))
  await page.getByRole('button', { name: 'Open' }).click()
  await page.getByRole('link', { name: 'Sections' }).click()
  await page.getByRole('button', { name: 'Make all that save telling' }).click()
  const sections = page.getByRole('list', { name: 'Sections of this model' }).getByRole('listitem')
  await expect(sections).toHaveCount(2)
  await expect(page.getByText('1 section was made.')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(sections).toHaveCount(1)
})
