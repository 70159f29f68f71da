<script setup lang="ts">
import { useDebounceFn, useEventListener } from '@vueuse/core'
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue'
import { onBeforeRouteLeave, useRoute, useRouter } from 'vue-router'
import { walkRail, type PictureRef, type StepPage, type Walk } from '@core/booklet'
import { pieceKey, type PieceCount } from '@core/count'
import { sectionById, type ModelDocument, type Part, type StepNote } from '@core/model'
import { type SectionPlan } from '@core/plan'
import { type Finding } from '@core/checks'
import {
  mergeWithNext,
  addStepNote,
  moveStep,
  moveToNeighbour,
  planAround,
  removeStepNote,
  setLocked,
  setStepText,
  splitStep,
  type StepPlace,
  type StepText,
} from '@core/edits'
import { download, fileName } from '../shared/download'
import { notify } from '../shared/notices'
import { focusMain } from '../shared/focus'
import { nextTask } from '../shared/next-task'
import { isTyping, shortcutOf } from '../shared/shortcut'
import StepPicture from '../shared/StepPicture.vue'
import { useOpenModel } from '../stores/open-model'
import { useRailPlace, type RailPlace } from '../stores/rail-place'
import FindingList from './FindingList.vue'
import LayingPanel from './LayingPanel.vue'
import RailMap from './RailMap.vue'
import StepProof from './StepProof.vue'
import StepTray from './StepTray.vue'
import { lockedSteps, marksOf, WALKS } from './rail-keys'

const open = useOpenModel()
const places = useRailPlace()
const route = useRoute()
const router = useRouter()

/** As lines where the picture has few enough faces, else as dots. */
async function savePicture(): Promise<void> {
  const ref = picture.value
  if (!ref || !open.source || !page.value) return
  try {
    const file = await open.source.painter.file(ref, { width: 1600, height: 1200 })
    download(fileName(`${open.model?.name ?? ''} ${page.value.label}`, file.extension), file.content, file.type)
  } catch {
    notify('The picture could not be made. Try again.', { isError: true })
  }
}

const layout = computed(() => open.snapshot!.layout)
const rows = computed(() => new Map(layout.value.lanes.map((lane) => [lane.section, lane.row])))
const place = shallowRef<RailPlace>()
const row = computed(() => Math.max(0, rows.value.get(place.value?.section ?? '') ?? 0))
const step = computed(() => Math.max(0, Math.min(place.value?.step ?? 0, (layout.value.lanes[row.value]?.ties.length ?? 1) - 1)))
const section = computed<SectionPlan>(() => open.report!.sections[row.value]!)
const page = computed<StepPage | undefined>(() => open.snapshot!.pages.stepPage(section.value.id, step.value))
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
const locked = computed(() => lockedSteps(open.snapshot!))
const findings = computed(() => open.report!.findings)
const allSteps = computed(() => layout.value.lanes.reduce((sum, lane) => sum + lane.ties.length, 0))
const marks = computed(() => marksOf(findings.value))

function nameOf(finding: Finding): string {
  const lane = layout.value.lanes[rows.value.get(finding.section) ?? -1]
  const tie = finding.step === null ? undefined : lane?.ties[finding.step - 1]
  return tie ? `step ${tie.label}` : `section ${lane?.letter ?? ''} ${lane?.name ?? finding.section}`
}

/** The address follows a little later: a rail is walked faster than a browser lets addresses change. */
const toAddress = useDebounceFn(() => {
  if (route.name === 'rail' && isHere) void router.replace({ query: places.queryOf(open.id) })
}, 300)
let isHere = true
// The address must not overtake whoever has just set out for another screen.
onBeforeRouteLeave(() => {
  isHere = false
})
onUnmounted(() => (isHere = false))

function goTo(next: RailPlace): void {
  isHere = true
  place.value = next
  places.keep(open.id, next)
  void toAddress()
}
const go = (toRow: number, toStep: number): void => goTo({ section: layout.value.lanes[toRow]!.section, step: toStep })
/** Which way somebody walks along the rail. */
const walking = ref<'next' | 'before'>('next')
/** The picture they will come to, as long as it is of the same section. */
const coming = computed(() => {
  const next = walkRail(layout.value, row.value, step.value, walking.value)
  const isOther = next.row === row.value && next.step !== step.value
  return isOther && !focus.value ? (open.snapshot!.pages.stepPage(section.value.id, next.step)?.picture ?? null) : null
})
function walk(way: Walk): void {
  if (way === 'next' || way === 'before') walking.value = way
  const next = walkRail(layout.value, row.value, step.value, way)
  go(next.row, next.step)
}
const goToFinding = (finding: Finding): void => goTo({ section: finding.section, step: (finding.step ?? 1) - 1 })

type StepEdit = (model: ModelDocument, plans: readonly SectionPlan[], place: StepPlace) => ModelDocument
function edit(label: string, change: StepEdit): Promise<boolean> {
  const place: StepPlace = { section: section.value.id, step: step.value }
  const made = (model: ModelDocument, plans: readonly SectionPlan[]): ModelDocument => change(model, plans, place)
  return open.edit(`${label} ${page.value?.label ?? ''}`, made, { mustBuild: true })
}

const isOf = (part: Part | undefined, piece: PieceCount): boolean => part !== undefined && pieceKey(part) === pieceKey(piece)

/** Moves the last part of a piece, so that what is left keeps its order. */
function move(piece: PieceCount, way: -1 | 1): void {
  const own = new Map((sectionById(open.model!, section.value.id).parts ?? []).map((part) => [part.id, part]))
  const ids = section.value.steps[step.value]!.moves.flatMap((m) => ('parts' in m ? m.parts : []))
  const like = ids.filter((id) => isOf(own.get(id), piece))
  const id = way === 1 ? like[like.length - 1] : like[0]
  if (id === undefined) return
  void edit('move a part of', (model, plans, place) => moveToNeighbour(model, plans, place, { id, way }))
}
function setText(of: StepPage, key: StepText, text: string): void {
  const change = (model: ModelDocument, plans: readonly SectionPlan[]): ModelDocument =>
    setStepText(model, plans, { section: of.section, step: of.number - 1 }, { key, text })
  void open.edit(`${key} of ${of.label}`, change, { group: `${key} ${of.section} ${of.number}` })
}
const addNote = (note: StepNote): void => void edit('write a note to', (model, plans, place) => addStepNote(model, plans, place, note))
const removeNote = (at: number): void => void edit('take a note off', (model, plans, place) => removeStepNote(model, plans, place, at))
const split = (): void => void edit('split', splitStep)
const merge = (): void => void edit('merge', mergeWithNext)
function planAgain(): void {
  const { id } = section.value
  const change = (model: ModelDocument): ModelDocument => planAround(model, id)
  void open.edit(`plan section ${page.value?.letter ?? ''} again`, change, { mustBuild: true, fresh: [id] })
}
const lock = (): void => {
  const isLocked = page.value?.locked === true
  void edit(isLocked ? 'unlock' : 'lock', (model, plans, place) => setLocked(model, plans, place, !isLocked))
}
/** Moves the chosen step before another place; the choice goes with it. */
async function moveTo(to: number): Promise<void> {
  const { id } = section.value
  if (await edit('move', (model, plans, place) => moveStep(model, plans, place, to))) goTo({ section: id, step: to })
}
async function drag(fromRow: number, from: number, to: number): Promise<void> {
  go(fromRow, from)
  if (canEdit.value) await moveTo(to)
}

const EDITS: Readonly<Record<string, () => void>> = {
  s: split,
  m: merge,
  l: lock,
  '<': () => void moveTo(step.value - 1),
  '>': () => void moveTo(step.value + 1),
}
useEventListener(window, 'keydown', (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return
  const key = shortcutOf(event)
  const way = WALKS[key]
  const act = canEdit.value ? EDITS[key] : undefined
  if (way) walk(way)
  else if (act) act()
  else return
  event.preventDefault()
})

/** The address leads, also when the checks or the browser's own buttons change it. */
function goToAddress(): void {
  const asked = places.placeFrom(route.query)
  if (asked && rows.value.has(asked.section)) place.value = asked
  else if (!place.value || !rows.value.has(place.value.section)) {
    const first = layout.value.lanes.find((lane) => lane.ties.length > 0)
    if (first) place.value = { section: first.section, step: 0 }
  }
  if (place.value) places.keep(open.id, place.value)
}
goToAddress()
// Opening a model ends here, some time after its link was followed.
onMounted(focusMain)
/** The picture, the tray and the rail are there first; what is looked at later is made a moment later. */
const isWhole = ref(false)
onMounted(async () => {
  await nextTask()
  isWhole.value = true
})
watch(
  () => [route.query['section'], route.query['step']],
  () => route.name === 'rail' && goToAddress(),
)
</script>

<template>
  <main class="rail-screen" :data-version="open.snapshot?.version" :data-checked="!open.session?.isChecking.value">
    <h1 class="sr-only">Rail of {{ open.model?.name }}</h1>
    <section class="picture" aria-label="Step picture">
      <StepPicture
        v-if="page"
        :picture="picture"
        :next="coming"
        :label="focus ? `${focus.id} alone, with its way in. ${page.spoken}` : page.spoken"
      />
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
        :set-text="setText"
        @split="split"
        @merge="merge"
        @lock="lock"
        @earlier="moveTo(step - 1)"
        @later="moveTo(step + 1)"
        @move="move"
        @plan-again="planAgain"
        @add-note="addNote"
        @remove-note="removeNote"
      />
      <StepProof
        v-if="page && isWhole"
        :section="section.id"
        :step="step"
        :version="open.source?.version ?? 0"
        :ask="open.prove"
        @show="focus = $event"
      />
      <FindingList v-if="isWhole" :findings="findings" :section="section.id" :step="step + 1" :name-of="nameOf" @go="goToFinding" />
      <LayingPanel
        v-if="isWhole"
        :settings="open.settings"
        :measures="open.report!.measures"
        :steps="allSteps"
        :compare="open.compare"
        :change="open.useSettings"
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
  contain: strict;
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
/* What is painted by itself needs paper of its own: pieces are printed on it. */
.side {
  contain: layout paint;
  background: var(--paper);
  grid-area: side;
  overflow-y: auto;
  padding: 14px 20px 24px;
  border-left: 1px solid var(--rule);
  display: flex;
  flex-direction: column;
  gap: 22px;
}
.lanes {
  contain: layout paint;
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
