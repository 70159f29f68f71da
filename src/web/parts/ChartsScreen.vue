<script setup lang="ts">
import { computed } from 'vue'
import { colourBars, sectionBars, versionsOf } from '@core/desk'
import { say, screenAdvice } from '../language'
import { useOpenModel } from '../stores/open-model'
import BarChart from './BarChart.vue'
import DeskTabs from './DeskTabs.vue'
import { shownCatalogue } from '../shared/shown-catalogue'

/** Where the pieces go: by colour, by section, by version. */
const open = useOpenModel()
const catalogue = computed(() => open.source?.catalogue ?? shownCatalogue())
const byColour = computed(() => (open.shown ? colourBars(open.shown, catalogue.value, screenAdvice()) : []))
const bySection = computed(() => sectionBars(open.report?.sections ?? [], screenAdvice()))
const versions = computed(() => (open.model && (open.model.variants ?? []).length > 0 ? versionsOf(open.model, screenAdvice()) : []))
const byVersion = computed(() => versions.value.map(({ name, pieces }) => ({ label: name, value: pieces })))
const isEmpty = computed(() => byColour.value.length === 0)
</script>

<template>
  <main class="room">
    <DeskTabs />
    <h1>{{ say('common.charts') }}</h1>
    <p v-if="isEmpty" class="faint">{{ say('parts.putPiecesOnTheBench') }}</p>
    <template v-else>
      <BarChart :title="say('parts.piecesByColour')" unit="" :bars="byColour" />
      <BarChart :title="say('parts.piecesBySection')" unit="" :bars="bySection" />
      <BarChart v-if="byVersion.length > 0" :title="say('parts.piecesByVersion')" unit="" :bars="byVersion" />
    </template>
  </main>
</template>
