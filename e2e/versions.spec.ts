import { expect, test } from './fixtures'
import { bringIn, expectAccessible, openDemo, publish } from './support'

const MODEL = {
  format: 'jump-rail-model',
  version: 1,
  name: 'Box',
  root: 'box',
  sections: [
    {
      id: 'box',
      name: 'Box',
      parts: [
        { id: 'a', shape: 'brick-2x4', colour: 'red', at: [0, 0, 0] },
        { id: 'b', shape: 'brick-2x4', colour: 'red', at: [0, 0, 12] },
        { id: 'cap', shape: 'tile-2x4', colour: 'ivory', at: [0, 0, 24], option: 'caps' },
      ],
    },
  ],
  options: [
    { id: 'caps', name: 'Caps', rulesOut: ['row'] },
    { id: 'row', name: 'Row' },
  ],
  variants: [{ id: 'night', name: 'Night', with: ['caps', 'row'], recolour: [{ from: 'red', to: 'black' }] }],
}

test('versions are compared, shown, made and taken away; parts and checks follow the one that is shown', async ({ page }) => {
  await page.goto('/')
  await bringIn(page, 'box.rail.json', JSON.stringify(MODEL))
  await page.getByRole('button', { name: 'Open' }).click()
  await page.getByRole('link', { name: 'Parts', exact: true }).click()
  await expect(page.getByText(/^2 pieces of 1 kind/)).toBeVisible()
  await page.getByRole('link', { name: 'Versions', exact: true }).click()
  const rows = page.getByRole('table', { name: 'Versions of this model' }).getByRole('row')
  await expect(rows).toHaveCount(3)
  await expect(rows.nth(2)).toContainText('“Caps” rules out “Row”')
  await expectAccessible(page)
  const pair = page.getByRole('region', { name: 'Side by side' })
  await expect(pair.getByRole('list', { name: 'What is added' })).toContainText('Tile 2 × 4')
  await expect(pair).toContainText('2 × Brick 2 × 4: black instead of red')
  await page.getByRole('button', { name: 'Show Night' }).click()
  await expect(rows.nth(2)).toContainText('shown now')
  const colours = page.getByRole('region', { name: 'Colours of Night' })
  await expect(colours.getByLabel('Red becomes')).toHaveValue('black')
  await colours.getByLabel('Ivory becomes').selectOption('plum')
  await expect(page.getByRole('button', { name: 'Undo: recolour Night' })).toBeVisible()
  await expect(pair).toContainText('Plum')
  await page.getByRole('button', { name: 'Undo: recolour Night' }).click()
  await expect(colours.getByLabel('Ivory becomes')).toHaveValue('ivory')
  await page.getByRole('link', { name: /^Checks/ }).click()
  await expect(page.getByText('“Caps” rules out “Row”, and both are in.').first()).toBeVisible()
  await page.getByRole('link', { name: 'Parts', exact: true }).click()
  await expect(page.getByText(/^3 pieces of 2 kinds/)).toBeVisible()
  await expect(page.getByText('Black').first()).toBeVisible()

  await page.getByRole('link', { name: 'Versions', exact: true }).click()
  await page.getByLabel('A new option').fill('Little flag')
  await page.getByRole('button', { name: 'Add it' }).click()
  await page.getByLabel('Little flag is in').check()
  await page.getByLabel('Keep what is in now as a version called').fill('With a flag')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(rows).toHaveCount(4)
  await expect(rows.nth(3)).toContainText('Little flag')
  await page.getByText('What goes with Little flag').click()
  await page.getByLabel('Little flag and Caps').selectOption('needs')
  await expect(rows.nth(3)).toContainText('“Little flag” needs “Caps”, which is not in')
  await page.getByRole('button', { name: 'Undo: tie Little flag to another option' }).click()
  await expect(rows.nth(3)).not.toContainText('needs “Caps”')
  await page.getByRole('button', { name: 'Take Little flag away' }).click()
  await expect(page.getByLabel('Little flag is in')).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo: take Little flag away' }).click()
  await expect(page.getByLabel('Little flag is in')).toBeChecked()
})

test('pieces chosen on the Bench are there only with an option', async ({ page }) => {
  await page.goto('/')
  await bringIn(page, 'box.rail.json', JSON.stringify(MODEL))
  await page.getByRole('button', { name: 'Open' }).click()
  await page.getByRole('link', { name: 'Bench', exact: true }).click()
  const paper = page.locator('.paper')
  await expect(paper).toHaveAttribute('data-drawn', /[1-9]/)
  const box = (await paper.boundingBox())!
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2)
  await page.getByText('Change it').click()
  await page.getByLabel('It is there').selectOption({ label: 'only with Row' })
  await page.getByRole('link', { name: 'Parts', exact: true }).click()
  await expect(page.getByText(/^1 piece of 1 kind|^2 pieces of 1 kind/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Undo: say in which versions it is there' })).toBeVisible()
})

test('builders choose among the versions in a booklet, and what is built so in one only says so', async ({ page, browser }) => {
  await openDemo(page, 'Market stall')
  await page.getByRole('link', { name: 'Booklet', exact: true }).click()
  const versions = page.getByRole('group', { name: 'Versions in it' })
  await expect(versions.getByRole('checkbox', { name: 'Night version' })).toBeChecked()
  const link = await publish(page)

  const follower = await (await browser.newContext({ viewport: { width: 390, height: 780 }, hasTouch: true })).newPage()
  await follower.goto(link)
  const choice = follower.getByRole('group', { name: 'Which one do you build?' })
  await expect(choice.getByRole('radio', { name: 'As designed' })).toBeChecked()
  await choice.getByRole('radio', { name: 'Night version' }).check()
  await expect(choice.getByRole('radio', { name: 'Night version' })).toBeChecked()
  await expectAccessible(follower)
  await follower.getByRole('button', { name: 'Begin' }).click()
  const line = follower.getByRole('slider', { name: 'Place in the booklet' })
  const next = follower.getByRole('button', { name: /^Next/ })
  while (!(await follower.getByText('Built so in “Night version” only.', { exact: true }).isVisible())) await next.click()
  const at = await line.getAttribute('aria-valuetext')
  await follower.reload()
  await expect(line).toHaveAttribute('aria-valuetext', at!)
  await expect(follower.getByText('Built so in “Night version” only.', { exact: true })).toBeVisible()
  // The line is the rail: a touch on its first section goes there.
  await line.click({ position: { x: 1, y: 6 } })
  await expect(choice.getByRole('radio', { name: 'Night version' })).toBeChecked()
})
