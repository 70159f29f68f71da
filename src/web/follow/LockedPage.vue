<script setup lang="ts">
import { ref } from 'vue'
import type { Bundle } from '@core/booklet'
import { plainFault } from '@core/fault'
import type { Words } from '@core/language'
import { fetchVersion } from '../published/server-client'
import { faultWords } from './fault-words'
import { forgetKey, keepKey, keyHere } from './published-here'

/** A booklet that is read with its password: nothing of it is on the page yet. */
const { id, version, keyGiven, words } = defineProps<{
  id: string
  version: number
  terms: string | undefined
  words: Words
  /** The password that came with the link. */
  keyGiven: string | undefined
}>()
const emit = defineEmits<{ unlocked: [bundle: Bundle, password: string] }>()

const { say } = words
const password = ref(keyGiven ?? keyHere(id) ?? '')
const problem = ref('')
const isAsking = ref(false)

async function unlock(): Promise<void> {
  isAsking.value = true
  problem.value = ''
  try {
    const bundle = await fetchVersion(id, version, { password: password.value })
    if (keyGiven !== undefined) keepKey(id, keyGiven)
    emit('unlocked', bundle, password.value)
  } catch (thrown) {
    const isOld = keyGiven === undefined && password.value === keyHere(id) && plainFault(thrown).code === 'password-needed'
    // A key that was good once and is no more is not what somebody typed: it is forgotten without a word.
    if (isOld) forgetKey(id)
    problem.value = isOld ? '' : faultWords(thrown, words)
    if (isOld) password.value = ''
  } finally {
    isAsking.value = false
  }
}
if (password.value !== '') void unlock()
</script>

<template>
  <main class="locked">
    <h1>{{ say('locked.title') }}</h1>
    <form @submit.prevent="unlock">
      <label
        >{{ say('locked.password') }}
        <input v-model="password" class="plain-field" type="password" autocomplete="current-password" required maxlength="1000"
      /></label>
      <button class="plain-button framed" type="submit" :disabled="isAsking">{{ say(isAsking ? 'locked.asking' : 'locked.open') }}</button>
    </form>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-if="terms" class="terms">{{ terms }}</p>
    <p class="faint">{{ say('locked.who') }}</p>
  </main>
</template>

<style scoped>
.terms {
  white-space: pre-line;
  overflow-wrap: anywhere;
}
.locked {
  max-width: 32em;
  margin: 16vh auto 0;
  padding: 0 20px;
}
form {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 12px;
}
label {
  display: grid;
  gap: 2px;
  flex: 1 1 220px;
}
</style>
