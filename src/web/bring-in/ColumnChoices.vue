<script setup lang="ts">
import { say } from '../language'
/** The columns of a table whose header is not understood: each can be named. */
defineProps<{ titles: readonly string[] }>()
const emit = defineEmits<{ name: [column: number, title: string] }>()
const MEANINGS = ['section', 'id', 'shape', 'colour', 'x (studs)', 'y (studs)', 'z (plates)', 'x', 'y', 'z', 'turn', 'count']
</script>

<template>
  <div class="columns" role="group" :aria-label="say('bringIn.whatTheColumnsAre')">
    <div v-for="(title, i) in titles" :key="i" class="column">
      <label :for="`column-${i}`">{{ title || say('bringIn.column', { i: i + 1 }) }}</label>
      <select :id="`column-${i}`" class="plain-field" :value="title" @change="emit('name', i, ($event.target as HTMLSelectElement).value)">
        <option :value="title">{{ say('bringIn.stays', { title }) }}</option>
        <option v-for="meaning in MEANINGS" :key="meaning" :value="meaning">{{ say('bringIn.is', { meaning }) }}</option>
      </select>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 20px;
}
.column {
  display: flex;
  flex-direction: column;
  gap: 4px;
  overflow-wrap: anywhere;
}
</style>
