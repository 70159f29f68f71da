import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import { useLasting } from './lasting'

describe('work that lasts', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('is spoken of after a while, and no more once it is over', () => {
    const works = ref(false)
    const scope = effectScope()
    const isLasting = scope.run(() => useLasting(() => works.value, 300))!
    works.value = true
    vi.advanceTimersByTime(299)
    expect(isLasting.value).toBe(false)
    vi.advanceTimersByTime(1)
    expect(isLasting.value).toBe(true)
    works.value = false
    expect(isLasting.value).toBe(false)
    scope.stop()
  })

  it('is never spoken of where it is over at once, however often it comes', () => {
    const works = ref(false)
    const scope = effectScope()
    const isLasting = scope.run(() => useLasting(() => works.value, 300))!
    for (let i = 0; i < 20; i++) {
      works.value = true
      vi.advanceTimersByTime(100)
      works.value = false
      vi.advanceTimersByTime(10)
      expect(isLasting.value).toBe(false)
    }
    vi.advanceTimersByTime(1000)
    expect(isLasting.value).toBe(false)
    scope.stop()
  })
})
