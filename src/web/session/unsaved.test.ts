import { describe, expect, it } from 'vitest'
import { ref } from 'vue'
import { createUnsavedWork, nothingUnsaved } from './unsaved'

function scene() {
  const waiting = ref(0)
  const saving = ref<'saved' | 'saving' | 'failed'>('saved')
  return { waiting, saving, work: createUnsavedWork(waiting, saving) }
}

describe('unsaved work', () => {
  it('is nothing where no model is open', () => {
    expect(nothingUnsaved().state.value).toBe('nothing')
  })

  it('says where what was done is: typed, waiting, being written, failed', () => {
    const { waiting, saving, work } = scene()
    expect(work.state.value).toBe('nothing')
    waiting.value = 1
    expect(work.state.value).toBe('waiting')
    saving.value = 'saving'
    expect(work.state.value).toBe('waiting')
    waiting.value = 0
    expect(work.state.value).toBe('saving')
    saving.value = 'failed'
    expect(work.state.value).toBe('failed')
  })

  it('is typed text as long as some field holds any', () => {
    const { work } = scene()
    const takeOff = [work.typed(() => undefined), work.typed(() => undefined)]
    expect(work.state.value).toBe('typed')
    takeOff[0]!()
    expect(work.state.value).toBe('typed')
    takeOff[1]!()
    expect(work.state.value).toBe('nothing')
    // Taken off twice is taken off.
    takeOff[1]!()
    expect(work.state.value).toBe('nothing')
  })

  it('hands over all that is typed, though each takes itself off', () => {
    const { work } = scene()
    const given: string[] = []
    for (const name of ['note', 'caution']) {
      const takeOff = work.typed(() => {
        given.push(name)
        takeOff()
      })
    }
    work.flush()
    expect([given, work.state.value]).toEqual([['note', 'caution'], 'nothing'])
    work.flush()
    expect(given).toEqual(['note', 'caution'])
  })

  it('never says nothing while a failed save waits, whatever is typed meanwhile', () => {
    const { saving, work } = scene()
    saving.value = 'failed'
    const takeOff = work.typed(() => undefined)
    expect(work.state.value).toBe('failed')
    takeOff()
    expect(work.state.value).toBe('failed')
  })
})
