<script setup lang="ts">
import { NInput } from 'naive-ui'
import { ref, useId, watch } from 'vue'

/** A text that is handed over when the person leaves the field, so that one visit is one edit. */
const props = withDefaults(defineProps<{ label: string; value: string; placeholder?: string; maxlength?: number }>(), {
  placeholder: '',
  maxlength: 20_000,
})
const emit = defineEmits<{ commit: [text: string] }>()
const id = useId()
const text = ref(props.value)

watch(
  () => props.value,
  (value) => {
    text.value = value
  },
)

function commit(): void {
  if (text.value !== props.value) emit('commit', text.value)
}
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <NInput
      v-model:value="text"
      type="textarea"
      :autosize="{ minRows: 1, maxRows: 6 }"
      :placeholder="placeholder"
      :maxlength="maxlength"
      :input-props="{ id }"
      @blur="commit"
      @keydown.stop
    />
  </div>
</template>

<style scoped>
.field {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
label {
  font-size: 0.92rem;
  color: var(--faint);
}
</style>
