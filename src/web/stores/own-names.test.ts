import { IDBFactory, IDBKeyRange } from 'fake-indexeddb'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { BASE_CATALOGUE } from '@core/catalogue'
import { LibraryDatabase } from '../storage/database'
import { Library } from '../storage/library'
import { useOwnNames } from './own-names'

const store = vi.hoisted((): { library: unknown } => ({ library: undefined }))
vi.mock('../storage/open-library', () => ({ useLibrary: () => Promise.resolve(store.library) }))

/** A store that can be slow or full. */
class TryingLibrary extends Library {
  isFull = false
  slow: Promise<void> | undefined
  override async keepOwnNames(...args: Parameters<Library['keepOwnNames']>): Promise<void> {
    await this.slow
    if (this.isFull) throw new DOMException('The disk is full.', 'QuotaExceededError')
    return super.keepOwnNames(...args)
  }
}
let library: TryingLibrary
beforeEach(() => {
  setActivePinia(createPinia())
  library = new TryingLibrary(new LibraryDatabase('test', { indexedDB: new IDBFactory(), IDBKeyRange }))
  store.library = library
})

describe('own names', () => {
  it('are shown only once they are stored, so that a reload never takes back what was seen', async () => {
    const names = useOwnNames()
    await names.load()
    let go = (): void => undefined
    library.slow = new Promise((resolve) => (go = resolve))
    const naming = names.name('shape', 'brick-1x1', { name: 'Small one' })
    await new Promise((resolve) => setTimeout(resolve))
    expect(names.beside('shape', 'brick-1x1')).toBe('')
    go()
    await naming
    expect(names.beside('shape', 'brick-1x1')).toBe('Small one')
    expect((await library.ownNames()).aliases).toEqual(names.aliases)
  })

  it('given one right after another are all kept', async () => {
    const names = useOwnNames()
    await Promise.all([
      names.name('shape', 'brick-1x1', { name: 'Small one' }),
      names.name('shape', 'brick-1x1', { number: '17' }),
      names.name('shape', 'brick-1x2', { name: 'Pair' }),
    ])
    expect(names.beside('shape', 'brick-1x1')).toBe('Small one (17)')
    setActivePinia(createPinia())
    const again = useOwnNames()
    await again.load()
    expect(again.aliases).toEqual(names.aliases)
    await again.name('shape', 'brick-1x1', { name: '', number: '' })
    expect(again.aliases.map(({ id }) => id)).toEqual(['brick-1x2'])
  })

  it('that cannot be stored are not shown, and it is said why, until they can', async () => {
    const names = useOwnNames()
    library.isFull = true
    await names.name('shape', 'brick-1x1', { name: 'Small one' })
    expect(names.problem).toBe('Your names were not saved. The disk is full.')
    expect(names.aliases).toEqual([])
    library.isFull = false
    await names.name('shape', 'brick-1x1', { name: 'Small one' })
    expect([names.problem, names.beside('shape', 'brick-1x1')]).toEqual(['', 'Small one'])
  })

  it('are taken out and brought in as a table, whole or not at all', async () => {
    const names = useOwnNames()
    await names.name('colour', 'sand', { name: 'Beach', number: '3' })
    const table = names.exportTable()
    await names.importTable(table.replace('Beach', 'Dune'), BASE_CATALOGUE)
    expect(names.beside('colour', 'sand')).toBe('Dune (3)')
    expect(() => names.importTable(`${table}\nshape,brick-9x9,x,1`, BASE_CATALOGUE)).toThrow()
    expect(names.beside('colour', 'sand')).toBe('Dune (3)')
  })

  it('can be put aside and taken up again', async () => {
    const names = useOwnNames()
    await names.name('colour', 'sand', { name: 'Beach' })
    await names.show(false)
    expect(names.beside('colour', 'sand')).toBe('')
    expect(names.find('colour', 'sand')?.name).toBe('Beach')
    await names.show(true)
    expect(names.beside('colour', 'sand')).toBe('Beach')
  })
})
