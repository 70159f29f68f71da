<script setup lang="ts">
import { ref } from 'vue'
import { plainFault } from '@core/fault'

import { faultText, say, sayCount } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import WordMark from '../shared/WordMark.vue'
import { linkTo, usePublications } from '../stores/publications'
import { countUnanswered, lettersOf } from './letters'
import { accessWords, dateWords } from './published-words'
import { describeBooklet, fetchQuestions, type PublishedBooklet } from './server-client'

/** All that was published from this browser. */
interface Described {
  readonly booklet?: PublishedBooklet
  readonly letters?: number
  readonly unanswered?: number
  readonly problem?: string
}

const publications = usePublications()
const described = ref<Readonly<Record<string, Described>>>({})
const problem = ref('')

async function look(): Promise<void> {
  problem.value = ''
  try {
    await publications.load()
  } catch (thrown) {
    problem.value = faultText(plainFault(thrown))
  }
  await Promise.all(
    publications.all.map(async ({ id, ownerToken }) => {
      const found = await describeOne(id, ownerToken)
      described.value = { ...described.value, [id]: found }
    }),
  )
}

async function describeOne(id: string, token: string): Promise<Described> {
  try {
    const [booklet, questions] = await Promise.all([describeBooklet(id, token), fetchQuestions(id, { token })])
    return {
      booklet,
      letters: lettersOf(questions).length,
      unanswered: countUnanswered(questions),
    }
  } catch (thrown) {
    return { problem: faultText(plainFault(thrown)) }
  }
}
void look()
</script>

<template>
  <div class="published-screen">
    <header>
      <WordMark />
      <RouterLink :to="{ name: 'shelf' }">{{ say('common.shelf') }}</RouterLink>
    </header>
    <main>
      <h1>{{ say('common.published') }}</h1>
      <p class="faint">
        {{ say('published.theirKeysStandInThis') }}
      </p>
      <p v-if="problem" role="alert">{{ problem }}</p>
      <p v-if="!publications.isLoaded && !problem" role="status">{{ say('published.looking') }}</p>
      <div v-else-if="publications.all.length === 0" class="empty">
        <h2>{{ say('published.nothingIsPublishedYet') }}</h2>
        <p>{{ say('published.openAModelLookAt') }}</p>
        <RouterLink :to="{ name: 'shelf' }">{{ say('common.toTheShelf') }}</RouterLink>
      </div>
      <ul v-else>
        <li v-for="each in publications.all" :key="each.id">
          <div class="what">
            <h2>{{ each.name }}</h2>
            <a v-if="!each.isWithdrawn" :href="linkTo(each)" target="_blank" rel="noopener">{{ linkTo(each) }}</a>
          </div>
          <p class="state">
            {{ say('published.version2', { version: each.version, date: dateWords(new Date(each.publishedAt).toISOString()) }) }}
            <template v-if="described[each.id]?.booklet">{{ accessWords(described[each.id]!.booklet!) }}</template>
            <template v-else-if="described[each.id]?.problem">{{ described[each.id]!.problem }}</template>
            <template v-else>{{ say('published.askingTheServer') }}</template>
          </p>
          <p class="acts">
            <RouterLink :to="{ name: 'letters', params: { id: each.id } }"
              >{{
                described[each.id]?.letters === undefined ? say('common.letters') : sayCount('count.letters', described[each.id]!.letters!)
              }}<b v-if="described[each.id]?.unanswered">{{
                say('published.new', { unanswered: described[each.id]!.unanswered })
              }}</b></RouterLink
            >
            <RouterLink v-if="each.model" :to="{ name: 'booklet', params: { id: each.model } }">{{
              say('published.itsBooklet')
            }}</RouterLink>
          </p>
        </li>
      </ul>
      <ActionButton v-if="publications.all.length > 0" @click="look">{{ say('published.askTheServerAgain') }}</ActionButton>
    </main>
  </div>
</template>

<style scoped>
.published-screen {
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
header a,
.acts a,
.what a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
main {
  padding: 24px 32px 60px;
  max-width: 1100px;
  margin: 0 auto;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(220px, 1.4fr) 1.2fr auto;
  gap: 4px 24px;
  align-items: start;
  padding: 14px 0;
  border-top: 1px solid var(--rule);
}
h2 {
  margin: 0;
  overflow-wrap: anywhere;
}
.what a {
  overflow-wrap: anywhere;
  word-break: break-all;
}
.state,
.acts {
  margin: 0;
}
.acts {
  display: flex;
  flex-direction: column;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr;
  }
  main {
    padding: 16px;
  }
}
</style>
