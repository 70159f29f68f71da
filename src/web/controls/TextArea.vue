<script setup lang="ts">
import { NInput } from 'naive-ui'
import { useId } from 'vue'
import { useTypedText } from '../shared/typed-text'

/** A text that is handed over as it is typed, after a short pause. */
const props = withDefaults(
  defineProps<{
    label: string
    value: string
    commit: (text: string) => void
    placeholder?: string
    maxlength?: number
    /** What the text belongs to, where one field shows one after another. */
    subject?: string
  }>(),
  { placeholder: '', maxlength: 20_000, subject: '' },
)
const id = useId()
const typed = useTypedText(
  () => props.value,
  () => props.commit,
  'typed',
  () => props.subject,
)
const { text } = typed
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
      @update:value="typed.changed()"
      @blur="typed.commit()"
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
