<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import { colourTitle, piecesIn, type DeskPiece, type Purchase } from '@core/desk'
import { faultLine, plainFault } from '@core/fault'
import { plural } from '@core/words'
import type { Catalogue } from '@core/catalogue'
import ActionButton from '../controls/ActionButton.vue'
import { useBooks } from '../stores/books'
import { PurchaseClient } from '../workers/purchase-client'

/** The cheapest way to buy what is missing, looked for in a worker; what was found so far is told. */
const props = defineProps<{ missing: readonly DeskPiece[]; catalogue: Catalogue }>()
const store = useBooks()
const buyer = new PurchaseClient()
onUnmounted(() => buyer.close())

const SECONDS = 60
const isWorking = ref(false)
const progress = ref('')
const problem = ref('')
const found = shallowRef<Purchase | null>(null)
watch(
  () => [props.missing, store.books],
  () => {
    found.value = null
    problem.value = ''
  },
)

const money = (amount: number, currency: string): string => `${amount.toFixed(2)} ${currency}`
async function look(): Promise<void> {
  const { offers, kits } = store.books
  if (!offers) return
  isWorking.value = true
  progress.value = problem.value = ''
  found.value = null
  const order = JSON.parse(JSON.stringify({ missing: props.missing, offers, kits, seconds: SECONDS })) as Parameters<
    typeof buyer.purchase
  >[0]
  try {
    found.value = await buyer.purchase(order, (total, bound) => {
      progress.value = Number.isFinite(total)
        ? `${money(total, offers.currency)} so far; it cannot be less than ${money(Math.max(0, bound), offers.currency)}.`
        : ''
    })
  } catch (thrown) {
    const fault = plainFault(thrown)
    problem.value = fault.code === 'stopped' ? 'This was stopped; nothing was chosen.' : faultLine(fault)
  }
  isWorking.value = false
}
const supplierName = (id: string): string => store.books.offers?.suppliers.find((each) => each.id === id)?.name ?? id
const kitName = (id: string): string => store.books.kits.find((kit) => kit.id === id)?.name ?? id
const pieceTitle = ({ shape, colour, lengthMm }: Omit<DeskPiece, 'count'>): string =>
  `${props.catalogue.shapes.get(shape)?.title ?? shape}, ${colourTitle(colour, props.catalogue.colours).toLowerCase()}${lengthMm === undefined ? '' : `, ${lengthMm} mm`}`
const wanted = computed(() => piecesIn(props.missing))
const surplus = computed(() => (found.value ? piecesIn(found.value.surplus) : 0))
</script>

<template>
  <section aria-label="Buy what is missing" class="purchase">
    <h2>Buy what is missing</h2>
    <p v-if="wanted === 0">Nothing is missing.</p>
    <p v-else-if="!store.books.offers" class="faint">Bring in a file of offers, and the cheapest orders are looked for.</p>
    <p v-else-if="!isWorking">
      <ActionButton primary @click="look">Find the cheapest orders</ActionButton>
    </p>
    <div v-if="isWorking" class="working" role="status">
      <span>Looking for the cheapest orders, {{ SECONDS }} seconds at most. {{ progress }}</span>
      <ActionButton @click="buyer.stop()">Stop</ActionButton>
    </div>
    <p v-if="problem" role="alert">{{ problem }}</p>
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
      <div v-if="found.unavailable.length > 0" class="unavailable">
        <h3>Not offered anywhere</h3>
        <ul>
          <li v-for="piece in found.unavailable" :key="pieceTitle(piece)">{{ piece.count }} × {{ pieceTitle(piece) }}</li>
        </ul>
      </div>
      <table v-for="order in found.orders" :key="order.supplier">
        <caption>
          {{
            supplierName(order.supplier)
          }}: goods for
          {{
            money(order.goods, found.currency)
          }}, shipping
          {{
            money(order.shipping, found.currency)
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col" class="number">Count</th>
            <th scope="col">Piece</th>
            <th scope="col" class="number">Each</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="kit in order.kits" :key="kit.id">
            <td class="number">{{ kit.count }}</td>
            <td>{{ kitName(kit.id) }} <span class="faint">a kit</span></td>
            <td class="number">{{ kit.price.toFixed(2) }}</td>
          </tr>
          <tr v-for="(line, i) in order.lines" :key="i">
            <td class="number">{{ line.count }}</td>
            <td>{{ pieceTitle(line) }}</td>
            <td class="number">{{ line.price.toFixed(2) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="surplus > 0" class="faint">
        {{ plural(surplus, 'piece') }} of that {{ surplus === 1 ? 'is' : 'are' }} left over: sold in lots, in kits, or to fill up an order.
      </p>
    </template>
  </section>
</template>

<style scoped>
h2 {
  margin-top: 22px;
}
.working {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin: 12px 0 18px;
}
caption {
  text-align: left;
  font-weight: 600;
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
