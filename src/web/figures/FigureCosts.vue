<script setup lang="ts">
import { computed } from 'vue'
import { figureCosts, type FigureCost } from '@core/figure'
import type { FigureRecipe } from '@core/model'
import { plural } from '@core/words'

/** What a figure costs: as it is published, as close as can be, as cheap as can be; for one, and for five. */
const props = defineProps<{ recipe: FigureRecipe }>()
const WAYS: Readonly<Record<FigureCost['way'], string>> = {
  published: 'As it is published',
  closest: 'As close as can be',
  cheapest: 'As cheap as can be',
}
const MANY = 5
const costs = computed(() => figureCosts(props.recipe))
const money = (amount: number): string => `${amount.toFixed(2)} ${props.recipe.currency ?? ''}`.trim()
</script>

<template>
  <section v-if="costs.length > 0" aria-label="What it costs">
    <h2>What it costs</h2>
    <table class="ruled">
      <thead>
        <tr>
          <th scope="col">Pieces</th>
          <th scope="col" class="number">One figure</th>
          <th scope="col" class="number">Five figures</th>
          <th scope="col" class="number">How close, of 5</th>
          <th scope="col">Without a price</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="cost in costs" :key="cost.way">
          <th scope="row">{{ WAYS[cost.way] }}</th>
          <td class="number">{{ money(cost.each) }}</td>
          <td class="number">{{ money(cost.each * MANY) }}</td>
          <td class="number">{{ cost.closeness === 0 ? '–' : cost.closeness.toFixed(1) }}</td>
          <td>{{ cost.unpriced === 0 ? '–' : plural(cost.unpriced, 'piece') }}</td>
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
