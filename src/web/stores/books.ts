import { defineStore } from 'pinia'
import { computed, ref, shallowRef, toRaw } from 'vue'
import type { Catalogue } from '@core/catalogue'
import { BASE_CATALOGUE } from '@core/catalogue'
import {
  colourBook,
  NO_BOOKS,
  readKits,
  readOffers,
  withStockChanged,
  type Books,
  type DeskPiece,
  type Kit,
  type MarketDay,
  type OfferBook,
} from '@core/desk'
import { plainFault } from '@core/fault'
import { faultText, say } from '../language'
import { useLibrary } from '../storage/open-library'
import { useOwnNames } from './own-names'
import { readBook, type BookKind } from './read-book'

/** Where the books are kept: read once, written before they are shown, one change after another. */
function keptBooks() {
  const books = shallowRef<Books>(NO_BOOKS)
  const problem = ref('')
  let loading: Promise<void> | undefined
  let last: Promise<void> = Promise.resolve()

  const load = (): Promise<void> =>
    (loading ??= useLibrary()
      .then((library) => library.books())
      .then(
        (kept) => void (books.value = kept),
        (thrown: unknown) => void (problem.value = say('stores.yourBooksCouldNotBe', { fault: faultText(plainFault(thrown)) })),
      ))

  function keep(change: (now: Books) => Books): Promise<void> {
    last = last.then(async () => {
      await load()
      problem.value = ''
      const next = change(books.value)
      try {
        await (await useLibrary()).keepBooks(JSON.parse(JSON.stringify(next)) as Books)
        books.value = next
      } catch (thrown) {
        problem.value = say('stores.yourBooksWereNotSaved', { fault: faultText(plainFault(thrown)) })
      }
    })
    return last
  }

  return { books, problem, load, keep }
}

/** The designer's books: kept in this browser, brought in and taken out as files. */
export const useBooks = defineStore('books', () => {
  const names = useOwnNames()
  const { books, problem, load, keep } = keptBooks()

  /**
   * Reads a file into one of the books, in place of what stands there.
   * @returns what was read, in words
   * @throws Fault where the file is refused; nothing changes then
   */
  async function bring(kind: BookKind, bytes: Uint8Array, catalogue: Catalogue): Promise<string> {
    await names.load()
    const { change: changed, said } = readBook(kind, bytes, { catalogue, aliases: names.aliases, now: Date.now() })
    await keep(changed)
    return said
  }

  const own = (kit: Kit, count: number): Promise<void> => keep((now) => ({ ...now, had: { ...now.had, [kit.id]: count } }))
  /** Puts pieces in, or takes them out where their counts are below 0. @param kits that came with them, by id */
  const change = (pieces: readonly DeskPiece[], what: string, kits: readonly { readonly id: string; readonly count: number }[] = []) =>
    keep((now) => {
      const had = { ...now.had }
      for (const { id, count } of kits) had[id] = (had[id] ?? 0) + count
      return { ...withStockChanged(now, pieces, what, Date.now()), had }
    })
  /** Prices of the practice market, and its kits beside those that are known. */
  const practise = (offers: OfferBook, kits: readonly Kit[], practice: MarketDay): Promise<void> =>
    keep((now) => {
      const ids = new Set(kits.map(({ id }) => id))
      return { ...now, offers, practice, kits: [...now.kits.filter(({ id }) => !ids.has(id)), ...kits] }
    })
  /** Offers edited by hand; prices of the practice market are the designer's own from then on. */
  const changeOffers = (change: (book: OfferBook | null) => OfferBook): Promise<void> =>
    keep(({ practice: _practice, ...now }) => ({ ...now, offers: change(now.offers) }))
  const replace = (next: Books): Promise<void> => keep(() => next)

  /** Books of a backup: they are taken where there are none of that kind here. What is no book is left alone. */
  async function restore(value: unknown): Promise<void> {
    await load()
    const next = completed(books.value, value ?? {})
    await keep(() => next)
  }

  return {
    books,
    problem,
    byColour: computed(() => colourBook(toRaw(books.value))),
    load,
    bring,
    own,
    change,
    changeOffers,
    practise,
    replace,
    restore,
  }
})

/** Books with those of a backup in place of what is empty. */
const completed = (here: Books, found: Partial<Books>): Books => ({
  stock: here.stock.length > 0 || !Array.isArray(found.stock) ? here.stock : found.stock,
  ...(here.kits.length > 0 || !found.kits ? { kits: here.kits, had: here.had } : { kits: kitsIn(found.kits), had: found.had ?? {} }),
  offers: here.offers ?? (found.offers ? offersIn(found.offers) : null),
  log: here.log.length > 0 || !Array.isArray(found.log) ? here.log : found.log,
})

/** Through the reader of files, so that nothing stands in the books that it would refuse. */
const kitsIn = (kits: unknown): Kit[] => readKits(JSON.stringify({ format: 'jump-rail-kits', version: 1, kits }), BASE_CATALOGUE)
const offersIn = (offers: object): Books['offers'] =>
  readOffers(JSON.stringify({ format: 'jump-rail-offers', version: 1, ...offers }), BASE_CATALOGUE)
