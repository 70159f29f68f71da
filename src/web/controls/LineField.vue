<script setup lang="ts">
import { ref, useId, watch } from 'vue'

/** One line that is handed over when the person leaves the field; what is being typed stays, whatever is drawn anew around it. */
const props = withDefaults(defineProps<{ label: string; value: string | number; type?: 'text' | 'number'; maxlength?: number }>(), {
  type: 'text',
  maxlength: 200,
})
const emit = defineEmits<{ commit: [text: string] }>()
const id = useId()
const text = ref(String(props.value))

watch(
  () => props.value,
  (value) => {
    text.value = String(value)
  },
)

function commit(): void {
  const next = String(text.value).trim()
  if (next !== String(props.value)) emit('commit', next)
}
</script>

<template>
  <div class="line-field">
    <label :for="id">{{ label }}</label>
    <input :id="id" v-model="text" :type="type" step="any" :maxlength="maxlength" @change="commit" @keydown.stop />
  </div>
</template>

<style scoped>
.line-field {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
  padding: 2px 0;
}
input {
  font: inherit;
  color: inherit;
  min-height: 44px;
  width: 180px;
  border: 1px solid #6d7176;
  border-radius: 3px;
  padding: 0 8px;
  background: var(--sheet);
}
</style>
