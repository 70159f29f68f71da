<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { StepPage } from '@core/booklet'
import type { ModelDocument } from '@core/model'
import { findingTitle, findingWords, stillMisread, waysOut, type Level, type WayOut, type Finding, type Severity } from '@core/checks'
import { type ScreenKey, say, sayCount, sayWithin, screenAdvice } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import { notify } from '../shared/notices'
import PlacesPanel from './PlacesPanel.vue'
import ReadingPanel from './ReadingPanel.vue'
import StepPicture from '../shared/StepPicture.vue'
import { useJob } from '../shared/use-job'
import { useOpenModel } from '../stores/open-model'
import type { PictureReading } from '../../workers/plan-messages'

const open = useOpenModel()
const router = useRouter()

const GROUPS: readonly { severity: Severity; sign: string; one: ScreenKey; title: string; hint: string }[] = [
  { severity: 'error', sign: '▲', one: 'count.errors', title: say('common.errors'), hint: say('checks.aBuilderWouldGetStuck') },
  { severity: 'warning', sign: '●', one: 'count.warnings', title: say('checks.warnings'), hint: say('checks.itCanBeBuiltBut') },
  { severity: 'note', sign: '○', one: 'count.notes', title: say('common.notes'), hint: say('checks.goodToKnow') },
]
/** What a finding is called above the list; one of an earlier version by its code. */
const titleOf = (code: string): string => findingTitle(code, screenAdvice())

const section = ref('all')
const code = ref('all')
const chosen = ref(0)

const lanes = computed(() => new Map(open.snapshot!.layout.lanes.map((lane) => [lane.section, lane])))
const reading = useJob((progress) => {
  read.value = open.model ?? undefined
  const job = open.read(progress)
  return { ...job, result: job.result.then(show) }
}, say('checks.thePicturesWereNotRead'))
/** What tells where parts go is shown from now on, as long as nothing has changed in between. */
async function show(result: PictureReading): Promise<PictureReading> {
  if (read.value !== open.model) return result
  const answer = await open.showInsets(result.insets)
  if (answer.kind === 'done' && result.insets.length > 0)
    notify(sayCount('count.smallPictures', result.insets.length), { act: { label: say('common.undo'), run: () => void open.undo() } })
  return result
}
/** The model as it was when its pictures were read. */
const read = shallowRef<ModelDocument>()
const misread = computed(() => (open.model ? stillMisread(open.model, reading.result.value?.findings ?? []) : []))
const findings = computed(() => [...open.report!.findings, ...misread.value])
const LEVELS: Readonly<Record<Level, string>> = { home: say('checks.onAShelf'), travel: say('checks.onAJourney') }
const levelOptions = Object.entries(LEVELS).map(([value, label]) => ({ value, label }))
const level = computed({
  get: (): string => open.settings.level,
  set: (value) => void open.useSettings({ ...open.settings, level: value as Level }),
})
const sectionOptions = computed(() => [
  { value: 'all', label: say('checks.allSections') },
  ...[...new Set(findings.value.map((found) => found.section))].map((id) => ({ value: id, label: sectionName(id) })),
])
const codeOptions = computed(() => [
  { value: 'all', label: say('checks.everything') },
  ...[...new Set(findings.value.map((found) => found.code))].map((value) => ({ value, label: titleOf(value) })),
])
const shown = computed(() =>
  findings.value.filter(
    (found) => (section.value === 'all' || found.section === section.value) && (code.value === 'all' || found.code === code.value),
  ),
)

type Group = (typeof GROUPS)[number]
/** A heading, or a finding with its place among those shown. */
type Row = { readonly group: Group; readonly count: number } | { readonly found: Finding; readonly at: number }
const rows = computed<Row[]>(() =>
  GROUPS.flatMap((group): Row[] => {
    const list = shown.value.flatMap((found, at) => (found.severity === group.severity ? [{ found, at }] : []))
    return list.length > 0 ? [{ group, count: list.length }, ...list] : []
  }),
)
const list = ref<HTMLElement>()
const virtual = useVirtualizer(
  computed(() => ({
    count: rows.value.length,
    getScrollElement: () => list.value ?? null,
    estimateSize: (i: number) => ('group' in rows.value[i]! ? 56 : 54),
    overscan: 12,
  })),
)
const inSight = computed(() =>
  virtual.value.getVirtualItems().flatMap(({ index, start }) => {
    const row = rows.value[index]
    return row ? [{ index, start, row }] : []
  }),
)
const finding = computed<Finding | undefined>(() => shown.value[Math.min(chosen.value, shown.value.length - 1)])
watch([section, code], () => (chosen.value = 0))
// A filter whose findings are all solved must not leave an empty list behind.
watch(findings, () => {
  if (!sectionOptions.value.some((option) => option.value === section.value)) section.value = 'all'
  if (!codeOptions.value.some((option) => option.value === code.value)) code.value = 'all'
})

function sectionName(id: string): string {
  const lane = lanes.value.get(id)
  return lane ? `${lane.letter} ${lane.name}` : id
}
function placeOf(found: Finding): string {
  const tie = found.step === null ? undefined : lanes.value.get(found.section)?.ties[found.step - 1]
  return tie ? say('common.step', { label: tie.label }) : sectionName(found.section)
}

const page = computed<StepPage | undefined>(() => {
  const found = finding.value
  if (!found) return undefined
  const steps = lanes.value.get(found.section)?.ties.length ?? 0
  return open.snapshot!.pages.stepPage(found.section, (found.step ?? steps) - 1)
})
const ways = computed(() => (finding.value && open.model ? waysOut(open.model, finding.value, open.report!.sections, screenAdvice()) : []))

async function take(way: WayOut): Promise<void> {
  const label = sayWithin(screenAdvice().say(way.label))
  if (await open.edit(label, way.change))
    notify(say('common.doneWhat', { what: label }), { act: { label: say('common.undo'), run: () => void open.undo() } })
}
function toRail(): void {
  const found = finding.value
  if (found) void router.push({ name: 'rail', query: { section: found.section, step: String(found.step ?? 1) } })
}
function onKey(event: KeyboardEvent): void {
  const way = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
  if (way === 0) return
  event.preventDefault()
  chosen.value = Math.max(0, Math.min(shown.value.length - 1, chosen.value + way))
  virtual.value.scrollToIndex(rows.value.findIndex((row) => 'at' in row && row.at === chosen.value))
  void nextTick(() => list.value?.querySelector<HTMLElement>('[aria-current]')?.focus({ preventScroll: true }))
}
</script>

<template>
  <main class="checks-screen">
    <section ref="list" class="list">
      <h1>{{ say('common.checks') }}</h1>
      <div v-if="findings.length > 0" class="filters">
        <ChoiceList v-model="section" :label="say('common.where')" :options="sectionOptions" />
        <ChoiceList v-model="code" :label="say('common.what')" :options="codeOptions" />
      </div>
      <p v-if="findings.length === 0" class="clear">
        {{ say('checks.nothingFoundEveryPartHas') }}
      </p>
      <div
        role="group"
        :aria-label="say('checks.findingsArrowKeysWalk')"
        class="rows"
        :style="{ height: `${virtual.getTotalSize()}px` }"
        @keydown="onKey"
      >
        <div v-for="{ index, start, row } in inSight" :key="index" class="row" :style="{ transform: `translateY(${start}px)` }">
          <h2 v-if="'group' in row" :class="row.group.severity">
            <span aria-hidden="true">{{ row.group.sign }}</span> {{ sayCount(row.group.one, row.count) }}
            <span class="hint">{{ row.group.hint }}</span>
          </h2>
          <button
            v-else
            class="entry"
            :class="{ here: row.found === finding }"
            :aria-current="row.found === finding ? 'true' : undefined"
            @click="chosen = row.at"
          >
            <b>{{ titleOf(row.found.code) }}</b>
            <span class="faint">{{ placeOf(row.found) }}, {{ sayCount('count.parts', row.found.parts.length) }}</span>
          </button>
        </div>
      </div>
      <div class="level"><ChoiceList v-model="level" :label="say('checks.jointsMustHold')" :options="levelOptions" /></div>
      <ReadingPanel :job="reading" :is-old="read !== open.model" />
      <PlacesPanel v-if="open.model" :key="open.id" :model="open.model" :edit="open.edit" />
    </section>
    <section v-if="finding" class="one" :aria-label="say('checks.finding')" aria-live="polite">
      <div class="picture">
        <StepPicture v-if="page" :picture="page.picture" :label="`${placeOf(finding)}. ${page.spoken}`" />
      </div>
      <div class="words">
        <h2>
          <span class="place">{{ placeOf(finding) }}</span> {{ titleOf(finding.code) }}
        </h2>
        <p>{{ findingWords(finding, screenAdvice()) }}</p>
        <div class="acts">
          <ActionButton v-for="way in ways" :key="way.label.key" primary @click="take(way)">{{
            screenAdvice().say(way.label)
          }}</ActionButton>
          <ActionButton @click="toRail">{{ say('checks.showItOnTheRail') }}</ActionButton>
        </div>
      </div>
    </section>
  </main>
</template>

<style scoped>
.checks-screen {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(320px, 430px) minmax(0, 1fr);
}
.list {
  overflow-y: auto;
  padding: 18px 20px;
  border-right: 1px solid var(--rule);
}
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  margin: 12px 0 4px;
}
.filters :deep(select) {
  max-width: 180px;
}
.level {
  margin-top: 26px;
  padding-top: 12px;
  border-top: 1px solid var(--rule);
}
.clear {
  font-size: 1.1rem;
  max-width: 26em;
}
h2 {
  margin: 18px 0 6px;
  font-size: 1.05rem;
}
h2.error {
  color: var(--error);
}
h2.warning {
  color: var(--warn);
}
.hint {
  color: var(--faint);
  font-weight: 400;
  font-size: 0.92rem;
}
.rows {
  position: relative;
}
.row {
  position: absolute;
  left: 0;
  right: 0;
  top: 0;
}
.entry {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-top: 1px solid var(--rule);
  border-left: 4px solid transparent;
  width: 100%;
  height: 54px;
  padding: 5px 10px;
  white-space: nowrap;
  overflow: hidden;
  text-align: left;
  cursor: pointer;
  display: flex;
  flex-direction: column;
}
.entry.here {
  border-left-color: var(--accent);
  background: var(--sheet);
}
.entry:hover {
  background: var(--accent-wash);
}
.one {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
  background: #fff;
}
.picture {
  min-height: 0;
  overflow: hidden;
}
.picture :deep(.step-picture) {
  aspect-ratio: auto !important;
  height: 100%;
}
.words {
  padding: 12px 28px 20px;
  border-top: 1px solid var(--rule);
  background: var(--paper);
}
.words h2 {
  font-size: 1.3rem;
  margin: 0;
}
.words .place {
  border-left: 5px solid var(--accent);
  padding-left: 10px;
  margin-right: 10px;
}
.words p {
  max-width: 62ch;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
@media (max-width: 900px) {
  .checks-screen {
    grid-template-columns: 1fr;
    overflow-y: auto;
  }
  .list {
    border-right: 0;
    overflow: visible;
  }
  .picture {
    height: 44vh;
  }
}
</style>
