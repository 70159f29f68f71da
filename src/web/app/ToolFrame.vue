<script setup lang="ts">
import { onUnmounted, provide, shallowRef } from 'vue'
import { BASE_CATALOGUE } from '@core/catalogue'
import { makePainter } from '../workers/make-painter'
import { PAINT_SOURCE, type PaintSource } from '../shared/painter-key'
import WordMark from '../shared/WordMark.vue'

/** The catalogue and the arithmetic without a model: pieces are painted from our own catalogue. */
const source = shallowRef<PaintSource | null>(null)
provide(PAINT_SOURCE, source)

const painter = makePainter()
const EMPTY = {
  model: { format: 'jump-rail-model', version: 1, name: 'Catalogue', root: 'none', sections: [{ id: 'none', name: 'None' }] },
  plan: { name: 'Catalogue', parts: 0, sections: [], inventory: [], colours: [] },
  views: [],
} as const
void painter.open(EMPTY).then(() => {
  source.value = { painter, catalogue: BASE_CATALOGUE, version: 1 }
})
onUnmounted(() => painter.close())
</script>

<template>
  <div class="frame">
    <header>
      <WordMark />
      <nav aria-label="Tools">
        <RouterLink :to="{ name: 'shelf' }">Shelf</RouterLink>
        <RouterLink :to="{ name: 'catalogue' }">Catalogue</RouterLink>
        <RouterLink :to="{ name: 'fit' }">Fit</RouterLink>
      </nav>
    </header>
    <RouterView />
  </div>
</template>

<style scoped src="./frame.css"></style>
