<script setup lang="ts">
/** A sign of our own, given as path data in a square of 24 units. */
defineProps<{ path: string }>()
</script>

<template>
  <svg viewBox="0 0 24 24" width="20" height="20" aria-hidden="true" class="path-sign"><path :d="path" /></svg>
</template>

<style>
.path-sign {
  flex: none;
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.8;
  stroke-linecap: round;
  stroke-linejoin: round;
  vertical-align: -4px;
}
</style>
