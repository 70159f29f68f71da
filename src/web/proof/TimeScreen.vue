<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import {
  basisWords,
  logOfProof,
  minutesBySection,
  minutesWords,
  proofOfLog,
  rangeWords,
  readLog,
  toldWords,
  type durationsOf,
} from '@core/durations'
import { plainFault } from '@core/fault'
import { fileText } from '@core/words'
import { faultText, say, sayCount, screenAdvice, screenWords } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import BarChart from '../parts/BarChart.vue'
import { fetchQuestions } from '../published/server-client'
import { notify } from '../shared/notices'
import { useLibrary } from '../storage/open-library'
import { useOpenModel } from '../stores/open-model'
import { DurationsClient } from '../workers/durations-client'
import BookletTabs from './BookletTabs.vue'
import { useProofs } from './use-proofs'

/** How long building takes, and how long writing the instructions still will. */
const open = useOpenModel()
const { finished, isLoaded, problem, keep, remove } = useProofs(open.id)
const fitter = new DurationsClient()
onUnmounted(() => fitter.close())
const found = shallowRef<ReturnType<typeof durationsOf> | null>(null)
const trouble = ref('')
const runs = computed(() => finished.value.map(({ run }) => logOfProof(run)))
watch(
  [(): unknown => open.snapshot, runs, isLoaded],
  async () => {
    const { snapshot } = open
    if (!snapshot || !isLoaded.value) return
    trouble.value = ''
    try {
      const answer = await fitter.fit(snapshot.printed, runs.value)
      if (open.snapshot === snapshot) found.value = answer
    } catch (thrown) {
      trouble.value = faultText(plainFault(thrown))
    }
  },
  { immediate: true },
)
const lanes = computed(
  () => new Map((open.snapshot?.layout.lanes ?? []).map(({ section, letter, name }) => [section, `${letter} ${name}`])),
)
const nameOf = (section: string): string => lanes.value.get(section) ?? section
const bySection = computed(() =>
  (found.value?.build.sections ?? []).map(({ section, minutes }) => ({ label: nameOf(section), value: minutes })),
)
/** Of the last building with a clock: minutes by section. */
const last = computed(() => {
  const proof = finished.value.at(-1)
  return proof ? [...minutesBySection(proof.run)].map(([section, value]) => ({ label: nameOf(section), value })) : []
})
/** What builders wrote that it took them; nothing without the server. */
const told = shallowRef<readonly number[]>([])
async function listen(): Promise<void> {
  const publications = (await (await useLibrary()).publications()).filter(({ model }) => model === open.id)
  const letters = await Promise.all(publications.map(({ id, ownerToken }) => fetchQuestions(id, { token: ownerToken }).catch(() => [])))
  told.value = letters.flat().flatMap(({ kind, minutes }) => (kind === 'built-it' && minutes !== undefined ? [minutes] : []))
}
void listen().catch(() => undefined)

const picker = ref<HTMLInputElement>()
/** A log of somebody else's building stands beside one's own from then on. */
async function bring(files: FileList | null): Promise<void> {
  const file = files?.[0]
  if (!file) return
  try {
    const read = readLog(fileText(new Uint8Array(await file.arrayBuffer())))
    const added = read.map((run) => ({ id: crypto.randomUUID(), model: open.id, run: proofOfLog(run), isFinished: true }))
    added.forEach(keep)
    notify(say('proof.withAClockBroughtIn', { buildings: sayCount('count.buildings', added.length) }), {
      act: { label: say('common.undo'), run: () => added.forEach(({ id }) => remove(id)) },
    })
  } catch (thrown) {
    notify(say('common.wasNotBroughtInAnd', { name: file.name, fault: faultText(plainFault(thrown)) }), { isError: true })
  }
  if (picker.value) picker.value.value = ''
}
</script>

<template>
  <main class="room">
    <BookletTabs />
    <h1>{{ say('common.time') }}</h1>
    <p v-if="problem || trouble" role="alert">{{ problem || trouble }}</p>
    <p v-if="!found && !trouble" role="status">{{ say('proof.reckoning') }}</p>
    <template v-if="found">
      <p v-if="found.build.minutes === 0" class="faint">{{ say('proof.thereAreNoStepsYet') }}</p>
      <template v-else>
        <p class="sum" role="status">{{ say('proof.buildingItTakes', { range: rangeWords(found.build, screenWords()) }) }}</p>
        <p class="faint">{{ basisWords(found.basis, screenAdvice()) }}</p>
        <p v-if="told.length > 0">{{ toldWords(told, screenAdvice()) }}</p>
        <p class="acts">
          <RouterLink :to="{ name: 'proof' }">{{ say('proof.buildItWithAClock') }}</RouterLink>
          <ActionButton @click="picker?.click()">{{ say('proof.bringInALog') }}</ActionButton>
        </p>
        <table class="ruled">
          <caption>
            {{
              say('proof.withSeveralBuildersAtThe')
            }}
          </caption>
          <tbody>
            <tr v-for="each in found.build.people" :key="each.people">
              <th scope="row">{{ sayCount('count.builders', each.people) }}</th>
              <td>{{ say('proof.about', { minutes: minutesWords(each.minutes, screenWords()) }) }}</td>
            </tr>
          </tbody>
        </table>
        <BarChart :title="say('proof.minutesBySectionAsEstimated')" unit="min" :bars="bySection" />
        <BarChart v-if="last.length > 0" :title="say('proof.minutesBySectionInThe')" unit="min" :bars="last" />
      </template>
      <h2>{{ say('proof.writingTheInstructions') }}</h2>
      <p>
        {{
          say('proof.whatIsLeftToDo', {
            range: rangeWords(found.write, screenWords()),
            findings: sayCount('count.findings', open.report?.findings.length ?? 0),
          })
        }}
      </p>
    </template>
    <input
      ref="picker"
      class="sr-only"
      type="file"
      accept=".json"
      tabindex="-1"
      :aria-label="say('proof.aLogOfBuilding')"
      @change="bring(($event.target as HTMLInputElement).files)"
    />
  </main>
</template>

<style scoped>
.sum {
  font-size: 1.2rem;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 18px;
}
table {
  margin: 12px 0;
}
caption {
  text-align: left;
  font-weight: 700;
}
th {
  text-align: left;
  font-weight: 400;
}
td,
th {
  padding: 6px 24px 6px 0;
}
h2 {
  margin-top: 26px;
}
</style>
