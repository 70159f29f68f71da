<script setup lang="ts">
import { NOTE_SIGNS, type StepSign } from '@core/booklet'

/** The notes of a step behind their signs; what can hurt is told before them. */
defineProps<{ signs: readonly StepSign[] }>()
</script>

<template>
  <template v-for="({ kind, text }, i) in signs" :key="i">
    <p v-if="kind !== 'caution'" class="sign">
      <svg viewBox="0 0 24 24" width="20" height="20" aria-hidden="true"><path :d="NOTE_SIGNS[kind]" /></svg>
      <b>{{ text }}</b>
    </p>
  </template>
</template>

<style scoped>
.sign {
  display: flex;
  gap: 8px;
  align-items: flex-start;
}
b {
  min-width: 0;
  overflow-wrap: anywhere;
  white-space: pre-line;
}
svg {
  flex: none;
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.8;
  stroke-linecap: round;
  stroke-linejoin: round;
}
</style>
