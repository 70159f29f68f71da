<script setup lang="ts">
import { computed, onUnmounted, ref } from 'vue'
import { colourTitle, dearestLines, pieceTitle, piecesIn, type BuyingChoice, type DeskPiece, type MarketDay } from '@core/desk'
import { plainFault } from '@core/fault'

import type { Catalogue } from '@core/catalogue'
import { faultText, say, sayCount, sayNumber, sayWithin, screenWords } from '../language'
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
  { value: 'cheapest', label: say('parts.theLeastTotal') },
  { value: 'fewest-orders', label: say('parts.asFewOrdersAsCan') },
  { value: 'one-supplier', label: say('parts.everythingFromOne') },
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
    trouble.value = faultText(plainFault(thrown))
  }
  isAsking.value = false
}
const money = (amount: number, currency: string): string => `${sayNumber(amount, 2)} ${currency}`
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
        ? say('parts.soFarItCannotBe', { money: money(total, currency), money2: money(Math.max(0, bound), currency) })
        : ''
    })
  },
  stop: () => buyer.stop(),
  told: (fault) => (fault.code === 'stopped' ? say('parts.thisWasStoppedNothingWas') : faultText(fault)),
})
const found = computed(() => answer.value?.purchase)
const change = computed(() => answer.value?.change)
const supplierName = (id: string): string => store.books.offers?.suppliers.find((each) => each.id === id)?.name ?? id
const kitName = (id: string): string => store.books.kits.find((kit) => kit.id === id)?.name ?? id
const titleOf = (piece: Omit<DeskPiece, 'count'>): string => pieceTitle(piece, props.catalogue, screenWords())
const dearest = computed(() => (found.value ? dearestLines(found.value) : []))
const bySupplier = computed(() =>
  (found.value?.orders ?? []).map(({ supplier, goods, shipping }) => ({ label: supplierName(supplier), value: goods + shipping })),
)
const colourName = (id: string): string => colourTitle(id, props.catalogue.colours, screenWords())
const wanted = computed(() => piecesIn(props.missing))
const surplus = computed(() => (found.value ? piecesIn(found.value.surplus) : 0))
</script>

<template>
  <section :aria-label="say('parts.buyWhatIsMissing')" class="purchase">
    <div v-if="wanted > 0" class="asking">
      <p v-if="!store.books.offers" class="faint">
        {{ say('parts.bringInAFileOfOffersAnd') }}
      </p>
      <p v-else-if="store.books.practice" class="faint">
        {{ say('parts.theseArePricesOfThe') }}
      </p>
      <template v-if="store.books.offers">
        <ChoiceList v-model="aim" :label="say('parts.iWant')" :options="AIMS" />
        <fieldset>
          <legend>{{ say('common.from') }}</legend>
          <label v-for="supplier in store.books.offers.suppliers" :key="supplier.id" class="tick"
            ><input
              type="checkbox"
              :checked="!without.includes(supplier.id)"
              @change="toggle(supplier.id, ($event.target as HTMLInputElement).checked)"
            />
            {{ supplier.name
            }}<span v-if="supplier.days !== undefined" class="faint">{{ sayCount('count.days', supplier.days) }}</span></label
          >
          <label v-if="hasUsed" class="tick"><input v-model="noUsed" type="checkbox" /> {{ say('parts.nothingThatWasUsedBefore') }}</label>
          <label v-if="hasDays"
            >{{ say('parts.itMustBeHereWithin') }}
            <input v-model.number="days" class="plain-field few" type="number" min="0" max="365" @keydown.stop />
            {{ say('parts.days') }}</label
          >
        </fieldset>
      </template>
      <p v-if="!isLooking" class="acts">
        <ActionButton v-if="store.books.offers" primary @click="look">{{ say('parts.findTheCheapestOrders') }}</ActionButton>
        <ActionButton :disabled="isAsking" @click="askPractice">{{
          store.books.practice ? say('parts.askThePracticeCounterAgain') : say('parts.askThePracticeCounter')
        }}</ActionButton>
      </p>
    </div>
    <div class="answer">
      <div v-if="isLooking" class="working" role="status">
        <span>{{ say('parts.lookingForTheCheapestOrders', { seconds: SECONDS, progress }) }}</span>
        <ActionButton @click="buyer.stop()">{{ say('common.stop') }}</ActionButton>
      </div>
      <p v-if="problem || trouble" role="alert">{{ problem || trouble }}</p>
      <template v-if="found">
        <p class="total" role="status">
          <b>{{ money(found.total, found.currency) }}</b>
          {{
            say('parts.atThePricesOfGoods', {
              date: found.date,
              money: money(found.goods, found.currency),
              money2: money(found.shipping, found.currency),
              what: found.optimal
                ? say('parts.itCannotBeHadFor')
                : say('parts.itCannotBeHadForLess', { money: money(found.lowerBound, found.currency) }),
            })
          }}
        </p>
        <p v-if="change">
          {{
            say('parts.inInsteadOfItWould', {
              colourName: sayWithin(colourName(change.to)),
              colourName2: sayWithin(colourName(change.from)),
              money: money(change.total, found.currency),
              saved: Math.round(change.saved * 100),
            })
          }}
        </p>
        <BarChart v-if="found.orders.length > 1" :title="say('parts.whatGoesToWhom')" :unit="found.currency" :bars="bySupplier" />
        <template v-if="dearest.length > 1">
          <h2>{{ say('parts.whatCostsMost') }}</h2>
          <ol class="dearest">
            <li v-for="(line, i) in dearest" :key="i">
              {{
                say('parts.for', {
                  money: money(line.cost, found.currency),
                  count: line.count,
                  title: titleOf(line),
                  supplierName: supplierName(line.supplier),
                })
              }}
            </li>
          </ol>
        </template>
        <div v-if="found.unavailable.length > 0" class="unavailable">
          <h2>{{ say('parts.notOfferedAnywhere') }}</h2>
          <ul>
            <li v-for="piece in found.unavailable" :key="titleOf(piece)">{{ piece.count }} × {{ titleOf(piece) }}</li>
          </ul>
        </div>
        <table v-for="made in found.orders" :key="made.supplier">
          <caption>
            {{
              say('parts.goodsForShipping', {
                supplierName: supplierName(made.supplier),
                money: money(made.goods, found.currency),
                money2: money(made.shipping, found.currency),
              })
            }}
            <ActionButton
              v-if="store.books.practice"
              :describe="say('parts.orderAt', { supplierName: supplierName(made.supplier) })"
              @click="order(made, supplierName(made.supplier))"
              >{{ say('parts.orderForPractice') }}</ActionButton
            >
          </caption>
          <thead>
            <tr>
              <th scope="col" class="number">{{ say('parts.count') }}</th>
              <th scope="col">{{ say('parts.piece') }}</th>
              <th scope="col" class="number">{{ say('parts.each2') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="kit in made.kits" :key="kit.id">
              <td class="number">{{ kit.count }}</td>
              <td>
                {{ kitName(kit.id) }} <span class="faint">{{ say('parts.aKit') }}</span>
              </td>
              <td class="number">{{ sayNumber(kit.price, 2) }}</td>
            </tr>
            <tr v-for="(line, i) in made.lines" :key="i">
              <td class="number">{{ line.count }}</td>
              <td>{{ titleOf(line) }}</td>
              <td class="number">{{ sayNumber(line.price, 2) }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="surplus > 0" class="faint">
          {{
            say('parts.ofThatLeftOverSold', {
              pieces: sayCount('count.pieces', surplus),
              what: surplus === 1 ? say('common.is') : say('common.are'),
            })
          }}
        </p>
      </template>
      <div v-for="{ delivery, name, isIn } in deliveries" :key="delivery.orderId" class="delivery" role="status">
        <p>
          {{ say('parts.orderAt2', { orderId: delivery.orderId, name, pieces: sayCount('count.pieces', piecesIn(delivery.delivered)) })
          }}<template v-if="delivery.kits.length > 0">
            {{
              say('parts.and3', {
                kits: sayCount(
                  'count.kits',
                  delivery.kits.reduce((sum, kit) => sum + kit.count, 0),
                ),
              })
            }}</template
          >
          {{ say('parts.forHereOn', { money: money(delivery.paid, delivery.currency), arrives: delivery.arrives }) }}
        </p>
        <p v-if="delivery.short.length > 0">
          <b>{{ say('parts.didNotCome', { pieces: sayCount('count.pieces', piecesIn(delivery.short)) }) }}</b>
          {{
            say('parts.andNotPaid', {
              what: piecesIn(delivery.short) === 1 ? say('common.is') : say('common.are'),
              short: delivery.short.map((piece) => `${piece.count} × ${titleOf(piece)}`).join('; '),
            })
          }}
        </p>
        <ActionButton v-if="!isIn" primary @click="putIntoStock(delivery.orderId)">{{ say('parts.putItIntoTheStock') }}</ActionButton>
        <p v-else class="faint">{{ say('parts.itIsInYourStock') }}</p>
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
