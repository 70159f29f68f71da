import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { readiness } from './facts'
import { Library } from './library'

const DAY = 24 * 3600 * 1000
const model = oneSection([part('a', 'plate-1x1', [0, 0, 0])])
let library: Library
let run = 0
beforeEach(() => {
  library = new Library(`test ${++run}`)
})

describe('the library', () => {
  it('saves revision after revision, and refuses what another tab has overtaken', async () => {
    const stored = await library.add(model)
    const next = await library.save(stored.id, stored.revision, { ...model, name: 'New name' })
    expect(next).toBe(2)
    expect((await library.get(stored.id)).name).toBe('New name')
    await expect(library.save(stored.id, stored.revision, model)).rejects.toMatchObject({ code: 'changed-elsewhere' })
    expect((await library.get(stored.id)).name).toBe('New name')
  })

  it('takes a model off and brings it back whole', async () => {
    const stored = await library.add(model, { facts: { parts: 1, sections: 1, steps: 1, errors: 0, warnings: 0 } })
    await library.remove(stored.id)
    expect(await library.list()).toEqual([])
    await expect(library.get(stored.id)).rejects.toMatchObject({ code: 'no-model' })
    await library.restore(stored.id)
    expect(await library.list()).toEqual([stored])
  })

  it('forgets what was taken off a week ago, and still is not new', async () => {
    const old = await library.add(model)
    const kept = await library.add(model)
    expect(await library.isNew()).toBe(false)
    await library.remove(old.id)
    await library.forgetOldDeletions(Date.now() + 6 * DAY)
    await library.restore(old.id)
    expect((await library.list()).map((stored) => stored.id).sort()).toEqual([old.id, kept.id].sort())
    await library.remove(old.id)
    await library.remove(kept.id)
    await library.forgetOldDeletions(Date.now() + 8 * DAY)
    await library.restore(old.id)
    expect(await library.list()).toEqual([])
    expect(await library.isNew()).toBe(false)
  })

  it('knows that a browser is new to it', async () => {
    expect(await library.isNew()).toBe(true)
  })

  it('describes a model without making a new revision', async () => {
    const stored = await library.add(model)
    await library.describe(stored.id, { parts: 1, sections: 1, steps: 1, errors: 0, warnings: 2 })
    const now = await library.get(stored.id)
    expect([now.revision, now.facts?.warnings]).toEqual([1, 2])
  })
})

describe('how ready a model is', () => {
  const facts = { parts: 1, sections: 1, steps: 1, errors: 0, warnings: 0 }
  it.each([
    [undefined, 'not looked at yet'],
    [facts, 'ready to publish'],
    [{ ...facts, warnings: 1 }, 'can be built, 1 warning'],
    [{ ...facts, errors: 2, warnings: 1 }, '2 errors to solve'],
  ])('%o', (given, words) => {
    expect(readiness(given)).toBe(words)
  })
})
