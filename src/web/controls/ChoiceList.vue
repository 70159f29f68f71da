<script setup lang="ts">
import { useId } from 'vue'

/** A short list to choose from: the browser's own, since it has role, name and keyboard on every device. */
defineProps<{ label: string; options: readonly { value: string; label: string }[]; isLabelHidden?: boolean }>()
const value = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <div class="choice">
    <label :for="id" :class="{ 'sr-only': isLabelHidden }">{{ label }}</label>
    <select :id="id" v-model="value">
      <option v-for="option in options" :key="option.value" :value="option.value">{{ option.label }}</option>
    </select>
  </div>
</template>

<style scoped>
.choice {
  display: flex;
  align-items: center;
  gap: 10px;
}
select {
  font: inherit;
  color: inherit;
  min-height: 44px;
  padding: 0 10px;
  border: 1px solid #6d7176;
  border-radius: 3px;
  background: var(--sheet);
}
</style>
