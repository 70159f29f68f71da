<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import { logOfProof, writeLog, type ProofReport } from '@core/durations'
import { clockWords, rowOfSteps, secondsOfRun } from '@core/proof-build'
import { plainFault } from '@core/fault'

import { faultText, say, sayCount, sayDate } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import { download, fileName } from '../shared/download'
import { notify } from '../shared/notices'
import type { StoredProof } from '../storage/database'
import { useOpenModel } from '../stores/open-model'
import { DurationsClient } from '../workers/durations-client'
import BookletTabs from './BookletTabs.vue'
import HelperLink from './HelperLink.vue'
import ProofReportList from './ProofReportList.vue'
import ProofWalk from './ProofWalk.vue'
import { useProofs } from './use-proofs'

/** The draft is built once from its own instructions, with a clock, before others have to. */
const open = useOpenModel()
const { all, isLoaded, problem, open: begun, finished, begin, keep, remove } = useProofs(open.id)
const row = computed(() => rowOfSteps(open.report?.sections ?? []))
/** The one that is being built on this screen. */
const walking = shallowRef<string | null>(null)
const proof = computed(() => all.value.find(({ id }) => id === walking.value))
const chosen = shallowRef<string | null>(null)
const shown = computed(() => finished.value.find(({ id }) => id === chosen.value) ?? finished.value.at(-1))
/** What it shows, worked out in a worker: all earlier proofs are fitted to. */
const reporter = new DurationsClient()
onUnmounted(() => reporter.close())
const report = shallowRef<ProofReport>()
const trouble = ref('')
watch(
  [(): unknown => open.snapshot, shown],
  async () => {
    const [{ snapshot }, of] = [open, shown.value]
    report.value = undefined
    if (!of || !snapshot) return
    const before = finished.value.filter(({ run }) => run.date < of.run.date).map(({ run }) => run)
    try {
      const found = await reporter.report(snapshot.printed, of.run, before)
      if (open.snapshot === snapshot && shown.value === of) report.value = found
      trouble.value = ''
    } catch (thrown) {
      trouble.value = faultText(plainFault(thrown))
    }
  },
  { immediate: true },
)
const dateWords = (iso: string): string => sayDate(iso, { dateStyle: 'medium', timeStyle: 'short' })

function end(done: StoredProof): void {
  keep({ ...done, isFinished: true })
  walking.value = null
  chosen.value = done.id
}
function takeAway(of: StoredProof): void {
  remove(of.id)
  notify(say('proof.theProofBuildIsTaken'), { act: { label: say('common.undo'), run: () => keep(of) } })
}
function save(): void {
  const text = writeLog(finished.value.map(({ run }) => logOfProof(run)))
  download(fileName(say('proof.log', { name: open.model?.name ?? 'model' }), '.json'), text, 'application/json')
}
</script>

<template>
  <main class="room">
    <BookletTabs />
    <h1>{{ say('common.proofBuild') }}</h1>
    <p v-if="problem || trouble" role="alert">{{ problem || trouble }}</p>
    <ProofWalk v-if="proof" :proof="proof" :row="row" @keep="keep" @end="end" @leave="walking = null" />
    <template v-else-if="isLoaded">
      <p class="about">
        {{ say('proof.buildYourModelOnceFrom') }}
      </p>
      <p v-if="row.length === 0" class="faint">{{ say('proof.thereAreNoStepsYet') }}</p>
      <p v-else class="acts">
        <ActionButton v-if="begun" primary @click="walking = begun!.id">{{
          say('proof.goOnAfter', { steps: sayCount('count.steps', begun.run.steps.length) })
        }}</ActionButton>
        <ActionButton :primary="!begun" @click="walking = begin().id">{{
          begun ? say('proof.beginAnother') : say('proof.begin', { steps: sayCount('count.steps', row.length) })
        }}</ActionButton>
        <ActionButton v-if="begun" :describe="say('proof.takeAwayWhatWasBegun')" @click="takeAway(begun)">{{
          say('common.takeItAway')
        }}</ActionButton>
        <ActionButton v-if="finished.length > 0" @click="save">{{ say('proof.saveTheLog') }}</ActionButton>
      </p>
      <section v-if="finished.length > 0" :aria-label="say('proof.proofBuildsSoFar')">
        <h2>{{ say('proof.soFar') }}</h2>
        <ul>
          <li v-for="each in finished" :key="each.id">
            <span>{{
              say('proof.in2', {
                date: dateWords(each.run.date),
                steps: sayCount('count.steps', each.run.steps.length),
                time: clockWords(secondsOfRun(each.run)),
              })
            }}</span>
            <span v-if="each.id === shown?.id" class="faint">{{ say('proof.shownBelow') }}</span>
            <ActionButton
              v-else
              :describe="say('proof.showTheProofBuildOf', { date: dateWords(each.run.date) })"
              @click="chosen = each.id"
              >{{ say('common.show') }}</ActionButton
            >
            <ActionButton :describe="say('proof.takeAwayTheProofBuild', { date: dateWords(each.run.date) })" @click="takeAway(each)">{{
              say('common.takeAway')
            }}</ActionButton>
          </li>
        </ul>
      </section>
      <HelperLink v-if="row.length > 0" />
      <ProofReportList v-if="report" :report="report" />
    </template>
  </main>
</template>

<style scoped>
.about {
  max-width: 70ch;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 18px;
  border-bottom: 1px solid var(--rule);
  padding: 4px 0;
  max-width: 760px;
}
li > span:first-child {
  flex: 1;
}
h2 {
  margin-top: 22px;
}
</style>
