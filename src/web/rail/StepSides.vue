<script setup lang="ts">
import { computed } from 'vue'
import { LAYINGS, layingOf, seenFromWords, type StepPage } from '@core/booklet'
import { VIEWS } from '@core/picture'
import { type ScreenKey, say, screenWords } from '../language'
import ChoiceList from '../controls/ChoiceList.vue'

/** From where a step is seen, and how the work lies from it on. */
const props = defineProps<{ page: StepPage }>()
const emit = defineEmits<{ view: [view: number | undefined]; lay: [turn: string] }>()

/** In the order of `LAYINGS`. */
const LYING_KEYS: readonly ScreenKey[] = [
  'rail.liesUpright',
  'rail.liesUpsideDown',
  'rail.liesOnItsFront',
  'rail.liesOnItsBack',
  'rail.liesOnItsLeftSide',
  'rail.liesOnItsRightSide',
]
const FREE = 'free'
const sides = [
  { value: FREE, label: say('rail.whereItShowsBest') },
  ...VIEWS.map((view) => ({
    value: `${view}`,
    label: seenFromWords(view, screenWords()).replace(/^Seen /, '') || say('rail.fromTheFrontOnThe'),
  })),
]
const lyings = LAYINGS.map(({ turn }, i) => ({ value: turn, label: say(LYING_KEYS[i]!) }))
const side = computed({
  get: () => `${props.page.chosenView ?? FREE}`,
  set: (value) => emit('view', value === FREE ? undefined : Number(value)),
})
const lies = computed({ get: () => layingOf(props.page.lies).turn, set: (value) => emit('lay', value) })
</script>

<template>
  <details class="sides">
    <summary class="opener">{{ say('rail.howItIsSeen') }}</summary>
    <ChoiceList v-model="side" :label="say('rail.seen')" :options="sides" />
    <ChoiceList v-model="lies" :label="say('rail.fromHereOnTheWork')" :options="lyings" />
  </details>
</template>

<style scoped>
.sides :deep(.choice) {
  margin-bottom: 8px;
}
</style>
