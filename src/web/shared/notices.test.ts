import { beforeEach, describe, expect, it, vi } from 'vitest'
import { dismiss, notices, notify } from './notices'

beforeEach(() => {
  notices.value = []
})

describe('notices', () => {
  it('do not pile up, and what is said already is counted', () => {
    notify('one')
    notify('two')
    notify('three')
    expect(notices.value.map(({ text }) => text)).toEqual(['two', 'three'])
    notify('two')
    expect(notices.value.map(({ text, times }) => [text, times])).toEqual([
      ['three', 1],
      ['two', 2],
    ])
  })

  it('go by themselves unless they tell an error', () => {
    vi.useFakeTimers()
    notify('done')
    notify('broken', { isError: true })
    vi.advanceTimersByTime(60_000)
    expect(notices.value.map(({ text }) => text)).toEqual(['broken'])
    dismiss(notices.value[0]!.id)
    expect(notices.value).toEqual([])
    vi.useRealTimers()
  })
})
