<script setup lang="ts">
import { ref } from 'vue'
import { clockWords, type Counted } from '@core/proof-build'
import type { NewQuestion } from '../published/server-client'
import { useTimedBuild, type OpenPage } from './use-timed-build'
import { useWords } from '../shared/words-key'

/** The clock of a helper who builds the draft for its designer: what each step takes, what goes wrong, and how it is handed over. */
const props = defineProps<{
  page: OpenPage
  isLast: boolean
  /** Under what it is kept on this device. */
  storageKey: string
  said: string
  ask: (question: NewQuestion) => Promise<boolean>
}>()
const emit = defineEmits<{ end: [] }>()
const { say } = useWords()
const { step, seconds, clock, count, say: note, pause, letter, end } = useTimedBuild(props.storageKey, () => props.page)

const COUNTED: readonly Counted[] = ['mistakes', 'missing', 'left']
const name = ref('')
const problem = ref('')
const isSending = ref(false)

async function send(): Promise<void> {
  const text = letter()
  if (text === undefined) return void (problem.value = say('clock.tooLong'))
  isSending.value = true
  const minutes = Math.max(1, Math.round(seconds.value / 60))
  const isSent = await props.ask({ kind: 'built-it', text, minutes, ...(name.value.trim() === '' ? {} : { name: name.value.trim() }) })
  isSending.value = false
  problem.value = isSent ? '' : props.said
  if (!isSent) return
  end()
  emit('end')
}
</script>

<template>
  <section class="timed" :aria-label="say('clock.title')">
    <p role="timer" :class="{ faint: clock.isPaused.value }">
      <template v-if="step"
        ><b>{{ say('clock.step', { time: clockWords(step.seconds + clock.running.value) }) }}</b
        >{{ ' ' }}</template
      >{{ say('clock.all', { time: clockWords(seconds + clock.running.value) }) }}
    </p>
    <button class="plain-button framed" @click="pause">{{ say(clock.isPaused.value ? 'clock.goOn' : 'clock.pause') }}</button>
    <template v-if="step">
      <button v-for="what in COUNTED" :key="what" class="plain-button framed" @click="count(what)">
        {{ step[what] > 0 ? say('clock.counted', { label: say(`clock.${what}`), n: step[what] }) : say(`clock.${what}`) }}
      </button>
      <label
        >{{ say('clock.note') }}
        <input type="text" class="plain-field" maxlength="300" :value="step.note" @input="note(($event.target as HTMLInputElement).value)"
      /></label>
    </template>
    <p v-else-if="!isLast" class="faint">{{ say('clock.how') }}</p>
    <form v-if="isLast" @submit.prevent="send">
      <label>{{ say('ask.name') }} <input v-model="name" type="text" class="plain-field" maxlength="80" autocomplete="nickname" /></label>
      <button class="plain-button framed" type="submit" :disabled="isSending">
        {{ say(isSending ? 'ask.sending' : 'clock.send') }}
      </button>
    </form>
    <p v-if="problem" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.timed {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  max-width: 1320px;
  margin: 0 auto 12px;
  padding: 4px 0 4px 16px;
  border-left: 3px solid var(--accent);
}
p {
  margin: 0;
}
[role='timer'] b {
  font-size: 1.5rem;
  margin-right: 6px;
}
form,
label {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
</style>
