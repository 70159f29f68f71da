<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import { bagsTable, bagsWords, bookletLanes, timesUsual, weighted, workWords, type BagPlan, type WorkMove } from '@core/bags'
import { faultLine, plainFault } from '@core/fault'
import type { BagBegin, BagWeights, ModelDocument } from '@core/model'
import { listInWords, plural } from '@core/words'
import { toBytes } from '../../workers/plan-messages'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import type { Snapshot } from '../session/snapshot'
import { download, fileName } from '../shared/download'
import { notify } from '../shared/notices'
import TrayList from '../shared/TrayList.vue'
import { useOpenModel } from '../stores/open-model'
import { BagsClient } from '../workers/bags-client'
import BagLabels from './BagLabels.vue'
import BookletLanes from './BookletLanes.vue'
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
/** Where the designer has bags begin, after work was moved between them. */
const begins = shallowRef<readonly BagBegin[]>([])
/** What the booklet says stands in the model, so it is what is asked for here until somebody tries another size. */
const isInBooklet = computed(() => open.model?.bags !== undefined)
watch(
  () => open.model?.bags,
  (bags) => {
    if (!bags) return
    ;[pieces.value, people.value, begins.value] = [bags.pieces, bags.booklets ?? 1, bags.begins ?? []]
    weights.value = bags.weights ?? {}
  },
  { immediate: true },
)
type BagsOfBooklet = NonNullable<ModelDocument['bags']>
const keep = (label: string, bags: BagsOfBooklet | undefined): Promise<boolean> =>
  open.edit(label, ({ bags: _bags, ...model }) => (bags ? { ...model, bags } : model))
const size = computed(() => ({ pieces: within(pieces.value, MOST_PIECES), booklets: within(people.value, MOST_PEOPLE) }))
/** What counts how much, where it is otherwise than usual. */
const weights = shallowRef<Partial<BagWeights>>({})
const asked = computed((): BagsOfBooklet => ({
  ...size.value,
  ...(Object.keys(weights.value).length > 0 ? { weights: weights.value } : {}),
  ...(begins.value.length > 0 ? { begins: begins.value } : {}),
}))
const putIntoBooklet = (isIn: boolean): void =>
  void keep(isIn ? 'tell of bags in the booklet' : 'tell of no bags in the booklet', isIn ? asked.value : undefined)
// Another size is another packing: what was moved between bags of the old one means nothing in it.
watch(size, (now, before) => {
  const { bags } = open.model ?? {}
  const isFromModel = bags !== undefined && bags.pieces === now.pieces && (bags.booklets ?? 1) === now.booklets
  if (isFromModel || JSON.stringify(now) === JSON.stringify(before)) return
  begins.value = []
  if (bags) void keep('pack other bags', asked.value)
})
/** Another weight is another packing, as another size is. */
function weigh(what: keyof BagWeights, times: string): void {
  weights.value = weighted(weights.value, what, Number(times))
  begins.value = []
  if (isInBooklet.value) void keep('pack other bags', asked.value)
}
const MATTERS = [
  { what: 'bag', label: 'Few bags' },
  { what: 'uneven', label: 'Bags of one size' },
  { what: 'split', label: 'Sections whole' },
  { what: 'lookAlike', label: 'Look-alikes apart' },
] as const
const HOW_MUCH = [
  { value: '0', label: 'does not matter' },
  { value: '1', label: 'as usual' },
  { value: '5', label: 'matters most' },
]
const isPrinting = ref(false)

const orderOf = (snapshot: Snapshot) => ({
  model: toBytes(snapshot.shown),
  printed: toBytes(snapshot.printed),
  ...size.value,
  begins: JSON.parse(JSON.stringify(begins.value)) as BagBegin[],
  weights: { ...weights.value },
})
let requests = 0
watch(
  () => [open.snapshot, asked.value] as const,
  async ([snapshot]) => {
    if (!snapshot) return
    const mine = ++requests
    isWorking.value = true
    problem.value = ''
    try {
      const found = await packer.pack(orderOf(snapshot))
      if (mine === requests) packed.value = found
    } catch (thrown) {
      if (mine === requests) problem.value = faultLine(plainFault(thrown))
    }
    if (mine === requests) isWorking.value = false
  },
  { immediate: true },
)

async function place(label: string, next: readonly BagBegin[]): Promise<void> {
  if (isInBooklet.value) {
    const { begins: _begins, ...rest } = asked.value
    return void (await keep(label, { ...rest, ...(next.length > 0 ? { begins: next } : {}) }))
  }
  const before = begins.value
  begins.value = next
  notify(`Done: ${label}.`, { act: { label: 'Undo', run: () => void (begins.value = before) } })
}
async function move(work: WorkMove): Promise<void> {
  const { snapshot } = open
  if (!snapshot) return
  problem.value = ''
  try {
    const moved = await packer.move(orderOf(snapshot), work)
    if ('refused' in moved) problem.value = moved.refused
    else if (open.snapshot === snapshot) await place(`move work to the bag ${work.to}`, moved.begins)
  } catch (thrown) {
    problem.value = faultLine(plainFault(thrown))
  }
}
/** A run of steps that is dragged to a neighbour. */
const dragged = shallowRef<{ readonly bag: number; readonly run: number } | null>(null)
const sideOf = (bag: number): WorkMove['to'] | undefined =>
  dragged.value === null || dragged.value.bag === bag
    ? undefined
    : dragged.value.bag === bag + 1
      ? 'before'
      : dragged.value.bag === bag - 1
        ? 'after'
        : undefined
function drop(bag: number): void {
  const to = sideOf(bag)
  if (to && dragged.value) void move({ ...dragged.value, to })
  dragged.value = null
}
const hasNeighbour = (bag: { readonly number: number; readonly booklet: number }, by: 1 | -1): boolean =>
  packed.value?.bags[bag.number - 1 + by]?.booklet === bag.booklet

const lanes = computed(
  () => new Map((open.snapshot?.layout.lanes ?? []).map(({ section, letter, name }) => [section, `${letter} ${name}`])),
)
const nameOf = (section: string): string => lanes.value.get(section) ?? section
const booklets = computed(() => packed.value?.booklets ?? [])
const builders = computed(() =>
  packed.value && open.snapshot && booklets.value.length > 1
    ? bookletLanes(open.snapshot.shown, open.snapshot.report, packed.value)
    : undefined,
)
const bagsOf = (number: number) => (packed.value?.bags ?? []).filter(({ booklet, number: bag }) => booklet === number && bag <= most.value)
const hidden = computed(() => Math.max(0, (packed.value?.bags.length ?? 0) - most.value))
const save = (): void => {
  if (packed.value) download(fileName(`${open.model?.name ?? 'model'} bags`, '.csv'), bagsTable(packed.value), 'text/csv')
}
</script>

<template>
  <main class="room">
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
    <details>
      <summary class="opener">What matters</summary>
      <div class="tools">
        <ChoiceList
          v-for="{ what, label } in MATTERS"
          :key="what"
          :model-value="String(timesUsual(weights, what))"
          :label="label"
          :options="HOW_MUCH"
          @update:model-value="(times) => weigh(what, times)"
        />
      </div>
    </details>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-if="begins.length > 0" class="moved">
      Steps were moved between bags. <ActionButton @click="place('pack the bags anew', [])">Pack them anew</ActionButton>
    </p>
    <p class="sum" role="status">{{ isWorking ? 'Packing…' : packed ? bagsWords(packed) : '' }}</p>
    <BookletLanes v-if="builders" :lanes="builders" />
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
      <article
        v-for="bag in bagsOf(booklet.number)"
        :key="bag.number"
        :aria-label="`Bag ${bag.number}`"
        :class="{ over: sideOf(bag.number) }"
        @dragover="(event) => sideOf(bag.number) && event.preventDefault()"
        @drop="(event) => (event.preventDefault(), drop(bag.number))"
      >
        <h3>
          Bag {{ bag.number }} <span class="faint">{{ plural(bag.pieces, 'piece') }}</span>
        </h3>
        <ul class="work">
          <li
            v-for="(work, i) in bag.work"
            :key="i"
            :draggable="booklet.bags.length > 1"
            @dragstart="dragged = { bag: bag.number, run: i }"
            @dragend="dragged = null"
          >
            <b>{{ nameOf(work.section) }}</b>, {{ workWords(work) }}
          </li>
        </ul>
        <p v-if="booklet.bags.length > 1" class="moves">
          <ActionButton
            v-if="hasNeighbour(bag, -1)"
            :describe="`First step of bag ${bag.number} to the bag before`"
            @click="move({ bag: bag.number, to: 'before' })"
            >First step to the bag before</ActionButton
          >
          <ActionButton
            v-if="hasNeighbour(bag, 1)"
            :describe="`Last step of bag ${bag.number} to the bag after`"
            @click="move({ bag: bag.number, to: 'after' })"
            >Last step to the bag after</ActionButton
          >
        </p>
        <TrayList class="tray" :pieces="bag.tray" :label="`Pieces of bag ${bag.number}`" />
      </article>
    </section>
    <BagLabels v-if="isPrinting && packed" :packed="packed" :name-of="nameOf" @done="isPrinting = false" />
    <p v-if="hidden > 0">{{ plural(hidden, 'more bag') }}. <ActionButton @click="most += MOST_SHOWN">Show more</ActionButton></p>
  </main>
</template>

<style scoped>
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
article.over {
  background: var(--accent-wash);
}
h3 {
  font-size: 1.2rem;
}
[draggable='true'] {
  cursor: grab;
}
.moves {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 4px 0 8px;
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
