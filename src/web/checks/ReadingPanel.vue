<script setup lang="ts">
import { computed } from 'vue'

import { say, sayCount, sayNumber } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import WorkBar from '../controls/WorkBar.vue'
import type { UsedJob } from '../shared/use-job'
import type { PictureReading } from '../../workers/plan-messages'

/** Looking at all pictures for parts that can be misread: it takes a while, so it is asked for. */
const { job, isOld } = defineProps<{ job: UsedJob<PictureReading>; isOld: boolean }>()

const said = computed(() => {
  const result = job.result.value
  if (!result) return say('checks.aPartIsEasyTo')
  const { findings, per100 } = result
  const found =
    findings.length === 0
      ? say('checks.noPartIsEasyTo')
      : say('checks.easyToMisreadOfA', { parts: sayCount('count.parts', findings.length), per100: sayNumber(per100, 1) })
  return isOld ? say('checks.theModelHasChangedSince', { found }) : found
})
</script>

<template>
  <section class="reading" :aria-label="say('checks.readingThePictures')">
    <p class="faint" aria-live="polite">{{ said }}</p>
    <WorkBar
      v-if="job.fraction.value !== null"
      :label="say('checks.readingThePictures')"
      :fraction="job.fraction.value"
      @stop="job.stop()"
    />
    <ActionButton v-else @click="job.run()">{{
      job.result.value ? say('checks.readThePicturesAgain') : say('checks.readThePicturesAsA')
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
