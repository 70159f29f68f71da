<script setup lang="ts">
import { piecesIn } from '@core/desk'
import { plural } from '@core/words'
import DeskTabs from './DeskTabs.vue'
import OffersPanel from './OffersPanel.vue'
import PurchasePanel from './PurchasePanel.vue'
import SubstitutesPanel from './SubstitutesPanel.vue'
import { useCoverage } from './use-coverage'

/** What is missing, where it is bought, and what came of it. */
const { coverage, wholeCopies, catalogue } = useCoverage()
</script>

<template>
  <main class="room">
    <DeskTabs />
    <h1>Buy</h1>
    <p class="sum" role="status">
      <template v-if="piecesIn(coverage.missing) === 0">Nothing is missing.</template>
      <template v-else
        >{{ plural(piecesIn(coverage.missing), 'piece') }} of {{ plural(coverage.missing.length, 'kind') }}
        {{ piecesIn(coverage.missing) === 1 ? 'is' : 'are' }} missing for {{ plural(wholeCopies, 'model') }}.</template
      >
    </p>
    <SubstitutesPanel :missing="coverage.missing" :spare="coverage.spare" :catalogue="catalogue" />
    <OffersPanel :catalogue="catalogue" />
    <PurchasePanel :missing="coverage.missing" :catalogue="catalogue" />
  </main>
</template>

<style scoped>
.sum {
  font-size: 1.1rem;
}
</style>
