<script setup lang="ts">
import { computed } from 'vue'
import { figureCosts, type FigureCost } from '@core/figure'
import type { FigureRecipe } from '@core/model'

import { say, sayCount, sayNumber } from '../language'

/** What a figure costs: as it is published, as close as can be, as cheap as can be; for one, and for five. */
const props = defineProps<{ recipe: FigureRecipe }>()
const WAYS: Readonly<Record<FigureCost['way'], string>> = {
  published: say('figures.asItIsPublished'),
  closest: say('figures.asCloseAsCanBe'),
  cheapest: say('figures.asCheapAsCanBe'),
}
const MANY = 5
const costs = computed(() => figureCosts(props.recipe))
const money = (amount: number): string => `${sayNumber(amount, 2)} ${props.recipe.currency ?? ''}`.trim()
</script>

<template>
  <section v-if="costs.length > 0" :aria-label="say('figures.whatItCosts')">
    <h2>{{ say('figures.whatItCosts') }}</h2>
    <table class="ruled">
      <thead>
        <tr>
          <th scope="col">{{ say('common.pieces') }}</th>
          <th scope="col" class="number">{{ say('figures.oneFigure') }}</th>
          <th scope="col" class="number">{{ say('figures.fiveFigures') }}</th>
          <th scope="col" class="number">{{ say('figures.howCloseOf') }}</th>
          <th scope="col">{{ say('figures.withoutAPrice') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="cost in costs" :key="cost.way">
          <th scope="row">{{ WAYS[cost.way] }}</th>
          <td class="number">{{ money(cost.each) }}</td>
          <td class="number">{{ money(cost.each * MANY) }}</td>
          <td class="number">{{ cost.closeness === 0 ? '–' : sayNumber(cost.closeness, 1) }}</td>
          <td>{{ cost.unpriced === 0 ? '–' : sayCount('count.pieces', cost.unpriced) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
section {
  margin-top: 24px;
}
</style>
