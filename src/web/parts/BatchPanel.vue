<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Catalogue } from '@core/catalogue'
import { assemblyLine, batchOf, coverageByKits, kitsHad, needOf, pieceLine, piecesIn, type DeskPiece, type Kit } from '@core/desk'

import { say, sayCount, screenWords } from '../language'
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
  const words = pieces.slice(0, MOST_NAMED).map((piece) => pieceLine(piece, props.catalogue, screenWords()))
  const more = pieces.length - MOST_NAMED
  return `${words.join('; ')}${more > 0 ? say('parts.and2', { moreKinds: sayCount('count.moreKinds', more) }) : ''}`
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
  void open.edit(
    isIn ? say('parts.tellOfInTheBooklet', { name: kit.name }) : say('parts.tellNoMoreOf', { name: kit.name }),
    ({ kits = [], ...model }) => {
      const others = kits.filter(({ id }) => id !== kit.id)
      const { id, name, pieces } = kit
      const own = { id, name, pieces: pieces.map(({ work: _work, ...piece }) => piece) }
      const next = isIn ? [...others, own] : others
      return next.length === 0 ? model : { ...model, kits: next }
    },
  )
const isPrinting = ref(false)
const lanes = computed(
  () => new Map((open.snapshot?.layout.lanes ?? []).map(({ section, letter, name }) => [section, `${letter} ${name}`])),
)
const line = computed(() =>
  isPrinting.value && open.snapshot ? assemblyLine(open.snapshot.shown, open.snapshot.report, props.copies) : [],
)
</script>

<template>
  <section v-if="all > 0" :aria-label="say('parts.howFarItGoes')" class="batch">
    <h2>{{ say('parts.howFarItGoes') }}</h2>
    <p v-if="isNothingThere" class="faint">
      {{ say('parts.nothingOfItStandsIn') }}
    </p>
    <p v-else role="status">
      <template v-if="batch.whole === 0">{{ say('parts.whatIsThereDoesNot') }}</template>
      <template v-else>{{ say('parts.whatIsThereMakes', { wholeModels: sayCount('count.wholeModels', batch.whole) }) }}</template>
      {{ batch.whole === 0 ? say('parts.itLacks') : say('parts.theNextOneLacks') }} {{ named(batch.lacks) }}.
    </p>
    <div v-for="{ kit, found } in kits" :key="kit.id">
      <h3>{{ kit.name }}</h3>
      <label class="tick"
        ><input type="checkbox" :checked="isTold(kit.id)" @change="tell(kit, ($event.target as HTMLInputElement).checked)" />
        {{ say('parts.theBookletSaysWhatIs') }}</label
      >
      <ul>
        <li v-for="each in found" :key="each.kits">
          <span class="bar" aria-hidden="true"><span :style="{ width: `${share(each.covered)}%` }" /></span>
          {{
            say('parts.withOfPiecesAreCovered', {
              kits: each.kits === 1 ? say('parts.one') : each.kits,
              covered: each.covered,
              all,
              extras: sayCount('count.extras', piecesIn(each.extras)),
            })
          }}
        </li>
      </ul>
    </div>
    <ActionButton v-if="copies > 1" :disabled="!open.snapshot" @click="isPrinting = true">{{
      say('parts.layOutAsAnAssembly', { copies })
    }}</ActionButton>
    <PrintSheet
      v-if="isPrinting"
      :label="say('parts.atOnceEachStepFor', { name: open.model?.name ?? '', copies })"
      @done="isPrinting = false"
    >
      <table class="ruled">
        <thead>
          <tr>
            <th scope="col">{{ say('parts.step') }}</th>
            <th scope="col">{{ say('parts.howOften') }}</th>
            <th scope="col">{{ say('parts.piecesForAll') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in line" :key="`${each.section} ${each.step}`">
            <th scope="row">{{ say('parts.step2', { get: lanes.get(each.section) ?? each.section, step: each.step }) }}</th>
            <td>{{ say('common.times', { times: each.times }) }}</td>
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
