<script setup lang="ts">
import { computed } from 'vue'
import { BASE_CATALOGUE } from '@core/catalogue'
import { colourBars, sectionBars, versionsOf } from '@core/desk'
import { useOpenModel } from '../stores/open-model'
import BarChart from './BarChart.vue'
import DeskTabs from './DeskTabs.vue'

/** Where the pieces go: by colour, by section, by version. */
const open = useOpenModel()
const catalogue = computed(() => open.source?.catalogue ?? BASE_CATALOGUE)
const byColour = computed(() => (open.shown ? colourBars(open.shown, catalogue.value) : []))
const bySection = computed(() => sectionBars(open.report?.sections ?? []))
const versions = computed(() => (open.model && (open.model.variants ?? []).length > 0 ? versionsOf(open.model) : []))
const byVersion = computed(() => versions.value.map(({ name, pieces }) => ({ label: name, value: pieces })))
const isEmpty = computed(() => byColour.value.length === 0)
</script>

<template>
  <main class="room">
    <DeskTabs />
    <h1>Charts</h1>
    <p v-if="isEmpty" class="faint">Put pieces on the Bench, or bring a model in, and it is shown here where they go.</p>
    <template v-else>
      <BarChart title="Pieces by colour" unit="" :bars="byColour" />
      <BarChart title="Pieces by section" unit="" :bars="bySection" />
      <BarChart v-if="byVersion.length > 0" title="Pieces by version" unit="" :bars="byVersion" />
    </template>
  </main>
</template>
