import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { KEPT_MS, keepPress, takePress } from './kept-press'

const started: { close: ReturnType<typeof vi.fn>; die: () => void }[] = []
vi.mock('./press-worker', () => ({
  startPress: (onLost: () => void) => {
    const table = { close: vi.fn(), die: onLost }
    started.push(table)
    return table
  },
}))

const laid = { model: 'a', source: {}, names: '', preview: { sheets: [], bookmarks: [], count: 0 } }
const silent = (): void => undefined

describe('the worker that lays sheets out', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    started.length = 0
  })
  afterEach(() => void vi.useRealTimers())

  it('is kept for who comes back soon, with what it laid out', () => {
    const press = takePress(silent)
    press.laid = laid
    keepPress(press)
    vi.advanceTimersByTime(KEPT_MS - 1)
    expect(takePress(silent)).toBe(press)
    expect(press.laid).toBe(laid)
    // Whoever has it again is not left without it.
    vi.advanceTimersByTime(10 * KEPT_MS)
    expect(started).toHaveLength(1)
    expect(started[0]!.close).not.toHaveBeenCalled()
    keepPress(press)
    vi.advanceTimersByTime(KEPT_MS)
    expect(started[0]!.close).toHaveBeenCalledOnce()
    expect(takePress(silent)).not.toBe(press)
  })

  it('is one alone: whichever was kept before ends', () => {
    const [first, second] = [takePress(silent), takePress(silent)]
    keepPress(first)
    keepPress(second)
    const ends = (): number[] => started.slice(-2).map(({ close }) => close.mock.calls.length)
    expect(ends()).toEqual([1, 0])
    vi.advanceTimersByTime(KEPT_MS)
    expect(ends()).toEqual([1, 1])
  })

  it('knows nothing any more when it has died, and only who has it is told', () => {
    const onLost = vi.fn()
    const press = takePress(onLost)
    press.laid = laid
    started[0]!.die()
    expect(press.laid).toBeUndefined()
    expect(onLost).toHaveBeenCalledOnce()
    keepPress(press)
    started[0]!.die()
    expect(onLost).toHaveBeenCalledOnce()
  })
})
