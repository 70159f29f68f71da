<script setup lang="ts">
import { onUnmounted, provide, shallowRef } from 'vue'
import { BASE_CATALOGUE } from '@core/catalogue'
import { PainterClient } from '../shared/painter-client'
import { PAINT_SOURCE, type PaintSource } from '../shared/painter-key'
import WordMark from '../shared/WordMark.vue'

/** The catalogue and the arithmetic without a model: pieces are painted from our own catalogue. */
const source = shallowRef<PaintSource | null>(null)
provide(PAINT_SOURCE, source)

const painter = new PainterClient(new Worker(new URL('../../workers/painter.worker.ts', import.meta.url), { type: 'module' }))
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

<style scoped>
.frame {
  height: 100vh;
  height: 100dvh;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 22px;
  padding: 4px 20px;
  border-bottom: 1px solid var(--rule);
  flex: none;
}
nav {
  display: flex;
  gap: 4px;
}
nav a {
  color: var(--ink);
  text-decoration: none;
  min-height: 44px;
  display: flex;
  align-items: center;
  padding: 0 14px;
  border-bottom: 3px solid transparent;
}
nav a.router-link-exact-active {
  border-bottom-color: var(--accent);
  font-weight: 700;
}
</style>
