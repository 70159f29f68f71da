import type { Page } from '@playwright/test'
import { expect, test } from './fixtures'
import { bringIn, expectAccessible, openDemo, openDemoFile, pictureDrawn, stepLabel, tie } from './support'

const ties = (page: Page) => page.getByRole('button', { name: /^Step A \d\d,/ })
const saved = (page: Page) => page.getByRole('status').filter({ hasText: /^Saved$/ })
const note = (page: Page) => page.getByRole('textbox', { name: 'Note for the builder' })

async function bringModel(page: Page, model: object, name = 'm.rail.json'): Promise<void> {
  await bringIn(page, name, JSON.stringify(model))
}
const tower = (count: number, more: object = {}) => {
  const parts = Array.from({ length: count }, (_, i) => ({ id: `b${i}`, shape: 'brick-2x2', colour: 'sand', at: [0, 0, i * 12] }))
  return { format: 'jump-rail-model', version: 1, name: 'Tower', root: 'm', sections: [{ id: 'm', name: 'Tower', parts }], ...more }
}

test('an edit under way when the model is left is made, and what comes after it in another model is saved', async ({ page }) => {
  await openDemo(page, 'Granary')
  await tie(page, 'B 02').click()
  await page.getByRole('button', { name: 'Split this step' }).click()
  await page.getByRole('link', { name: 'Jump Rail' }).click()
  await page.getByRole('link', { name: 'Bird table' }).click()
  await pictureDrawn(page)
  // The picture of the model that is left may still stand while its ties have gone.
  await expect(tie(page, 'A 01')).toBeVisible()
  await expect(ties(page).first()).toBeVisible()
  await note(page).fill('Press hard.')
  await page.getByRole('button', { name: 'Split this step' }).click()
  // Counted after the edit: of the model that was left, ties may stand until then.
  await expect(page.getByRole('button', { name: /^Undo: split/ })).toBeEnabled()
  const count = await ties(page).count()
  await expect(saved(page)).toBeVisible()
  await page.reload()
  await expect(note(page)).toHaveValue('Press hard.')
  await expect(ties(page)).toHaveCount(count)
  await page.getByRole('link', { name: 'Jump Rail' }).click()
  await page.getByRole('link', { name: 'Granary' }).click()
  await expect(page.getByRole('button', { name: /^Undo: split/ })).toBeEnabled()
})

test('text is saved as it is typed, and history, step and screen survive a reload', async ({ page }) => {
  await openDemo(page, 'Bird table')
  await page.keyboard.press('ArrowRight')
  await note(page).pressSequentially('Mind the cat')
  // The field is not left.
  await expect(saved(page)).toBeVisible()
  await page.reload()
  await expect(stepLabel(page)).toContainText('A 02')
  await expect(note(page)).toHaveValue('Mind the cat')
  await expect(page).toHaveURL(/rail\?section=table&step=2|rail\?section=.*&step=2/)
  await page.getByRole('button', { name: /^Undo: note of A 02/ }).click()
  await expect(note(page)).toHaveValue('')
  await page.getByRole('button', { name: /^Redo/ }).click()
  await expect(note(page)).toHaveValue('Mind the cat')
})

test('whoever walks and then goes to another screen gets there, though the address follows later', async ({ page }) => {
  await openDemo(page, 'Bird table')
  // The other screen takes its time to load.
  await page.route(/ChecksScreen/, async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 700))
    await route.continue()
  })
  await page.keyboard.press('ArrowRight')
  await page.getByRole('link', { name: /^Checks/ }).click()
  await expect(page.getByRole('heading', { name: 'Checks', level: 1 })).toBeVisible()
  await expect(page).toHaveURL(/\/checks/)
})

test('what is typed belongs to the step it was typed for, however fast one walks on', async ({ page }) => {
  await openDemo(page, 'Bird table')
  await note(page).fill('For the first step')
  await page.getByRole('button', { name: 'Next step', exact: true }).click()
  await expect(note(page)).toHaveValue('')
  await page.getByRole('button', { name: 'Step before', exact: true }).click()
  await expect(note(page)).toHaveValue('For the first step')
})

test('a file brought in while a long plan runs stays, whatever is stopped', async ({ page }) => {
  await page.goto('/')
  const parts = Array.from({ length: 9000 }, (_, i) => {
    const [column, course] = [i % 90, Math.floor(i / 90)]
    return { id: `b${i}`, shape: 'brick-1x2', colour: 'sand', at: [column * 20 + (course % 2) * 10, 0, course * 12] }
  })
  await bringModel(page, { ...tower(0), name: 'Long wall', sections: [{ id: 'm', name: 'Wall', parts }] })
  await page.getByRole('group', { name: 'Looking at Long wall' }).waitFor()
  await bringModel(page, tower(3))
  await page
    .getByRole('group', { name: /^Looking at/ })
    .getByRole('button', { name: 'Stop' })
    .click()
  await expect(page.getByRole('link', { name: 'Tower' })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('link', { name: 'Tower' })).toBeVisible()
})

test('a better order is offered, looked at, taken, and undone; the one that was seen stays until then', async ({ page }) => {
  await openDemoFile(page, 'ferry-house')
  await pictureDrawn(page)
  const offer = page.getByRole('status', { name: 'A better order' })
  const all = page.getByText(/^\d+ steps, /)
  const first = await all.innerText()
  const label = await stepLabel(page).boundingBox()
  await expect(offer).toContainText(/A better order was found: \d+ steps/)
  await expect(all).toHaveText(first)
  // What comes has its place: nothing moves under a hand.
  expect(await stepLabel(page).boundingBox()).toEqual(label)
  await expectAccessible(page)
  await offer.getByRole('button', { name: 'Look at it' }).click()
  await expect(all).not.toHaveText(first)
  await page.keyboard.press('s')
  await expect(page.getByRole('alert')).toContainText('not taken')
  await offer.getByRole('button', { name: 'Back to mine' }).click()
  await expect(all).toHaveText(first)
  await offer.getByRole('button', { name: 'Take it' }).click()
  await expect(all).not.toHaveText(first)
  await page.getByRole('button', { name: 'Undo: take the better order' }).click()
  await expect(all).toHaveText(first)
})

test('a browser without a store works from memory, says so, and offers files', async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'indexedDB', { value: undefined })
  })
  await page.goto('/')
  await expect(page.getByText('This browser keeps nothing:')).toBeVisible()
  await page.getByRole('link', { name: 'Bird table' }).click()
  await pictureDrawn(page)
  await expect(ties(page).first()).toBeVisible()
  const before = await ties(page).count()
  await page.getByRole('button', { name: 'Split this step' }).click()
  await expect(ties(page)).toHaveCount(before + 1)
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Download the file' }).click()])
  expect(download.suggestedFilename()).toBe('bird-table.rail.json')
})

test('a full disk is told, the work stays, leaving asks, and all is written when there is room', async ({ page }) => {
  await openDemo(page, 'Bird table')
  await page.waitForTimeout(2500)
  await page.evaluate(() => {
    const store = IDBObjectStore.prototype
    const whole = Object.getOwnPropertyDescriptor(store, 'put')!
    Object.assign(window, { makeRoom: () => Object.defineProperty(store, 'put', whole) })
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('The disk is full.', 'QuotaExceededError')
    }
  })
  await expect(ties(page).first()).toBeVisible()
  const before = await ties(page).count()
  await page.getByRole('button', { name: 'Split this step' }).click()
  await expect(ties(page)).toHaveCount(before + 1)
  const bar = page.getByRole('alert').filter({ hasText: 'Not saved.' })
  await expect(bar).toBeVisible()
  await page.getByRole('link', { name: 'Jump Rail' }).click()
  const asks = page.getByRole('alertdialog', { name: 'Not saved yet' })
  await expect(asks).toBeVisible()
  await expectAccessible(page)
  await asks.getByRole('button', { name: 'Stay here' }).click()
  await expect(ties(page)).toHaveCount(before + 1)
  await page.evaluate(() => (window as unknown as { makeRoom: () => void }).makeRoom())
  await bar.getByRole('button', { name: 'Try again' }).click()
  await expect(saved(page)).toBeVisible()
  await page.reload()
  await expect(ties(page)).toHaveCount(before + 1)
})

test.describe('workers that cannot be loaded', () => {
  test.use({ expectedErrors: [/painter\.worker|planner\.worker|ERR_FAILED|Failed to load/] })

  test('without a painter all else goes on, and the picture says why it is not there', async ({ page }) => {
    await page.route(/painter\.worker/, (route) => route.abort())
    await page.goto('/')
    await page.getByRole('link', { name: 'Bird table' }).click()
    await expect(page.getByRole('region', { name: 'Rail' })).toBeVisible()
    await expect(page.getByText('The picture could not be painted').first()).toBeVisible()
    const before = await ties(page).count()
    await page.getByRole('button', { name: 'Split this step' }).click()
    await expect(ties(page)).toHaveCount(before + 1)
    await expect(saved(page)).toBeVisible()
  })

  test('without a planner it is told, and planned when the worker is there again', async ({ page }) => {
    let isGone = true
    await page.route(/planner\.worker/, (route) => (isGone ? route.abort() : route.continue()))
    await page.goto('/')
    await page.getByRole('link', { name: 'Bird table' }).click()
    await expect(page.getByRole('alert')).toContainText('has ended')
    isGone = false
    await page.getByRole('button', { name: 'Plan again' }).click()
    await pictureDrawn(page)
  })
})

test('shortcuts work on a keyboard that writes other letters', async ({ page }) => {
  await openDemo(page, 'Bird table')
  await expect(ties(page).first()).toBeVisible()
  const before = await ties(page).count()
  const press = (key: string, code: string, ctrlKey = false) =>
    page.evaluate(
      ([k, c, ctrl]) => {
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: k, code: c, ctrlKey: ctrl, bubbles: true, cancelable: true }))
      },
      [key, code, ctrlKey] as const,
    )
  await press('ы', 'KeyS')
  await expect(ties(page)).toHaveCount(before + 1)
  await press('я', 'KeyZ', true)
  await expect(ties(page)).toHaveCount(before)
})

test('a file dropped beside the shelf is brought in, and the page stays', async ({ page }) => {
  await openDemo(page, 'Bird table')
  const text = JSON.stringify(tower(3))
  await page.evaluate((content) => {
    const data = new DataTransfer()
    data.items.add(new File([content], 't.rail.json', { type: 'application/json' }))
    const drop = (type: string) =>
      document.querySelector('header')!.dispatchEvent(new DragEvent(type, { dataTransfer: data, bubbles: true, cancelable: true }))
    drop('dragover')
    drop('drop')
  }, text)
  await expect(page.getByRole('img', { name: 'Tower, finished' })).toBeVisible()
  await page.getByRole('button', { name: 'Bring it in' }).click()
  await expect(page.getByText('“Tower” stands on the shelf.')).toBeVisible()
})

test('nothing is wider than the page: at 1,024 px, on a phone, with words of 300 letters', async ({ page }) => {
  const word = 'x'.repeat(200)
  const long = {
    ...tower(2),
    name: word,
    sections: [{ id: 'm', name: word, parts: tower(2).sections[0]!.parts, steps: [{ add: ['b0', 'b1'], note: 'y'.repeat(300) }] }],
  }
  await page.goto('/')
  await bringModel(page, long)
  await page.getByRole('button', { name: 'Open' }).click()
  await pictureDrawn(page)
  const overflow = () => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)
  for (const width of [1280, 1024, 390]) {
    await page.setViewportSize({ width, height: 800 })
    expect(await overflow()).toBeLessThanOrEqual(0)
  }
  const header = page.locator('header').first()
  expect(await header.evaluate((element) => element.scrollWidth - element.clientWidth)).toBeLessThanOrEqual(0)
  for (const room of ['Checks', 'Booklet']) {
    await page.getByRole('link', { name: new RegExp(`^${room}`) }).click()
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    expect(await overflow()).toBeLessThanOrEqual(0)
  }
})

test('the focus stays where one works: after opening, after Stop, after a PDF', async ({ page }) => {
  await openDemo(page, 'Bird table')
  await page.getByRole('link', { name: 'Booklet' }).click()
  const pdf = page.getByRole('button', { name: 'PDF', exact: true })
  await pdf.focus()
  await Promise.all([page.waitForEvent('download'), page.keyboard.press('Enter')])
  await expect(pdf).toBeFocused()
})
