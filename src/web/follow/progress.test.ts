import { afterEach, describe, expect, it, vi } from 'vitest'
import { makePages, type Bundle } from '@core/booklet'
import { planModel } from '@core/plan'
import { oneSection, part } from '../../../tests/support/models'
import { contentKey, loadProgress, saveProgress, tickKey, withoutTicks, withTicks } from './progress'

const model = oneSection([part('a', 'plate-1x1', [0, 0, 0])])
const bundle: Bundle = { format: 'jump-rail-bundle', version: 1, model, plan: planModel(model).plan, views: [[0]] }

afterEach(() => {
  vi.unstubAllGlobals()
  localStorage.clear()
})

describe('progress', () => {
  it('is kept by the content of the booklet', () => {
    const key = contentKey(bundle)
    expect(saveProgress(key, { page: 3, ticked: ['3/plate-1x1/red'] })).toBe(true)
    expect(loadProgress(key)).toEqual({ page: 3, ticked: ['3/plate-1x1/red'] })
    const changed = contentKey({ ...bundle, plan: { ...bundle.plan, parts: 2 } })
    expect(changed).not.toBe(key)
    expect(loadProgress(changed)).toEqual({ page: 0, ticked: [] })
  })

  it('begins anew from what cannot be read', () => {
    localStorage.setItem('k', '{"page": "x", "ticked": 5}')
    expect(loadProgress('k')).toEqual({ page: 0, ticked: [] })
    for (const page of ['-3', '1.5', '1e400', 'null', '"2"']) {
      localStorage.setItem('k', `{"page": ${page}, "ticked": [1, null]}`)
      expect(loadProgress('k').page).toBe(page === '"2"' ? 2 : 0)
      expect(loadProgress('k').ticked).toEqual([])
    }
    localStorage.setItem('k', 'torn{')
    expect(loadProgress('k')).toEqual({ page: 0, ticked: [] })
  })

  it('says when a device keeps nothing', () => {
    vi.stubGlobal('localStorage', {
      setItem: () => {
        throw new DOMException('refused', 'QuotaExceededError')
      },
    })
    expect(saveProgress('k', { page: 1, ticked: [] })).toBe(false)
  })

  it('knows which copy of a section is built, whatever stands there', () => {
    localStorage.setItem('k', '{"page": 1, "copies": {"lamp": 2, "roof": 0, "door": "3", "gate": 1.5}}')
    expect(loadProgress('k')).toEqual({ page: 1, ticked: [], copies: { lamp: 2 } })
    localStorage.setItem('k', '{"page": 1, "copies": 7}')
    expect(loadProgress('k')).toEqual({ page: 1, ticked: [] })
  })

  it('ticks all pieces of a page at once, and none of a section that is built once more', () => {
    const pages = makePages(bundle)
    const page = pages.find((each) => 'callout' in each)!
    const pieces = 'callout' in page ? page.callout : []
    const other = 'other/1/plate-1x1/red'
    const ticked = withTicks(new Set([other]), page, pieces, true)
    expect([...ticked]).toEqual([other, ...pieces.map((piece) => tickKey(piece, page))])
    expect([...withTicks(ticked, page, pieces, false)]).toEqual([other])
    expect([...withoutTicks(ticked, pages, 'section' in page ? page.section : '')]).toEqual([other])
  })
})
