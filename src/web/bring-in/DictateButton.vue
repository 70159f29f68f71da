<script setup lang="ts">
import { useSpeechRecognition } from '@vueuse/core'
import { watch } from 'vue'
import { say } from '../language'
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
      isListening ? say('bringIn.stopListening') : say('bringIn.dictate')
    }}</ActionButton>
    <p class="faint" role="status">
      <template v-if="error">{{ say('bringIn.theBrowserCannotListenHere') }}</template>
      <template v-else-if="isListening">{{
        say('bringIn.listening', { result: isFinal ? say('bringIn.sayTheNextSentence') : result })
      }}</template>
      <template v-else>{{ say('bringIn.theBrowserListensSomeSend') }}</template>
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
