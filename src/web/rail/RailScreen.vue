<script setup lang="ts">
import { useDebounceFn, useEventListener } from '@vueuse/core'
import { computed, defineAsyncComponent, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue'
import { onBeforeRouteLeave, useRoute, useRouter } from 'vue-router'
import { suggestNotes, walkRail, type PictureRef, type StepPage, type Walk } from '@core/booklet'
import { moveSection } from '@core/edits'
import { sectionById } from '@core/model'
import { type SectionPlan } from '@core/plan'
import { type Finding } from '@core/checks'
import { say } from '../language'
import { download, fileName } from '../shared/download'
import { notify } from '../shared/notices'
import { focusMain } from '../shared/focus'
import { nextTask } from '../shared/next-task'
import { isTyping, shortcutOf } from '../shared/shortcut'
import PhotoPicture from '../shared/PhotoPicture.vue'
import type { PictureTouch } from '../shared/picture-touch'
import StepPicture from '../shared/StepPicture.vue'
import { useOpenModel } from '../stores/open-model'
import { useRailPlace, type RailPlace } from '../stores/rail-place'
import { useCarried } from './carried'
import FindingList from './FindingList.vue'
import LayingPanel from './LayingPanel.vue'
import RailMap from './RailMap.vue'
import StepProof from './StepProof.vue'
import StepTray from './StepTray.vue'
import type { WantedPicture } from '../workers/painter-client'
import StepSlip from './StepSlip.vue'
import { lockedSteps, marksOf, WALKS } from './rail-keys'
import { useRailEdits } from './use-rail-edits'

/** Fetched when it is wanted. */
const TurnableStep = defineAsyncComponent(() => import('./TurnableStep.vue'))

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
    notify(say('rail.thePictureCouldNotBe'), { isError: true })
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
  return tie
    ? say('rail.step2', { label: tie.label })
    : say('rail.section2', { letter: lane?.letter ?? '', name: lane?.name ?? finding.section })
}

/** What would help a builder here, as far as the program knows. */
const suggested = computed(() =>
  isWhole.value && canEdit.value
    ? suggestNotes(
        { model: open.model!, sections: open.report!.sections, findings: findings.value },
        { section: section.value.id, step: step.value },
      )
    : [],
)
/** The finding that somebody looks at: its parts are framed in the picture as long as its step is shown. */
const looked = shallowRef<Finding | null>(null)
const framed = computed(() => {
  const found = looked.value
  return found && found.section === section.value.id && (found.step ?? 1) - 1 === step.value && !focus.value ? found.parts : []
})
/** What was clicked in the picture, and where. */
const touched = shallowRef<PictureTouch | null>(null)

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
  touched.value = null
  place.value = next
  places.keep(open.id, next)
  void toAddress()
}
const go = (toRow: number, toStep: number): void => goTo({ section: layout.value.lanes[toRow]!.section, step: toStep })
/** Which way somebody walks along the rail. */
const walking = ref<'next' | 'before'>('next')
/** So many are painted ahead: where the frame of the pictures changes, one takes as long as several. */
const PAINTED_AHEAD = 3
/** The pictures they will come to, as long as they are of the same section. */
const coming = computed((): WantedPicture[] => {
  if (focus.value) return []
  const found: WantedPicture[] = []
  let from = step.value
  for (let i = 0; i < PAINTED_AHEAD; i++) {
    const next = walkRail(layout.value, row.value, from, walking.value)
    if (next.row !== row.value || next.step === from) break
    from = next.step
    const picture = open.snapshot!.pages.stepPage(section.value.id, from)?.picture
    if (picture) found.push({ picture, content: 'step' })
  }
  return found
})
function walk(way: Walk): void {
  if (way === 'next' || way === 'before') walking.value = way
  const next = walkRail(layout.value, row.value, step.value, way)
  go(next.row, next.step)
}
function goToFinding(finding: Finding): void {
  looked.value = finding
  goTo({ section: finding.section, step: (finding.step ?? 1) - 1 })
}

const edits = useRailEdits({ section, step, page, goTo })
const { moveTo } = edits
async function drag(fromRow: number, from: number, to: number): Promise<void> {
  go(fromRow, from)
  if (canEdit.value) await moveTo(to)
}

const { carried, letGo } = useCarried()
/** What is dragged from the tray is dropped on a step; only steps of the same section can take it. */
function bring(toRow: number, to: number): void {
  const what = carried.value
  letGo()
  if (what?.kind !== 'pieces') return
  if (toRow === row.value && canEdit.value) edits.movePieces(what.piece, to)
  else notify(say('rail.piecesGoFromStepTo'))
}
/** A lane takes the place of another: the order of the sections in the document. */
function reorder(id: string, to: string): void {
  const order = open.model!.sections.map((known) => known.id)
  const by = order.indexOf(to) - order.indexOf(id)
  if (!order.includes(id) || !order.includes(to)) return notify(say('rail.unitsFollowTheSectionThat'))
  void open.edit(say('common.reorderTheSections'), (model) => moveSection(model, id, by))
}

/** The picture as the booklet has it, or the model at this step, to be turned. */
const isTurnable = ref(false)
function turn(): void {
  isTurnable.value = !isTurnable.value
  touched.value = null
}

const EDITS: Readonly<Record<string, () => void>> = {
  s: edits.split,
  m: edits.merge,
  l: edits.lock,
  '<': () => void moveTo(step.value - 1),
  '>': () => void moveTo(step.value + 1),
}
useEventListener(window, 'keydown', (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || isTyping(event)) return
  const key = shortcutOf(event)
  const way = WALKS[key]
  const act = key === 't' ? turn : canEdit.value ? EDITS[key] : undefined
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
onMounted(() => focusMain())
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
    <h1 class="sr-only">{{ say('rail.railOf', { name: open.model?.name }) }}</h1>
    <section class="picture" :aria-label="say('rail.stepPicture')">
      <div v-if="page && !page.picture && page.photos.length > 0" class="photos">
        <PhotoPicture v-for="(photo, i) in page.photos" :key="`${page.label} ${i}`" :photo="photo" />
      </div>
      <TurnableStep
        v-else-if="page?.picture && isTurnable"
        :section="section"
        :step="step"
        :framed="framed"
        :label="page.spoken"
        @touch="touched = $event"
      />
      <StepPicture
        v-else-if="page"
        :picture="picture"
        :coming="coming"
        :framed="framed"
        :label="focus ? say('rail.aloneWithItsWayIn', { id: focus.id, spoken: page.spoken }) : page.spoken"
        @touch="touched = focus ? null : $event"
      />
      <StepSlip
        v-if="touched && page"
        :touch="touched"
        :section="section"
        :step="step"
        :edits="canEdit && !page.locked ? edits : null"
        @go="(at) => go(row, at)"
        @close="touched = null"
      />
      <p v-else class="faint">{{ say('rail.thisSectionHasNoSteps') }}</p>
      <div class="walk">
        <button v-if="picture && !focus" class="plain-button framed" :aria-pressed="isTurnable" @click="turn">
          {{ isTurnable ? say('rail.asInTheBooklet') : say('rail.turnIt') }} <kbd>T</kbd>
        </button>
        <button v-if="picture && !focus && !isTurnable" class="plain-button framed" @click="savePicture">
          {{ say('rail.savePicture') }}
        </button>
        <button class="plain-button framed" :aria-label="say('rail.stepBefore')" @click="walk('before')"><kbd>←</kbd></button>
        <button class="plain-button framed" :aria-label="say('common.nextStep')" @click="walk('next')"><kbd>→</kbd></button>
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
        :edits="edits"
        :suggested="suggested"
        @earlier="moveTo(step - 1)"
        @later="moveTo(step + 1)"
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
    <RailMap
      class="lanes"
      :layout="layout"
      :row="row"
      :step="step"
      :marks="marks"
      :locked="locked"
      @go="go"
      @walk="walk"
      @drag="drag"
      @bring="bring"
      @reorder="reorder"
    />
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
.photos {
  height: 100%;
  overflow: auto;
  padding: 16px;
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  justify-content: center;
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
  background: var(--sheet);
  grid-area: side;
  overflow-y: auto;
  padding: 14px 28px 24px 8px;
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
    padding: 14px 20px 24px;
    overflow: visible;
  }
}
</style>
