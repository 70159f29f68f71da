<script setup lang="ts">
import { computed } from 'vue'
import { LAYINGS, layingOf, seenFromWords, type StepPage } from '@core/booklet'
import { VIEWS } from '@core/picture'
import ChoiceList from '../controls/ChoiceList.vue'

/** From where a step is seen, and how the work lies from it on. */
const props = defineProps<{ page: StepPage }>()
const emit = defineEmits<{ view: [view: number | undefined]; lay: [turn: string] }>()

const FREE = 'free'
const sides = [
  { value: FREE, label: 'Where it shows best' },
  ...VIEWS.map((view) => ({ value: `${view}`, label: seenFromWords(view).replace(/^Seen /, '') || 'from the front, on the right' })),
]
const lyings = LAYINGS.map(({ turn, words }) => ({ value: turn, label: words }))
const side = computed({
  get: () => `${props.page.chosenView ?? FREE}`,
  set: (value) => emit('view', value === FREE ? undefined : Number(value)),
})
const lies = computed({ get: () => layingOf(props.page.lies).turn, set: (value) => emit('lay', value) })
</script>

<template>
  <details class="sides">
    <summary class="opener">How it is seen</summary>
    <ChoiceList v-model="side" label="Seen" :options="sides" />
    <ChoiceList v-model="lies" label="From here on the work lies" :options="lyings" />
  </details>
</template>

<style scoped>
.sides :deep(.choice) {
  margin-bottom: 8px;
}
</style>
