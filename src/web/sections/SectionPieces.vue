<script setup lang="ts">
import { computed, ref } from 'vue'
import { copiesOf, sectionById, sectionsById } from '@core/model'
import { kindsOf, type KindOfPiece } from '@core/scene'

import { say, sayCount, sayWithin } from '../language'
import ChoiceList from '../controls/ChoiceList.vue'
import { sectionChoices } from '../shared/choices'
import { useOpenModel } from '../stores/open-model'
import { useDraggedNodes } from './dragged-nodes'

/** What a section is made of, kind by kind: each can be dragged to another section, or sent there from a list. */
const props = defineProps<{ section: string; name: string }>()
const open = useOpenModel()
const { drag, letGo, moveTo } = useDraggedNodes()
const isOpen = ref(false)

const MOST = 60
const kinds = computed(() => (isOpen.value && open.model ? kindsOf(open.model, props.section) : []))
const copies = computed(() => (isOpen.value && open.model ? copiesOf(sectionById(open.model, props.section)) : []))
const others = computed(() => [{ value: '', label: say('sections.moveTo') }, ...sectionChoices(open.model, props.section)])
const sectionName = (id: string): string => sectionsById(open.model!).get(id)?.name ?? id
const titleOf = ({ shape, colour, ids }: KindOfPiece): string => {
  const { shapes, colours } = open.source!.catalogue
  const title = `${shapes.get(shape)?.title ?? shape}, ${sayWithin(colours.get(colour)?.name ?? colour)}`
  return ids.length > 1 ? `${ids.length} ${title}` : title
}
const lines = computed(() => [
  ...copies.value.map(({ id, section: of }) => ({
    key: `copy ${id}`,
    title: say('sections.aCopyOf', { sectionName: sectionName(of) }),
    said: say('sections.theCopy', { id }),
    ids: [id],
  })),
  ...kinds.value.slice(0, MOST).map((kind) => {
    const title = titleOf(kind)
    return { key: `${kind.shape} ${kind.colour}`, title, said: title, ids: kind.ids }
  }),
])
</script>

<template>
  <details @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary class="opener">{{ say('sections.whatIsInIt') }}</summary>
    <ul v-if="isOpen" :aria-label="say('sections.whatIsIn', { name })">
      <li v-for="line in lines" :key="line.key" draggable="true" @dragstart="drag($event, { section, ids: line.ids })" @dragend="letGo">
        <span>{{ line.title }}</span>
        <ChoiceList
          model-value=""
          :label="say('sections.whereGoes', { said: line.said })"
          is-label-hidden
          :options="others"
          @update:model-value="(to) => moveTo({ section, ids: line.ids }, to)"
        />
      </li>
    </ul>
    <p v-if="kinds.length > MOST" class="faint">
      {{ say('sections.moreTheBenchShowsAnd', { kinds: sayCount('count.kinds', kinds.length - MOST) }) }}
    </p>
  </details>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  padding: 2px 0;
  cursor: grab;
  overflow-wrap: anywhere;
}
li > :first-child {
  min-width: 0;
}
</style>
