import { IDBFactory, IDBKeyRange } from 'fake-indexeddb'
import Dexie from 'dexie'
import fc from 'fast-check'
import { beforeEach, describe, expect, it } from 'vitest'
import { applyChange, changeBetween, type Change } from '@core/change'
import { TECHNIQUE_POLICIES } from '@core/model'
import { oneSection, part } from '../../../tests/support/models'
import { toBytes, USUAL_SETTINGS, type ModelState } from '../../workers/plan-messages'
import { LibraryDatabase } from './database'
import { readiness } from './facts'
import { Library, type NewChange, type StoredModel } from './library'
import { openLibrary } from './open-library'

const DAY = 24 * 3600 * 1000
const model = oneSection([part('a', 'plate-1x1', [0, 0, 0])])
const stateOf = (name: string, notes = ''): ModelState => ({ model: { ...model, name, notes }, settings: USUAL_SETTINGS, order: {} })
const change = (before: ModelState, after: ModelState, label = 'name it'): NewChange => ({
  label,
  forward: JSON.stringify(changeBetween(before, after)),
  back: JSON.stringify(changeBetween(after, before)),
})
const facts = { parts: 1, sections: 1, steps: 1, errors: 0, warnings: 0 }

let factory: IDBFactory
let library: Library
const openAgain = (): Library => new Library(new LibraryDatabase('test', { indexedDB: factory, IDBKeyRange }))
beforeEach(() => {
  factory = new IDBFactory()
  library = openAgain()
})

const add = (name = 'First'): Promise<StoredModel> => library.add(name, toBytes(stateOf(name)))

describe('the library', () => {
  it('writes changes down, goes back and forth, and opens where it was left', async () => {
    const { id } = await add()
    const [first, second, third] = ['First', 'Second', 'Third'].map((name) => stateOf(name)) as [ModelState, ModelState, ModelState]
    await library.append(id, 1, change(first, second), { name: 'Second', replaces: false, after: () => toBytes(second) })
    await library.append(id, 2, change(second, third), { name: 'Third', replaces: false, after: () => toBytes(third) })
    expect((await openAgain().open(id)).state).toEqual(third)
    await library.moveTo(id, 3, 'First', 0)
    expect((await openAgain().open(id)).state).toEqual(first)
    const opened = await openAgain().open(id)
    expect([opened.stored.cursor, opened.stored.revision, opened.stored.name]).toEqual([0, 4, 'First'])
    expect(opened.changes.map(({ label }) => label)).toEqual(['name it', 'name it'])
    // A new change ends what could be done again.
    const other = stateOf('Other')
    await library.append(id, 4, change(first, other, 'call it other'), { name: 'Other', replaces: false, after: () => toBytes(other) })
    const now = await openAgain().open(id)
    expect([now.state.model.name, now.changes.map(({ label }) => label)]).toEqual(['Other', ['call it other']])
  })

  it('any way of changes, undone and done again, ends where a plain list of states says', async () => {
    type Act =
      | { readonly kind: 'change'; readonly size: number }
      | { readonly kind: 'replace' }
      | { readonly kind: 'back' }
      | { readonly kind: 'forth' }
    const acts = fc.array(
      fc.oneof(
        fc.record({ kind: fc.constant('change' as const), size: fc.nat({ max: 3 }) }),
        fc.constant<Act>({ kind: 'replace' }),
        fc.constant<Act>({ kind: 'back' }),
        fc.constant<Act>({ kind: 'forth' }),
      ),
      { maxLength: 60 },
    )
    await fc.assert(
      fc.asyncProperty(acts, async (sequence) => {
        const { id } = await add()
        const states = [stateOf('First')]
        let at = 0
        let revision = 1
        for (const [i, act] of sequence.entries()) {
          if (act.kind === 'change' || act.kind === 'replace') {
            const replaces = act.kind === 'replace' && at > 0
            const base = states[replaces ? at - 1 : at]!
            const next = stateOf(`Name ${i}`, 'x'.repeat(act.kind === 'change' ? act.size * 1000 : 0))
            states.splice(replaces ? at : at + 1, Infinity, next)
            at = states.length - 1
            await library.append(id, revision++, change(base, next), { name: next.model.name, replaces, after: () => toBytes(next) })
          } else {
            const to = at + (act.kind === 'back' ? -1 : 1)
            if (!states[to]) continue
            at = to
            await library.moveTo(id, revision++, states[to].model.name, at)
          }
        }
        const opened = await openAgain().open(id)
        expect(opened.state).toEqual(states[at])
        expect(opened.stored.cursor).toBe(at)
        expect(opened.changes).toHaveLength(states.length - 1)
      }),
      { numRuns: 60 },
    )
  })

  it('drops the oldest changes where they take too much room, tells how many, and loses nothing else', async () => {
    const { id } = await add()
    const large = Array.from({ length: 6 }, (_, i) => stateOf(`Large ${i}`, String(i).repeat(1_500_000)))
    let dropped = 0
    for (const [i, state] of large.entries()) {
      const before = large[i - 1] ?? stateOf('First')
      dropped += (
        await library.append(id, i + 1, change(before, state), { name: state.model.name, replaces: false, after: () => toBytes(state) })
      ).dropped
    }
    const opened = await openAgain().open(id)
    expect(opened.state).toEqual(large[5])
    expect(dropped).toBeGreaterThan(0)
    expect(opened.changes).toHaveLength(6 - dropped)
    await library.moveTo(id, 7, large[4]!.model.name, 5)
    expect((await openAgain().open(id)).state).toEqual(large[4])
  })

  it('refuses what another tab has overtaken, and what was taken off', async () => {
    const { id } = await add()
    const [first, second] = [stateOf('First'), stateOf('Second')]
    await library.append(id, 1, change(first, second), { name: 'Second', replaces: false, after: () => toBytes(second) })
    await expect(
      library.append(id, 1, change(first, second), { name: 'x', replaces: false, after: () => toBytes(second) }),
    ).rejects.toMatchObject({
      code: 'changed-elsewhere',
    })
    await expect(library.moveTo(id, 1, 'x', 0)).rejects.toMatchObject({ code: 'changed-elsewhere' })
    await library.remove(id)
    // Saving into a model that another tab has taken off must never look like saving.
    await expect(
      library.append(id, 2, change(second, first), { name: 'x', replaces: false, after: () => toBytes(first) }),
    ).rejects.toMatchObject({ code: 'no-model' })
    expect(await library.list()).toEqual([])
    await expect(library.open(id)).rejects.toMatchObject({ code: 'no-model' })
    await library.restore(id)
    expect((await library.open(id)).state).toEqual(second)
  })

  it('keeps a report with its revision only', async () => {
    const { id } = await add()
    const bytes = toBytes({ any: 'report' })
    await library.keepReport({ id, revision: 1, bytes })
    expect((await library.open(id)).report).toEqual(bytes)
    const second = stateOf('Second')
    await library.append(id, 1, change(stateOf('First'), second), { name: 'Second', replaces: false, after: () => toBytes(second) })
    expect((await library.open(id)).report).toBeUndefined()
    await library.keepReport({ id, revision: 1, bytes })
    expect((await library.open(id)).report).toBeUndefined()
  })

  it('keeps the first order of a model that nobody has changed', async () => {
    const { id } = await add()
    const seen: ModelState = { ...stateOf('First'), order: { main: [] } }
    await library.keepFirst(id, 1, toBytes(seen), toBytes({}))
    expect((await library.open(id)).state).toEqual(seen)
    await library.append(id, 1, change(seen, stateOf('Second')), {
      name: 'Second',
      replaces: false,
      after: () => toBytes(stateOf('Second')),
    })
    await library.keepFirst(id, 1, toBytes(seen), toBytes({}))
    expect((await library.open(id)).state.model.name).toBe('Second')
  })

  it('duplicates what stands there now, with a history of its own', async () => {
    const { id } = await add()
    const second = stateOf('Second')
    await library.append(id, 1, change(stateOf('First'), second), { name: 'Second', replaces: false, after: () => toBytes(second) })
    const copy = await library.duplicate(id, 'Second, copy', toBytes)
    const opened = await library.open(copy.id)
    expect([opened.state.model.name, opened.changes, (await library.open(id)).state.model.name]).toEqual(['Second, copy', [], 'Second'])
  })

  it('forgets what was taken off a week ago, with all that belongs to it, and still is not new', async () => {
    const [old, kept] = [await add('Old'), await add('Kept')]
    await library.append(old.id, 1, change(stateOf('Old'), stateOf('x')), {
      name: 'x',
      replaces: false,
      after: () => toBytes(stateOf('x')),
    })
    await library.remove(old.id)
    await library.forgetOldDeletions(Date.now() + 6 * DAY)
    await library.restore(old.id)
    expect((await library.list()).map((stored) => stored.id).sort()).toEqual([old.id, kept.id].sort())
    await library.remove(old.id)
    await library.forgetOldDeletions(Date.now() + 8 * DAY)
    await library.restore(old.id)
    expect((await library.list()).map(({ id }) => id)).toEqual([kept.id])
    expect(await library.isNew()).toBe(false)
  })

  it('knows that a browser is new to it', async () => {
    expect(await library.isNew()).toBe(true)
  })

  it('gives a new browser its first models all at once, in their order, and only once', async () => {
    const first = ['One', 'Two', 'Three'].map((name) => ({ name, bytes: toBytes(stateOf(name)) }))
    await Promise.all([library.addFirst(first), openAgain().addFirst(first)])
    expect((await library.list()).map(({ name }) => name)).toEqual(['One', 'Two', 'Three'])
    expect(await library.isNew()).toBe(false)
    for (const { id } of await library.list()) await library.remove(id)
    await library.addFirst(first)
    expect(await library.list()).toEqual([])
  })

  it('gives a new browser its first models also where a file was brought in before they came', async () => {
    await add('Mine')
    await library.addFirst([{ name: 'One', bytes: toBytes(stateOf('One')) }])
    expect((await library.list()).map(({ name }) => name).sort()).toEqual(['Mine', 'One'])
  })

  it('gives a new browser none of its first models where one cannot be stored', async () => {
    const [one, two] = ['One', 'Two'].map((name) => ({ name, bytes: toBytes(stateOf(name)) }))
    const unstorable = { ...two!, facts: (() => undefined) as never }
    await expect(library.addFirst([one!, unstorable])).rejects.toThrow()
    expect([await library.list(), await library.isNew()]).toEqual([[], true])
  })

  it('describes a model without making a new revision', async () => {
    const { id } = await add()
    await library.describe(id, { facts: { ...facts, warnings: 2 } })
    const { stored } = await library.open(id)
    expect([stored.revision, stored.facts?.warnings]).toEqual([1, 2])
  })

  it('takes over what an earlier version of the program has stored', async () => {
    const old = new Dexie('test', { indexedDB: factory, IDBKeyRange })
    old.version(2).stores({ models: 'id, updatedAt, deletedAt', marks: 'id', names: 'id' })
    const settings = { ...USUAL_SETTINGS, strategy: 'core-out' }
    await old.table('models').add({ id: 'x', name: 'Test', model, revision: 7, updatedAt: 5, deletedAt: 0, settings, facts })
    old.close()
    const opened = await openAgain().open('x')
    expect(opened.state).toEqual({ model, settings, order: {} })
    expect([opened.stored.revision, opened.stored.facts, 'model' in opened.stored]).toEqual([7, facts, false])
  })

  it('finds the techniques of an earlier version under their new name, in the state and in what is undone', async () => {
    const old = new Dexie('test', { indexedDB: factory, IDBKeyRange })
    old.version(3).stores({
      models: 'id, updatedAt, deletedAt',
      marks: 'id',
      names: 'id',
      documents: 'id',
      changes: '[model+number], model',
      reports: 'id',
    })
    const refusing = { ...stateOf('Test'), settings: { ...USUAL_SETTINGS, school: TECHNIQUE_POLICIES.pure } }
    const plain = stateOf('Test')
    const [forward, back] = [changeBetween(plain, refusing), changeBetween(refusing, plain)].map((change) => JSON.stringify(change))
    await old.table('models').add({ id: 'x', name: 'Test', revision: 2, updatedAt: 5, deletedAt: 0, cursor: 1, first: 1, historySize: 9 })
    await old.table('documents').add({ id: 'x', bytes: toBytes(refusing), position: 1 })
    await old.table('changes').add({ model: 'x', number: 1, label: 'refuse techniques', forward, back })
    old.close()
    const { state, changes } = await openAgain().open('x')
    expect(state.settings).toEqual({ ...USUAL_SETTINGS, techniques: TECHNIQUE_POLICIES.pure })
    expect(applyChange(state, JSON.parse(changes[0]!.back) as Change)).toEqual(plain)
  })
})

describe('a browser without a store', () => {
  it('keeps all in memory, and says that it does not last', async () => {
    const memory = await openLibrary('test', () => Promise.reject(new Error('no store here')))
    expect(memory.isLasting).toBe(false)
    const { id } = await memory.add('First', toBytes(stateOf('First')))
    expect((await memory.open(id)).state).toEqual(stateOf('First'))
  })
})

describe('how ready a model is', () => {
  it.each([
    [undefined, 'not looked at yet'],
    [facts, 'ready to publish'],
    [{ ...facts, warnings: 1 }, 'can be built, 1 warning'],
    [{ ...facts, errors: 2, warnings: 1 }, '2 errors to solve'],
  ])('%o', (given, words) => {
    expect(readiness(given)).toBe(words)
  })
})
