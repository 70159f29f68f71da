<script setup lang="ts">
import { computed, ref } from 'vue'
import { EXAMPLE_KITS, EXAMPLE_OFFERS, EXAMPLE_STOCK, piecesIn, writeStock } from '@core/desk'
import { faultLine, plainFault } from '@core/fault'
import { plural } from '@core/words'
import type { Catalogue } from '@core/catalogue'
import ActionButton from '../controls/ActionButton.vue'
import LineField from '../controls/LineField.vue'
import { download } from '../shared/download'
import { notify } from '../shared/notices'
import { useBooks } from '../stores/books'
import type { BookKind } from '../stores/read-book'
import StockLine from './StockLine.vue'
import StockLog from './StockLog.vue'

/** The designer's books: what is in stock, which kits there are, what is offered. Each comes in as a file. */
const props = defineProps<{ catalogue: Catalogue }>()
const store = useBooks()
const picker = ref<HTMLInputElement>()
const asked = ref<BookKind>('stock')

const stockCount = computed(() => piecesIn(store.books.stock))
const offerWords = computed(() => {
  const { offers } = store.books
  return offers ? `${plural(offers.suppliers.length, 'supplier')}, prices of ${offers.date} in ${offers.currency}` : 'nothing yet'
})
const ACCEPTS: Readonly<Record<BookKind, string>> = { stock: '.csv,.tsv', kits: '.json', offers: '.json,.csv,.tsv' }

const EXAMPLES = [
  { label: 'Example of a stock', name: 'stock.csv', text: EXAMPLE_STOCK, type: 'text/csv' },
  { label: 'of kits', name: 'kits.json', text: EXAMPLE_KITS, type: 'application/json' },
  { label: 'of offers', name: 'offers.json', text: EXAMPLE_OFFERS, type: 'application/json' },
] as const

function ask(kind: BookKind): void {
  asked.value = kind
  if (picker.value) picker.value.accept = ACCEPTS[kind]
  picker.value?.click()
}
async function bring(files: FileList | null): Promise<void> {
  const file = files?.[0]
  if (!file) return
  await store.load()
  const before = store.books
  try {
    const said = await store.bring(asked.value, new Uint8Array(await file.arrayBuffer()), props.catalogue)
    if (store.problem === '') notify(said, { act: { label: 'Undo', run: () => void store.replace(before) } })
  } catch (thrown) {
    const fault = plainFault(thrown)
    const [first] = fault.problems ?? []
    const where = first && fault.place === undefined ? ` The first: ${faultLine({ code: fault.code, ...first })}` : ''
    notify(`“${file.name}” was not brought in, and nothing has changed. ${faultLine(fault)}${where}`, { isError: true })
  }
  if (picker.value) picker.value.value = ''
}
const owned = (text: string): number => Math.max(0, Math.min(10_000, Math.round(Number(text)) || 0))
</script>

<template>
  <section aria-label="Your books" class="books">
    <h2>Your books</h2>
    <p v-if="store.problem" role="alert">{{ store.problem }}</p>
    <dl>
      <div>
        <dt>In stock</dt>
        <dd>{{ stockCount === 0 ? 'nothing yet' : plural(stockCount, 'piece') }}</dd>
        <dd class="acts">
          <ActionButton describe="Bring in a table of your stock" @click="ask('stock')">Bring in</ActionButton>
          <ActionButton
            v-if="stockCount > 0"
            describe="Save your stock as a table"
            @click="download('my-stock.csv', writeStock(store.books.stock), 'text/csv')"
            >Save</ActionButton
          >
        </dd>
      </div>
      <div>
        <dt>Kits</dt>
        <dd>{{ store.books.kits.length === 0 ? 'none yet' : plural(store.books.kits.length, 'kit') }}</dd>
        <dd class="acts"><ActionButton describe="Bring in a file of kits" @click="ask('kits')">Bring in</ActionButton></dd>
      </div>
      <div>
        <dt>Offers</dt>
        <dd>{{ offerWords }}</dd>
        <dd class="acts">
          <ActionButton describe="Bring in a file of offers or a table of prices" @click="ask('offers')">Bring in</ActionButton>
        </dd>
      </div>
    </dl>
    <StockLine :catalogue="catalogue" />
    <StockLog :catalogue="catalogue" />
    <template v-if="store.books.kits.length > 0">
      <h3>How many of each kit you have</h3>
      <LineField
        v-for="kit in store.books.kits"
        :key="kit.id"
        type="number"
        :label="kit.name"
        :value="store.books.had[kit.id] ?? 0"
        :commit="(text) => store.own(kit, owned(text))"
      />
    </template>
    <p class="faint">
      A stock is a table of shape, colour and count; prices are a table of supplier, shape, colour and price, or a file of offers. Kits are
      files in a form of our own.
    </p>
    <p class="examples">
      <ActionButton v-for="each in EXAMPLES" :key="each.name" @click="download(each.name, each.text, each.type)">{{
        each.label
      }}</ActionButton>
    </p>
    <input
      ref="picker"
      class="sr-only"
      type="file"
      tabindex="-1"
      aria-label="A file for your books"
      @change="bring(($event.target as HTMLInputElement).files)"
    />
  </section>
</template>

<style scoped>
dl {
  margin: 8px 0 14px;
}
dl > div {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
}
dt {
  font-weight: 700;
  min-width: 5em;
}
dd {
  margin: 0;
  flex: 1;
}
.examples {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
h2,
h3 {
  margin-top: 18px;
}
dd.acts {
  flex: none;
  display: flex;
  gap: 8px;
}
</style>
