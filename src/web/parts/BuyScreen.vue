<script setup lang="ts">
import { piecesIn } from '@core/desk'

import { say, sayCount } from '../language'
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
    <h1>{{ say('common.buy') }}</h1>
    <p class="sum" role="status">
      <template v-if="piecesIn(coverage.missing) === 0">{{ say('parts.nothingIsMissing') }}</template>
      <template v-else>{{
        say('parts.ofMissingFor', {
          pieces: sayCount('count.pieces', piecesIn(coverage.missing)),
          kinds: sayCount('count.kinds', coverage.missing.length),
          what: piecesIn(coverage.missing) === 1 ? say('common.is') : say('common.are'),
          models: sayCount('count.models', wholeCopies),
        })
      }}</template>
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
