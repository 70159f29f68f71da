<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { layRail, makePages, walkRail, type PictureRef, type StepPage, type Walk } from '@core/booklet'
import { pieceKey, type PieceCount } from '@core/count'
import { sectionById, type ModelDocument, type Part } from '@core/model'
import {
  mergeWithNext,
  moveStep,
  moveToNeighbour,
  planAround,
  setLocked,
  setStepText,
  splitStep,
  type Finding,
  type SectionPlan,
  type StepText,
} from '@core/plan'
import { notify } from '../shared/notices'
import { download, fileName } from '../shared/download'
import StepPicture from '../shared/StepPicture.vue'
import { useOpenModel } from '../stores/open-model'
import FindingList from './FindingList.vue'
import LayingPanel from './LayingPanel.vue'
import RailMap from './RailMap.vue'
import StepProof from './StepProof.vue'
import StepTray from './StepTray.vue'

const open = useOpenModel()

/** As lines where the picture has few enough faces, else as dots. */
async function savePicture(): Promise<void> {
  const ref = picture.value
  if (!ref || !open.source || !page.value) return
  const file = await open.source.painter.file(ref, 1600, 1200)
  download(fileName(`${open.model?.name ?? ''} ${page.value.label}`, file.extension), file.content, file.type)
}

/** Where the person is, by ids, so that it stays when lanes come and go. */
const place = ref<{ section: string; step: number } | null>(null)

const layout = computed(() => layRail(open.bundle!))
const pages = computed(
  () =>
    new Map(
      makePages(open.bundle!).flatMap((page) =>
        page.kind === 'step' || page.kind === 'jump' ? [[`${page.section}/${page.number - 1}`, page] as const] : [],
      ),
    ),
)
const row = computed(() =>
  Math.max(
    0,
    layout.value.lanes.findIndex((lane) => lane.section === place.value?.section),
  ),
)
const step = computed(() => Math.max(0, Math.min(place.value?.step ?? 0, (layout.value.lanes[row.value]?.ties.length ?? 1) - 1)))
const section = computed<SectionPlan>(() => open.report!.sections[row.value]!)
const page = computed<StepPage | undefined>(() => pages.value.get(`${section.value.id}/${step.value}`))
/** The one part that the picture is about, while the proof of the step shows it. */
const focus = shallowRef<PictureRef['focus'] | null>(null)
const picture = computed(() => {
  const whole = page.value?.picture ?? null
  return whole && focus.value ? { ...whole, focus: focus.value } : whole
})
const canEdit = computed(() => section.value.derivedFrom === undefined)
const given = computed(() => (canEdit.value ? sectionById(open.model!, section.value.id) : undefined))
const isGiven = computed(() => given.value?.steps !== undefined && (given.value.planRest !== true || page.value?.locked === true))
const hasLocks = computed(() => given.value?.steps?.some((known) => known.locked) ?? false)
/** Locked steps, as in `marks`. */
const locked = computed(() => new Set([...pages.value].filter(([, known]) => known.locked).map(([key]) => key)))

const findings = computed(() => open.report!.findings)
const allSteps = computed(() => open.report!.sections.reduce((sum, planned) => sum + planned.steps.length, 0))
const marks = computed(() => {
  const map = new Map<string, { worst: Finding['severity']; count: number }>()
  for (const finding of findings.value) {
    const key = `${finding.section}/${finding.step ?? 1}`
    const known = map.get(key)
    // Findings come with the worst first.
    map.set(key, { worst: known?.worst ?? finding.severity, count: (known?.count ?? 0) + 1 })
  }
  return map
})
function nameOf(finding: Finding): string {
  const lane = layout.value.lanes.find((candidate) => candidate.section === finding.section)
  const tie = finding.step === null ? undefined : lane?.ties[finding.step - 1]
  return tie ? `step ${tie.label}` : `section ${lane?.letter ?? ''} ${lane?.name ?? finding.section}`
}

function go(toRow: number, toStep: number): void {
  place.value = { section: layout.value.lanes[toRow]!.section, step: toStep }
}
function walk(way: Walk): void {
  const next = walkRail(layout.value, row.value, step.value, way)
  go(next.row, next.step)
}
function goToFinding(finding: Finding): void {
  place.value = { section: finding.section, step: (finding.step ?? 1) - 1 }
}

type Change = (model: ModelDocument, plans: readonly SectionPlan[], sectionId: string, step: number) => ModelDocument
async function edit(label: string, change: Change, make = open.tryEdit): Promise<boolean> {
  const at = step.value
  const id = section.value.id
  const refusal = await make(`${label} ${page.value?.label ?? ''}`, (model) => change(model, open.report!.sections, id, at))
  if (!refusal) return true
  const { reason, anyway } = refusal
  notify(reason, { isError: true, ...(anyway ? { act: { label: 'Do it all the same', run: anyway } } : {}) })
  return false
}

const isOf = (part: Part | undefined, piece: PieceCount): boolean => part !== undefined && pieceKey(part) === pieceKey(piece)

/** Moves the last part of a piece, so that what is left keeps its order. */
function move(piece: PieceCount, way: -1 | 1): void {
  const own = new Map((sectionById(open.model!, section.value.id).parts ?? []).map((part) => [part.id, part]))
  const ids = section.value.steps[step.value]!.moves.flatMap((m) => ('parts' in m ? m.parts : []))
  const like = ids.filter((id) => isOf(own.get(id), piece))
  const id = way === 1 ? like[like.length - 1] : like[0]
  if (id === undefined) return
  void edit('move a part of', (model, plans, sectionId, at) => moveToNeighbour(model, plans, sectionId, at, id, way))
}
const setText = (key: StepText, text: string): void =>
  void edit(`${key} of`, (model, plans, id, at) => setStepText(model, plans, id, at, key, text), open.editInTurn)
const split = (): void => void edit('split', splitStep)
const merge = (): void => void edit('merge', mergeWithNext)
const planAgain = (): void => void edit('plan again from', (model, _plans, id) => planAround(model, id))
const lock = (): void => {
  const isLocked = page.value?.locked === true
  void edit(isLocked ? 'unlock' : 'lock', (model, plans, id, at) => setLocked(model, plans, id, at, !isLocked))
}
/** Moves the chosen step before another place; the choice goes with it. */
async function moveTo(to: number): Promise<void> {
  const { id } = section.value
  if (await edit('move', (model, plans, sectionId, at) => moveStep(model, plans, sectionId, at, to)))
    place.value = { section: id, step: to }
}
async function drag(fromRow: number, from: number, to: number): Promise<void> {
  go(fromRow, from)
  if (canEdit.value) await moveTo(to)
}

const WALKS: Readonly<Record<string, Walk>> = {
  ArrowRight: 'next',
  ArrowLeft: 'before',
  ArrowUp: 'up',
  ArrowDown: 'down',
  Home: 'first',
  End: 'last',
}
function onKey(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey || (event.target as HTMLElement).closest('textarea, input, select')) return
  const way = WALKS[event.key]
  if (way) walk(way)
  else if (event.key === 's' && canEdit.value) split()
  else if (event.key === 'm' && canEdit.value) merge()
  else if (event.key === 'l' && canEdit.value) lock()
  else if (event.key === '<' && canEdit.value) void moveTo(step.value - 1)
  else if (event.key === '>' && canEdit.value) void moveTo(step.value + 1)
  else return
  event.preventDefault()
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))

watch(
  () => open.id,
  () => {
    place.value = null
  },
)
/** The checks lead here with a place. */
const route = useRoute()
const asked = layout.value.lanes.findIndex((lane) => lane.section === route.query['section'])
if (asked >= 0) go(asked, Math.max(0, Number(route.query['step'] ?? 1) - 1))
if (!place.value) {
  const root = layout.value.lanes.findIndex((lane) => lane.ties.length > 0)
  if (root >= 0) go(root, 0)
}
</script>

<template>
  <main class="rail-screen">
    <h1 class="sr-only">Rail of {{ open.model?.name }}</h1>
    <section class="picture" aria-label="Step picture">
      <StepPicture v-if="page" :picture="picture" :label="focus ? `${focus.id} alone, with its way in. ${page.spoken}` : page.spoken" />
      <p v-else class="faint">This section has no steps: it holds no parts.</p>
      <div class="walk">
        <button v-if="picture && !focus" class="plain-button framed" @click="savePicture">Save picture</button>
        <button class="plain-button framed" aria-label="Step before" @click="walk('before')"><kbd>←</kbd></button>
        <button class="plain-button framed" aria-label="Next step" @click="walk('next')"><kbd>→</kbd></button>
      </div>
    </section>
    <aside class="side">
      <StepTray
        v-if="page"
        :key="`${open.id} ${section.id}`"
        :page="page"
        :is-given="isGiven"
        :can-edit="canEdit"
        :has-locks="hasLocks"
        @split="split"
        @merge="merge"
        @lock="lock"
        @earlier="moveTo(step - 1)"
        @later="moveTo(step + 1)"
        @move="move"
        @note="setText('note', $event)"
        @caution="setText('caution', $event)"
        @plan-again="planAgain"
      />
      <StepProof
        v-if="page"
        :section="section.id"
        :step="step"
        :version="open.source?.version ?? 0"
        :ask="open.prove"
        @show="focus = $event"
      />
      <FindingList :findings="findings" :name-of="nameOf" @go="goToFinding" />
      <LayingPanel
        :settings="open.settings"
        :measures="open.report!.measures"
        :steps="allSteps"
        :compare="open.compare"
        @change="open.useSettings($event)"
      />
    </aside>
    <RailMap class="lanes" :layout="layout" :row="row" :step="step" :marks="marks" :locked="locked" @go="go" @walk="walk" @drag="drag" />
  </main>
</template>

<style scoped>
.rail-screen {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template:
    'picture side' minmax(0, 1fr)
    'lanes lanes' auto / minmax(0, 1fr) 392px;
}
.picture {
  grid-area: picture;
  position: relative;
  background: #fff;
  min-height: 0;
  overflow: hidden;
}
.picture :deep(.step-picture) {
  aspect-ratio: auto !important;
  height: 100%;
  min-height: 0;
}
.walk {
  position: absolute;
  right: 14px;
  bottom: 12px;
  display: flex;
  gap: 6px;
}
.side {
  grid-area: side;
  overflow-y: auto;
  padding: 14px 20px 24px;
  border-left: 1px solid var(--rule);
  display: flex;
  flex-direction: column;
  gap: 22px;
}
.lanes {
  grid-area: lanes;
  max-height: min(34vh, 300px);
}
@media (max-width: 900px) {
  .rail-screen {
    grid-template: 'picture' minmax(240px, 44vh) 'lanes' 190px 'side' auto / minmax(0, 1fr);
    overflow-y: auto;
  }
  .side {
    border-left: 0;
    overflow: visible;
  }
}
</style>
