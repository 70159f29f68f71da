<script setup lang="ts">
import { ref } from 'vue'
import { useWords } from '../shared/words-key'

/** What the designer should make next: one voice a device, which may be given to another idea later. */
const { ideas, chosen, choose } = defineProps<{
  ideas: readonly string[]
  /** What was chosen here before. */
  chosen: string
  /** @returns why it was not sent; empty where it was */
  choose: (idea: string) => Promise<string>
}>()
const { say } = useWords()

const picked = ref(chosen)
const said = ref(chosen === '' ? '' : say('idea.chosen'))
const isSending = ref(false)

async function send(): Promise<void> {
  isSending.value = true
  const problem = await choose(picked.value)
  said.value = problem === '' ? say('idea.sent') : say('ask.notSent', { why: problem })
  isSending.value = false
}
</script>

<template>
  <form @submit.prevent="send">
    <fieldset>
      <legend>{{ say('idea.title') }}</legend>
      <label v-for="idea in ideas" :key="idea"><input v-model="picked" type="radio" name="idea" :value="idea" /> {{ idea }}</label>
      <button class="plain-button framed" type="submit" :disabled="isSending || picked === ''">{{ say('idea.tell') }}</button>
      <p role="status">{{ said }}</p>
    </fieldset>
  </form>
</template>

<style scoped src="./choices.css"></style>
<style scoped>
form {
  margin-top: 18px;
}
p {
  margin: 6px 0 0;
}
</style>
