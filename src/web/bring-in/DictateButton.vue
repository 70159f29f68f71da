<script setup lang="ts">
import { useSpeechRecognition } from '@vueuse/core'
import { watch } from 'vue'
import ActionButton from '../controls/ActionButton.vue'

/** Takes down what is said, sentence by sentence, where the browser can listen; elsewhere there is nothing to see. */
const emit = defineEmits<{ said: [sentence: string] }>()
const { isSupported, isListening, isFinal, result, error, start, stop } = useSpeechRecognition({ lang: 'en-GB' })

watch([isFinal, result], () => {
  const sentence = result.value.trim()
  if (isFinal.value && sentence !== '') emit('said', sentence)
})
</script>

<template>
  <div v-if="isSupported" class="dictate">
    <ActionButton :aria-pressed="isListening" @click="isListening ? stop() : start()">{{
      isListening ? 'Stop listening' : 'Dictate'
    }}</ActionButton>
    <p class="faint" role="status">
      <template v-if="error">The browser cannot listen here. Type it instead.</template>
      <template v-else-if="isListening">Listening: {{ isFinal ? 'say the next sentence' : result }}</template>
      <template v-else>The browser listens; some send what they hear to their maker to be written down.</template>
    </p>
  </div>
</template>

<style scoped>
.dictate {
  display: flex;
  align-items: center;
  gap: 12px;
}
p {
  margin: 0;
}
</style>
