<script setup lang="ts">
import { onUnmounted, provide, shallowRef } from 'vue'
import { say } from '../language'
import { makePainter } from '../workers/make-painter'
import { PAINT_SOURCE, type PaintSource } from '../shared/painter-key'
import WordMark from '../shared/WordMark.vue'
import { shownCatalogue } from '../shared/shown-catalogue'

/** The catalogue and the arithmetic without a model: pieces are painted from our own catalogue. */
const source = shallowRef<PaintSource | null>(null)
provide(PAINT_SOURCE, source)

const painter = makePainter()
const EMPTY = {
  model: {
    format: 'jump-rail-model',
    version: 1,
    name: say('common.catalogue'),
    root: 'none',
    sections: [{ id: 'none', name: say('app.none') }],
  },
  plan: { name: say('common.catalogue'), parts: 0, sections: [], inventory: [], colours: [] },
  views: [],
} as const
void painter.open(EMPTY).then(() => {
  source.value = { painter, catalogue: shownCatalogue(), version: 1 }
})
onUnmounted(() => painter.close())
</script>

<template>
  <div class="frame">
    <header>
      <WordMark />
      <nav :aria-label="say('common.tools')">
        <RouterLink :to="{ name: 'shelf' }">{{ say('common.shelf') }}</RouterLink>
        <RouterLink :to="{ name: 'catalogue' }">{{ say('common.catalogue') }}</RouterLink>
        <RouterLink :to="{ name: 'fit' }">{{ say('common.fit') }}</RouterLink>
      </nav>
    </header>
    <RouterView />
  </div>
</template>

<style scoped src="./frame.css"></style>
