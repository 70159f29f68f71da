<script setup lang="ts">
import { computed } from 'vue'
import type { Density, Effort, Measures, Strategy } from '@core/plan'
import { say, sayNumber } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import WorkBar from '../controls/WorkBar.vue'
import { useJob } from '../shared/use-job'
import type { Job } from '../workers/planner-jobs'
import type { Comparison, PlanSettings } from '../../workers/plan-messages'

const props = defineProps<{
  settings: PlanSettings
  measures: Measures
  steps: number
  compare: (progress: (fraction: number) => void) => Job<Comparison[]>
  change: (settings: PlanSettings) => Promise<boolean>
}>()

const STRATEGY_WORDS: Readonly<Record<Strategy, string>> = {
  'ground-up': say('rail.layerAfterLayer'),
  'core-out': say('rail.coreFirstCladdingLast'),
  'sections-first': say('rail.sectionsAsSoonAsThey'),
}
const DENSITY_WORDS: Readonly<Record<Density, string>> = {
  easy: say('rail.easyFewParts'),
  normal: say('rail.normal'),
  dense: say('rail.denseManyParts'),
}
const EFFORT_WORDS: Readonly<Record<Effort, string>> = {
  quick: say('rail.noneFirstPlan'),
  normal: say('rail.normal'),
  patient: say('rail.patient'),
}
const options = (words: Readonly<Record<string, string>>) => Object.entries(words).map(([value, label]) => ({ value, label }))

const strategy = computed({
  get: (): string => props.settings.strategy,
  set: (value) => void props.change({ ...props.settings, strategy: value as Strategy }),
})
const density = computed({
  get: (): string => props.settings.density,
  set: (value) => void props.change({ ...props.settings, density: value as Density }),
})

const effort = computed({
  get: (): string => props.settings.effort,
  set: (value) => void props.change({ ...props.settings, effort: value as Effort }),
})

const { fraction: comparing, result: compared, run: compareAll, stop } = useJob(props.compare, say('rail.theStrategiesWereNotCompared'))
const percent = (share: number): string => `${Math.round(share * 100)} %`
</script>

<template>
  <section class="laying" :aria-label="say('rail.howStepsAreLaid')">
    <h2>{{ say('rail.howStepsAreLaid') }}</h2>
    <ChoiceList v-model="strategy" :label="say('rail.strategy')" :options="options(STRATEGY_WORDS)" />
    <ChoiceList v-model="density" :label="say('rail.stepSize')" :options="options(DENSITY_WORDS)" />
    <ChoiceList v-model="effort" :label="say('rail.search')" :options="options(EFFORT_WORDS)" />
    <p class="faint">
      {{
        say('rail.stepsStudsFromOneTo', {
          steps,
          meanJump: sayNumber(measures.meanJump, 1),
          likeTogether: percent(measures.likeTogether),
          poorlyVisible: percent(measures.poorlyVisible),
        })
      }}
    </p>
    <WorkBar v-if="comparing !== null" :label="say('rail.comparingTheStrategies')" :fraction="comparing" @stop="stop()" />
    <ActionButton v-else @click="compareAll">{{ say('rail.compareTheStrategies') }}</ActionButton>
    <table v-if="compared">
      <thead>
        <tr>
          <th scope="col">{{ say('rail.strategy') }}</th>
          <th scope="col">{{ say('common.steps') }}</th>
          <th scope="col">{{ say('rail.wayStuds') }}</th>
          <th scope="col">{{ say('rail.likeTogether') }}</th>
          <th scope="col">{{ say('common.errors') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in compared" :key="row.strategy" :class="{ here: row.strategy === settings.strategy }">
          <th scope="row">
            {{ STRATEGY_WORDS[row.strategy] }}<span v-if="row.strategy === settings.strategy" class="sr-only">{{ say('rail.inUse') }}</span>
          </th>
          <td>{{ row.steps }}</td>
          <td>{{ sayNumber(row.measures.meanJump, 1) }}</td>
          <td>{{ percent(row.measures.likeTogether) }}</td>
          <td>{{ row.errors }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.laying {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 8px;
}
.laying :deep(label) {
  min-width: 5em;
}
.laying :deep(select) {
  max-width: 250px;
}
p {
  margin: 0;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 0.94rem;
}
th,
td {
  text-align: right;
  padding: 6px 4px;
  border-bottom: 1px solid var(--rule);
  font-weight: 400;
}
th:first-child {
  text-align: left;
}
thead th {
  color: var(--faint);
  vertical-align: bottom;
}
.here th,
.here td {
  font-weight: 700;
}
</style>
