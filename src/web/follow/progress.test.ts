import { afterEach, describe, expect, it, vi } from 'vitest'
import type { Bundle } from '@core/booklet'
import { planModel } from '@core/plan'
import { oneSection, part } from '../../../tests/support/models'
import { contentKey, loadProgress, saveProgress } from './progress'

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
})
