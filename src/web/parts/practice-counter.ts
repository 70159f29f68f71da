import { readKits, readOffers, type Kit, type MarketDay, type OfferBook, type PracticeDelivery, type PracticeOrder } from '@core/desk'
import { BASE_CATALOGUE } from '@core/catalogue'
import { askServer } from '../shared/ask-server'

/** The practice counter of the server that this page came from. */

/** What it asks for some kinds of pieces on a day. @throws Fault `no-server` and what the server refuses */
export async function practicePrices(
  pieces: readonly { readonly shape: string; readonly colour: string }[],
  day: MarketDay,
): Promise<{ offers: OfferBook; kits: Kit[] }> {
  const kinds = pieces.map(({ shape, colour }) => ({ shape, colour }))
  const { offers, kits } = await askServer<{ offers: object; kits: object }>('POST', '/practice/prices', {
    body: { ...day, pieces: kinds },
  })
  return { offers: readOffers(JSON.stringify(offers), BASE_CATALOGUE), kits: readKits(JSON.stringify(kits), BASE_CATALOGUE) }
}

/** Orders, for practice. @throws Fault `no-server` and what the server refuses */
export const practiceOrder = (order: PracticeOrder, day: MarketDay): Promise<PracticeDelivery> =>
  askServer('POST', '/practice/orders', { body: { ...day, order } })
