import { readFileSync } from 'node:fs'
import type { Download, Page } from '@playwright/test'
import { expect, test } from './fixtures'
import Papa from 'papaparse'
import { expectAccessible, openDemo } from './support'

const file = (name: string, content: string) => ({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(content) })

async function bringBook(page: Page, name: string, content: ReturnType<typeof file>): Promise<void> {
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), page.getByRole('button', { name }).click()])
  await chooser.setFiles(content)
}

/** The rows of a table that was saved, without its header. */
async function rowsOf(table: Download): Promise<string[][]> {
  const { data } = Papa.parse<string[]>(readFileSync(await table.path(), 'utf8').trim())
  return data.slice(1)
}

const KITS = JSON.stringify({
  format: 'jump-rail-kits',
  version: 1,
  kits: [{ id: 'yard', name: 'Yard box', pieces: [{ shape: 'plate-2x2', colour: 'white', count: 3 }] }],
})

test('what a model takes is set against stock, kits and offers, bought cheapest, and kept over a reload', async ({ page }) => {
  await openDemo(page, 'Bird table')
  await page.getByRole('link', { name: 'Parts', exact: true }).click()
  await expect(page.getByText(/none of them stand in your books/)).toBeVisible()
  const rows = page.getByRole('table', { name: 'Pieces of the model' }).getByRole('row')
  const kinds = (await rows.count()) - 1
  const [table] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as a table' }).click()])
  const pieces = await rowsOf(table)
  expect(pieces).toHaveLength(kinds)
  const sum = pieces.reduce((all, [count]) => all + Number(count), 0)

  const [workbook] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'as a workbook' }).click()])
  expect(
    readFileSync(await workbook.path())
      .subarray(0, 2)
      .toString(),
  ).toBe('PK')

  await bringBook(page, 'Bring in a table of your stock', file('stock.csv', 'piece;colour;count\nbrick 9x9;red;2'))
  await expect(page.getByRole('alert')).toContainText('nothing has changed')
  const [count, shape, , colour] = pieces[0]!
  await bringBook(page, 'Bring in a table of your stock', file('stock.csv', `shape;colour;count\n${shape!};${colour!};${count!}`))
  await expect(page.getByText(new RegExp(`${count!} in stock, 0 in your kits, ${sum - Number(count)} to buy`))).toBeVisible()
  await bringBook(page, 'Bring in a file of kits', file('kits.json', KITS))
  await page.getByLabel('Yard box').fill('2')
  await page.getByLabel('Yard box').press('Tab')

  const offers = pieces.slice(1).map(([, id, , own]) => ({ shape: id, colour: own, price: 0.1 }))
  const suppliers = [
    { id: 'near', name: 'Corner counter', shipping: 1, offers },
    { id: 'far', name: 'Harbour counter', shipping: 0, minimum: 900, offers },
  ]
  await bringBook(
    page,
    'Bring in a file of offers or a table of prices',
    file('offers.json', JSON.stringify({ format: 'jump-rail-offers', version: 1, currency: 'EUR', date: '2026-11-01', suppliers })),
  )
  await expect(page.getByText('Offers of 2 suppliers stand in your books')).toBeVisible()
  await page.getByRole('link', { name: 'Buy', exact: true }).click()
  await page.getByRole('button', { name: 'Find the cheapest orders' }).click()
  await expect(page.getByText('It cannot be had for less.')).toBeVisible()
  await expect(page.getByRole('table', { name: /Corner counter/ })).toBeVisible()
  await expect(page.getByRole('table', { name: /Harbour counter/ })).toHaveCount(0)
  await expectAccessible(page)
  await page.getByRole('checkbox', { name: 'Corner counter' }).uncheck()
  await page.getByRole('button', { name: 'Find the cheapest orders' }).click()
  await expect(page.getByRole('table', { name: /Harbour counter/ })).toBeVisible()
  // Prices by hand: a supplier, its shipping, a price, and one that is no money.
  await page.getByText('Suppliers and prices').click()
  await page.getByRole('textbox', { name: 'A new supplier' }).fill('Attic finds')
  await page.getByRole('button', { name: 'Add it' }).click()
  await page.getByLabel('Shipping, EUR').fill('2.5')
  await page.getByLabel('Shipping, EUR').press('Tab')
  const price = page.getByRole('form', { name: 'A price at Attic finds' })
  await price.getByLabel('Piece').fill('red brick 2x4')
  await price.getByLabel('EUR each').fill('0.255')
  await price.getByRole('button', { name: 'Put the price in' }).click()
  await expect(page.getByRole('alert')).toContainText('two decimals')
  await price.getByLabel('EUR each').fill('0.25')
  await price.getByRole('button', { name: 'Put the price in' }).click()
  await expect(page.getByRole('list', { name: 'Prices at Attic finds' }).getByRole('listitem')).toContainText('Brick 2 × 4, red')
  await page.getByRole('link', { name: 'What it takes' }).click()
  await bringBook(
    page,
    'Bring in a file of offers or a table of prices',
    file('prices.csv', 'supplier,shape,colour,price\nAttic finds,plate-1x2,red,0.1'),
  )
  await expect(page.getByText('1 price of 1 supplier stand in your books.')).toBeVisible()
  await page
    .getByRole('checkbox', { name: /: laid out$/ })
    .first()
    .check()
  await page.reload()
  await expect(page.getByRole('checkbox', { name: /: laid out$/ }).first()).toBeChecked()
  await expect(page.getByText(new RegExp(`${count!} in stock`))).toBeVisible()
  await expect(page.getByLabel('Yard box')).toHaveValue('2')
})

test('recolouring says what the books do not have in that colour', async ({ page }) => {
  await openDemo(page, 'Bird table')
  await page.getByRole('link', { name: 'Parts', exact: true }).click()
  const [table] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as a table' }).click()])
  const [, shape, , colour, title] = (await rowsOf(table))[0]!
  await bringBook(page, 'Bring in a table of your stock', file('stock.csv', `shape,colour,count\n${shape!},${colour!},50`))
  await expect(page.getByText(/in stock/).first()).toBeVisible()
  await page.getByRole('link', { name: 'Bench', exact: true }).click()
  await page.getByRole('button', { name: /^Recolour/ }).click()
  await page.getByLabel(`${title!} becomes`).selectOption('plum')
  await expect(page.getByText('Your books do not have these in that colour:')).toBeVisible()
})

test('the practice counter is asked, ordered at and received from; the stock remembers what came', async ({ page }) => {
  await openDemo(page, 'Market stall')
  await page.getByRole('link', { name: 'Parts', exact: true }).click()
  const stock = page.getByRole('form', { name: 'Change the stock' })
  await stock.getByLabel('Pieces').fill('30 brown brick 1x1, nonsense')
  await expect(stock.getByRole('button', { name: 'Put in' })).toBeDisabled()
  await stock.getByLabel('Pieces').fill('30 brown brick 1x1')
  await stock.getByRole('button', { name: 'Put in' }).click()
  await expect(page.getByText('30 pieces put into the stock.')).toBeVisible()
  await expect(page.getByText(/16 in stock, 0 in your kits, 24 to buy/)).toBeVisible()
  await stock.getByLabel('Pieces').fill('50 brown brick 1x1')
  await stock.getByRole('button', { name: 'Take out' }).click()
  await expect(page.getByText('30 pieces taken out of the stock. There was no more.')).toBeVisible()
  await page.getByLabel('Group by').selectOption('colour')
  await expect(page.getByRole('rowheader', { name: /^Plum 8 pieces/ })).toBeVisible()
  await page.getByRole('button', { name: 'Print a picking list' }).click()
  await expect(page.getByRole('dialog', { name: 'Market stall: the pieces by section' })).toContainText('for 2 of it')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)

  await page.getByRole('link', { name: 'Buy', exact: true }).click()
  await page.getByRole('button', { name: 'Ask the practice counter' }).click()
  await expect(page.getByRole('button', { name: 'Ask the practice counter again' })).toBeEnabled()
  await page.getByRole('button', { name: 'Look for substitutes' }).click()
  const substitutes = page.getByRole('list', { name: 'Substitutes' }).getByRole('listitem')
  await substitutes.first().getByLabel('Offer it to builders in the booklet').check()
  await expect(page.getByRole('button', { name: 'Undo: offer a substitute to builders' })).toBeVisible()
  await page.getByLabel('I want').selectOption('fewest-orders')
  await page.getByRole('button', { name: 'Find the cheapest orders' }).click()
  const order = page.getByRole('button', { name: /^Order at/ }).first()
  await order.click()
  const delivery = page.getByText(/Order \w+ at .*: \d+ pieces?/)
  await expect(delivery).toBeVisible()
  const came = Number(/: (\d+) piece/.exec(await delivery.innerText())![1])
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Put it into the stock' }).click()
  await expect(page.getByText('It is in your stock.').first()).toBeVisible()
  await page.getByRole('link', { name: 'What it takes' }).click()
  await page.getByText('What has changed').click()
  await expect(page.getByRole('listitem').filter({ hasText: /, order \w+ at / })).toHaveCount(1)
  await expect(page.getByText(`${came} pieces`, { exact: true })).toBeVisible()
  await page.reload()
  await expect(page.getByText(`${came} pieces`, { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Look through the shelf' }).click()
  await expect(page.getByRole('region', { name: 'Out of other models' })).toContainText(/could give|None of your other models/)

  await page.getByRole('link', { name: 'Charts' }).click()
  await expect(page.getByRole('table', { name: 'Pieces by colour' }).getByRole('row').first()).toContainText('Brown')
  await expectAccessible(page)
})
