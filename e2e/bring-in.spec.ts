import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expect, test } from './fixtures'
import { expectAccessible, lookAt } from './support'

const models = (page: Page) => page.getByRole('list', { name: 'Models' }).getByRole('listitem')

test('a table with wrong cells is mended in place, a word once for all and remembered, and stored only when asked', async ({ page }) => {
  await page.goto('/')
  const rows = ['Piece;Color;x (studs);y (studs);z (plates)', 'Roofer;bluish grey;0;0;0', 'Roofer;red;2;0;0', 'plate 2x4;red;0;2,33;0']
  await lookAt(page, 'hut.csv', rows.join('\n'))
  const table = page.getByRole('region', { name: 'What cannot be read' })
  await expect(table.getByRole('row')).toHaveCount(1 + 4)
  await expectAccessible(page)
  await table.getByRole('row').filter({ hasText: 'bluish grey' }).getByRole('button', { name: 'Ash' }).click()
  await expect(table.getByRole('row')).toHaveCount(1 + 3)
  await table.getByRole('row').filter({ hasText: '2,33' }).getByRole('textbox').fill('2')
  await page.keyboard.press('Enter')
  await expect(table.getByRole('row')).toHaveCount(1 + 2)
  // The piece nobody knows stands in two rows, and is said once.
  await table.getByRole('row').filter({ hasText: 'Roofer' }).first().getByRole('textbox').fill('slope 2x2')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('img', { name: 'hut, finished' })).toBeVisible()
  await expect(page.getByText('3 pieces in 1 section.')).toBeVisible()
  await page.getByRole('button', { name: 'Bring it in' }).click()
  await expect(page.getByText('“hut” stands on the shelf.')).toBeVisible()
  await expect(models(page)).toHaveCount(7)
  // What was remembered is known next time.
  await lookAt(page, 'again.csv', 'shape,colour\nbrick-1x2,bluish grey\n')
  await expect(page.getByText('1 piece in 1 section.')).toBeVisible()
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await expect(models(page)).toHaveCount(7)
})

test('a header that is not understood is named column by column', async ({ page }) => {
  await page.goto('/')
  await lookAt(page, 'list.csv', 'what,hue,how many\nbrick 2x4,red,3\n')
  await page.getByLabel('what', { exact: true }).selectOption('shape')
  await page.getByLabel('hue', { exact: true }).selectOption('colour')
  await expect(page.getByText('1 piece in 1 section.')).toBeVisible()
  await expect(page.getByText('Its parts have no places')).toBeVisible()
})

test('a drawing saved here comes back, and is shown before it is stored', async ({ page }) => {
  await page.goto('/')
  const acts = page.getByRole('group', { name: 'What to do with Ferry house', exact: true })
  const [saved] = await Promise.all([page.waitForEvent('download'), acts.getByRole('button', { name: 'Save drawing' }).click()])
  expect(saved.suggestedFilename()).toBe('ferry-house.glb')
  await lookAt(page, 'house.glb', readFileSync(await saved.path()))
  await expect(page.getByRole('img', { name: 'Ferry house, finished' })).toBeVisible()
  await expect(page.getByText('239 parts known by name, 0 by form.')).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('Millimetres a unit').fill('500')
  await page.keyboard.press('Tab')
  await expect(page.getByText('239 pieces in 6 sections.')).toBeHidden()
})

test('a log is told in own words, mended by a click, and becomes steps', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'tell in your own words' }).click()
  await page
    .getByLabel('What you took apart')
    .fill('The legs:\nPut a 2x4 down.\nAdd two 1x2 plates in slate on top.\nBuild a second one the same.')
  await page.getByRole('button', { name: 'Read it' }).click()
  const unclear = page.getByRole('list', { name: 'Words that are unclear' })
  await expect(unclear).toContainText('Line 2')
  await expectAccessible(page)
  await unclear.getByRole('button', { name: 'Brick 2 × 4' }).click()
  await expect(unclear).toBeHidden()
  await expect(page.getByRole('list', { name: 'Lines and their pieces' })).toContainText('2 × Plate 1 × 2, Slate')
  await expect(page.getByText('6 pieces in 2 sections.')).toBeVisible()
  await page.getByRole('button', { name: 'Bring it in' }).click()
  await page.getByRole('button', { name: 'Open' }).click()
  await expect(page.getByRole('region', { name: 'Rail' })).toBeVisible()
})

test('a new model is begun from nothing', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'New model' }).click()
  await expect(page).toHaveURL(/\/m\/.*bench/)
  await page.goto('/')
  await expect(models(page).filter({ hasText: 'New model' })).toHaveCount(1)
})

test('a log is dictated where the browser listens', async ({ page }) => {
  await page.addInitScript(() => {
    // Stands for the browser's own ears: it hears one sentence as soon as it listens.
    class Ears extends EventTarget {
      onresult?: (event: object) => void
      onstart?: () => void
      onend?: () => void
      start(): void {
        this.onstart?.()
        const heard = Object.assign([{ transcript: 'you need two 1x2 plates in slate', confidence: 1 }], { isFinal: true })
        setTimeout(() => this.onresult?.({ results: [heard], resultIndex: 0 }), 50)
      }
      stop(): void {
        this.onend?.()
      }
      abort(): void {
        this.onend?.()
      }
    }
    Object.assign(window, { SpeechRecognition: Ears, webkitSpeechRecognition: Ears })
  })
  await page.goto('/')
  await page.getByRole('link', { name: 'tell in your own words' }).click()
  await page.getByRole('button', { name: 'Dictate' }).click()
  await expect(page.getByRole('textbox', { name: /What you took apart/ })).toHaveValue('you need two 1x2 plates in slate')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.getByRole('list', { name: 'Lines and their pieces' })).toContainText('2 × Plate 1 × 2')
})
