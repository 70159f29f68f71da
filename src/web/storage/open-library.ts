import { LibraryDatabase } from './database'
import { Library } from './library'

/** A browser that has not opened its store after this long will not. */
const PATIENCE_MS = 4000

async function openStore(name: string): Promise<Library> {
  const db = new LibraryDatabase(name)
  await Promise.race([
    db.open(),
    new Promise((_, reject) => {
      setTimeout(() => reject(new Error('the store does not answer')), PATIENCE_MS)
    }),
  ])
  return new Library(db)
}

/** Where the browser has no store, or it never answers, all is kept in the page's memory; that is told. */
async function openMemory(name: string): Promise<Library> {
  const { IDBFactory, IDBKeyRange } = await import('fake-indexeddb')
  return new Library(new LibraryDatabase(name, { indexedDB: new IDBFactory(), IDBKeyRange }), 'page')
}

export async function openLibrary(name: string, open = openStore): Promise<Library> {
  try {
    return await open(name)
  } catch {
    return openMemory(name)
  }
}

let opened: Promise<Library> | undefined

/** The library of this page; opened once. */
export const useLibrary = (): Promise<Library> => (opened ??= openLibrary('jump-rail'))
