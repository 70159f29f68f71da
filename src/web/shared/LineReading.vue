<script setup lang="ts">
import type { QuickLine } from '@core/names'
import { say } from '../language'
import { screenAdvice } from '../language/screen-advice'

/** What of a quick line was read as something it does not name outright, and what must be asked. */
defineProps<{ read: Pick<QuickLine, 'told' | 'unclear'> }>()
</script>

<template>
  <p v-for="each in read.told" :key="`told ${each.text}`" class="faint">{{ say('shared.wasReadAs', { text: each.text, as: each.as }) }}</p>
  <p v-for="each in read.unclear" :key="each.text">
    “{{ each.text }}” {{ each.why ? say('shared.wasNotTaken', { why: screenAdvice().say(each.why) }) : say('shared.wasNotUnderstood') }}
    <template v-if="each.nearest.length > 0">{{ ` ${say('shared.nearItStand', { nearest: each.nearest.join(', ') })}` }}</template>
  </p>
</template>

<style scoped>
p {
  margin: 4px 0;
}
</style>
