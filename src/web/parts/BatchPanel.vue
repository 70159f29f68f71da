<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Catalogue } from '@core/catalogue'
import { assemblyLine, batchOf, coverageByKits, kitsHad, needOf, pieceLine, piecesIn, type DeskPiece, type Kit } from '@core/desk'
import { plural } from '@core/words'
import ActionButton from '../controls/ActionButton.vue'
import PiecePicture from '../shared/PiecePicture.vue'
import PrintSheet from '../shared/PrintSheet.vue'
import { useBooks } from '../stores/books'
import { useOpenModel } from '../stores/open-model'

/** How many whole models what is there makes, what a kit covers, and many copies as an assembly line makes them. */
const props = defineProps<{ copies: number; catalogue: Catalogue; isNothingThere: boolean }>()
const open = useOpenModel()
const store = useBooks()

const need = computed(() => (open.shown ? needOf(open.shown) : []))
const batch = computed(() => batchOf(need.value, store.books.stock, kitsHad(store.books)))
/** Kinds that are named at once. */
const MOST_NAMED = 6
const named = (pieces: readonly DeskPiece[]): string => {
  const words = pieces.slice(0, MOST_NAMED).map((piece) => pieceLine(piece, props.catalogue))
  const more = pieces.length - MOST_NAMED
  return `${words.join('; ')}${more > 0 ? `; and ${plural(more, 'more kind')}` : ''}`
}
const kits = computed(() =>
  store.books.kits.flatMap((kit) => {
    const found = coverageByKits(need.value, kit)
    return found.length === 0 ? [] : [{ kit, found }]
  }),
)
const all = computed(() => piecesIn(need.value))
const share = (covered: number): number => Math.round((100 * covered) / Math.max(1, all.value))

const isTold = (id: string): boolean => open.model?.kits?.some((kit) => kit.id === id) === true
/** Builders are told of a kit by the model itself, so that it goes with the booklet. */
const tell = (kit: Kit, isIn: boolean): void =>
  void open.edit(isIn ? `tell of ${kit.name} in the booklet` : `tell no more of ${kit.name}`, ({ kits = [], ...model }) => {
    const others = kits.filter(({ id }) => id !== kit.id)
    const { id, name, pieces } = kit
    const own = { id, name, pieces: pieces.map(({ work: _work, ...piece }) => piece) }
    const next = isIn ? [...others, own] : others
    return next.length === 0 ? model : { ...model, kits: next }
  })
const isPrinting = ref(false)
const lanes = computed(
  () => new Map((open.snapshot?.layout.lanes ?? []).map(({ section, letter, name }) => [section, `${letter} ${name}`])),
)
const line = computed(() =>
  isPrinting.value && open.snapshot ? assemblyLine(open.snapshot.shown, open.snapshot.report, props.copies) : [],
)
</script>

<template>
  <section v-if="all > 0" aria-label="How far it goes" class="batch">
    <h2>How far it goes</h2>
    <p v-if="isNothingThere" class="faint">
      Nothing of it stands in your books. Bring in your stock, or the kits you have, and it is told here how many models they make.
    </p>
    <p v-else role="status">
      <template v-if="batch.whole === 0">What is there does not make one whole model.</template>
      <template v-else>What is there makes {{ plural(batch.whole, 'whole model') }}.</template>
      {{ batch.whole === 0 ? 'It lacks' : 'The next one lacks' }} {{ named(batch.lacks) }}.
    </p>
    <div v-for="{ kit, found } in kits" :key="kit.id">
      <h3>{{ kit.name }}</h3>
      <label class="tick"
        ><input type="checkbox" :checked="isTold(kit.id)" @change="tell(kit, ($event.target as HTMLInputElement).checked)" /> The booklet
        says what is needed beside it</label
      >
      <ul>
        <li v-for="each in found" :key="each.kits">
          <span class="bar" aria-hidden="true"><span :style="{ width: `${share(each.covered)}%` }" /></span>
          With {{ each.kits === 1 ? 'one' : each.kits }}, {{ each.covered }} of {{ all }} pieces are covered;
          {{ plural(piecesIn(each.extras), 'extra') }} beside.
        </li>
      </ul>
    </div>
    <ActionButton v-if="copies > 1" :disabled="!open.snapshot" @click="isPrinting = true"
      >Lay out {{ copies }} as an assembly line</ActionButton
    >
    <PrintSheet
      v-if="isPrinting"
      :label="`${open.model?.name ?? ''}: ${copies} at once, each step for all of them`"
      @done="isPrinting = false"
    >
      <table class="ruled">
        <thead>
          <tr>
            <th scope="col">Step</th>
            <th scope="col">How often</th>
            <th scope="col">Pieces for all</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in line" :key="`${each.section} ${each.step}`">
            <th scope="row">{{ lanes.get(each.section) ?? each.section }}, step {{ each.step }}</th>
            <td>{{ each.times }} times</td>
            <td class="pieces">
              <span v-for="piece in each.pieces" :key="`${piece.shape} ${piece.colour}`"
                >{{ piece.count }}× <PiecePicture :shape="piece.shape" :colour="piece.colour" :piece="piece"
              /></span>
            </td>
          </tr>
        </tbody>
      </table>
    </PrintSheet>
  </section>
</template>

<style scoped>
h2 {
  margin-top: 22px;
}
h3 {
  margin: 8px 0 2px;
}
ul {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
}
li {
  padding: 3px 0;
}
.bar {
  display: block;
  height: 8px;
  border: 1px solid var(--ink);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--ink);
}
table {
  width: 100%;
}
tr {
  break-inside: avoid;
}
.pieces {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 12px;
}
.pieces span {
  display: inline-flex;
  align-items: center;
}
</style>
