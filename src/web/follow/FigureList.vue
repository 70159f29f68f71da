<script setup lang="ts">
import type { FiguresPage } from '@core/booklet'
import StepPicture from '../shared/StepPicture.vue'
import TrayList from '../shared/TrayList.vue'

/** The figures of a booklet, each with its pieces and what may stand in for them. */
defineProps<{ figures: FiguresPage['figures'] }>()
const emit = defineEmits<{ drawn: [] }>()
</script>

<template>
  <section v-for="figure in figures" :key="figure.name" :aria-label="figure.name">
    <h2>{{ figure.name }}</h2>
    <div v-if="figure.picture" class="figure">
      <StepPicture
        :picture="figure.picture"
        :label="`${figure.name}, finished`"
        finished
        :width="400"
        :height="300"
        @drawn="emit('drawn')"
      />
    </div>
    <TrayList :pieces="figure.pieces" :label="`Pieces of ${figure.name}`" />
    <p v-for="line in figure.instead" :key="line">Instead, if you like: {{ line }}</p>
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
