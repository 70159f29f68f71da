import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { PaintedAhead } from './painted-ahead'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

describe('a picture painted ahead', () => {
  it('is there when it is asked for, once', () => {
    const ahead = new PaintedAhead<string>()
    const paint = vi.fn(() => 'step 2')
    ahead.prepare('2', paint)
    expect(paint).not.toHaveBeenCalled()
    vi.runAllTimers()
    ahead.prepare('2', paint)
    vi.runAllTimers()
    expect(paint).toHaveBeenCalledOnce()
    expect([ahead.take('2'), ahead.take('2')]).toEqual(['step 2', undefined])
  })

  it('is not begun where something is asked for first', () => {
    const ahead = new PaintedAhead<string>()
    const paint = vi.fn(() => 'step 2')
    ahead.prepare('2', paint)
    expect(ahead.take('2')).toBeUndefined()
    vi.runAllTimers()
    expect(paint).not.toHaveBeenCalled()
  })

  it('is forgotten where another is asked for, is to be painted, or its source has changed', () => {
    const ahead = new PaintedAhead<string>()
    for (const forget of [() => ahead.take('9'), () => ahead.forget(), () => ahead.prepare('9', () => 'step 9')]) {
      ahead.prepare('2', () => 'step 2')
      vi.runAllTimers()
      forget()
      vi.runAllTimers()
      expect(ahead.take('2')).toBeUndefined()
    }
  })

  it('that cannot be painted is left for whoever asks for it', () => {
    const ahead = new PaintedAhead<string>()
    ahead.prepare('2', () => {
      throw new Error('no such step')
    })
    expect(() => vi.runAllTimers()).not.toThrow()
    expect(ahead.take('2')).toBeUndefined()
  })
})
