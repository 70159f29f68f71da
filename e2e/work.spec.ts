import { expect, test } from './fixtures'
import { expectAccessible, openDemo, pictureDrawn } from './support'

const DRAWING = `<svg xmlns="http://www.w3.org/2000/svg" width="120" height="60"><rect width="120" height="60" fill="#c22"/><circle cx="60" cy="30" r="22" fill="#fff"/></svg>`

test('work is noted on a piece, a picture is attached to its face, and the booklet prints it at true size', async ({ page }) => {
  await openDemo(page, 'Bird table')
  await page.getByRole('link', { name: 'Work' }).click()
  await page.getByLabel('Find a piece').fill('tile 1 sand')
  const pieces = page.getByRole('list', { name: 'Pieces', exact: true })
  await pieces.getByRole('button').first().click()
  await expect(page.getByText('Nothing is done to this piece')).toBeVisible()
  await page.getByRole('button', { name: 'Note it' }).click()
  const work = page.getByRole('list', { name: 'Work on this piece' })
  await expect(work.getByText('a decal put on')).toBeVisible()

  // What is no picture is refused, and nothing changes.
  await work
    .getByLabel('Picture file for a decal put on')
    .setInputFiles({ name: 'list.png', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(page.getByRole('alert')).toContainText('PNG, JPEG and SVG can')

  await work
    .getByLabel('Picture file for a decal put on')
    .setInputFiles({ name: 'Bird sign.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(DRAWING) })
  const decals = page.getByRole('region', { name: 'Decals of this model' })
  await expect(decals.getByLabel('Name')).toHaveValue('Bird sign')
  await expect(work.getByLabel('Where')).toHaveValue('top')
  // Twice as wide as high, whatever its width.
  await decals.getByLabel('Width, mm').fill('14')
  await decals.getByLabel('Width, mm').press('Tab')
  await expect(decals.getByLabel('Height, mm')).toHaveValue('7')
  await decals.getByLabel('Width, mm').fill('60')
  await decals.getByLabel('Width, mm').press('Tab')
  await expect(work.getByText(/reaches .* mm over the edge/)).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: false }).first().click()
  await expect(work.getByText(/reaches .* mm over the edge/)).toBeHidden()
  // A photograph goes on as well; then it is taken back.
  const jpeg = await page.evaluate(() => {
    const canvas = document.createElement('canvas')
    canvas.width = 60
    canvas.height = 20
    canvas.getContext('2d')!.fillRect(0, 0, 60, 20)
    return canvas.toDataURL('image/jpeg').split(',')[1]!
  })
  await work
    .getByLabel('Picture file for a decal put on')
    .setInputFiles({ name: 'Photo.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(jpeg, 'base64') })
  await expect(decals.getByRole('listitem')).toHaveCount(2)
  await expect(work.getByLabel('Picture', { exact: true })).toHaveValue('photo')
  await page.getByRole('button', { name: 'Undo', exact: false }).first().click()
  await expect(decals.getByRole('listitem')).toHaveCount(1)
  await expectAccessible(page)

  await page.getByRole('link', { name: 'Booklet' }).click()
  await page.getByLabel('Go to').selectOption('Decals to print')
  const printed = page
    .getByRole('article', { name: /^Sheet 2, Decals/ })
    .locator('image')
    .first()
  // Sheets are measured in 1/72 inch.
  expect(Number(await printed.getAttribute('width'))).toBeCloseTo((14 / 25.4) * 72, 2)
  await page.getByLabel('Go to').selectOption('All pieces')
  await expect(page.getByText(/with a decal \(bird-sign\)/).first()).toBeVisible()
})

test('the wind pump shows its decals, and taking one out can be undone', async ({ page }) => {
  await openDemo(page, 'Wind pump')
  await pictureDrawn(page)
  await page.getByRole('link', { name: 'Work' }).click()
  const decals = page.getByRole('region', { name: 'Decals of this model' })
  await expect(decals.getByRole('listitem')).toHaveCount(2)
  await decals.getByRole('button', { name: 'Take out Edge stripes' }).click()
  await expect(decals.getByRole('listitem')).toHaveCount(1)
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await expect(decals.getByRole('listitem')).toHaveCount(2)
  await expectAccessible(page)
})
