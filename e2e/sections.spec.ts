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

test('what a section is made of is dragged to another, or sent there by keyboard, and undone', async ({ page }) => {
  const brick = (id: string, at: number[], colour: string) => ({ id, shape: 'brick-2x4', colour, at })
  const model = {
    format: 'jump-rail-model',
    version: 1,
    name: 'Heap',
    root: 'm',
    sections: [
      {
        id: 'm',
        name: 'Yard',
        parts: [brick('a', [0, 0, 0], 'red'), brick('b', [0, 0, 12], 'slate')],
        copies: [
          { id: 'k', section: 's', at: [0, 0, 24] },
          { id: 'l', section: 't', at: [0, 0, 36] },
        ],
      },
      { id: 's', name: 'Shed', parts: [brick('c', [0, 0, 0], 'sand')] },
      { id: 't', name: 'Hut', parts: [brick('d', [0, 0, 0], 'sand')] },
    ],
  }
  // Both ends of the drag in one view: a page that scrolls while the button is down makes a drag miss.
  await page.setViewportSize({ width: 1280, height: 1400 })
  await page.goto('/')
  await bringIn(page, 'heap.rail.json', JSON.stringify(model))
  await page.getByRole('button', { name: 'Open' }).click()
  await page.getByRole('link', { name: 'Sections' }).click()
  const list = page.getByRole('list', { name: 'Sections of this model' })
  await list.getByText('What is in it').first().click()
  const yard = page.getByRole('list', { name: 'What is in Yard' })
  const rounds = page.getByRole('list', { name: 'What can be built at the same time' }).getByRole('listitem')
  await expect(rounds.first()).toHaveText('A Shed · B Hut')
  await expect(rounds.nth(1)).toHaveText('C Yard')
  const red = yard.getByText('Brick 2 × 4, red', { exact: true })
  await red.dragTo(list.getByRole('textbox', { name: 'Section' }).first())
  await expect(red).toBeHidden()
  await page.getByRole('button', { name: /^Undo: move 1 thing to Shed/ }).click()
  await expect(yard.getByText('Brick 2 × 4, red', { exact: true })).toBeVisible()
  await yard.getByLabel('Where Brick 2 × 4, red goes').selectOption({ label: 'Shed' })
  await expect(yard.getByText('Brick 2 × 4, red', { exact: true })).toBeHidden()
})
