<script setup lang="ts">
import { computed, nextTick, onMounted, onUnmounted, provide, ref, shallowRef, watch } from 'vue'
import {
  ideasOf,
  makePages,
  pageTitle,
  showsFinished,
  pathWords,
  spokenPlaces,
  type Bundle,
  type MendedStep,
  type StepPage,
} from '@core/booklet'
import type { PieceCount } from '@core/count'
import { catalogueIn } from '@core/catalogue'
import type { Language, Words } from '@core/language'
import { catalogueOf } from '@core/model'
import { aliasText } from '@core/names'
import { freeViewWords, turnedViewOf, type ViewNumber } from '@core/picture'
import { arrowWay } from '../shared/arrow-keys'
import PagePicture from '../shared/StepPicture.vue'
import DecalList from '../shared/DecalList.vue'
import { OWN_NAMES } from '../shared/own-names-key'
import { PAINT_SOURCE, type PaintSource } from '../shared/painter-key'
import { WORDS } from '../shared/words-key'
import type { PublishedAs } from '@press/html'
import type { PainterClient } from '../workers/painter-client'
import AskPanel from './AskPanel.vue'
import CarryPanel from './CarryPanel.vue'
import CoverWords from './CoverWords.vue'
import FigureList from './FigureList.vue'
import GatherWords from './GatherWords.vue'
import InventoryWords from './InventoryWords.vue'
import LanguageChoice from './LanguageChoice.vue'
import LookPanel from './LookPanel.vue'
import NewerNotice from './NewerNotice.vue'
import PrintAll from './PrintAll.vue'
import RailLine from './RailLine.vue'
import SectionOverview from './SectionOverview.vue'
import StepWords from './StepWords.vue'
import TimedBuild from './TimedBuild.vue'
import VersionChoice from './VersionChoice.vue'
import { picturesOf } from './pictures-of'
import { keepVersion, lastVersion } from './published-here'
import { carriedProgress, placeAddress } from './carry'
import { loadProgress, pageKey, placeIn, progressKey, saveProgress, tickKey, withoutTicks, withTicks } from './progress'
import { useAloud } from './use-aloud'
import { useAwake } from './use-awake'
import { useIdeaChoice } from './use-idea-choice'
import { useListening } from './use-listening'
import { useLook } from './use-look'
import TurnedPicture from './TurnedPicture.vue'
import { useTurning } from './use-turning'
import { useQuestions } from './use-questions'

const props = defineProps<{
  bundle: Bundle
  words: Words
  /** The words of a language that was chosen could not be had. */
  isLanguageMissing: boolean
  painter: PainterClient
  published?: PublishedAs | undefined
  password?: string | undefined
  /** It is built with a clock, for its designer. */
  isTimed?: boolean
  /** It is shown within another page, which has a main part of its own. */
  isEmbedded?: boolean
}>()
const emit = defineEmits<{ choose: [id: string]; speak: [language: Language] }>()

const { words } = props
const { say } = words
provide(WORDS, words)
/** What is told; the painter is given the bundle itself, which it knows already. */
const told = { ...props.bundle, language: words.language }
const pages = makePages(told)
const { published, password } = props
/** Each version has a place of its own. */
const key = progressKey(props.bundle, published?.id)
const stored = (published && carriedProgress(pages, published.version, location.hash)) || loadProgress(key)
// What an address has brought is taken once: from here on this device keeps its own place.
if (location.hash !== '') history.replaceState(null, '', location.pathname + location.search)
const index = ref(placeIn(pages, stored))

const questions = published ? useQuestions(published.id, password, { shows: props.bundle.shows, words }) : null
const voice = published ? useIdeaChoice(published.id, password, words) : null
const ideas = ideasOf(props.bundle.model)
const isAsking = ref(false)
const isCarrying = ref(false)
/** A part of the picture that a question is about. */
const touched = shallowRef<{ readonly path: string; readonly title: string } | null>(null)
function touch(part: string | undefined): void {
  const plan = props.bundle.plan.sections.find(({ id }) => id === step.value?.section)
  const { model, plan: planned } = props.bundle
  touched.value = part && plan ? { path: part, title: pathWords({ model, sections: planned.sections }, plan, part, words).title } : null
  // What is asked about stands above the picture.
  main.value?.scrollTo({ top: 0 })
}
const address = computed(() =>
  placeAddress(
    pages,
    { version: published?.version ?? 1, shows: props.bundle.shows?.id },
    { page: index.value, ticked: [...ticked.value] },
  ),
)
/** The version that was followed before, where this is a newer one. */
const before = published ? lastVersion(published.id) : undefined
const isNewer = ref(published !== undefined && before !== undefined && before < published.version)
function noteVersion(): void {
  isNewer.value = false
  if (published) keepVersion(published.id, published.version)
}
if (!isNewer.value) noteVersion()

const indexOf = (mended: MendedStep): number =>
  pages.findIndex((p) => (p.kind === 'step' || p.kind === 'jump') && p.section === mended.section && p.number === mended.number)
const ticked = ref(new Set(stored.ticked))
const isKept = ref(true)
const isOverview = ref(false)
const isPrinting = ref(false)
const turn = ref(0)

const source = shallowRef<PaintSource | null>(null)
provide(PAINT_SOURCE, source)
provide(OWN_NAMES, (kind, id) => aliasText(props.bundle.names ?? [], kind, id))
void props.painter.open(props.bundle).then(() => {
  source.value = { painter: props.painter, catalogue: catalogueIn(catalogueOf(props.bundle.model), words), version: 1 }
})

const page = computed(() => pages[index.value]!)
const step = computed(() => (page.value.kind === 'step' || page.value.kind === 'jump' ? page.value : null))
/** The step's own view, turned by quarters as the builder asks. */
const picture = computed(() => {
  const ref = 'picture' in page.value ? page.value.picture : null
  return ref && { ...ref, view: (ref.view & 4) | ((ref.view + turn.value) & 3) }
})
const PAINTED_AHEAD = 5
const isFinished = computed(() => showsFinished(page.value))
/** The pictures of the pages after this one: a step that takes long is painted while quick ones are looked at. */
const coming = computed(() => picturesOf(pages.slice(index.value + 1, index.value + 1 + PAINTED_AHEAD)))
const isLast = computed(() => index.value === pages.length - 1)
const title = computed(() => pageTitle(page.value, words))
/** For who cannot see the picture. */
const places = computed(() => (step.value ? spokenPlaces(told, step.value.section, step.value.number) : []))
const answered = computed(
  () =>
    questions?.questions.value.filter(
      (each) => each.answer !== undefined && each.section === step.value?.section && each.step === step.value?.number,
    ).length ?? 0,
)

const isTicked = (piece: PieceCount): boolean => ticked.value.has(tickKey(piece, page.value))
const isDone = (stepPage: StepPage, at: number): boolean =>
  at < index.value || (stepPage.callout.length > 0 && stepPage.callout.every((piece) => ticked.value.has(tickKey(piece, stepPage))))

const isPageDone = (at: number): boolean => {
  const there = pages[at]!
  return there.kind === 'step' || there.kind === 'jump' ? isDone(there, at) : at < index.value
}

function tick(piece: PieceCount, isOn: boolean): void {
  ticked.value = withTicks(ticked.value, page.value, [piece], isOn)
}
const tickAll = (pieces: readonly PieceCount[], isOn: boolean): void => {
  ticked.value = withTicks(ticked.value, page.value, pieces, isOn)
}
/** Which of several copies of a section is built: its first while nobody says otherwise. */
const copy = ref<Readonly<Record<string, number>>>(stored.copies ?? {})
const copies = computed(() => {
  const tray = pages.find((each) => each.kind === 'tray' && each.section === step.value?.section)
  const of = tray?.kind === 'tray' ? tray.times + tray.mirrored : 1
  return of > 1 ? { name: step.value!.name, number: copy.value[step.value!.section] ?? 1, of } : null
})
/** The next copy of a section begins at its first step, with nothing ticked. */
function again(): void {
  const { section } = step.value!
  copy.value = { ...copy.value, [section]: (copy.value[section] ?? 1) + 1 }
  ticked.value = withoutTicks(ticked.value, pages, section)
  go(pages.findIndex((each) => each.kind !== 'tray' && 'section' in each && each.section === section))
}

const isTiming = ref(props.isTimed && questions !== null)
const openPage = computed(() => ({ index: index.value, step: step.value && { section: step.value.section, step: step.value.number } }))

const { look, choose } = useLook()
const isSetting = ref(false)
const aloud = useAloud(
  () => [title.value, ...(step.value ? [step.value.spoken, ...step.value.cautions, ...places.value] : [])].join('. '),
  words.language,
)
const listening = useListening((command) => (command === 'again' ? aloud.say() : go(index.value + (command === 'next' ? 1 : -1))), words)
useAwake()

const heading = ref<HTMLElement>()
const main = ref<HTMLElement>()

function go(to: number): void {
  const target = Math.max(0, Math.min(pages.length - 1, to))
  isOverview.value = false
  if (target === index.value) return
  index.value = target
  turn.value = 0
  touched.value = null
  void nextTick(() => heading.value?.focus({ preventScroll: true }))
  main.value?.scrollTo({ top: 0 })
}

watch([index, ticked], () => {
  isKept.value = saveProgress(key, { page: index.value, at: pageKey(page.value), ticked: [...ticked.value], copies: copy.value })
})

/** Degrees that a key turns the picture. */
const TURN_STEP = 15
/** @returns whether the key turned the picture */
function onTurnKey(event: KeyboardEvent): boolean {
  const way = event.shiftKey ? arrowWay(event) : undefined
  if (!picture.value) return false
  if (way) turning.turnBy({ turn: -way[0] * TURN_STEP, lift: -way[1] * TURN_STEP })
  else if (event.key === '+' || event.key === '=') turning.zoomBy(1.25)
  else if (event.key === '-') turning.zoomBy(0.8)
  else if (event.key === 'Escape' && turned.value) turning.reset()
  else return false
  return true
}

function onKey(event: KeyboardEvent): void {
  const target = event.target as HTMLElement
  if (event.ctrlKey || event.metaKey || event.altKey || target.closest('input[type=text], textarea, select')) return
  if (onTurnKey(event)) return event.preventDefault()
  if (event.key === 'ArrowRight' || event.key === 'PageDown') go(index.value + 1)
  else if (event.key === 'ArrowLeft' || event.key === 'PageUp') go(index.value - 1)
  else if (event.key === 'Home') go(0)
  else if (event.key === 'End') go(pages.length - 1)
  else if (event.key === 'o' || event.key === 'O') isOverview.value = !isOverview.value
  else if (event.key === 't' || event.key === 'T') turn.value = (turn.value + 1) & 3
  else return
  event.preventDefault()
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))

const turning = useTurning({
  begin: () => turnedViewOf((picture.value?.view ?? 0) as ViewNumber),
  onSwipe: (way) => go(index.value + way),
})
const { view: turned, isMoving } = turning
watch([index, turn], turning.reset)
</script>

<template>
  <PrintAll v-if="isPrinting" :pages="pages" @done="isPrinting = false" />

  <div v-else class="follow" :class="{ 'left-hand': look.isLeftHand }">
    <header>
      <p class="name">{{ bundle.model.name }}</p>
      <nav :aria-label="say('follow.nav')">
        <button class="plain-button" :aria-expanded="isOverview" aria-controls="overview" @click="isOverview = !isOverview">
          {{ say('follow.sections') }} <kbd>O</kbd>
        </button>
        <button v-if="questions" class="plain-button" :aria-expanded="isAsking" @click="isAsking = !isAsking">
          {{ say('follow.ask') }}
        </button>
        <button v-if="published" class="plain-button" :aria-expanded="isCarrying" @click="isCarrying = !isCarrying">
          {{ say('follow.otherDevice') }}
        </button>
        <button v-if="aloud.isThere" class="plain-button" :aria-pressed="aloud.isOn.value" @click="aloud.toggle()">
          {{ say('follow.readAloud') }}
        </button>
        <button v-if="listening.isThere" class="plain-button" :aria-pressed="listening.isOn.value" @click="listening.toggle()">
          {{ say('follow.listen') }}
        </button>
        <button class="plain-button" :aria-expanded="isSetting" @click="isSetting = !isSetting">{{ say('follow.show') }}</button>
        <button class="plain-button" @click="isPrinting = true">{{ say('follow.print') }}</button>
      </nav>
    </header>

    <component :is="isEmbedded ? 'div' : 'main'" ref="main" class="book">
      <p v-if="listening.isOn.value" role="status" class="listens">
        {{ say('follow.listening') }}
      </p>
      <p v-else-if="listening.problem.value" role="alert" class="listens">{{ listening.problem.value }}</p>
      <NewerNotice
        v-if="isNewer"
        :id="published!.id"
        :was="before!"
        :bundle="bundle"
        :password="password"
        :is-past="(mended) => indexOf(mended) < index"
        @open="go(indexOf($event))"
        @close="noteVersion"
      />
      <AskPanel
        v-if="questions && isAsking"
        :about="step ? say('ask.step', { label: title }) : say('ask.whole')"
        :section="step?.section"
        :step="step?.number"
        :part="touched"
        :questions="questions.questions.value"
        :waiting="questions.waiting.value"
        :said="questions.said.value"
        :ask="questions.ask"
      />
      <TimedBuild
        v-if="questions && isTiming"
        :page="openPage"
        :is-last="isLast"
        :storage-key="`${key}-build`"
        :said="questions.said.value"
        :ask="questions.ask"
        @end="isTiming = false"
      />
      <CarryPanel v-if="published && isCarrying" :address="address" />
      <LookPanel v-if="isSetting" :look="look" @choose="choose">
        <LanguageChoice :is-missing="isLanguageMissing" @choose="emit('speak', $event)" />
      </LookPanel>
      <SectionOverview v-if="isOverview" id="overview" :pages="pages" :index="index" :is-done="isDone" @go="go" />

      <article v-else :class="['page', page.kind]">
        <div v-if="step && step.cautions.length > 0" class="cautions">
          <p v-for="caution in step.cautions" :key="caution" class="caution">
            <span aria-hidden="true">△</span> {{ say('caution.take', { text: caution }) }}
          </p>
        </div>
        <div class="words">
          <h1 ref="heading" tabindex="-1" :class="{ label: step }">{{ title }}</h1>

          <CoverWords v-if="page.kind === 'cover'" :page="page" :terms="published?.terms">
            <VersionChoice
              v-if="bundle.shows && bundle.versions?.length"
              :shows="bundle.shows"
              :others="bundle.versions"
              @choose="emit('choose', $event)"
            />
            <template #end
              ><button class="plain-button begin" @click="go(index + 1)">{{ say('follow.begin') }}</button></template
            >
          </CoverWords>

          <GatherWords
            v-else-if="page.kind === 'member' || page.kind === 'tray'"
            :page="page"
            :is-ticked="isTicked"
            @tick="tick"
            @tick-all="tickAll"
          />

          <StepWords
            v-else-if="step"
            :step="step"
            :places="places"
            :is-ticked="isTicked"
            :answered="answered"
            :copies="step.number === step.of ? copies : null"
            @tick="tick"
            @tick-all="tickAll"
            @ask="isAsking = true"
            @again="again"
          />

          <DecalList v-else-if="page.kind === 'decals'" :decals="page.decals" />

          <FigureList v-else-if="page.kind === 'figures'" :figures="page.figures" />

          <InventoryWords
            v-else-if="page.kind === 'inventory'"
            :page="page"
            :ideas="ideas"
            :chosen="voice?.chosen.value ?? ''"
            :choose="voice?.choose"
          />
        </div>

        <div v-if="'picture' in page && (page.picture || !step || step.photos.length === 0)" class="picture">
          <div class="hand" v-on="turning.handlers">
            <TurnedPicture
              v-if="turned && picture"
              :picture="picture"
              :content="isFinished ? 'finished' : 'step'"
              :view="turned"
              :is-moving="isMoving"
            />
            <PagePicture
              v-show="!turned"
              :picture="picture"
              :coming="coming"
              is-followed
              :finished="isFinished"
              :label="step ? step.spoken : say('follow.finished', { name: title })"
              @touch="isAsking && touch($event?.part)"
            />
          </div>
          <div v-if="picture" class="turns">
            <button v-if="turned" class="plain-button turn" @click="turning.reset()">
              {{ say('follow.backToPicture') }} <kbd>Esc</kbd>
            </button>
            <button v-else class="plain-button turn" @click="turn = (turn + 1) & 3">{{ say('follow.nextSide') }} <kbd>T</kbd></button>
            <p v-if="turned">{{ freeViewWords(turned, words) }}</p>
            <p v-else class="by-hand">{{ say('follow.fingers') }}</p>
            <p class="by-keys">
              {{ say('follow.turnIt') }} <kbd>Shift</kbd> <kbd>← ↑ → ↓</kbd>. {{ say('follow.nearer') }} <kbd>+</kbd> <kbd>−</kbd>
            </p>
          </div>
        </div>
      </article>
    </component>

    <footer>
      <button class="plain-button framed" :disabled="index === 0" @click="go(index - 1)">{{ say('follow.back') }} <kbd>←</kbd></button>
      <div class="where">
        <RailLine :pages="pages" :index="index" :title="title" :is-done="isPageDone" @go="go" />
        <span class="faint count"
          >{{ say('follow.ofPages', { n: index + 1, of: pages.length })
          }}<template v-if="!isKept">. {{ say('follow.notKept') }}</template></span
        >
      </div>
      <button class="plain-button framed next" :disabled="isLast" @click="go(index + 1)">{{ say('follow.next') }} <kbd>→</kbd></button>
    </footer>
  </div>
</template>

<style scoped src="./follow.css"></style>
