<script setup lang="ts">
import { computed, ref } from 'vue'
import { EXAMPLE_KITS, EXAMPLE_OFFERS, EXAMPLE_STOCK, piecesIn, writeStock } from '@core/desk'
import { plainFault } from '@core/fault'

import type { Catalogue } from '@core/catalogue'
import { faultText, say, sayCount } from '../language'
import { problemLine } from '../language/problem-words'
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
  return offers
    ? say('parts.pricesOfIn', {
        suppliers: sayCount('count.suppliers', offers.suppliers.length),
        date: offers.date,
        currency: offers.currency,
      })
    : say('parts.nothingYet')
})
const ACCEPTS: Readonly<Record<BookKind, string>> = { stock: '.csv,.tsv', kits: '.json', offers: '.json,.csv,.tsv' }

const EXAMPLES = [
  { label: say('parts.exampleOfAStock'), name: 'stock.csv', text: EXAMPLE_STOCK, type: 'text/csv' },
  { label: say('parts.ofKits'), name: 'kits.json', text: EXAMPLE_KITS, type: 'application/json' },
  { label: say('parts.ofOffers'), name: 'offers.json', text: EXAMPLE_OFFERS, type: 'application/json' },
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
    if (store.problem === '') notify(said, { act: { label: say('common.undo'), run: () => void store.replace(before) } })
  } catch (thrown) {
    const fault = plainFault(thrown)
    const [first] = fault.problems ?? []
    const where = first && fault.place === undefined ? say('parts.theFirst', { fault: problemLine(first) }) : ''
    notify(say('parts.wasNotBroughtInAnd', { name: file.name, fault: faultText(fault), where }), { isError: true })
  }
  if (picker.value) picker.value.value = ''
}
const owned = (text: string): number => Math.max(0, Math.min(10_000, Math.round(Number(text)) || 0))
</script>

<template>
  <section :aria-label="say('parts.yourBooks')" class="books">
    <h2>{{ say('parts.yourBooks') }}</h2>
    <p v-if="store.problem" role="alert">{{ store.problem }}</p>
    <dl>
      <div>
        <dt>{{ say('parts.inStock') }}</dt>
        <dd>{{ stockCount === 0 ? say('parts.nothingYet') : sayCount('count.pieces', stockCount) }}</dd>
        <dd class="acts">
          <ActionButton :describe="say('parts.bringInATableOf')" @click="ask('stock')">{{ say('common.bringIn') }}</ActionButton>
          <ActionButton
            v-if="stockCount > 0"
            :describe="say('parts.saveYourStockAsA')"
            @click="download('my-stock.csv', writeStock(store.books.stock), 'text/csv')"
            >{{ say('parts.save') }}</ActionButton
          >
        </dd>
      </div>
      <div>
        <dt>{{ say('parts.kits') }}</dt>
        <dd>{{ store.books.kits.length === 0 ? say('parts.noneYet') : sayCount('count.kits', store.books.kits.length) }}</dd>
        <dd class="acts">
          <ActionButton :describe="say('parts.bringInAFileOf')" @click="ask('kits')">{{ say('common.bringIn') }}</ActionButton>
        </dd>
      </div>
      <div>
        <dt>{{ say('parts.offers') }}</dt>
        <dd>{{ offerWords }}</dd>
        <dd class="acts">
          <ActionButton :describe="say('parts.bringInAFileOfOffers')" @click="ask('offers')">{{ say('common.bringIn') }}</ActionButton>
        </dd>
      </div>
    </dl>
    <StockLine :catalogue="catalogue" />
    <StockLog :catalogue="catalogue" />
    <template v-if="store.books.kits.length > 0">
      <h3>{{ say('parts.howManyOfEachKit') }}</h3>
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
      {{ say('parts.aStockIsATable') }}
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
      :aria-label="say('parts.aFileForYourBooks')"
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
