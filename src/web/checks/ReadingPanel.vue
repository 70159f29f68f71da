<script setup lang="ts">
import { computed } from 'vue'
import { plural } from '@core/words'
import ActionButton from '../controls/ActionButton.vue'
import WorkBar from '../controls/WorkBar.vue'
import type { UsedJob } from '../shared/use-job'
import type { PictureReading } from '../../workers/plan-messages'

/** Looking at all pictures for parts that can be misread: it takes a while, so it is asked for. */
const { job, isOld } = defineProps<{ job: UsedJob<PictureReading>; isOld: boolean }>()

const said = computed(() => {
  const result = job.result.value
  if (!result) return 'A part is easy to misread when it would hold one stud off, or turned, and the picture would look the same.'
  const { findings, per100 } = result
  const found =
    findings.length === 0
      ? 'No part is easy to misread.'
      : `${plural(findings.length, 'part')} easy to misread, ${per100.toFixed(1)} of a hundred.`
  return isOld ? `${found} The model has changed since.` : found
})
</script>

<template>
  <section class="reading" aria-label="Reading the pictures">
    <p class="faint" aria-live="polite">{{ said }}</p>
    <WorkBar v-if="job.fraction.value !== null" label="Reading the pictures" :fraction="job.fraction.value" @stop="job.stop()" />
    <ActionButton v-else @click="job.run()">{{
      job.result.value ? 'Read the pictures again' : 'Read the pictures as a builder would'
    }}</ActionButton>
  </section>
</template>

<style scoped>
.reading {
  margin-top: 22px;
  padding-top: 12px;
  border-top: 1px solid var(--rule);
}
p {
  margin: 0 0 8px;
}
</style>
