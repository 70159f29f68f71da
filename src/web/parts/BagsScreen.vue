<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import { bagsTable, bagsWords, workWords, type BagPlan } from '@core/bags'
import { faultLine, plainFault } from '@core/fault'
import { listInWords, plural } from '@core/words'
import { toBytes } from '../../workers/plan-messages'
import ActionButton from '../controls/ActionButton.vue'
import { download, fileName } from '../shared/download'
import TrayList from '../shared/TrayList.vue'
import { useOpenModel } from '../stores/open-model'
import { BagsClient } from '../workers/bags-client'
import BagLabels from './BagLabels.vue'
import DeskTabs from './DeskTabs.vue'

/** Which steps come out of which bag, for one builder or for several at the same time. */
const open = useOpenModel()
const packer = new BagsClient()
onUnmounted(() => packer.close())

const MOST_PIECES = 100_000
const MOST_PEOPLE = 20
/** Bags whose trays are drawn at once. */
const MOST_SHOWN = 12
const pieces = ref(120)
const people = ref(1)
const most = ref(MOST_SHOWN)
const packed = shallowRef<BagPlan | null>(null)
const isWorking = ref(false)
const problem = ref('')

const within = (value: number, top: number): number => Math.min(top, Math.max(1, Math.round(value) || 1))
/** What the booklet says stands in the model, so it is what is asked for here until somebody tries another size. */
const isInBooklet = computed(() => open.model?.bags !== undefined)
watch(
  () => open.model?.bags,
  (bags) => {
    if (bags) [pieces.value, people.value] = [bags.pieces, bags.booklets ?? 1]
  },
  { immediate: true },
)
const keep = (bags: { pieces: number; booklets: number } | undefined): Promise<boolean> =>
  open.edit(bags ? 'tell of bags in the booklet' : 'tell of no bags in the booklet', ({ bags: _bags, ...model }) =>
    bags ? { ...model, bags } : model,
  )
const asked = computed(() => ({ pieces: within(pieces.value, MOST_PIECES), booklets: within(people.value, MOST_PEOPLE) }))
const putIntoBooklet = (isIn: boolean): void => void keep(isIn ? asked.value : undefined)
watch(asked, (now) => {
  const { bags } = open.model ?? {}
  if (bags && (bags.pieces !== now.pieces || (bags.booklets ?? 1) !== now.booklets)) void keep(now)
})
const isPrinting = ref(false)

let requests = 0
watch(
  () => [open.snapshot, pieces.value, people.value] as const,
  async ([snapshot, inBag, builders]) => {
    if (!snapshot) return
    const mine = ++requests
    isWorking.value = true
    problem.value = ''
    try {
      const order = { model: toBytes(snapshot.shown), printed: toBytes(snapshot.printed) }
      const found = await packer.pack({ ...order, pieces: within(inBag, MOST_PIECES), booklets: within(builders, MOST_PEOPLE) })
      if (mine === requests) packed.value = found
    } catch (thrown) {
      if (mine === requests) problem.value = faultLine(plainFault(thrown))
    }
    if (mine === requests) isWorking.value = false
  },
  { immediate: true },
)

const lanes = computed(
  () => new Map((open.snapshot?.layout.lanes ?? []).map(({ section, letter, name }) => [section, `${letter} ${name}`])),
)
const nameOf = (section: string): string => lanes.value.get(section) ?? section
const booklets = computed(() => packed.value?.booklets ?? [])
const bagsOf = (number: number) => (packed.value?.bags ?? []).filter(({ booklet, number: bag }) => booklet === number && bag <= most.value)
const hidden = computed(() => Math.max(0, (packed.value?.bags.length ?? 0) - most.value))
const save = (): void => {
  if (packed.value) download(fileName(`${open.model?.name ?? 'model'} bags`, '.csv'), bagsTable(packed.value), 'text/csv')
}
</script>

<template>
  <main>
    <DeskTabs />
    <h1>Bags</h1>
    <div class="tools">
      <label
        >Pieces in a bag, at most
        <input v-model.lazy.number="pieces" class="plain-field few" type="number" min="1" :max="MOST_PIECES" @keydown.stop
      /></label>
      <label
        >Builders at the same time
        <input v-model.lazy.number="people" class="plain-field few" type="number" min="1" :max="MOST_PEOPLE" @keydown.stop
      /></label>
      <label class="tick"
        ><input type="checkbox" :checked="isInBooklet" @change="putIntoBooklet(($event.target as HTMLInputElement).checked)" /> The booklet
        says where a bag begins</label
      >
      <ActionButton :disabled="!packed || packed.bags.length === 0" @click="save">Save as a table</ActionButton>
      <ActionButton :disabled="!packed || packed.bags.length === 0" @click="isPrinting = true">Print labels</ActionButton>
    </div>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p class="sum" role="status">{{ isWorking ? 'Packing…' : packed ? bagsWords(packed) : '' }}</p>
    <section v-for="booklet in booklets" :key="booklet.number" :aria-label="`Booklet ${booklet.number}`">
      <template v-if="booklets.length > 1">
        <h2>Booklet {{ booklet.number }}</h2>
        <p v-if="booklet.sections.length === 0" class="faint">
          Nothing of this model can be built apart from the rest: one builder has a rest.
        </p>
        <p v-else>
          {{ listInWords(booklet.sections.map(nameOf)) }}.
          <template v-if="booklet.number === booklets.length">It joins what the others have built.</template>
          <template v-else>It needs nothing of the others.</template>
        </p>
      </template>
      <article v-for="bag in bagsOf(booklet.number)" :key="bag.number" :aria-label="`Bag ${bag.number}`">
        <h3>
          Bag {{ bag.number }} <span class="faint">{{ plural(bag.pieces, 'piece') }}</span>
        </h3>
        <ul class="work">
          <li v-for="(work, i) in bag.work" :key="i">
            <b>{{ nameOf(work.section) }}</b>, {{ workWords(work) }}
          </li>
        </ul>
        <TrayList class="tray" :pieces="bag.tray" :label="`Pieces of bag ${bag.number}`" />
      </article>
    </section>
    <BagLabels v-if="isPrinting && packed" :packed="packed" :name-of="nameOf" @done="isPrinting = false" />
    <p v-if="hidden > 0">{{ plural(hidden, 'more bag') }}. <ActionButton @click="most += MOST_SHOWN">Show more</ActionButton></p>
  </main>
</template>

<style scoped>
main {
  flex: 1;
  overflow: auto;
  padding: 18px 28px 60px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 18px;
  margin: 10px 0;
}
.few {
  width: 96px;
  margin-left: 8px;
}
.sum {
  font-size: 1.1rem;
  min-height: 1.6em;
}
h2 {
  margin-top: 24px;
}
article {
  border-top: 2px solid var(--ink);
  padding: 10px 0 18px;
}
h3 {
  font-size: 1.2rem;
}
.work {
  margin: 4px 0 8px;
  padding-left: 20px;
}
.tray {
  columns: 280px;
  column-gap: 28px;
}
</style>
