<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Catalogue } from '@core/catalogue'
import {
  addSupplier,
  changeSupplier,
  deskPiece,
  pieceLine,
  pieceTitle,
  removeOffer,
  removeSupplier,
  setPrice,
  type OfferBook,
  type SupplierTerms,
} from '@core/desk'
import { plainFault } from '@core/fault'
import { readQuickLine } from '@core/names'

import { faultText, say, sayCount, screenWords } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import LineField from '../controls/LineField.vue'
import LineReading from '../shared/LineReading.vue'
import { notify } from '../shared/notices'
import { useBooks } from '../stores/books'

/** Who sells what for how much, by hand: suppliers, their terms, and their prices one by one. */
const props = defineProps<{ catalogue: Catalogue }>()
const store = useBooks()
const problem = ref('')

const suppliers = computed(() => store.books.offers?.suppliers ?? [])
const openId = ref('')
const supplier = computed(() => suppliers.value.find(({ id }) => id === openId.value) ?? suppliers.value[0])
const choices = computed(() => suppliers.value.map(({ id, name }) => ({ value: id, label: name })))
const currency = computed(() => store.books.offers?.currency ?? 'EUR')

/** Refused edits change nothing and say why; the others can be undone. */
async function edit(done: string, change: (book: OfferBook | null) => OfferBook): Promise<boolean> {
  const before = store.books
  try {
    change(before.offers)
  } catch (thrown) {
    problem.value = faultText(plainFault(thrown))
    return false
  }
  problem.value = ''
  await store.changeOffers(change)
  if (store.problem === '') notify(done, { act: { label: say('common.undo'), run: () => void store.replace(before) } })
  return store.problem === ''
}

const name = ref('')
async function add(): Promise<void> {
  const today = new Date().toISOString().slice(0, 10)
  if (!(await edit(say('parts.isAmongYourSuppliers', { name: name.value.trim() }), (book) => addSupplier(book, name.value, today)))) return
  openId.value = suppliers.value.at(-1)?.id ?? ''
  name.value = ''
}
const number = (text: string): number | undefined => (text.trim() === '' ? undefined : Number(text))
const term = (id: string, terms: SupplierTerms): void => void edit(say('parts.theTermsAreKept'), (book) => changeSupplier(book!, id, terms))

const line = ref('')
const price = ref<number | ''>('')
const read = computed(() => readQuickLine(line.value, props.catalogue))
const isClear = computed(() => read.value.pieces.length > 0 && read.value.unclear.length === 0 && typeof price.value === 'number')
async function put(id: string): Promise<void> {
  const [each, pieces] = [Number(price.value), read.value.pieces.map(deskPiece)]
  const isDone = await edit(say('parts.putIn', { prices: sayCount('count.prices', pieces.length) }), (book) =>
    pieces.reduce((now, { count: _count, ...piece }) => setPrice(now, id, piece, each), book!),
  )
  if (isDone) [line.value, price.value] = ['', '']
}

const words = ref('')
const MOST = 40
const offers = computed(() => {
  const wanted = words.value.trim().toLowerCase().split(/\s+/)
  return (supplier.value?.offers ?? []).filter((offer) => {
    const text = `${pieceTitle(offer, props.catalogue, screenWords())} ${offer.shape} ${offer.colour}`.toLowerCase()
    return wanted.every((word) => text.includes(word))
  })
})
</script>

<template>
  <details class="offers">
    <summary class="opener">{{ say('parts.suppliersAndPrices') }}</summary>
    <p v-if="store.books.practice" class="faint">
      {{ say('parts.whatYouChangeHereMakes') }}
    </p>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <form :aria-label="say('parts.aNewSupplier')" @submit.prevent="add">
      <label>{{ say('parts.aNewSupplier') }} <input v-model="name" class="plain-field" maxlength="200" @keydown.stop /></label>
      <ActionButton submit :disabled="name.trim() === ''">{{ say('common.addIt') }}</ActionButton>
    </form>
    <template v-if="supplier">
      <ChoiceList
        v-if="choices.length > 1"
        :model-value="supplier.id"
        :label="say('parts.supplier')"
        :options="choices"
        @update:model-value="(id) => (openId = id)"
      />
      <div :key="supplier.id" class="terms">
        <LineField
          :label="say('common.name')"
          :value="supplier.name"
          :commit="(text) => text !== '' && term(supplier!.id, { name: text })"
        />
        <LineField
          type="number"
          :label="`Shipping, ${currency}`"
          :value="supplier.shipping"
          :commit="(text) => term(supplier!.id, { shipping: number(text) ?? 0 })"
        />
        <LineField
          type="number"
          :label="say('parts.freeFrom')"
          :value="supplier.freeFrom ?? ''"
          :commit="(text) => term(supplier!.id, { freeFrom: number(text) })"
        />
        <LineField
          type="number"
          :label="say('parts.leastOrder')"
          :value="supplier.minimum ?? ''"
          :commit="(text) => term(supplier!.id, { minimum: number(text) })"
        />
        <LineField
          type="number"
          :label="say('parts.daysUntilItIsHere')"
          :value="supplier.days ?? ''"
          :commit="(text) => term(supplier!.id, { days: number(text) })"
        />
      </div>
      <form :aria-label="say('parts.aPriceAt', { name: supplier.name })" @submit.prevent="isClear && put(supplier!.id)">
        <label
          >{{ say('parts.piece') }}
          <input v-model="line" class="plain-field" :placeholder="say('parts.redBrick2x4')" autocomplete="off" @keydown.stop
        /></label>
        <label
          >{{ say('parts.each', { currency }) }}
          <input v-model.number="price" class="plain-field few" type="number" min="0" step="any" @keydown.stop
        /></label>
        <ActionButton submit :disabled="!isClear">{{ say('parts.putThePriceIn') }}</ActionButton>
        <div v-if="line.trim() !== ''" role="status" class="read">
          <p v-if="read.pieces.length > 0" class="faint">
            {{ read.pieces.map((piece) => pieceLine(deskPiece(piece), catalogue, screenWords())).join('; ') }}
          </p>
          <LineReading :read="read" />
        </div>
      </form>
      <label v-if="supplier.offers.length > MOST"
        >{{ say('parts.find') }}
        <input v-model="words" class="plain-field" type="search" :placeholder="say('parts.plate1x2')" @keydown.stop
      /></label>
      <ul :aria-label="say('parts.pricesAt', { name: supplier.name })">
        <li v-for="offer in offers.slice(0, MOST)" :key="`${offer.shape} ${offer.colour} ${offer.lengthMm}`">
          <span>{{ pieceTitle(offer, catalogue, screenWords()) }}</span>
          <LineField
            type="number"
            :label="say('parts.each2')"
            :value="offer.price"
            :commit="(text) => void edit(say('parts.thePriceIsKept'), (book) => setPrice(book!, supplier!.id, offer, Number(text)))"
          />
          <ActionButton
            :describe="say('parts.takeAway', { pieceTitle: pieceTitle(offer, catalogue, screenWords()) })"
            @click="edit(say('parts.thePriceIsTakenAway'), (book) => removeOffer(book!, supplier!.id, offer))"
            >{{ say('common.takeAway') }}</ActionButton
          >
        </li>
      </ul>
      <p v-if="offers.length > MOST" class="faint">
        {{ say('parts.writeWhatYouLookFor', { morePrices: sayCount('count.morePrices', offers.length - MOST) }) }}
      </p>
      <p>
        <ActionButton @click="edit(say('parts.isTakenAway', { name: supplier!.name }), (book) => removeSupplier(book!, supplier!.id))">{{
          say('common.takeAway2', { name: supplier.name })
        }}</ActionButton>
      </p>
    </template>
  </details>
</template>

<style scoped>
.offers {
  margin-top: 12px;
  max-width: 720px;
}
form,
.terms,
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  margin: 8px 0;
}
.few {
  width: 96px;
}
.read {
  flex-basis: 100%;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  border-bottom: 1px solid var(--rule);
}
li > span {
  flex: 1;
  min-width: 180px;
  overflow-wrap: anywhere;
}
</style>
