import { describe, expect, it } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import { nextTask } from '../shared/next-task'
import { AT_ONCE, useLaidOut } from './use-laid-out'

const numbers = (from: number, count: number): number[] => Array.from({ length: count }, (_, i) => from + i)

describe('groups that are laid out some at a time', () => {
  it('begin with the first, and are all there in the end; other groups begin again', async () => {
    const groups = ref([
      { title: 'low', shapes: numbers(0, AT_ONCE - 10) },
      { title: 'high', shapes: numbers(1000, 2 * AT_ONCE) },
    ])
    const scope = effectScope()
    const laid = scope.run(() => useLaidOut(() => groups.value))!
    const sizes = (): number[] => laid.value.map(({ shapes }) => shapes.length)
    expect(sizes()).toEqual([AT_ONCE - 10, 10])
    expect(laid.value.map(({ count }) => count)).toEqual([AT_ONCE - 10, 2 * AT_ONCE])
    for (let i = 0; i < 8; i++) await nextTask()
    expect(sizes()).toEqual([AT_ONCE - 10, 2 * AT_ONCE])
    groups.value = [{ title: 'found', shapes: numbers(0, 3 * AT_ONCE) }]
    await nextTick()
    expect(sizes()).toEqual([AT_ONCE])
    scope.stop()
    for (let i = 0; i < 8; i++) await nextTask()
    expect(sizes()).toEqual([AT_ONCE])
  })
})
