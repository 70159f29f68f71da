// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, shallowRef, type EffectScope } from 'vue'
import { readShortLog } from '@core/proof-build'
import { useTimedBuild, type OpenPage } from './use-timed-build'

const page = (index: number): OpenPage => ({ index, step: index === 0 ? null : { section: 'mill', step: index } })

describe('a timed build', () => {
  let scope: EffectScope
  beforeEach(() => {
    vi.useFakeTimers({ now: new Date('2026-12-01T10:00:00Z') })
    localStorage.clear()
    scope = effectScope()
  })
  afterEach(() => {
    scope.stop()
    vi.useRealTimers()
  })
  function build() {
    const open = shallowRef(page(0))
    const timed = scope.run(() => useTimedBuild('build', () => open.value))!
    const go = async (index: number, seconds: number): Promise<void> => {
      vi.advanceTimersByTime(seconds * 1000)
      open.value = page(index)
      await nextTick()
    }
    return { timed, go }
  }

  it('gives each step the time until it is left, counts who goes back, and stands still in a pause', async () => {
    const { timed, go } = build()
    await go(1, 5)
    await go(2, 30)
    timed.count('mistakes')
    timed.say('Which side?')
    await go(1, 20)
    timed.pause()
    await go(2, 600)
    timed.pause()
    await go(3, 10)
    const run = readShortLog(timed.letter()!)!
    expect(run.steps.map(({ step, seconds, mistakes, backs, note }) => [step, seconds, mistakes, backs, note])).toEqual([
      [1, 30, 0, 1, ''],
      [2, 30, 1, 0, 'Which side?'],
    ])
    expect(timed.letter()).toContain('2 steps, something went wrong at 1 step.')
  })

  it('goes on after a reload, and begins anew once it was handed over', async () => {
    const { timed, go } = build()
    await go(1, 5)
    await go(2, 30)
    await nextTick()
    expect(timed.seconds.value).toBe(30)
    scope.stop()
    scope = effectScope()
    const again = build().timed
    expect(again.seconds.value).toBe(30)
    again.end()
    expect(again.seconds.value).toBe(0)
  })

  it('bears whatever stands where it is kept, and says where it is too long for a letter', async () => {
    localStorage.setItem('build', '{"steps":7}')
    const { timed, go } = build()
    await go(1, 5)
    timed.say('x'.repeat(5000))
    expect(timed.letter()).toBeUndefined()
  })
})
