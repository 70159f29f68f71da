import type { Catalogue } from '@core/catalogue'
import { readKits, readOffers, readPrices, readStock, withStock, type Books, type OfferBook } from '@core/desk'
import type { Alias } from '@core/names'
import { fileText } from '@core/words'
import { say, sayCount } from '../language'

/** Which of the books a file is for. */
export type BookKind = 'stock' | 'kits' | 'offers'

interface ReadBook {
  readonly change: (now: Books) => Books
  /** What was read, in words. */
  readonly said: string
}

interface BookReading {
  readonly catalogue: Catalogue
  readonly aliases: readonly Alias[]
  /** ms */
  readonly now: number
}

/** A file of stock, kits or offers, as a change of the books. @throws Fault where the file is refused */
export function readBook(kind: BookKind, bytes: Uint8Array, { catalogue, aliases, now: at }: BookReading): ReadBook {
  if (kind === 'stock') {
    const { pieces, words } = readStock(bytes, catalogue, aliases)
    const read = words.length === 0 ? '' : ` ${wordsRead(words)}`
    return {
      change: (now) => withStock(now, pieces, say('stores.aTableWasBroughtIn'), at),
      said: say('stores.theStockHasOfPieces', { kinds: sayCount('count.kinds', pieces.length), read }),
    }
  }
  const text = fileText(bytes)
  if (kind === 'kits') {
    const kits = readKits(text, catalogue)
    return {
      change: (now) => ({ ...now, kits, had: Object.fromEntries(kits.map(({ id }) => [id, now.had[id] ?? 0])) }),
      said: say('stores.standInYourBooks', { kits: sayCount('count.kits', kits.length) }),
    }
  }
  // A file of offers is JSON; prices come as a table too.
  if (!text.trimStart().startsWith('{')) return readPriceTable(bytes, { catalogue, aliases, now: at })
  const offers = readOffers(text, catalogue)
  return {
    change: ({ practice: _practice, ...now }) => ({ ...now, offers }),
    said: say('stores.offersOfStandInYour', { suppliers: sayCount('count.suppliers', offers.suppliers.length), date: offers.date }),
  }
}

function readPriceTable(bytes: Uint8Array, { catalogue, aliases, now: at }: BookReading): ReadBook {
  const date = new Date(at).toISOString().slice(0, 10)
  const reading = (known: OfferBook | null) => readPrices(bytes, { catalogue, aliases, known, date })
  const { prices, offers, words } = reading(null)
  const read = words.length === 0 ? '' : ` ${wordsRead(words)}`
  return {
    change: ({ practice: _practice, ...now }) => ({ ...now, offers: reading(now.offers).offers }),
    said: say('stores.ofStandInYourBooks', {
      prices: sayCount('count.prices', prices),
      suppliers: sayCount('count.suppliers', offers.suppliers.length),
      read,
    }),
  }
}

const wordsRead = (words: readonly { readonly said: string; readonly as: string }[]): string =>
  say('stores.readByWordsSuchAs', { cellsWere: sayCount('count.cellsWere', words.length), said: words[0]!.said, as: words[0]!.as })
