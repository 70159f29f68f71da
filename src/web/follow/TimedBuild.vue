<script setup lang="ts">
import { ref } from 'vue'
import { clockWords, type Counted } from '@core/proof-build'
import type { NewQuestion } from '../published/server-client'
import { useTimedBuild, type OpenPage } from './use-timed-build'

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
const { step, seconds, clock, count, say, pause, letter, end } = useTimedBuild(props.storageKey, () => props.page)

const COUNTED: readonly { readonly what: Counted; readonly label: string }[] = [
  { what: 'mistakes', label: 'A mistake' },
  { what: 'missing', label: 'A piece is missing' },
  { what: 'left', label: 'A piece is left over' },
]
const name = ref('')
const problem = ref('')
const isSending = ref(false)

async function send(): Promise<void> {
  const text = letter()
  if (text === undefined)
    return void (problem.value =
      'It is too long for one letter. Go back and shorten what you noted at the steps; the clock can pause meanwhile.')
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
  <section class="timed" aria-label="Building with a clock">
    <p role="timer" :class="{ faint: clock.isPaused.value }">
      <template v-if="step"
        ><b>{{ clockWords(step.seconds + clock.running.value) }}</b> this step, </template
      >{{ clockWords(seconds + clock.running.value) }} in all
    </p>
    <button class="plain-button framed" @click="pause">{{ clock.isPaused.value ? 'Go on' : 'Pause' }}</button>
    <template v-if="step">
      <button v-for="each in COUNTED" :key="each.what" class="plain-button framed" @click="count(each.what)">
        {{ step[each.what] > 0 ? `${each.label}: ${step[each.what]}` : each.label }}
      </button>
      <label
        >What the designer should know
        <input type="text" class="plain-field" maxlength="300" :value="step.note" @input="say(($event.target as HTMLInputElement).value)"
      /></label>
    </template>
    <p v-else-if="!isLast" class="faint">The clock goes from step to step. At the end all of it goes to the designer.</p>
    <form v-if="isLast" @submit.prevent="send">
      <label>Your name, if you like <input v-model="name" type="text" class="plain-field" maxlength="80" autocomplete="nickname" /></label>
      <button class="plain-button framed" type="submit" :disabled="isSending">
        {{ isSending ? 'Sending…' : 'Send it to the designer' }}
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
