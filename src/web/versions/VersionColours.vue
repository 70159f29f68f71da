<script setup lang="ts">
import { computed } from 'vue'
import { coloursOf, inventoryOf } from '@core/count'
import { colourTitle, needOf, notMade, pieceLine } from '@core/desk'
import { recolourVariant } from '@core/edits'
import { documentOfVersion, type ModelDocument, type ModelVariant } from '@core/model'
import { say, screenWords } from '../language'
import ChoiceList from '../controls/ChoiceList.vue'
import { colourChoices } from '../shared/choices'
import { useBooks } from '../stores/books'
import { useOpenModel } from '../stores/open-model'
import { shownCatalogue } from '../shared/shown-catalogue'

/** What each colour becomes in a version, and what the designer's books do not have in its new colour. */
const props = defineProps<{
  variant: ModelVariant
  edit: (label: string, change: (model: ModelDocument) => ModelDocument) => Promise<boolean>
}>()
const open = useOpenModel()
const books = useBooks()
void books.load()
const catalogue = computed(() => open.source?.catalogue ?? shownCatalogue())
const choices = computed(() => colourChoices(catalogue.value))
/** The model with what is in this version, in the colours of the others. */
const plain = computed(() => {
  const { model } = open
  if (!model) return undefined
  const { with: taken = [], without = [] } = props.variant
  return documentOfVersion(model, { with: taken, without })
})
const colours = computed(() => {
  if (!plain.value) return []
  const becomes = new Map((props.variant.recolour ?? []).filter(({ section }) => section === undefined).map(({ from, to }) => [from, to]))
  return coloursOf(inventoryOf(plain.value)).map(({ colour, count }) => ({
    id: colour,
    count,
    name: colourTitle(colour, catalogue.value.colours, screenWords()),
    hex: catalogue.value.colours.get(colour)?.hex ?? '#fff',
    to: becomes.get(colour) ?? colour,
  }))
})
const MOST_NAMED = 8
const strange = computed(() => {
  const { model } = open
  if (!model || (props.variant.recolour ?? []).length === 0) return []
  return notMade(needOf(documentOfVersion(model, { variant: props.variant.id })), books.byColour)
})
const recolour = (from: string, to: string): void =>
  void props.edit(say('versions.recolour', { name: props.variant.name }), (model) => recolourVariant(model, props.variant.id, from, to))
</script>

<template>
  <section :aria-label="say('versions.coloursOf', { name: variant.name })">
    <h2>{{ say('versions.coloursOf', { name: variant.name }) }}</h2>
    <ul>
      <li v-for="colour in colours" :key="colour.id">
        <span class="colour"><i :style="{ background: colour.hex }" aria-hidden="true" />{{ colour.count }} × {{ colour.name }}</span>
        <ChoiceList
          :model-value="colour.to"
          :label="say('common.becomes', { name: colour.name })"
          is-label-hidden
          :options="choices"
          @update:model-value="(to) => recolour(colour.id, to)"
        />
      </li>
    </ul>
    <template v-if="strange.length > 0">
      <p>{{ say('common.yourBooksDoNotHave') }}</p>
      <ul class="strange">
        <li v-for="piece in strange.slice(0, MOST_NAMED)" :key="pieceLine(piece, catalogue, screenWords())">
          {{ pieceLine(piece, catalogue, screenWords()) }}
        </li>
        <li v-if="strange.length > MOST_NAMED">{{ say('versions.andMore', { strange: strange.length - MOST_NAMED }) }}</li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
h2 {
  margin-top: 26px;
}
ul {
  list-style: none;
  padding: 0;
  max-width: 520px;
}
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 6px 16px;
  padding: 3px 0;
  border-bottom: 1px solid var(--rule);
}
.colour {
  display: flex;
  align-items: center;
  gap: 8px;
}
i {
  width: 16px;
  height: 16px;
  border: 1px solid var(--ink);
}
.strange li {
  border: 0;
}
</style>
