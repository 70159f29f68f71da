<script setup lang="ts">
import type { Look } from './use-look'

/** How the booklet is shown on this device. */
defineProps<{ look: Look }>()
const emit = defineEmits<{ choose: [change: Partial<Look>] }>()
const CHOICES = [
  { key: 'isLarge', label: 'Large letters and buttons' },
  { key: 'isDark', label: 'Dark' },
  { key: 'isLeftHand', label: 'For the left hand' },
] as const
</script>

<template>
  <fieldset class="look">
    <legend>How it is shown</legend>
    <label v-for="{ key, label } in CHOICES" :key="key"
      ><input type="checkbox" :checked="look[key]" @change="emit('choose', { [key]: ($event.target as HTMLInputElement).checked })" />
      {{ label }}</label
    >
  </fieldset>
</template>

<style scoped src="./choices.css"></style>

<style scoped>
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 0 24px;
}
</style>
