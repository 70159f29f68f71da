import { expect, test } from './fixtures'
import { closedRoom } from '../tests/support/models'
import { bringIn, expectAccessible, publish } from './support'
import type { Page } from '@playwright/test'

const model = (page: Page) => page.locator('.paper')
const hand = (page: Page) => page.getByRole('region', { name: 'In the hand' })
const chosen = (page: Page) => page.getByRole('region', { name: 'What is chosen' })
const line = (page: Page) => page.getByRole('combobox', { name: 'In my hand' })

/** All commands that were given are done and shown. */
async function settled(page: Page): Promise<void> {
  await expect(page.locator('main[data-busy="false"]')).toBeVisible()
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
}

async function newModel(page: Page): Promise<void> {
  await page.goto('/')
  await page.getByRole('button', { name: 'New model' }).click()
  await expect(page.getByRole('heading', { name: 'Nothing stands here yet' })).toBeVisible()
  await expect(model(page)).not.toHaveAttribute('data-drawn', '0')
}

/** Writes a piece into the line and takes it up. */
async function takeUp(page: Page, piece: string): Promise<void> {
  await page.keyboard.press('/')
  await expect(line(page)).toBeFocused()
  await page.keyboard.type(piece)
  await page.keyboard.press('Enter')
  await expect(hand(page)).toBeVisible()
}
async function press(page: Page, ...keys: string[]): Promise<void> {
  for (const key of keys) await page.keyboard.press(key)
}
const heap = (parts: object[], name = 'Heap') =>
  JSON.stringify({ format: 'jump-rail-model', version: 1, name, root: 'm', sections: [{ id: 'm', name: 'Main', parts }] })
const brick = (id: string, at: number[], colour = 'slate', shape = 'brick-2x4') => ({ id, shape, colour, at })

async function openHeap(page: Page, parts: object[]): Promise<void> {
  await page.goto('/')
  await bringIn(page, 'heap.rail.json', heap(parts))
  await page.getByRole('button', { name: 'Open' }).click()
  await page.getByRole('link', { name: 'Bench' }).click()
  await expect(model(page)).not.toHaveAttribute('data-drawn', '0')
}

test('forty parts are built from nothing by keyboard, planned, and published', async ({ page }) => {
  await newModel(page)
  await takeUp(page, 'plate 16x16 moss')
  await press(page, 'Enter')
  await settled(page)
  await takeUp(page, 'brick 2x4 red')
  await expect(hand(page)).toContainText('Held in 8 places by 1 piece.')
  // Four in a row, four times, each course on the last.
  for (let course = 0; course < 3; course++) {
    await press(page, '4')
    await settled(page)
    if (course < 2) for (let i = 0; i < 3; i++) await press(page, 'ArrowLeft', 'ArrowLeft', 'ArrowLeft', 'ArrowLeft')
  }
  await press(page, 'Escape')
  await takeUp(page, 'brick 1x1 sand')
  await press(page, 'ArrowUp', 'ArrowUp', 'ArrowUp', 'ArrowUp', 'ArrowUp', 'ArrowUp')
  for (let i = 0; i < 3; i++) {
    await press(page, '9')
    await settled(page)
    await press(page, 'ArrowUp', ...Array<string>(8).fill('ArrowLeft'))
  }
  await press(page, 'Escape')
  await page.getByRole('link', { name: 'Sections' }).click()
  await expect(page.getByRole('list', { name: 'Sections of this model' })).toContainText('40 pieces of its own')
  await page.getByRole('link', { name: 'Rail', exact: true }).click()
  await expect(page.getByRole('region', { name: 'Tray' })).toContainText('laid by the planner')
  await page.getByRole('link', { name: /^Checks/ }).click()
  await expect(page.getByRole('main')).toContainText('straight seam', { ignoreCase: true })
  await expect(page.getByRole('main')).not.toContainText('share space')
  await expect(page.getByRole('main')).not.toContainText('share space')
  expect(await publish(page)).toMatch(/\/f\//)
})

test('a piece is put where the pointer is, chosen, moved, recoloured, exchanged, and all of it undone', async ({ page }) => {
  await openHeap(page, [brick('floor', [0, 0, 0], 'moss', 'plate-8x8')])
  await takeUp(page, 'brick 2x2 teal')
  const box = (await model(page).boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await expect(hand(page)).toContainText('Held in 4 places by 1 piece.')
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2)
  await settled(page)
  await page.keyboard.press('Escape')
  await expect(chosen(page)).toContainText('Brick 2 × 2, teal')
  await expectAccessible(page)
  await press(page, 'm', 'ArrowRight')
  await expect(hand(page)).toContainText('Brick 2 × 2, teal')
  await press(page, 'Enter')
  await settled(page)
  await expect(page.getByRole('button', { name: /^Undo: move Brick/ })).toBeVisible()
  await chosen(page).getByText('Change it').click()
  await chosen(page).getByLabel('Colour').selectOption('red')
  await expect(chosen(page)).toContainText('Brick 2 × 2, red')
  await chosen(page).getByLabel('Exchange for').fill('plate 2x4')
  await chosen(page).getByRole('button', { name: 'Plate 2 × 4' }).click()
  await expect(chosen(page)).toContainText('Plate 2 × 4, red')
  await page.keyboard.press('Delete')
  await expect(chosen(page)).toBeHidden()
  for (let i = 0; i < 5; i++) await page.keyboard.press('Control+z')
  await settled(page)
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled()
})

test('what collides is said before it is put, and what stands where numbers say', async ({ page }) => {
  await openHeap(page, [brick('a', [0, 0, 0]), brick('b', [0, 0, 12], 'red')])
  await press(page, 'n', 'n')
  await expect(chosen(page)).toContainText('Brick 2 × 4, red')
  await press(page, 'm', 'PageDown')
  await expect(hand(page)).toContainText('Collides. In the way of Brick 2 × 4, slate.')
  await press(page, 'PageUp', 'Escape')
  await chosen(page).getByText('Exact place').click()
  await chosen(page).getByLabel('x, u').fill('20')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('button', { name: /^Undo: place Brick/ })).toBeVisible()
  await expect(chosen(page)).toContainText('Held in 4 places by 1 piece.')
})

test('who is quicker than the plan loses nothing: what is put is there at once, and becomes part of the model', async ({ page }) => {
  await openHeap(page, [brick('floor', [0, 0, 0], 'moss', 'plate-16x16')])
  await takeUp(page, 'brick 1x1 red')
  for (let i = 0; i < 12; i++) await press(page, 'Enter', 'ArrowRight')
  await settled(page)
  await expect(page.locator('.paper canvas')).toHaveAttribute('aria-label', /13 things/)
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'Sections' }).click()
  await expect(page.getByRole('list', { name: 'Sections of this model' })).toContainText('13 pieces of its own')
})

test('keys are known by their place on a Cyrillic keyboard', async ({ page }) => {
  await openHeap(page, [brick('a', [0, 0, 0])])
  const key = (letter: string, code: string) =>
    page.evaluate(
      ([key_, code_]) =>
        void window.dispatchEvent(new KeyboardEvent('keydown', { key: key_, code: code_, bubbles: true, cancelable: true })),
      [letter, code] as const,
    )
  await key('т', 'KeyN')
  await expect(chosen(page)).toContainText('Brick 2 × 4')
  await key('ь', 'KeyM')
  await expect(hand(page)).toBeVisible()
  await key('к', 'KeyR')
  await page.keyboard.press('Enter')
  await settled(page)
  await expect(page.getByRole('button', { name: /^Undo: move/ })).toBeVisible()
})

test('a section is made of what is chosen, and joined again by hand, mirrored', async ({ page }) => {
  await openHeap(page, [
    brick('floor', [0, 0, 0], 'moss', 'plate-8x8'),
    brick('post', [0, 0, 4], 'red', 'brick-1x1'),
    brick('cap', [0, 0, 16], 'red', 'brick-1x1'),
  ])
  await press(page, 'n', 'n', 'Shift+N')
  await expect(chosen(page)).toContainText('2 pieces')
  await chosen(page).getByRole('button', { name: 'Make it a section' }).click()
  await settled(page)
  await page.getByRole('combobox', { name: 'In my hand' }).fill('part of main')
  await page.getByRole('option', { name: 'Part of Main, the section' }).click()
  await expect(hand(page)).toContainText('Part of Main')
  await press(page, 'x', 'ArrowRight', 'ArrowRight', 'Enter')
  await settled(page)
  await page.getByRole('link', { name: 'Sections' }).click()
  const sections = page.getByRole('list', { name: 'Sections of this model' }).getByRole('listitem')
  await expect(sections.nth(1)).toContainText('built twice, 1 of them mirrored')
})

test('an area is filled, a sign is made of letters, colours are exchanged', async ({ page }) => {
  await openHeap(page, [brick('floor', [0, 0, 0], 'moss', 'plate-6x6')])
  await press(page, 'n')
  await page.getByRole('button', { name: 'Fill' }).click()
  const fill = page.getByRole('region', { name: 'Fill' })
  await expect(fill).toContainText('36 studs to fill.')
  await fill.getByLabel('Only these').fill('tile 2x2 sand')
  await fill.getByRole('button', { name: 'Try it' }).click()
  await expect(fill).toContainText('9 pieces: fewer is not possible.')
  await expectAccessible(page)
  await fill.getByRole('button', { name: 'Put them in' }).click()
  await settled(page)
  await page.getByRole('button', { name: 'Letters' }).click()
  const letters = page.getByRole('region', { name: 'Letters' })
  await letters.getByLabel('Words').fill('ЖИ')
  await expect(letters.getByRole('alert')).toContainText('has no form in pieces here')
  await letters.getByLabel('Words').fill('HI')
  await expect(letters).toContainText('9.6 mm deep')
  await letters.getByLabel('Made of').selectOption({ label: 'low slopes' })
  await expect(letters).toContainText('nose to nose it comes out up to 0.45 mm longer')
  await letters.getByLabel('Made of').selectOption({ label: 'tiles' })
  await expect(letters).not.toContainText('nose')
  await letters.getByRole('button', { name: /Make it a section/ }).click()
  await expect(hand(page)).toContainText('Sign HI')
  await press(page, 'PageUp', 'Enter')
  await settled(page)
  await press(page, 'Escape', 'Escape')
  await page.getByRole('button', { name: 'Recolour', exact: true }).click()
  const recolour = page.getByRole('region', { name: 'Recolour', exact: true })
  await recolour.getByLabel('Sand becomes').selectOption('teal')
  await recolour.getByRole('button', { name: 'Recolour', exact: true }).click()
  await settled(page)
  await page.getByRole('button', { name: 'Recolour', exact: true }).click()
  await expect(recolour.getByLabel('Teal becomes')).toBeVisible()
  await expect(recolour.getByLabel('Sand becomes')).toBeHidden()
})

test('what never shows is left to any colour, for all of it at once', async ({ page }) => {
  await openHeap(page, [...closedRoom(), brick('inside', [10, 10, 4], 'red', 'brick-2x2')])
  await page.getByRole('button', { name: 'Recolour', exact: true }).click()
  const recolour = page.getByRole('region', { name: 'Recolour', exact: true })
  await expect(recolour).toContainText('1 piece never shows from outside')
  await recolour.getByRole('button', { name: 'Any colour for it' }).click()
  await settled(page)
  await expect(recolour).not.toContainText('never shows')
  await expect(page.getByRole('button', { name: /^Undo: leave the colour/ })).toBeVisible()
})

test('layers go and come, things are hidden and alone, a box chooses', async ({ page }) => {
  await openHeap(page, [brick('a', [0, 0, 0]), brick('b', [0, 0, 12], 'red'), brick('c', [0, 0, 24], 'teal')])
  await page.keyboard.press('Shift+Comma')
  await expect(page.getByText('Not all is shown.')).toBeVisible()
  await press(page, 'a', 'n', 'h')
  await expect(page.getByText('Not all is shown.')).toBeVisible()
  await press(page, 'a', 'n', 'i')
  await expect(page.getByText('Not all is shown.')).toBeVisible()
  await press(page, 'a', 'Escape')
  const box = (await model(page).boundingBox())!
  await page.keyboard.down('Control')
  await page.mouse.move(box.x + 300, box.y + 20)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width - 300, box.y + box.height - 10, { steps: 4 })
  await page.mouse.up()
  await page.keyboard.up('Control')
  await expect(chosen(page)).toContainText('3 pieces')
  await chosen(page).getByText('Choose more').click()
  await chosen(page).getByRole('button', { name: 'Same layer' }).click()
  await expect(chosen(page)).toContainText('Brick 2 × 4')
})

test('a demo is taken apart to the last piece, over a reload, and the rail is the reverse', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: /Bird table/ }).click()
  await page.getByRole('link', { name: 'Bench' }).click()
  await page.getByRole('link', { name: 'Take apart' }).click()
  await expect(page.getByText('36 still together')).toBeVisible()
  await press(page, 's', 's', 's')
  await expect(page.getByText(/ still together/)).not.toHaveText('36 still together')
  await page.keyboard.press('Backspace')
  const before = await page.getByText(/ still together/).textContent()
  await page.reload()
  await expect(page.getByText(before!)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'The rest as suggested' }).click()
  await expect(page.getByText('All apart')).toBeVisible()
  await page
    .getByRole('list', { name: /Taken off/ })
    .getByRole('button')
    .nth(3)
    .click()
  await page.getByRole('button', { name: 'Keep this order' }).click()
  await expect(page.getByRole('region', { name: 'Tray' })).toContainText('laid by you')
})

test('what cannot come off yet stays, and it is said what is in its way', async ({ page }) => {
  await openHeap(page, [brick('a', [0, 0, 0]), brick('b', [0, 0, 12], 'red'), brick('c', [0, 0, 24])])
  await page.getByRole('link', { name: 'Take apart' }).click()
  await expect(page.getByText('3 still together')).toBeVisible()
  await press(page, 'n', 'n', 'Enter')
  const why = page.getByRole('alert', { name: 'Why it stays' })
  await expect(why).toContainText('in the way')
  await expect(page.getByText('3 still together')).toBeVisible()
  await press(page, 'Escape', 'n', 'n', 'n', 'Enter')
  await expect(why).toBeHidden()
  await expect(page.getByText('2 still together')).toBeVisible()
})

test('without graphics the model is painted by us, and is used the same', async ({ page }) => {
  await page.addInitScript(() => {
    const descriptor = Object.getOwnPropertyDescriptor(HTMLCanvasElement.prototype, 'getContext')!
    const original = descriptor.value as (...all: unknown[]) => unknown
    const without = function (this: HTMLCanvasElement, kind: string, ...rest: unknown[]): unknown {
      return kind.startsWith('webgl') ? null : original.call(this, kind, ...rest)
    }
    Object.defineProperty(HTMLCanvasElement.prototype, 'getContext', { ...descriptor, value: without })
    Reflect.deleteProperty(window, 'OffscreenCanvas')
  })
  await openHeap(page, [brick('a', [0, 0, 0])])
  await expect(model(page)).toHaveAttribute('data-kind', 'paper')
  const box = (await model(page).boundingBox())!
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2)
  await expect(chosen(page)).toContainText('Brick 2 × 4, slate')
})

test('what draws the model may end: another draws it on, and twice lost we paint it ourselves', async ({ page }) => {
  await page.addInitScript(() => {
    const made: Worker[] = []
    const Original = window.Worker
    window.Worker = class extends Original {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options)
        if (options?.name?.startsWith('jump-rail graphics')) made.push(this)
      }
    }
    Object.assign(window, { endGraphics: () => made.forEach((worker) => worker.terminate()) })
  })
  await openHeap(page, [brick('a', [0, 0, 0]), brick('b', [40, 0, 0], 'red')])
  const drawn = async (): Promise<number> => Number(await model(page).getAttribute('data-drawn'))
  const canvas = model(page).locator('canvas')
  await canvas.evaluate((first) => first.setAttribute('data-first', ''))
  const before = await drawn()
  const looks = await canvas.screenshot()
  await page.evaluate(() => (window as unknown as { endGraphics(): void }).endGraphics())
  await expect(canvas).not.toHaveAttribute('data-first')
  await expect.poll(drawn).toBeGreaterThan(before)
  await expect(model(page)).toHaveAttribute('data-kind', 'graphics')
  await expect.poll(async () => (await canvas.screenshot()).equals(looks)).toBe(true)
  await page.evaluate(() => (window as unknown as { endGraphics(): void }).endGraphics())
  await expect(model(page)).toHaveAttribute('data-kind', 'paper')
  const box = (await model(page).boundingBox())!
  await page.mouse.click(box.x + box.width / 2 - 40, box.y + box.height / 2)
  await expect(chosen(page)).toContainText('Brick 2 × 4')
})
