<script setup lang="ts">
import { computed, onUnmounted, ref } from 'vue'
import { colourTitle, dearestLines, pieceTitle, piecesIn, type BuyingChoice, type DeskPiece, type MarketDay } from '@core/desk'
import { faultLine, plainFault } from '@core/fault'
import { plural } from '@core/words'
import type { Catalogue } from '@core/catalogue'
import ActionButton from '../controls/ActionButton.vue'
import { useBooks } from '../stores/books'
import type { PurchaseAnswer, PurchaseOrder } from '../../workers/purchase.worker'
import { PurchaseClient } from '../workers/purchase-client'
import ChoiceList from '../controls/ChoiceList.vue'
import BarChart from './BarChart.vue'
import { practicePrices } from './practice-counter'
import { useFound } from './use-found'
import { usePracticeOrders } from './use-practice-orders'

/** The cheapest way to buy what is missing, looked for in a worker; what was found so far is told. */
const props = defineProps<{ missing: readonly DeskPiece[]; catalogue: Catalogue }>()
const store = useBooks()
const buyer = new PurchaseClient()
onUnmounted(() => buyer.close())

const SECONDS = 60
const progress = ref('')
/** What went wrong at the practice counter. */
const trouble = ref('')
const { deliveries, order, putIntoStock } = usePracticeOrders((text) => (trouble.value = text))

const AIMS = [
  { value: 'cheapest', label: 'the least total' },
  { value: 'fewest-orders', label: 'as few orders as can be' },
  { value: 'one-supplier', label: 'everything from one' },
]
const aim = ref<string>('cheapest')
const noUsed = ref(false)
const days = ref<number | ''>('')
const without = ref<readonly string[]>([])
const choice = computed<BuyingChoice>(() => ({
  aim: aim.value as NonNullable<BuyingChoice['aim']>,
  without: without.value,
  noUsed: noUsed.value,
  ...(typeof days.value === 'number' && days.value >= 0 ? { withinDays: days.value } : {}),
}))
const toggle = (id: string, isWanted: boolean): void => {
  without.value = isWanted ? without.value.filter((each) => each !== id) : [...without.value, id]
}
const hasUsed = computed(() => store.books.offers?.suppliers.some(({ offers }) => offers.some(({ used }) => used)) === true)
const hasDays = computed(() => store.books.offers?.suppliers.some((each) => each.days !== undefined) === true)

/** One market for this browser, its prices of today. */
const today = (): MarketDay => ({ seed: 1, date: new Date().toISOString().slice(0, 10) })
const isAsking = ref(false)
async function askPractice(): Promise<void> {
  isAsking.value = true
  trouble.value = ''
  try {
    const { offers, kits } = await practicePrices(props.missing, today())
    await store.practise(offers, kits, today())
  } catch (thrown) {
    trouble.value = faultLine(plainFault(thrown))
  }
  isAsking.value = false
}
const money = (amount: number, currency: string): string => `${amount.toFixed(2)} ${currency}`
const {
  found: answer,
  problem,
  isLooking,
  look,
} = useFound<PurchaseAnswer>({
  basis: [(): string => JSON.stringify(props.missing), (): unknown => store.books, choice],
  find() {
    const { missing } = props
    const { offers, kits } = store.books
    progress.value = ''
    const asked = JSON.parse(JSON.stringify({ missing, offers, kits, seconds: SECONDS, choice: choice.value })) as PurchaseOrder
    return buyer.purchase(asked, (total, bound) => {
      const { currency } = asked.offers
      progress.value = Number.isFinite(total)
        ? `${money(total, currency)} so far; it cannot be less than ${money(Math.max(0, bound), currency)}.`
        : ''
    })
  },
  stop: () => buyer.stop(),
  told: (fault) => (fault.code === 'stopped' ? 'This was stopped; nothing was chosen.' : faultLine(fault)),
})
const found = computed(() => answer.value?.purchase)
const change = computed(() => answer.value?.change)
const supplierName = (id: string): string => store.books.offers?.suppliers.find((each) => each.id === id)?.name ?? id
const kitName = (id: string): string => store.books.kits.find((kit) => kit.id === id)?.name ?? id
const titleOf = (piece: Omit<DeskPiece, 'count'>): string => pieceTitle(piece, props.catalogue)
const dearest = computed(() => (found.value ? dearestLines(found.value) : []))
const bySupplier = computed(() =>
  (found.value?.orders ?? []).map(({ supplier, goods, shipping }) => ({ label: supplierName(supplier), value: goods + shipping })),
)
const colourName = (id: string): string => colourTitle(id, props.catalogue.colours)
const wanted = computed(() => piecesIn(props.missing))
const surplus = computed(() => (found.value ? piecesIn(found.value.surplus) : 0))
</script>

<template>
  <section aria-label="Buy what is missing" class="purchase">
    <div v-if="wanted > 0" class="asking">
      <p v-if="!store.books.offers" class="faint">
        Bring in a file of offers, and the cheapest orders are looked for. To try it, ask the practice counter: a made-up market where
        nothing is really bought.
      </p>
      <p v-else-if="store.books.practice" class="faint">
        These are prices of the practice counter, a made-up market; nothing is really bought. They change from day to day.
      </p>
      <template v-if="store.books.offers">
        <ChoiceList v-model="aim" label="I want" :options="AIMS" />
        <fieldset>
          <legend>From</legend>
          <label v-for="supplier in store.books.offers.suppliers" :key="supplier.id" class="tick"
            ><input
              type="checkbox"
              :checked="!without.includes(supplier.id)"
              @change="toggle(supplier.id, ($event.target as HTMLInputElement).checked)"
            />
            {{ supplier.name }}<span v-if="supplier.days !== undefined" class="faint">{{ plural(supplier.days, 'day') }}</span></label
          >
          <label v-if="hasUsed" class="tick"><input v-model="noUsed" type="checkbox" /> Nothing that was used before</label>
          <label v-if="hasDays"
            >It must be here within
            <input v-model.number="days" class="plain-field few" type="number" min="0" max="365" @keydown.stop /> days</label
          >
        </fieldset>
      </template>
      <p v-if="!isLooking" class="acts">
        <ActionButton v-if="store.books.offers" primary @click="look">Find the cheapest orders</ActionButton>
        <ActionButton :disabled="isAsking" @click="askPractice">{{
          store.books.practice ? 'Ask the practice counter again' : 'Ask the practice counter'
        }}</ActionButton>
      </p>
    </div>
    <div class="answer">
      <div v-if="isLooking" class="working" role="status">
        <span>Looking for the cheapest orders, {{ SECONDS }} seconds at most. {{ progress }}</span>
        <ActionButton @click="buyer.stop()">Stop</ActionButton>
      </div>
      <p v-if="problem || trouble" role="alert">{{ problem || trouble }}</p>
      <template v-if="found">
        <p class="total" role="status">
          <b>{{ money(found.total, found.currency) }}</b> at the prices of {{ found.date }}: goods for
          {{ money(found.goods, found.currency) }}, shipping {{ money(found.shipping, found.currency) }}.
          {{
            found.optimal
              ? 'It cannot be had for less.'
              : `It cannot be had for less than ${money(found.lowerBound, found.currency)}; no cheaper way was found in time.`
          }}
        </p>
        <p v-if="change">
          In {{ colourName(change.to).toLowerCase() }} instead of {{ colourName(change.from).toLowerCase() }} it would cost at most about
          {{ money(change.total, found.currency) }}, {{ Math.round(change.saved * 100) }} % less.
        </p>
        <BarChart v-if="found.orders.length > 1" title="What goes to whom" :unit="found.currency" :bars="bySupplier" />
        <template v-if="dearest.length > 1">
          <h2>What costs most</h2>
          <ol class="dearest">
            <li v-for="(line, i) in dearest" :key="i">
              {{ money(line.cost, found.currency) }} for {{ line.count }} × {{ titleOf(line) }}, {{ supplierName(line.supplier) }}
            </li>
          </ol>
        </template>
        <div v-if="found.unavailable.length > 0" class="unavailable">
          <h2>Not offered anywhere</h2>
          <ul>
            <li v-for="piece in found.unavailable" :key="titleOf(piece)">{{ piece.count }} × {{ titleOf(piece) }}</li>
          </ul>
        </div>
        <table v-for="made in found.orders" :key="made.supplier">
          <caption>
            {{
              supplierName(made.supplier)
            }}: goods for
            {{
              money(made.goods, found.currency)
            }}, shipping
            {{
              money(made.shipping, found.currency)
            }}
            <ActionButton
              v-if="store.books.practice"
              :describe="`Order at ${supplierName(made.supplier)}`"
              @click="order(made, supplierName(made.supplier))"
              >Order, for practice</ActionButton
            >
          </caption>
          <thead>
            <tr>
              <th scope="col" class="number">Count</th>
              <th scope="col">Piece</th>
              <th scope="col" class="number">Each</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="kit in made.kits" :key="kit.id">
              <td class="number">{{ kit.count }}</td>
              <td>{{ kitName(kit.id) }} <span class="faint">a kit</span></td>
              <td class="number">{{ kit.price.toFixed(2) }}</td>
            </tr>
            <tr v-for="(line, i) in made.lines" :key="i">
              <td class="number">{{ line.count }}</td>
              <td>{{ titleOf(line) }}</td>
              <td class="number">{{ line.price.toFixed(2) }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="surplus > 0" class="faint">
          {{ plural(surplus, 'piece') }} of that {{ surplus === 1 ? 'is' : 'are' }} left over: sold in lots, in kits, or to fill up an
          order.
        </p>
      </template>
      <div v-for="{ delivery, name, isIn } in deliveries" :key="delivery.orderId" class="delivery" role="status">
        <p>
          Order {{ delivery.orderId }} at {{ name }}: {{ plural(piecesIn(delivery.delivered), 'piece')
          }}<template v-if="delivery.kits.length > 0">
            and
            {{
              plural(
                delivery.kits.reduce((sum, kit) => sum + kit.count, 0),
                'kit',
              )
            }}</template
          >
          for {{ money(delivery.paid, delivery.currency) }}, here on {{ delivery.arrives }}.
        </p>
        <p v-if="delivery.short.length > 0">
          <b>{{ plural(piecesIn(delivery.short), 'piece') }} did not come</b> and {{ piecesIn(delivery.short) === 1 ? 'is' : 'are' }} not
          paid: {{ delivery.short.map((piece) => `${piece.count} × ${titleOf(piece)}`).join('; ') }}.
        </p>
        <ActionButton v-if="!isIn" primary @click="putIntoStock(delivery.orderId)">Put it into the stock</ActionButton>
        <p v-else class="faint">It is in your stock.</p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.purchase {
  display: grid;
  grid-template-columns: minmax(280px, 360px) minmax(0, 640px);
  gap: 12px 48px;
  align-items: start;
}
@media (max-width: 900px) {
  .purchase {
    display: block;
  }
}
.working {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 8px 0;
}
legend {
  font-weight: 700;
  padding: 0;
}
.few {
  width: 72px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.dearest {
  padding-left: 22px;
}
.delivery {
  border-top: 2px solid var(--ink);
  padding: 6px 0 14px;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin: 12px 0 18px;
}
caption {
  text-align: left;
  font-weight: 700;
  padding-bottom: 4px;
}
th,
td {
  text-align: left;
  padding: 4px 10px 4px 0;
  border-bottom: 1px solid var(--rule);
  overflow-wrap: anywhere;
}
.number {
  text-align: right;
  white-space: nowrap;
}
</style>
