import { computed, onUnmounted, ref, shallowRef, watch, type Ref } from 'vue'
import { cover, kitsHad, needOf, piecesIn, type ChartBar, type Purchase, type versionsOf } from '@core/desk'
import { plainFault } from '@core/fault'
import { documentOfVersion } from '@core/model'
import { faultText, say, sayNumber } from '../language'
import { useBooks } from '../stores/books'
import { useOpenModel } from '../stores/open-model'
import { PurchaseClient } from '../workers/purchase-client'

/** So long the cheapest purchase of one version is looked for. */
export const SECONDS = 10

/** What is to be bought for each version beside what is there, as a range where it is not proven. */
export function useVersionCosts(versions: Readonly<Ref<ReturnType<typeof versionsOf>>>) {
  const open = useOpenModel()
  const store = useBooks()
  void store.load()
  const buyer = new PurchaseClient()
  onUnmounted(() => buyer.close())
  const found = shallowRef<ReadonlyMap<string, Purchase>>(new Map())
  const isReckoning = ref(false)
  const problem = ref('')
  watch([versions, () => store.books], () => (found.value = new Map()))

  async function reckon(): Promise<void> {
    const { offers, kits, stock } = store.books
    const { model } = open
    if (!offers || !model) return
    isReckoning.value = true
    problem.value = ''
    try {
      for (const { id } of versions.value) {
        const need = needOf(documentOfVersion(model, id === '' ? {} : { variant: id }))
        const { missing } = cover(need, stock, kitsHad(store.books))
        const order = JSON.parse(JSON.stringify({ missing, offers, kits, seconds: SECONDS, choice: {} })) as Parameters<
          typeof buyer.purchase
        >[0]
        const { purchase } = await buyer.purchase(order, () => undefined)
        found.value = new Map(found.value).set(id, purchase)
      }
    } catch (thrown) {
      const fault = plainFault(thrown)
      problem.value = fault.code === 'stopped' ? '' : faultText(fault)
    }
    isReckoning.value = false
  }

  return {
    costs: computed(() => new Map([...found.value].map(([id, purchase]) => [id, costWords(purchase)]))),
    /** What each costs, as far as it is reckoned. */
    bars: computed((): ChartBar[] =>
      versions.value.flatMap(({ id, name }) => {
        const purchase = found.value.get(id)
        return purchase ? [{ label: name, value: purchase.total }] : []
      }),
    ),
    currency: computed(() => store.books.offers?.currency ?? ''),
    canReckon: computed(() => store.books.offers !== null && versions.value.length > 0),
    isReckoning,
    problem,
    reckon,
    stop: (): void => buyer.stop(),
  }
}

/** "12.30 EUR", "11.90 to 12.30 EUR, and 3 pieces are offered nowhere". */
function costWords({ total, lowerBound, optimal, currency, shipping, unavailable }: Purchase): string {
  const range = optimal ? sayNumber(total, 2) : say('versions.to', { lowerBound: sayNumber(lowerBound, 2), total: sayNumber(total, 2) })
  const open = piecesIn(unavailable)
  const rest = open === 0 ? '' : say('versions.offeredNowhere', { open })
  return say('versions.ofItShipping', { range, currency, shipping: sayNumber(shipping, 2), rest })
}
