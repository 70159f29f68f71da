<script setup lang="ts">
import { computed, ref } from 'vue'
import type { NewQuestion, Letter, QuestionKind } from '../published/server-client'
import { useWords } from '../shared/words-key'

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
const { say } = useWords()

const kind = ref<QuestionKind>('question')
const text = ref('')
const name = ref('')
const minutes = ref('')
const link = ref('')
const isSending = ref(false)

const here = computed(() => questions.filter((each) => each.section === section && each.step === step))
const KINDS: readonly QuestionKind[] = ['question', 'mistake', 'missing-piece', 'built-it']
const isBuilt = computed(() => kind.value === 'built-it')

async function send(): Promise<void> {
  isSending.value = true
  const took = Number(minutes.value)
  const isSent = await ask({
    kind: kind.value,
    text: text.value.trim() === '' ? say(`ask.kind.${kind.value}`) : text.value,
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
  <section class="ask" :aria-label="say('ask.title')">
    <h2>{{ say('ask.title') }}</h2>
    <p class="faint">
      {{ say('ask.about', { what: isBuilt ? say('ask.whole') : part ? `${about}, ${part.title}` : about }) }}
      <template v-if="step !== undefined && !isBuilt">{{ say(part ? 'ask.touchOther' : 'ask.touch') }}</template>
    </p>
    <form @submit.prevent="send">
      <fieldset>
        <legend class="sr-only">{{ say('ask.what') }}</legend>
        <label v-for="value in KINDS" :key="value"
          ><input v-model="kind" type="radio" :value="value" /> {{ say(`ask.kind.${value}`) }}</label
        >
      </fieldset>
      <label
        >{{ say(isBuilt ? 'ask.say' : 'ask.matter') }}
        <textarea v-model="text" class="plain-field" rows="3" maxlength="3700" :required="!isBuilt" />
      </label>
      <template v-if="isBuilt">
        <label>{{ say('ask.minutes') }} <input v-model="minutes" class="plain-field" type="number" min="1" max="100000" /></label>
        <label>{{ say('ask.link') }} <input v-model="link" class="plain-field" type="url" maxlength="2000" placeholder="https://" /></label>
      </template>
      <label>{{ say('ask.name') }} <input v-model="name" class="plain-field" maxlength="80" autocomplete="nickname" /></label>
      <button class="plain-button framed" type="submit" :disabled="isSending">{{ say(isSending ? 'ask.sending' : 'ask.send') }}</button>
    </form>
    <p role="status">
      {{ said }}<template v-if="waiting > 0">{{ ` ${say('ask.waiting', { n: waiting })}` }}</template>
    </p>
    <template v-if="here.length > 0">
      <h3>{{ say('ask.asked') }}</h3>
      <article v-for="each in here" :key="each.questionId">
        <p>
          <b>{{ say(`ask.kind.${each.kind}`) }}</b>{{ each.name ? `, ${each.name}` : '' }}: {{ each.text }}
        </p>
        <p v-if="each.answer" class="answer">
          <b>{{ say('ask.designer') }}</b> {{ each.answer }}
        </p>
        <p v-else class="faint">{{ say('ask.noAnswer') }}</p>
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
