<script setup lang="ts">
import type { QuickLine } from '@core/names'

/** What of a quick line was read as something it does not name outright, and what must be asked. */
defineProps<{ read: Pick<QuickLine, 'told' | 'unclear'> }>()
</script>

<template>
  <p v-for="each in read.told" :key="`told ${each.text}`" class="faint">“{{ each.text }}” was read as {{ each.as }}.</p>
  <p v-for="each in read.unclear" :key="each.text">
    “{{ each.text }}” {{ each.why ? `was not taken. ${each.why}` : 'was not understood.' }}
    <template v-if="each.nearest.length > 0"> Near it stand {{ each.nearest.join(', ') }}.</template>
  </p>
</template>

<style scoped>
p {
  margin: 4px 0;
}
</style>
