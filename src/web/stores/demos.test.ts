import { IDBFactory, IDBKeyRange } from 'fake-indexeddb'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { fromBytes, toBytes, USUAL_SETTINGS, type ModelState, type Printed } from '../../workers/plan-messages'
import { Planner } from '../../workers/planner'
import { LibraryDatabase } from '../storage/database'
import { Library } from '../storage/library'
import { addDemos, describeDemos } from './demos'

const model = oneSection([part('a', 'plate-2x2', [0, 0, 0]), part('b', 'plate-2x2', [0, 0, 4])])
const state: ModelState = { model, settings: USUAL_SETTINGS, order: {} }
const printed = new Planner().open(1, toBytes(state), () => undefined)

/** What the server answers: every demo is the model above; of what was built with the application there is as much as is said. */
function serve(built: 'all' | 'none' | 'the page instead'): void {
  vi.stubGlobal('fetch', (address: string) => {
    if (!address.startsWith('/demos/')) return Promise.resolve(Response.json(model))
    if (built === 'none') return Promise.resolve(new Response('', { status: 404 }))
    if (built === 'the page instead') return Promise.resolve(new Response('<!doctype html>'))
    return Promise.resolve(address.endsWith('.json') ? Response.json(printed) : new Response('picture'))
  })
}

let library: Library
beforeEach(() => {
  library = new Library(new LibraryDatabase('test', { indexedDB: new IDBFactory(), IDBKeyRange }))
})
afterEach(() => vi.unstubAllGlobals())

describe('demos', () => {
  it('are described as the build has found them, all at once, and opened with that plan', async () => {
    serve('all')
    await addDemos(library)
    expect(await describeDemos(library, await library.list())).toBe(true)
    const models = await library.list()
    expect(models).toHaveLength(6)
    for (const { facts, picture, describedAt } of models) {
      expect([facts?.parts, facts?.steps, describedAt]).toEqual([2, printed.sections[0]!.steps.length, 1])
      expect(picture).toBeDefined()
    }
    const opened = await library.open(models[0]!.id)
    expect(fromBytes<Printed>(opened.report!)).toEqual(printed)
    expect(Object.keys(opened.state.order)).toEqual(['main'])
    expect(await describeDemos(library, models)).toBe(false)
  })

  it('are left as they are once they were changed', async () => {
    serve('all')
    await addDemos(library)
    const [first] = await library.list()
    const renamed = { name: 'Mine', replaces: false, after: () => toBytes(state) }
    await library.append(first!.id, 1, { label: 'name it', forward: 'null', back: 'null' }, renamed)
    await describeDemos(library, await library.list())
    const after = (await library.list()).find(({ id }) => id === first!.id)!
    expect([after.facts, after.picture, after.revision]).toEqual([undefined, undefined, 2])
  })

  it.each(['none', 'the page instead'] as const)('are planned like other models where the server has %s of it', async (built) => {
    serve(built)
    await addDemos(library)
    expect(await describeDemos(library, await library.list())).toBe(false)
    expect((await library.list()).map(({ facts }) => facts)).toEqual(Array(6).fill(undefined))
  })
})
