<script setup lang="ts">
import { computed, ref } from 'vue'
import type { NewQuestion, Letter, QuestionKind } from '../published/server-client'
import { KIND_WORDS } from '../published/published-words'

/** Writing to the designer about the page that is open, and what is answered there. */
const { about, section, step, part, questions, waiting, said, ask } = defineProps<{
  /** The page in words. */
  about: string
  section: string | undefined
  step: number | undefined
  /** A part that was touched in the picture, by its path and in words. */
  part: { readonly path: string; readonly title: string } | null
  questions: readonly Letter[]
  waiting: number
  said: string
  ask: (question: NewQuestion) => Promise<boolean>
}>()

const kind = ref<QuestionKind>('question')
const text = ref('')
const name = ref('')
const minutes = ref('')
const link = ref('')
const isSending = ref(false)

const here = computed(() => questions.filter((each) => each.section === section && each.step === step))
const KINDS = Object.entries(KIND_WORDS) as [QuestionKind, string][]
const isBuilt = computed(() => kind.value === 'built-it')

async function send(): Promise<void> {
  isSending.value = true
  const took = Number(minutes.value)
  const isSent = await ask({
    kind: kind.value,
    text: text.value.trim() === '' ? KIND_WORDS[kind.value] : text.value,
    ...(section === undefined || isBuilt.value ? {} : { section }),
    ...(step === undefined || isBuilt.value ? {} : { step }),
    ...(part === null || isBuilt.value ? {} : { part: part.path }),
    ...(name.value.trim() === '' ? {} : { name: name.value.trim() }),
    ...(isBuilt.value && took > 0 ? { minutes: took } : {}),
    ...(isBuilt.value && link.value.trim() !== '' ? { link: link.value.trim() } : {}),
  })
  isSending.value = false
  if (isSent) text.value = ''
}
</script>

<template>
  <section class="ask" aria-label="Ask the designer">
    <h2>Ask the designer</h2>
    <p class="faint">
      About {{ isBuilt ? 'the whole' : about
      }}<template v-if="part && !isBuilt"
        >, <b>{{ part.title }}</b></template
      >. Only the designer reads it, until it is shown to all.
      <template v-if="step !== undefined && !isBuilt">{{
        part ? 'Touch another part in the picture, or beside all of them.' : 'If it is about one part, touch it in the picture.'
      }}</template>
    </p>
    <form @submit.prevent="send">
      <fieldset>
        <legend class="sr-only">What it is</legend>
        <label v-for="[value, words] in KINDS" :key="value"><input v-model="kind" type="radio" :value="value" /> {{ words }}</label>
      </fieldset>
      <label
        >{{ isBuilt ? 'What you would like to say' : 'What is the matter?' }}
        <textarea v-model="text" class="plain-field" rows="3" maxlength="3700" :required="!isBuilt" />
      </label>
      <template v-if="isBuilt">
        <label>Minutes it took <input v-model="minutes" class="plain-field" type="number" min="1" max="100000" /></label>
        <label
          >A link to your pictures <input v-model="link" class="plain-field" type="url" maxlength="2000" placeholder="https://"
        /></label>
      </template>
      <label>Your name, if you like <input v-model="name" class="plain-field" maxlength="80" autocomplete="nickname" /></label>
      <button class="plain-button framed" type="submit" :disabled="isSending">{{ isSending ? 'Sending…' : 'Send' }}</button>
    </form>
    <p role="status">
      {{ said }}<template v-if="waiting > 0"> {{ waiting }} not sent yet.</template>
    </p>
    <template v-if="here.length > 0">
      <h3>Asked here</h3>
      <article v-for="each in here" :key="each.questionId">
        <p>
          <b>{{ KIND_WORDS[each.kind] }}</b>{{ each.name ? `, ${each.name}` : '' }}: {{ each.text }}
        </p>
        <p v-if="each.answer" class="answer"><b>The designer:</b> {{ each.answer }}</p>
        <p v-else class="faint">Not answered yet.</p>
      </article>
    </template>
  </section>
</template>

<style scoped>
.ask {
  max-width: 640px;
  margin: 0 auto 20px;
  border-left: 3px solid var(--accent);
  padding: 4px 0 4px 16px;
}
h2,
h3 {
  margin: 8px 0 4px;
}
p {
  margin: 4px 0;
  overflow-wrap: anywhere;
  white-space: pre-line;
}
form,
form > label {
  display: grid;
  gap: 4px;
}
form {
  gap: 10px;
  justify-items: start;
}
form > label {
  width: 100%;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}
fieldset label {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}
input[type='radio'] {
  width: 22px;
  height: 22px;
}
.answer {
  border-left: 3px solid var(--rule);
  padding-left: 10px;
}
</style>
