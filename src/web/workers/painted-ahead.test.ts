import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { PaintedAhead, type Coming } from './painted-ahead'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

const step = (key: string, paint = vi.fn(() => Promise.resolve(`step ${key}`))): Coming<string> => ({ key, paint })

describe('pictures painted ahead', () => {
  it('are there when they are asked for, each once', async () => {
    const ahead = new PaintedAhead<string>()
    const { key, paint } = step('2')
    ahead.prepare([{ key, paint }])
    expect(paint).not.toHaveBeenCalled()
    await vi.runAllTimersAsync()
    ahead.prepare([{ key, paint }])
    await vi.runAllTimersAsync()
    expect(paint).toHaveBeenCalledOnce()
    expect(await ahead.take('2')).toBe('step 2')
    expect(ahead.take('2')).toBeUndefined()
  })

  it('are painted one by one, the next first, and stay while one walks on', async () => {
    const ahead = new PaintedAhead<string>()
    const steps = ['2', '3', '4'].map((key) => step(key))
    const calls = (): number[] => steps.map(({ paint }) => vi.mocked(paint).mock.calls.length)
    ahead.prepare(steps)
    await vi.advanceTimersByTimeAsync(50)
    expect(calls()).toEqual([1, 0, 0])
    await vi.runAllTimersAsync()
    expect(await ahead.take('2')).toBe('step 2')
    ahead.prepare([...steps.slice(1), step('5')])
    await vi.runAllTimersAsync()
    expect(calls()).toEqual([1, 1, 1])
    expect(await Promise.all(['3', '4', '5'].map((key) => ahead.take(key)))).toEqual(['step 3', 'step 4', 'step 5'])
  })

  it('are waited for where they are just being painted, not painted again', async () => {
    const ahead = new PaintedAhead<string>()
    const paint = vi.fn(() => new Promise<string>((resolve) => setTimeout(() => resolve('step 2'), 500)))
    ahead.prepare([{ key: '2', paint }])
    await vi.advanceTimersByTimeAsync(100)
    const taken = ahead.take('2')
    await vi.runAllTimersAsync()
    expect(await taken).toBe('step 2')
    expect(paint).toHaveBeenCalledOnce()
  })

  it('are not begun where something is asked for first', async () => {
    const ahead = new PaintedAhead<string>()
    const { key, paint } = step('2')
    ahead.prepare([{ key, paint }])
    expect(ahead.take('2')).toBeUndefined()
    await vi.runAllTimersAsync()
    expect(paint).not.toHaveBeenCalled()
  })

  it('are forgotten where others are to be painted, or their source has changed', async () => {
    const ahead = new PaintedAhead<string>()
    for (const forget of [() => ahead.forget(), () => ahead.prepare([step('9')])]) {
      ahead.prepare([step('2')])
      await vi.runAllTimersAsync()
      forget()
      await vi.runAllTimersAsync()
      expect(ahead.take('2')).toBeUndefined()
    }
  })

  it('that cannot be painted are left for whoever asks for them; those behind are painted all the same', async () => {
    const ahead = new PaintedAhead<string>()
    ahead.prepare([
      step(
        '2',
        vi.fn(() => Promise.reject(new Error('no such step'))),
      ),
      step('3'),
    ])
    await vi.runAllTimersAsync()
    expect(ahead.take('2')).toBeUndefined()
    expect(await ahead.take('3')).toBe('step 3')
  })
})
