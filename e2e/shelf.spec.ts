import { readFileSync } from 'node:fs'
import { expect, test } from './fixtures'
import { bringIn, expectAccessible, lookAt } from './support'

const MODEL = {
  format: 'jump-rail-model',
  version: 1,
  name: 'Two plates',
  root: 'main',
  sections: [
    {
      id: 'main',
      name: 'Main',
      parts: [
        { id: 'a', shape: 'plate-2x2', colour: 'red', at: [0, 0, 0] },
        { id: 'b', shape: 'plate-2x2', colour: 'blue', at: [0, 0, 4] },
      ],
    },
  ],
}

test('the shelf stands ready with six demos, each with picture, facts and how ready it is', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { level: 1, name: 'Shelf' })).toBeVisible()
  const places = page.getByRole('list', { name: 'Models' }).getByRole('listitem')
  await expect(places).toHaveCount(6)
  for (const [name, parts] of [
    ['Bird table', 36],
    ['Ferry house', 239],
    ['Granary', 1717],
    ['Ferryman', 14],
    ['Wind pump', 31],
    ['Market stall', 40],
  ] as const) {
    const place = places.filter({ hasText: name })
    await expect(place).toContainText(`${parts} parts`)
    await expect(place).toContainText(name === 'Wind pump' ? 'can be built, 1 warning' : 'ready to publish')
    await expect(place.locator('img')).toBeVisible()
  }
  await expectAccessible(page)
})

test('brings in a file by the button, and a table by dropping it', async ({ page }) => {
  await page.goto('/')
  await bringIn(page, 'two.rail.json', JSON.stringify(MODEL))
  await expect(page.getByText('“Two plates” stands on the shelf.')).toBeVisible()
  const transfer = await page.evaluateHandle(() => {
    const data = new DataTransfer()
    const rows = ['section,id,shape,colour,x,y,z,turn', 'main,a,plate-1x2,sand,0,0,0,', 'main,b,tile-1x2,ivory,0,0,4,+x+y']
    data.items.add(new File([rows.join('\n')], 'bench.csv', { type: 'text/csv' }))
    return data
  })
  await page.locator('.shelf-screen').dispatchEvent('drop', { dataTransfer: transfer })
  await expect(page.getByRole('img', { name: 'bench, finished' })).toBeVisible()
  await page.getByRole('button', { name: 'Bring it in' }).click()
  await expect(page.getByText('“bench” stands on the shelf.')).toBeVisible()
  await expect(page.getByRole('list', { name: 'Models' }).getByRole('listitem').filter({ hasText: 'bench' })).toContainText('2 parts')
})

test('refuses a broken file with its place, and nothing changes', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('listitem').filter({ hasText: 'Granary' })).toContainText('1717 parts')
  const broken = structuredClone(MODEL)
  Object.assign(broken.sections[0]!.parts[1]!, { turn: '+x+x' })
  await lookAt(page, 'broken.rail.json', JSON.stringify(broken))
  await expect(page.getByRole('alert')).toContainText('sections[0].parts[1].turn')
  await expect(page.getByRole('button', { name: 'Bring it in' })).toBeDisabled()
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await lookAt(page, 'torn.rail.json', '{"format": "jump-rail-')
  await expect(page.getByRole('alert').filter({ hasText: 'not valid JSON' })).toBeVisible()
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await expect(page.getByRole('list', { name: 'Models' }).getByRole('listitem')).toHaveCount(6)
  await expectAccessible(page)
})

test('duplicates, saves as a file, takes off, and brings back by undo', async ({ page }) => {
  await page.goto('/')
  const places = page.getByRole('list', { name: 'Models' }).getByRole('listitem')
  const acts = page.getByRole('group', { name: 'What to do with Bird table', exact: true })
  await acts.getByRole('button', { name: 'Duplicate' }).click()
  await expect(places).toHaveCount(7)
  const [saved] = await Promise.all([page.waitForEvent('download'), acts.getByRole('button', { name: 'Save file' }).click()])
  expect(saved.suggestedFilename()).toBe('bird-table.rail.json')
  expect(readFileSync(await saved.path(), 'utf8')).toBe(readFileSync('demo/models/bird-table.rail.json', 'utf8'))
  await acts.getByRole('button', { name: 'Take off' }).click()
  await expect(places).toHaveCount(6)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(places).toHaveCount(7)
})

test('an empty shelf says what to do, and stays empty', async ({ page }) => {
  await page.goto('/')
  for (const name of ['Bird table', 'Ferry house', 'Granary', 'Ferryman', 'Wind pump', 'Market stall']) {
    await page
      .getByRole('group', { name: `What to do with ${name}` })
      .getByRole('button', { name: 'Take off' })
      .click()
  }
  await expect(page.getByRole('heading', { name: 'The shelf is empty' })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('heading', { name: 'The shelf is empty' })).toBeVisible()
  await expectAccessible(page)
})

test('models are put into folders, which are opened, emptied, and kept over a reload', async ({ page }) => {
  await page.goto('/')
  const places = page.getByRole('list', { name: 'Models' }).getByRole('listitem')
  await expect(places.first()).toBeVisible()
  const all = await places.count()
  const table = page.getByRole('group', { name: 'What to do with Bird table' })
  await table.getByRole('button', { name: 'Folder' }).click()
  await page.keyboard.type('Garden')
  await page.keyboard.press('Enter')
  const folders = page.getByRole('group', { name: 'Folders' })
  await folders.getByRole('button', { name: 'Garden 1' }).click()
  await expect(places).toHaveCount(1)
  await expectAccessible(page)
  await page.reload()
  await expect(places).toHaveCount(all)
  await folders.getByRole('button', { name: 'Garden 1' }).click()
  await table.getByRole('button', { name: 'Folder' }).click()
  await page
    .getByRole('textbox', { name: 'Folder' })
    .or(page.getByRole('combobox', { name: 'Folder' }))
    .fill('')
  await page.keyboard.press('Enter')
  await expect(folders).toBeHidden()
  await expect(places).toHaveCount(all)
})

test('several models are made one booklet: each told with its pieces, none changed', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Make a collection' }).click()
  const make = page.getByRole('button', { name: 'Make it' })
  await page.getByRole('textbox', { name: 'Name' }).fill('A small garden')
  await page.getByRole('checkbox', { name: 'Wind pump' }).check()
  await expect(make).toBeDisabled()
  await page.getByRole('checkbox', { name: 'Bird table' }).check()
  await expectAccessible(page)
  await make.click()
  await page.getByRole('button', { name: 'Open it' }).click()
  await expect(page.getByText(/^67 parts, /)).toBeVisible()
  // Parts of one do not hold parts of the other, and nobody minds.
  await expect(page.getByRole('link', { name: /^Checks 1\b/ })).toBeVisible()
  await page.getByRole('link', { name: 'Booklet', exact: true }).click()
  await expect(page.getByRole('article', { name: /^Sheet \d+, Wind pump/ })).toBeVisible()
  await page.getByRole('link', { name: 'Jump Rail' }).click()
  await expect(page.getByRole('link', { name: 'Wind pump' })).toBeVisible()
})
