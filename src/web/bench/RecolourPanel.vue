<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { waysOut } from '@core/checks'
import { inventoryOf, pieceKey } from '@core/count'
import { notMade } from '@core/desk'
import { coloursInScope, recolourModel, type RecolourScope } from '@core/edits'
import type { ModelDocument } from '@core/model'

import { say, sayCount, sayWithin } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import { colourChoices } from '../shared/choices'
import { useBooks } from '../stores/books'
import { useOpenModel } from '../stores/open-model'
import type { BenchActs } from './use-acts'
import type { BenchSection } from './use-section'
import type { BenchSelection } from './use-selection'

/** Colour by colour over the model, a section or what is chosen; seen before it is done. */
const props = defineProps<{ section: BenchSection; selection: BenchSelection; acts: BenchActs }>()

const open = useOpenModel()
const books = useBooks()
void books.load()
const scope = ref<'model' | 'section' | 'chosen'>('model')
const wishes = ref<Readonly<Record<string, string>>>({})
const SCOPES = [
  { value: 'model', label: say('bench.inTheWholeModel') },
  { value: 'section', label: say('bench.inThisSection') },
  { value: 'chosen', label: say('bench.inWhatIsChosen') },
]
const catalogue = computed(() => props.section.catalogue.value)
const colours = computed(() => colourChoices(catalogue.value))
const where = computed<RecolourScope>(() => {
  if (scope.value === 'model') return {}
  return { section: props.section.id.value, ...(scope.value === 'chosen' ? { ids: props.selection.chosen.value } : {}) }
})
/** The colours there are, most pieces first. */
const used = computed(() => {
  const { model } = props.section
  return (model.value ? coloursInScope(model.value, where.value) : []).map(({ colour, count }) => {
    const known = catalogue.value.colours.get(colour)
    return { id: colour, count, name: known?.name ?? colour, hex: known?.hex ?? '#fff' }
  })
})
const changes = computed(
  () => new Map(Object.entries(wishes.value).filter(([from, to]) => from !== to && used.value.some(({ id }) => id === from))),
)
const recoloured = (model: ModelDocument): ModelDocument => recolourModel(model, changes.value, where.value)
watch([changes, where], () => {
  const { model } = props.section
  props.acts.showTried(model.value && changes.value.size > 0 ? recoloured(model.value) : null)
})
onUnmounted(() => props.acts.showTried(null))

/** Pieces that the recolouring asks for, and that the designer's books have in other colours only. */
const strange = computed(() => {
  const { model } = props.section
  if (!model.value || changes.value.size === 0) return []
  const before = new Set(inventoryOf(model.value).map(pieceKey))
  const fresh = inventoryOf(recoloured(model.value)).filter((piece) => !before.has(pieceKey(piece)))
  return notMade(fresh, books.byColour).map((piece) => ({
    key: pieceKey(piece),
    count: piece.count,
    title: catalogue.value.shapes.get(piece.shape)?.title ?? piece.shape,
    colour: sayWithin(catalogue.value.colours.get(piece.colour)?.name ?? piece.colour),
  }))
})

/** Findings that name parts whose colour nobody will ever see. */
const unseen = computed(() => (open.report?.findings ?? []).filter(({ code }) => code === 'never-seen'))
const unseenCount = computed(() => unseen.value.reduce((sum, { parts }) => sum + parts.length, 0))
async function free(): Promise<void> {
  const all = unseen.value
  await open.edit(say('bench.leaveTheColourOfWhat'), (model) =>
    all.reduce((now, found) => waysOut(now, found).reduce((next, way) => way.change(next), now), model),
  )
}

async function apply(): Promise<void> {
  if (!(await open.edit(say('bench.recolourAll'), recoloured))) return
  wishes.value = {}
  props.acts.openTool(null)
}
</script>

<template>
  <section class="slip" :aria-label="say('bench.recolour')">
    <h2>{{ say('bench.recolour') }}</h2>
    <ChoiceList v-model="scope" :label="say('common.where')" :options="SCOPES" />
    <p v-if="used.length === 0" class="faint">{{ say('bench.nothingIsChosenThatHas') }}</p>
    <div v-for="each in used" :key="each.id" class="colour">
      <span class="swatch" :style="{ background: each.hex }" aria-hidden="true" />
      <span class="name"
        >{{ each.name }} <span class="faint">{{ sayCount('count.pieces', each.count) }}</span></span
      >
      <select
        :value="wishes[each.id] ?? each.id"
        :aria-label="say('common.becomes', { name: each.name })"
        @change="wishes = { ...wishes, [each.id]: ($event.target as HTMLSelectElement).value }"
      >
        <option v-for="colour in colours" :key="colour.value" :value="colour.value">{{ colour.label }}</option>
      </select>
    </div>
    <div v-if="strange.length > 0" role="status">
      <p>{{ say('common.yourBooksDoNotHave') }}</p>
      <ul>
        <li v-for="each in strange" :key="each.key">{{ each.count }} × {{ each.title }}, {{ each.colour }}</li>
      </ul>
    </div>
    <p v-if="unseenCount > 0">
      {{
        say('bench.neverFromOutsideAnyColour', {
          pieces: sayCount('count.pieces', unseenCount),
          what: unseenCount === 1 ? say('bench.shows') : say('bench.show'),
        })
      }}
      <ActionButton @click="free">{{
        say('bench.anyColourFor', { what: unseenCount === 1 ? say('bench.it2') : say('bench.them') })
      }}</ActionButton>
    </p>
    <div class="row">
      <ActionButton primary :disabled="changes.size === 0" @click="apply">{{ say('bench.recolour') }}</ActionButton>
      <ActionButton @click="acts.openTool(null)">{{ say('common.close') }}</ActionButton>
    </div>
  </section>
</template>

<style scoped src="./slip.css"></style>
<style scoped src="./tool.css"></style>
<style scoped>
.colour {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 46px;
}
.swatch {
  width: 20px;
  height: 20px;
  border: 1px solid var(--ink);
  flex: none;
}
.name {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}
.slip select {
  width: 130px;
  font: inherit;
  color: inherit;
  min-height: 40px;
  border: 1px solid #6d7176;
  border-radius: 3px;
  background: var(--sheet);
}
</style>
