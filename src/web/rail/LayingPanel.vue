<script setup lang="ts">
import { computed } from 'vue'
import type { Density, Effort, Measures, Strategy } from '@core/plan'
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
  'ground-up': 'Layer after layer',
  'core-out': 'Core first, cladding last',
  'sections-first': 'Sections as soon as they fit',
}
const DENSITY_WORDS: Readonly<Record<Density, string>> = { easy: 'Easy, few parts', normal: 'Normal', dense: 'Dense, many parts' }
const EFFORT_WORDS: Readonly<Record<Effort, string>> = { quick: 'None, first plan', normal: 'Normal', patient: 'Patient' }
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

const { fraction: comparing, result: compared, run: compareAll, stop } = useJob(props.compare, 'The strategies were not compared.')
const percent = (share: number): string => `${Math.round(share * 100)} %`
</script>

<template>
  <section class="laying" aria-label="How steps are laid">
    <h2>How steps are laid</h2>
    <ChoiceList v-model="strategy" label="Strategy" :options="options(STRATEGY_WORDS)" />
    <ChoiceList v-model="density" label="Step size" :options="options(DENSITY_WORDS)" />
    <ChoiceList v-model="effort" label="Search" :options="options(EFFORT_WORDS)" />
    <p class="faint">
      {{ steps }} steps, {{ measures.meanJump.toFixed(1) }} studs from one to the next; like parts together:
      {{ percent(measures.likeTogether) }}; steps that show poorly: {{ percent(measures.poorlyVisible) }}.
    </p>
    <WorkBar v-if="comparing !== null" label="Comparing the strategies" :fraction="comparing" @stop="stop()" />
    <ActionButton v-else @click="compareAll">Compare the strategies</ActionButton>
    <table v-if="compared">
      <thead>
        <tr>
          <th scope="col">Strategy</th>
          <th scope="col">Steps</th>
          <th scope="col">Way, studs</th>
          <th scope="col">Like together</th>
          <th scope="col">Errors</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in compared" :key="row.strategy" :class="{ here: row.strategy === settings.strategy }">
          <th scope="row">
            {{ STRATEGY_WORDS[row.strategy] }}<span v-if="row.strategy === settings.strategy" class="sr-only">, in use</span>
          </th>
          <td>{{ row.steps }}</td>
          <td>{{ row.measures.meanJump.toFixed(1) }}</td>
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
