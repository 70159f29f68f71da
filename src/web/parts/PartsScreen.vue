<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import {
  ANY_COLOUR,
  colourTitle,
  groupLines,
  notMade,
  sheetOf,
  sheetRows,
  sheetTable,
  sheetWords,
  sortLines,
  type LineGroup,
  type LineOrder,
  type SheetLine,
} from '@core/desk'
import { sectionById } from '@core/model'

import { say, sayCount, screenAdvice, screenWords } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import { download, fileName } from '../shared/download'
import PiecePicture from '../shared/PiecePicture.vue'
import { useBooks } from '../stores/books'
import { useOpenModel } from '../stores/open-model'
import BatchPanel from './BatchPanel.vue'
import BooksPanel from './BooksPanel.vue'
import DeskTabs from './DeskTabs.vue'
import HarvestPanel from './HarvestPanel.vue'
import PickingList from './PickingList.vue'
import { MOST_COPIES, useCoverage } from './use-coverage'

/** What the model takes, what of it is there, and what is to be bought. */
const open = useOpenModel()
const store = useBooks()

const { copies, wholeCopies, need, coverage, catalogue } = useCoverage()
const words = ref('')
const isOpenOnly = ref(false)
/** Lines that were laid out already, by their keys: kept on this device, for each model. */
const laidOut = useLocalStorage<string[]>(`jump-rail-laid-out-${open.id}`, [])
const ticked = computed(() => new Set(laidOut.value))
/** More lines at once help nobody, and pictures take time. */
const MOST_LINES = 200
const most = ref(MOST_LINES)

const lines = computed(() => (open.shown ? sheetOf(open.shown, need.value, coverage.value) : []))
const strange = computed(
  () =>
    new Set(
      notMade(
        lines.value.map(({ piece, key }) => ({ ...piece, key })).filter(({ colour }) => colour !== ANY_COLOUR),
        store.byColour,
      ).map(({ key }) => key),
    ),
)

const titleOf = ({ piece }: SheetLine): string => catalogue.value.shapes.get(piece.shape)?.title ?? piece.shape
const colourOf = ({ piece }: SheetLine): string => colourTitle(piece.colour, catalogue.value.colours, screenWords())
/** What a piece in any colour is drawn in. */
const drawn = ({ piece }: SheetLine): string => (piece.colour === ANY_COLOUR ? 'ash' : piece.colour)
const sectionNames = ({ sections }: SheetLine): string =>
  sections.map((id) => (open.shown ? sectionById(open.shown, id).name : id)).join(', ')
const found = computed(() => {
  const wanted = words.value.trim().toLowerCase().split(/\s+/)
  return lines.value.filter((line) => {
    const text = `${titleOf(line)} ${colourOf(line)} ${line.piece.shape} ${sectionNames(line)}`.toLowerCase()
    return (!isOpenOnly.value || line.toBuy > 0) && wanted.every((word) => text.includes(word))
  })
})
const GROUPS = [
  { value: '', label: say('parts.nothing') },
  { value: 'colour', label: say('parts.colour') },
  { value: 'family', label: say('parts.family') },
  { value: 'section', label: say('parts.section') },
]
const group = ref('')
const ORDERS = [
  { value: 'count', label: say('common.howMany') },
  { value: 'title', label: say('parts.name') },
  { value: 'buy', label: say('parts.whatIsToBuy') },
]
const order = ref('count')
const sorted = computed(() => sortLines(found.value, order.value as LineOrder, catalogue.value))
const groups = computed(() =>
  groupLines(sorted.value.slice(0, most.value), group.value as LineGroup, {
    catalogue: catalogue.value,
    sectionName: (id) => (open.shown ? sectionById(open.shown, id).name : id),
  }),
)
const isPrinting = ref(false)
function tick(key: string, isIn: boolean): void {
  const others = laidOut.value.filter((each) => each !== key)
  laidOut.value = isIn ? [...others, key] : others
}
function saveTable(): void {
  download(
    fileName(say('parts.parts', { name: open.model?.name ?? 'model' }), '.csv'),
    sheetTable(lines.value, catalogue.value),
    'text/csv',
  )
}
/** Fetched only when it is asked for. */
async function saveWorkbook(): Promise<void> {
  const { default: writeXlsx } = await import('write-excel-file/browser')
  const workbook = await writeXlsx(sheetRows(lines.value, catalogue.value)).toBlob()
  download(fileName(say('parts.parts', { name: open.model?.name ?? 'model' }), '.xlsx'), workbook, workbook.type)
}
</script>

<template>
  <main>
    <div class="sheet">
      <DeskTabs />
      <h1>{{ say('common.parts') }}</h1>
      <p class="sum" role="status">{{ sheetWords(lines, screenAdvice()) }}</p>
      <div class="tools">
        <label
          >{{ say('parts.forHowManyModels') }}
          <input v-model.number="copies" class="plain-field few" type="number" min="1" :max="MOST_COPIES" @keydown.stop
        /></label>
        <label
          >{{ say('parts.find') }}
          <input v-model="words" class="plain-field find" type="search" :placeholder="say('parts.whiteTileRoof')" @keydown.stop
        /></label>
        <label class="tick"><input v-model="isOpenOnly" type="checkbox" /> {{ say('parts.onlyWhatIsToBuy') }}</label>
        <ChoiceList v-model="group" :label="say('parts.groupBy')" :options="GROUPS" />
        <ChoiceList v-model="order" :label="say('parts.sortBy')" :options="ORDERS" />
        <ActionButton :disabled="lines.length === 0" @click="isPrinting = true">{{ say('parts.printAPickingList') }}</ActionButton>
        <ActionButton :disabled="lines.length === 0" @click="saveTable">{{ say('common.saveAsATable') }}</ActionButton>
        <ActionButton :disabled="lines.length === 0" @click="saveWorkbook">{{ say('parts.asAWorkbook') }}</ActionButton>
      </div>
      <p v-if="lines.length === 0" class="faint">{{ say('parts.putPiecesOnTheBenchOr') }}</p>
      <p v-else-if="found.length === 0" class="faint">{{ say('parts.noLineFits') }}</p>
      <table v-if="found.length > 0">
        <caption class="sr-only">
          {{
            say('parts.piecesOfTheModel')
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col">
              <span class="sr-only">{{ say('parts.laidOut') }}</span>
            </th>
            <th scope="col" class="number">{{ say('parts.needed') }}</th>
            <th scope="col" colspan="2">{{ say('parts.piece') }}</th>
            <th scope="col" class="number">{{ say('parts.inStock') }}</th>
            <th scope="col" class="number">{{ say('parts.inKits') }}</th>
            <th scope="col" class="number">{{ say('parts.toBuy') }}</th>
            <th scope="col">{{ say('parts.usedIn') }}</th>
          </tr>
        </thead>
        <tbody v-for="each in groups" :key="each.title">
          <tr v-if="each.title !== ''">
            <th scope="rowgroup" colspan="8" class="group">
              {{ each.title }} <span class="faint">{{ sayCount('count.pieces', each.pieces) }}</span>
            </th>
          </tr>
          <tr v-for="line in each.lines" :key="line.key" :class="{ done: ticked.has(line.key) }">
            <td>
              <input
                type="checkbox"
                :aria-label="say('parts.laidOut2', { title: titleOf(line), colour: colourOf(line) })"
                :checked="ticked.has(line.key)"
                @change="tick(line.key, ($event.target as HTMLInputElement).checked)"
              />
            </td>
            <td class="number">
              <b>{{ line.piece.count }}</b>
            </td>
            <td class="picture">
              <PiecePicture :shape="line.piece.shape" :colour="drawn(line)" :piece="{ ...line.piece, colour: drawn(line) }" />
            </td>
            <td>
              {{ titleOf(line)
              }}<small
                >{{ colourOf(line)
                }}{{ line.piece.lengthMm === undefined ? '' : say('parts.mm', { lengthMm: line.piece.lengthMm }) }}</small
              >
              <small v-if="strange.has(line.key)" class="strange">{{ say('parts.yourBooksDoNotHave') }}</small>
            </td>
            <td class="number">{{ line.fromStock || '–' }}</td>
            <td class="number">{{ line.fromKits || '–' }}</td>
            <td class="number">{{ line.toBuy || '–' }}</td>
            <td class="where">{{ sectionNames(line) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="found.length > most">
        {{ sayCount('count.moreLines', found.length - most) }}.
        <ActionButton @click="most += MOST_LINES">{{ say('common.showMore') }}</ActionButton>
      </p>
    </div>
    <PickingList
      v-if="isPrinting && open.shown"
      :model="open.shown"
      :copies="wholeCopies"
      :catalogue="catalogue"
      @done="isPrinting = false"
    />
    <div class="beside">
      <BooksPanel :catalogue="catalogue" />
      <BatchPanel :copies="wholeCopies" :catalogue="catalogue" :is-nothing-there="coverage.covered.length === 0" />
      <HarvestPanel :missing="coverage.missing" :catalogue="catalogue" />
    </div>
  </main>
</template>

<style scoped>
main {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 1fr minmax(320px, 400px);
}
.sheet,
.beside {
  overflow: auto;
  padding: 18px 28px 60px;
}
.beside {
  border-left: 1px solid var(--rule);
}
.sum {
  font-size: 1.1rem;
  margin: 6px 0 12px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  margin-bottom: 14px;
}
.few {
  width: 72px;
}
.find {
  width: 150px;
}
input[type='checkbox'] {
  width: 22px;
  height: 22px;
  accent-color: var(--accent);
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 2px 10px 2px 0;
  border-bottom: 1px solid var(--rule);
}
th {
  position: sticky;
  top: -18px;
  background: var(--paper);
  font-weight: 700;
}
.number {
  text-align: right;
  white-space: nowrap;
}
.group {
  position: static;
  padding-top: 14px;
  font-size: 1.05rem;
}
.picture {
  width: 76px;
}
td small {
  display: block;
  color: var(--faint);
  font-size: 0.9rem;
}
td .strange {
  color: var(--warn);
  font-weight: 700;
}
.where {
  max-width: 16em;
  overflow-wrap: anywhere;
}
.done td {
  color: var(--faint);
  text-decoration: line-through;
}
@media (max-width: 1000px) {
  main {
    display: block;
    overflow: auto;
  }
}
</style>
