// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Bundle } from '@core/booklet'
import { languageFile } from '@core/language'
import type * as Page from './use-language'

const booklet = (language?: string): Bundle => ({ model: { booklet: { language } } }) as unknown as Bundle
const browserSpeaks = (...tags: string[]): void => void vi.spyOn(navigator, 'languages', 'get').mockReturnValue(tags)

/** As a page that has just been opened: none but English is loaded, whatever other tests have read. */
let page: typeof Page
beforeEach(async () => {
  localStorage.clear()
  vi.resetModules()
  page = await import('./use-language')
})
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
  document.body.innerHTML = ''
})

describe('the language of a booklet', () => {
  it('is the one chosen here, else the one that the browser wishes, else the one that it was written in', () => {
    browserSpeaks('ja')
    expect(page.languageToShow(booklet('fr'))).toBe('fr')
    expect(page.languageToShow(null)).toBe('en')
    browserSpeaks('ja', 'de-CH')
    expect(page.languageToShow(booklet('fr'))).toBe('de')
    localStorage.setItem('jump-rail-language', 'es')
    expect(page.languageToShow(booklet('fr'))).toBe('es')
    localStorage.setItem('jump-rail-language', '<script>')
    expect(page.languageToShow(booklet('fr'))).toBe('de')
  })

  it('stays as it is where the words of another cannot be had, and says so', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')))
    expect(await page.readyLanguage('es')).toBe('en')
    const { words, isMissing, choose } = page.useLanguage('en')
    await choose('es')
    expect([words.value.language, isMissing.value, localStorage.length]).toEqual(['en', true, 0])
  })

  it('is taken from the page itself where that holds it, and kept', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')))
    const place = document.body.appendChild(document.createElement('script'))
    place.type = 'application/json'
    place.id = 'languages'
    place.textContent = JSON.stringify({ fr: await languageFile('fr') })
    const { words, isMissing, choose } = page.useLanguage('en')
    await choose('fr')
    expect(words.value.say('follow.begin')).toBe('Commencer')
    expect([isMissing.value, document.documentElement.lang, localStorage.getItem('jump-rail-language')]).toEqual([false, 'fr', 'fr'])
  })

  it('is fetched once from beside a published booklet', async () => {
    const file = await languageFile('de')
    const fetch = vi.fn((_address: string) => Promise.resolve(new Response(JSON.stringify(file))))
    vi.stubGlobal('fetch', fetch)
    expect(await page.readyLanguage('de')).toBe('de')
    expect(await page.readyLanguage('de')).toBe('de')
    expect(fetch.mock.calls).toEqual([['/follow/words/de.json']])
  })
})
