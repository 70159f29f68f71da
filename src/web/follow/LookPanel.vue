<script setup lang="ts">
import type { Look } from './use-look'
import { useWords } from '../shared/words-key'

/** How the booklet is shown on this device. */
defineProps<{ look: Look }>()
const emit = defineEmits<{ choose: [change: Partial<Look>] }>()
const { say } = useWords()
const CHOICES = [
  { key: 'isLarge', label: 'look.large' },
  { key: 'isDark', label: 'look.dark' },
  { key: 'isLeftHand', label: 'look.leftHand' },
] as const
</script>

<template>
  <fieldset class="look">
    <legend>{{ say('look.title') }}</legend>
    <label v-for="{ key, label } in CHOICES" :key="key"
      ><input type="checkbox" :checked="look[key]" @change="emit('choose', { [key]: ($event.target as HTMLInputElement).checked })" />
      {{ say(label) }}</label
    >
    <slot />
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
