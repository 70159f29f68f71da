<script setup lang="ts">
import { computed } from 'vue'
import type { PictureRef } from '@core/booklet'

import { say, sayCount } from '../language'
import type { Snapshot } from '../session/snapshot'
import StepPicture from '../shared/StepPicture.vue'

/** A model whose steps are laid for the first time: what it is made of can be read meanwhile, and it can be seen finished. */
const props = defineProps<{ draft: Snapshot }>()

const MOST = 12
const report = computed(() => props.draft.report)
const picture = computed((): PictureRef => ({ section: props.draft.model.root, step: 0, view: 0 }))
const sections = computed(() => report.value.sections.slice(0, MOST))
</script>

<template>
  <main class="first">
    <section class="picture" :aria-label="say('app.theFinishedModel')">
      <StepPicture :picture="picture" :label="say('common.finished', { name: draft.model.name })" finished />
    </section>
    <section class="words" :aria-label="say('app.whatItIsMadeOf')">
      <h1>{{ draft.model.name }}</h1>
      <p>
        {{ sayCount('count.parts', report.parts) }}, {{ sayCount('count.differentPieces', report.inventory.length) }},
        {{ sayCount('count.colours', report.colours.length) }}.
      </p>
      <slot />
      <h2>{{ sayCount('count.sections', report.sections.length) }}</h2>
      <ul>
        <li v-for="section in sections" :key="section.id">
          {{ section.name }} <span class="faint">{{ sayCount('count.parts', section.parts) }}</span>
        </li>
        <li v-if="report.sections.length > MOST" class="faint">{{ say('app.andMore', { sections: report.sections.length - MOST }) }}</li>
      </ul>
    </section>
  </main>
</template>

<style scoped>
.first {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(300px, 460px);
}
.picture {
  background: #fff;
  min-height: 0;
  overflow: hidden;
}
.picture :deep(.step-picture) {
  aspect-ratio: auto !important;
  height: 100%;
}
.words {
  padding: 24px 28px;
  border-left: 1px solid var(--rule);
  overflow-y: auto;
  overflow-wrap: anywhere;
}
.words :deep(.work) {
  flex-wrap: wrap;
  padding: 10px 0;
}
h2 {
  margin-top: 16px;
}
ul {
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
}
@media (max-width: 900px) {
  .first {
    grid-template: minmax(200px, 40vh) 1fr / 1fr;
  }
  .words {
    border-left: 0;
  }
}
</style>
