<script setup lang="ts">
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { ideasOf, pathWords, tallyIdeas, type Bundle } from '@core/booklet'
import { plainFault } from '@core/fault'
import { withoutShortLog } from '@core/proof-build'

import { faultText, say, sayCount, screenWords } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import { download } from '../shared/download'
import { notify } from '../shared/notices'
import WordMark from '../shared/WordMark.vue'
import { usePublications } from '../stores/publications'
import { useSentBuilds } from './use-sent-builds'
import { countUnanswered, groupLetters, lettersOf, lettersTable, voicesOf } from './letters'
import { dateWords, kindWords, stateWords } from './published-words'
import {
  answerQuestion,
  fetchQuestions,
  fetchVersion,
  removeQuestion,
  setQuestionState,
  type Letter,
  type QuestionState,
} from './server-client'

/** What builders wrote about a booklet, step by step, and what is answered. */
const { id } = defineProps<{ id: string }>()

const publications = usePublications()
const publication = computed(() => publications.byId(id))
const questions = shallowRef<readonly Letter[]>([])
const isLoaded = ref(false)
const problem = ref('')
/** The newest version: names of its sections, and what its parts are. */
const newest = shallowRef<Bundle | null>(null)
const names = computed(() => new Map((newest.value?.plan.sections ?? []).map(({ id: of, name }) => [of, name])))
/** Which part a letter is about, in words; of an older version its path may lead nowhere. */
function partOf({ section, part }: Letter): string {
  const plan = newest.value?.plan.sections.find(({ id: of }) => of === section)
  if (!newest.value || !plan || part === undefined) return ''
  return pathWords({ model: newest.value.model, sections: newest.value.plan.sections }, plan, part, screenWords()).title
}
const nameOf = (section: string | undefined): string =>
  section === undefined ? say('published.aboutTheWhole') : (names.value.get(section) ?? section)
/** Answers that are being written. */
const drafts = reactive<Record<string, string>>({})

const letters = computed(() => lettersOf(questions.value))
const voices = computed(() => voicesOf(questions.value))
const ideas = computed(() => (newest.value ? ideasOf(newest.value.model) : []))
const wanted = computed(() => (voices.value.length > 0 ? tallyIdeas(ideas.value, voices.value) : undefined))

const groups = computed(() => groupLetters(letters.value))
const unanswered = computed(() => countUnanswered(questions.value))

async function look(): Promise<void> {
  problem.value = ''
  try {
    if (!publications.isLoaded) await publications.load()
    if (!publication.value) throw new Error(say('published.theKeyOfThisBooklet'))
    const { ownerToken: token, version } = publication.value
    questions.value = await fetchQuestions(id, { token })
    isLoaded.value = true
    await lookAtBuilds()
    if (voices.value.length > 0 || questions.value.some(({ section }) => section !== undefined))
      newest.value = await fetchVersion(id, version, { token })
  } catch (thrown) {
    problem.value = faultText(plainFault(thrown))
  }
}
watch(() => id, look, { immediate: true })

async function act(work: (token: string) => Promise<Letter | undefined>, of: Letter): Promise<void> {
  try {
    const next = await work(publication.value!.ownerToken)
    questions.value = questions.value.flatMap((each) => (each.questionId !== of.questionId ? [each] : next ? [next] : []))
  } catch (thrown) {
    notify(say('published.thatWasNotDone', { fault: faultText(plainFault(thrown)) }), { isError: true })
  }
}

const answer = (of: Letter): Promise<void> =>
  act(async (token) => {
    const text = drafts[of.questionId]?.trim() ?? ''
    const next = await answerQuestion(id, token, of.questionId, text)
    delete drafts[of.questionId]
    return next
  }, of)
const show = (of: Letter, state: QuestionState): Promise<void> => act((token) => setQuestionState(id, token, of.questionId, state), of)
const remove = (of: Letter): Promise<void> =>
  act(async (token) => {
    await removeQuestion(id, token, of.questionId)
    return undefined
  }, of)

const { look: lookAtBuilds, sentBuild, isTaken, take } = useSentBuilds(() => publication.value?.model ?? '')
const takeBuild = (of: Letter): Promise<void> =>
  take(of).then(
    () => notify(say('published.itStandsAmongTheProof')),
    (thrown: unknown) => notify(say('published.itWasNotTaken', { fault: faultText(plainFault(thrown)) }), { isError: true }),
  )

const save = (): void => download('letters.csv', lettersTable(questions.value), 'text/csv')

const STATES: readonly { state: QuestionState; label: string }[] = [
  { state: 'public', label: say('published.showToAll') },
  { state: 'solved', label: say('published.solved') },
  { state: 'hidden', label: say('common.hide') },
  { state: 'private', label: say('published.keepBetweenUs') },
]
</script>

<template>
  <div class="letters-screen">
    <header>
      <WordMark />
      <RouterLink :to="{ name: 'published' }">{{ say('common.published') }}</RouterLink>
      <RouterLink v-if="publication?.model" :to="{ name: 'booklet', params: { id: publication.model } }">{{
        say('published.itsBooklet')
      }}</RouterLink>
    </header>
    <main>
      <h1>{{ say('common.letters') }}</h1>
      <p v-if="publication" class="faint">
        {{ say('published.about', { name: publication.name, letters: sayCount('count.letters', letters.length) })
        }}<template v-if="unanswered > 0">{{ say('published.withoutAnAnswer', { unanswered }) }}</template
        >.
      </p>
      <p v-if="problem" role="alert">
        {{ problem }} <ActionButton @click="look">{{ say('common.tryAgain') }}</ActionButton>
      </p>
      <p v-else-if="!isLoaded" role="status">{{ say('published.fetchingLetters') }}</p>
      <div v-else-if="questions.length === 0" class="empty">
        <h2>{{ say('published.nobodyHasWrittenYet') }}</h2>
        <p>{{ say('published.buildersWriteFromAnyStep') }}</p>
      </div>
      <template v-else>
        <section v-if="wanted" aria-labelledby="wanted-heading" class="wanted">
          <h2 id="wanted-heading">{{ say('published.whatToMakeNext') }}</h2>
          <p>{{ wanted.words }}</p>
          <ul>
            <li v-for="line in wanted.lines" :key="line.idea">
              <b>{{ line.voices }}</b> {{ line.idea
              }}<span v-if="!ideas.includes(line.idea)" class="faint">{{ say('published.notInTheNewestVersion') }}</span>
            </li>
          </ul>
        </section>
        <ActionButton @click="save">{{ say('common.saveAsATable') }}</ActionButton>
        <section v-for="group in groups" :key="`${group.section}/${group.step}`" :aria-label="nameOf(group.section)">
          <h2>
            {{ nameOf(group.section) }}<template v-if="group.step">{{ say('published.step', { step: group.step }) }}</template
            ><span v-if="group.section !== undefined && group.stuck > 0" class="stuck">{{
              say('published.stuckHere', { builders: sayCount('count.builders', group.stuck) })
            }}</span>
          </h2>
          <RouterLink
            v-if="group.section !== undefined && publication?.model"
            :to="{ name: 'rail', params: { id: publication.model }, query: { section: group.section, step: String(group.step ?? 1) } }"
            >{{ say('published.openItOnTheRail') }}</RouterLink
          >
          <article v-for="each in group.letters" :key="each.questionId">
            <p class="faint">
              <b>{{ kindWords(each.kind) }}</b>{{ each.name ? `, ${each.name}` : '' }}, {{ dateWords(each.date)
              }}<template v-if="each.minutes !== undefined">, {{ sayCount('count.minutes', each.minutes) }}</template
              >. {{ stateWords(each.state) }}.
            </p>
            <p v-if="partOf(each)" class="part">{{ say('published.aboutThePart', { partOf: partOf(each) }) }}</p>
            <p class="text">{{ withoutShortLog(each.text) }}</p>
            <p v-if="sentBuild(each) && publication?.model">
              <RouterLink v-if="isTaken(each)" :to="{ name: 'proof', params: { id: publication.model } }">{{
                say('published.amongTheProofBuilds')
              }}</RouterLink>
              <ActionButton v-else @click="takeBuild(each)">{{ say('published.takeItAmongTheProof') }}</ActionButton>
            </p>
            <p v-if="each.link">
              <a :href="each.link" target="_blank" rel="noopener noreferrer nofollow">{{ each.link }}</a>
            </p>
            <p v-if="each.answer" class="answer">
              <b>{{ say('published.you') }}</b> {{ each.answer }}
            </p>
            <form @submit.prevent="answer(each)">
              <label
                >{{ each.answer ? say('published.anotherAnswer') : say('published.answer') }}
                <textarea v-model="drafts[each.questionId]" class="plain-field" rows="2" maxlength="20000" />
              </label>
              <ActionButton primary submit :disabled="!drafts[each.questionId]?.trim()">{{ say('published.answer') }}</ActionButton>
            </form>
            <div class="acts" role="group" :aria-label="say('published.whoSeesIt')">
              <button
                v-for="choice in STATES"
                :key="choice.state"
                class="plain-button framed"
                :aria-pressed="each.state === choice.state"
                @click="show(each, choice.state)"
              >
                {{ choice.label }}
              </button>
              <button class="plain-button" @click="remove(each)">{{ say('common.takeItAway') }}</button>
            </div>
          </article>
        </section>
      </template>
    </main>
  </div>
</template>

<style scoped>
.letters-screen {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}
header {
  display: flex;
  align-items: center;
  gap: 20px;
  padding: 10px 32px;
  border-bottom: 1px solid var(--rule);
}
a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
main {
  padding: 24px 32px 60px;
  max-width: 900px;
  margin: 0 auto;
}
section {
  border-top: 1px solid var(--rule);
  margin-top: 20px;
}
.wanted ul {
  list-style: none;
  padding: 0;
}
.wanted b {
  display: inline-block;
  min-width: 2.4em;
  text-align: right;
  margin-right: 6px;
}
h2 {
  margin: 14px 0 0;
}
.stuck {
  margin-left: 12px;
  font-weight: 400;
  font-size: 1rem;
}
article {
  padding: 12px 0 18px;
}
article p {
  margin: 0 0 6px;
  overflow-wrap: anywhere;
}
.text {
  white-space: pre-wrap;
}
.answer {
  border-left: 3px solid var(--accent);
  padding-left: 10px;
  white-space: pre-wrap;
}
form {
  display: flex;
  align-items: end;
  gap: 10px;
}
form label {
  flex: 1;
  display: grid;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 8px;
}
.acts [aria-pressed='true'] {
  font-weight: 700;
  border-color: var(--accent);
}
</style>
