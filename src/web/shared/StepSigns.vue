<script setup lang="ts">
import { NOTE_SIGNS, type StepSign } from '@core/booklet'
import PathSign from './PathSign.vue'

/** The notes of a step behind their signs; what can hurt is told before them. */
defineProps<{ signs: readonly StepSign[] }>()
</script>

<template>
  <template v-for="({ kind, text }, i) in signs" :key="i">
    <p v-if="kind !== 'caution'" class="sign">
      <PathSign :path="NOTE_SIGNS[kind]" />
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
</style>
