<script setup lang="ts">
import type { FiguresPage } from '@core/booklet'
import StepPicture from '../shared/StepPicture.vue'
import TrayList from '../shared/TrayList.vue'
import { useWords } from '../shared/words-key'

/** The figures of a booklet, each with its pieces and what may stand in for them. */
defineProps<{ figures: FiguresPage['figures'] }>()
const emit = defineEmits<{ drawn: [] }>()
const { say } = useWords()
</script>

<template>
  <section v-for="figure in figures" :key="figure.name" :aria-label="figure.name">
    <h2>{{ figure.name }}</h2>
    <div v-if="figure.picture" class="figure">
      <StepPicture
        :picture="figure.picture"
        :label="say('follow.finished', { name: figure.name })"
        finished
        :width="400"
        :height="300"
        @drawn="emit('drawn')"
      />
    </div>
    <TrayList :pieces="figure.pieces" :label="say('follow.piecesOf', { name: figure.name })" />
    <p v-for="line in figure.instead" :key="line">{{ say('inventory.insteadLine', { line }) }}</p>
  </section>
</template>

<style scoped>
h2 {
  margin: 18px 0 6px;
}
.figure {
  max-width: 320px;
}
</style>
