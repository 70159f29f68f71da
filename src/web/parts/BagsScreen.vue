<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import { bagsTable, bagsWords, bookletLanes, timesUsual, weighted, workWords, type BagPlan, type WorkMove } from '@core/bags'
import { plainFault } from '@core/fault'
import type { BagBegin, BagWeights, ModelDocument } from '@core/model'
import { faultText, say, sayCount, screenAdvice, screenWords } from '../language'
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
  void keep(isIn ? say('parts.tellOfBagsInThe') : say('parts.tellOfNoBagsIn'), isIn ? asked.value : undefined)
// Another size is another packing: what was moved between bags of the old one means nothing in it.
watch(size, (now, before) => {
  const { bags } = open.model ?? {}
  const isFromModel = bags !== undefined && bags.pieces === now.pieces && (bags.booklets ?? 1) === now.booklets
  if (isFromModel || JSON.stringify(now) === JSON.stringify(before)) return
  begins.value = []
  if (bags) void keep(say('parts.packOtherBags'), asked.value)
})
/** Another weight is another packing, as another size is. */
function weigh(what: keyof BagWeights, times: string): void {
  weights.value = weighted(weights.value, what, Number(times))
  begins.value = []
  if (isInBooklet.value) void keep(say('parts.packOtherBags'), asked.value)
}
const MATTERS = [
  { what: 'bag', label: say('parts.fewBags') },
  { what: 'uneven', label: say('parts.bagsOfOneSize') },
  { what: 'split', label: say('parts.sectionsWhole') },
  { what: 'lookAlike', label: say('parts.lookAlikesApart') },
] as const
const HOW_MUCH = [
  { value: '0', label: say('parts.doesNotMatter') },
  { value: '1', label: say('parts.asUsual') },
  { value: '5', label: say('parts.mattersMost') },
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
      if (mine === requests) problem.value = faultText(plainFault(thrown))
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
  notify(say('common.doneWhat', { what: label }), { act: { label: say('common.undo'), run: () => void (begins.value = before) } })
}
async function move(work: WorkMove): Promise<void> {
  const { snapshot } = open
  if (!snapshot) return
  problem.value = ''
  try {
    const moved = await packer.move(orderOf(snapshot), work)
    if ('refused' in moved) problem.value = moved.refused
    else if (open.snapshot === snapshot) await place(say('parts.moveWorkToTheBag', { to: work.to }), moved.begins)
  } catch (thrown) {
    problem.value = faultText(plainFault(thrown))
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
  if (packed.value)
    download(fileName(say('parts.bags', { name: open.model?.name ?? 'model' }), '.csv'), bagsTable(packed.value), 'text/csv')
}
</script>

<template>
  <main class="room">
    <DeskTabs />
    <h1>{{ say('common.bags') }}</h1>
    <div class="tools">
      <label
        >{{ say('parts.piecesInABagAt') }}
        <input v-model.lazy.number="pieces" class="plain-field few" type="number" min="1" :max="MOST_PIECES" @keydown.stop
      /></label>
      <label
        >{{ say('parts.buildersAtTheSameTime') }}
        <input v-model.lazy.number="people" class="plain-field few" type="number" min="1" :max="MOST_PEOPLE" @keydown.stop
      /></label>
      <label class="tick"
        ><input type="checkbox" :checked="isInBooklet" @change="putIntoBooklet(($event.target as HTMLInputElement).checked)" />
        {{ say('parts.theBookletSaysWhereA') }}</label
      >
      <ActionButton :disabled="!packed || packed.bags.length === 0" @click="save">{{ say('common.saveAsATable') }}</ActionButton>
      <ActionButton :disabled="!packed || packed.bags.length === 0" @click="isPrinting = true">{{ say('parts.printLabels') }}</ActionButton>
    </div>
    <details>
      <summary class="opener">{{ say('parts.whatMatters') }}</summary>
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
      {{ say('parts.stepsWereMovedBetweenBags') }}
      <ActionButton @click="place(say('parts.packTheBagsAnew'), [])">{{ say('parts.packThemAnew') }}</ActionButton>
    </p>
    <p class="sum" role="status">{{ isWorking ? say('parts.packing') : packed ? bagsWords(packed, screenAdvice()) : '' }}</p>
    <BookletLanes v-if="builders" :lanes="builders" />
    <section v-for="booklet in booklets" :key="booklet.number" :aria-label="say('parts.booklet2', { number: booklet.number })">
      <template v-if="booklets.length > 1">
        <h2>{{ say('parts.booklet2', { number: booklet.number }) }}</h2>
        <p v-if="booklet.sections.length === 0" class="faint">
          {{ say('parts.nothingOfThisModelCan') }}
        </p>
        <p v-else>
          {{ screenWords().list(booklet.sections.map(nameOf)) }}.
          <template v-if="booklet.number === booklets.length">{{ say('parts.itJoinsWhatTheOthers') }}</template>
          <template v-else>{{ say('parts.itNeedsNothingOfThe') }}</template>
        </p>
      </template>
      <article
        v-for="bag in bagsOf(booklet.number)"
        :key="bag.number"
        :aria-label="say('parts.bag', { number: bag.number })"
        :class="{ over: sideOf(bag.number) }"
        @dragover="(event) => sideOf(bag.number) && event.preventDefault()"
        @drop="(event) => (event.preventDefault(), drop(bag.number))"
      >
        <h3>
          {{ say('parts.bag', { number: bag.number }) }} <span class="faint">{{ sayCount('count.pieces', bag.pieces) }}</span>
        </h3>
        <ul class="work">
          <li
            v-for="(work, i) in bag.work"
            :key="i"
            :draggable="booklet.bags.length > 1"
            @dragstart="dragged = { bag: bag.number, run: i }"
            @dragend="dragged = null"
          >
            <b>{{ nameOf(work.section) }}</b>, {{ workWords(work, screenAdvice()) }}
          </li>
        </ul>
        <p v-if="booklet.bags.length > 1" class="moves">
          <ActionButton
            v-if="hasNeighbour(bag, -1)"
            :describe="say('parts.firstStepOfBagTo', { number: bag.number })"
            @click="move({ bag: bag.number, to: 'before' })"
            >{{ say('parts.firstStepToTheBag') }}</ActionButton
          >
          <ActionButton
            v-if="hasNeighbour(bag, 1)"
            :describe="say('parts.lastStepOfBagTo', { number: bag.number })"
            @click="move({ bag: bag.number, to: 'after' })"
            >{{ say('parts.lastStepToTheBag') }}</ActionButton
          >
        </p>
        <TrayList class="tray" :pieces="bag.tray" :label="say('parts.piecesOfBag', { number: bag.number })" />
      </article>
    </section>
    <BagLabels v-if="isPrinting && packed" :packed="packed" :name-of="nameOf" @done="isPrinting = false" />
    <p v-if="hidden > 0">
      {{ sayCount('count.moreBags', hidden) }}. <ActionButton @click="most += MOST_SHOWN">{{ say('common.showMore') }}</ActionButton>
    </p>
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
