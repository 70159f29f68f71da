<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { waysOut } from '@core/checks'
import { inventoryOf, pieceKey } from '@core/count'
import { notMade } from '@core/desk'
import { coloursInScope, recolourModel, type RecolourScope } from '@core/edits'
import type { ModelDocument } from '@core/model'
import { plural } from '@core/words'
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
  { value: 'model', label: 'in the whole model' },
  { value: 'section', label: 'in this section' },
  { value: 'chosen', label: 'in what is chosen' },
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
    colour: (catalogue.value.colours.get(piece.colour)?.name ?? piece.colour).toLowerCase(),
  }))
})

/** Findings that name parts whose colour nobody will ever see. */
const unseen = computed(() => (open.report?.findings ?? []).filter(({ code }) => code === 'never-seen'))
const unseenCount = computed(() => unseen.value.reduce((sum, { parts }) => sum + parts.length, 0))
async function free(): Promise<void> {
  const all = unseen.value
  await open.edit('leave the colour of what never shows free', (model) =>
    all.reduce((now, found) => waysOut(now, found).reduce((next, way) => way.change(next), now), model),
  )
}

async function apply(): Promise<void> {
  if (!(await open.edit('recolour', recoloured))) return
  wishes.value = {}
  props.acts.openTool(null)
}
</script>

<template>
  <section class="slip" aria-label="Recolour">
    <h2>Recolour</h2>
    <ChoiceList v-model="scope" label="Where" :options="SCOPES" />
    <p v-if="used.length === 0" class="faint">Nothing is chosen that has a colour.</p>
    <div v-for="each in used" :key="each.id" class="colour">
      <span class="swatch" :style="{ background: each.hex }" aria-hidden="true" />
      <span class="name"
        >{{ each.name }} <span class="faint">{{ plural(each.count, 'piece') }}</span></span
      >
      <select
        :value="wishes[each.id] ?? each.id"
        :aria-label="`${each.name} becomes`"
        @change="wishes = { ...wishes, [each.id]: ($event.target as HTMLSelectElement).value }"
      >
        <option v-for="colour in colours" :key="colour.value" :value="colour.value">{{ colour.label }}</option>
      </select>
    </div>
    <div v-if="strange.length > 0" role="status">
      <p>Your books do not have these in that colour:</p>
      <ul>
        <li v-for="each in strange" :key="each.key">{{ each.count }} × {{ each.title }}, {{ each.colour }}</li>
      </ul>
    </div>
    <p v-if="unseenCount > 0">
      {{ plural(unseenCount, 'piece') }} never {{ unseenCount === 1 ? 'shows' : 'show' }} from outside: any colour would do.
      <ActionButton @click="free">Any colour for {{ unseenCount === 1 ? 'it' : 'them' }}</ActionButton>
    </p>
    <div class="row">
      <ActionButton primary :disabled="changes.size === 0" @click="apply">Recolour</ActionButton>
      <ActionButton @click="acts.openTool(null)">Close</ActionButton>
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
