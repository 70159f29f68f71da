import { expect, test } from './fixtures'
import { expectAccessible, openDemo, publish } from './support'

test('a booklet is composed in one language, and every builder reads it in his own', async ({ page, browser }) => {
  await openDemo(page, 'Bird table')
  await page.getByRole('link', { name: 'Booklet' }).click()
  await page.getByText('Sheets and words').click()
  await page.getByLabel('Language').selectOption('Deutsch')
  const last = page.getByRole('article', { name: /Alle Steine/ })
  await last.scrollIntoViewIfNeeded()
  await expect(last).toContainText('Runde Platte 1 × 1')
  const link = await publish(page)

  const builder = await browser.newContext({ locale: 'es-ES' })
  const booklet = await builder.newPage()
  await booklet.goto(link)
  await booklet.getByRole('button', { name: 'Empezar' }).click()
  await booklet.getByRole('button', { name: /^Siguiente/ }).click()
  await expect(booklet.locator('html')).toHaveAttribute('lang', 'es')
  await expect(booklet.getByRole('list', { name: 'Piezas para este paso' })).toContainText('Placa 6 × 6')
  await expect(booklet.getByText(/Paso A 01\. Añadir \d+ piezas desde arriba\./)).toBeAttached()
  await booklet.getByRole('button', { name: 'Ver', exact: true }).click()
  await expectAccessible(booklet)

  // Whoever reads another is at the same page of it, and stays with it.
  await booklet.getByLabel('Idioma').selectOption('Deutsch')
  await expect(booklet.getByRole('list', { name: 'Steine für diesen Schritt' })).toContainText('Platte 6 × 6')
  await booklet.reload()
  await expect(booklet.getByRole('button', { name: /^Weiter/ })).toBeVisible()
  await expect(booklet.getByRole('heading', { level: 1 })).toHaveText('A 01')
  await builder.close()
})
