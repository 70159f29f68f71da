<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { plainFault } from '@core/fault'

import { faultText, say, sayCount, sayDate } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import BarChart from '../parts/BarChart.vue'
import { fetchQuestions } from '../published/server-client'
import { download, fileName } from '../shared/download'
import { useLibrary } from '../storage/open-library'
import { useOpenModel } from '../stores/open-model'
import BookletTabs from './BookletTabs.vue'
import { entryWords, entriesByDay, logEntries, logTable, type LogEntry } from './logbook'

/** What was done on a model, and what came to it. */
const open = useOpenModel()
const entries = shallowRef<readonly LogEntry[]>([])
const isLoaded = ref(false)
const problem = ref('')
const MOST = 100
const MOST_DAYS = 14
const most = ref(MOST)

async function load(): Promise<void> {
  const { id } = open
  if (id === '') return
  try {
    const library = await useLibrary()
    const [changes, proofs, all] = await Promise.all([library.changesMade(id), library.proofs(id), library.publications()])
    const publications = all.filter(({ model }) => model === id)
    // Without the server the rest is shown all the same.
    const letters = await Promise.all(publications.map((each) => fetchQuestions(each.id, { token: each.ownerToken }).catch(() => [])))
    entries.value = logEntries({ changes, proofs, publications, letters: letters.flat() })
    problem.value = ''
  } catch (thrown) {
    problem.value = say('proof.theLogbookCouldNotBe', { fault: faultText(plainFault(thrown)) })
  }
  isLoaded.value = true
}
watch([() => open.id, () => open.undoLabel], load, { immediate: true })
const whenWords = (at: number | undefined): string =>
  at === undefined ? say('proof.earlier') : sayDate(at, { dateStyle: 'medium', timeStyle: 'short' })
const byDay = computed(() => entriesByDay(entries.value, (at) => sayDate(at, { dateStyle: 'medium' }), MOST_DAYS))
const save = (): void =>
  download(fileName(say('proof.logbook', { name: open.model?.name ?? 'model' }), '.csv'), logTable(entries.value), 'text/csv')
</script>

<template>
  <main class="room">
    <BookletTabs />
    <h1>{{ say('common.logbook') }}</h1>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-if="isLoaded && entries.length === 0" class="faint">
      {{ say('proof.nothingWasDoneOnThis') }}
    </p>
    <template v-if="entries.length > 0">
      <p>
        <ActionButton @click="save">{{ say('common.saveAsATable') }}</ActionButton>
      </p>
      <BarChart v-if="byDay.length > 1" :title="say('proof.whatWasDoneByDay')" unit="" :bars="byDay" />
      <table class="ruled">
        <caption class="sr-only">
          {{
            say('proof.whatWasDone')
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col">{{ say('proof.when') }}</th>
            <th scope="col">{{ say('common.what') }}</th>
            <th scope="col">
              <span class="sr-only">{{ say('proof.inWords') }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(entry, i) in entries.slice(0, most)" :key="i">
            <td class="when">{{ whenWords(entry.at) }}</td>
            <td>{{ entryWords(entry.kind) }}</td>
            <td class="what">{{ entry.what }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="entries.length > most">
        {{ sayCount('count.moreEntries', entries.length - most) }}.
        <ActionButton @click="most += MOST">{{ say('common.showMore') }}</ActionButton>
      </p>
    </template>
  </main>
</template>

<style scoped>
th {
  text-align: left;
}
td,
th {
  padding: 6px 24px 6px 0;
}
.when {
  white-space: nowrap;
}
.what {
  overflow-wrap: anywhere;
}
</style>
