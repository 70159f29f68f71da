<script setup lang="ts">
import { computed } from 'vue'
import { BASE_CATALOGUE } from '@core/catalogue'
import { colourTitle, needOf, versionsOf } from '@core/desk'
import { coloursOf, inventoryOf } from '@core/count'
import { useOpenModel } from '../stores/open-model'
import BarChart from './BarChart.vue'
import type { ChartBar } from './chart-bar'
import DeskTabs from './DeskTabs.vue'

/** Where the pieces go: by colour, by section, by version. */
const open = useOpenModel()
const catalogue = computed(() => open.source?.catalogue ?? BASE_CATALOGUE)
/** More bars than these are told together. */
const MOST_BARS = 24

function shortened(bars: readonly ChartBar[]): ChartBar[] {
  if (bars.length <= MOST_BARS) return [...bars]
  const rest = bars.slice(MOST_BARS - 1)
  const value = rest.reduce((sum, bar) => sum + bar.value, 0)
  return [...bars.slice(0, MOST_BARS - 1), { label: `${rest.length} others`, value }]
}

const byColour = computed(() =>
  open.shown
    ? shortened(
        coloursOf(inventoryOf(open.shown)).map(({ colour, count }) => ({
          label: colourTitle(colour, catalogue.value.colours),
          value: count,
          hex: catalogue.value.colours.get(colour)?.hex ?? '#ffffff',
        })),
      )
    : [],
)
const bySection = computed(() =>
  shortened(
    (open.report?.sections ?? [])
      .map(({ name, times, mirrored, steps }) => ({
        label: times + mirrored > 1 ? `${name} (${times + mirrored} times)` : name,
        value: (times + mirrored) * steps.flatMap(({ callout }) => callout).reduce((sum, piece) => sum + piece.count, 0),
      }))
      .filter(({ value }) => value > 0)
      .sort((a, b) => b.value - a.value),
  ),
)
const versions = computed(() => (open.model && (open.model.variants ?? []).length > 0 ? versionsOf(open.model) : []))
const byVersion = computed(() => versions.value.map(({ name, pieces }) => ({ label: name, value: pieces })))
const isEmpty = computed(() => !open.shown || needOf(open.shown).length === 0)
</script>

<template>
  <main>
    <DeskTabs />
    <h1>Charts</h1>
    <p v-if="isEmpty" class="faint">Put pieces on the Bench, or bring a model in, and it is shown here where they go.</p>
    <template v-else>
      <BarChart title="Pieces by colour" unit="pieces" :bars="byColour" />
      <BarChart title="Pieces by section" unit="pieces" :bars="bySection" />
      <BarChart v-if="byVersion.length > 0" title="Pieces by version" unit="pieces" :bars="byVersion" />
    </template>
  </main>
</template>

<style scoped>
main {
  flex: 1;
  overflow: auto;
  padding: 18px 28px 60px;
}
</style>
