<script setup lang="ts">
import { useId } from 'vue'
import { useTypedText } from '../shared/typed-text'

/**
 * One line that is handed over as it is typed, after a short pause; a number only when the field is left, since half of one is
 * another number. What is being typed stays, whatever is drawn anew around it.
 */
const props = withDefaults(
  defineProps<{ label: string; value: string | number; commit: (text: string) => void; type?: 'text' | 'number'; maxlength?: number }>(),
  { type: 'text', maxlength: 200 },
)
const id = useId()
const typed = useTypedText(
  () => String(props.value),
  () => {
    const { commit, value } = props
    return (text) => {
      if (text.trim() !== String(value)) commit(text.trim())
    }
  },
  props.type === 'text' ? 'typed' : 'left',
)
const { text } = typed
</script>

<template>
  <div class="line-field">
    <label :for="id">{{ label }}</label>
    <input
      :id="id"
      v-model="text"
      :type="type"
      step="any"
      :maxlength="maxlength"
      @input="typed.changed()"
      @change="typed.commit()"
      @keydown.stop
    />
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
