<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { PickedPoint } from '@core/placing'
import type { Ray } from '@core/space'

import { say, sayCount } from '../language'
import ChoiceList from '../controls/ChoiceList.vue'
import RailMap from '../rail/RailMap.vue'
import { focusMain } from '../shared/focus'
import { notify } from '../shared/notices'
import { useOpenModel } from '../stores/open-model'
import ChosenNote from './ChosenNote.vue'
import FillPanel from './FillPanel.vue'
import HandLine from './HandLine.vue'
import HandNote from './HandNote.vue'
import LettersPanel from './LettersPanel.vue'
import ModelView from './ModelView.vue'
import RecolourPanel from './RecolourPanel.vue'
import { besideBox } from './beside-box'
import { useBenchKeys } from './bench-keys'
import type { ModelSight, ViewMark } from './model-picture'
import { useAddress } from './use-address'
import { useBenchActs } from './use-acts'
import { useHand } from './use-hand'
import { useScrub } from './use-scrub'
import { useSection } from './use-section'
import { useSelection } from './use-selection'

const open = useOpenModel()
const route = useRoute()
const router = useRouter()
const on = useSection()
const selection = useSelection(on)
const hand = useHand(on, (ids) => selection.only(ids))
const view = ref<ModelSight>()
const line = ref<{ focus: () => void }>()
const acts = useBenchActs(on, selection, hand)
const scrub = useScrub(on)
const isSeeThrough = ref(false)

const { sections, show: showSection } = useAddress(on, () => view.value)
function show(id: string): void {
  hand.letGo()
  showSection(id)
}

const ALL_FULL = () => 'full' as const
/** The same function as long as nothing is pale: all is drawn anew when it changes. */
const strength = computed(() => {
  const moved = hand.held.value?.kind === 'moved' ? hand.held.value.ids : undefined
  const chosen = isSeeThrough.value && selection.chosen.value.size > 0 ? selection.chosen.value : undefined
  if (!moved && !chosen) return ALL_FULL
  const { owners } = on.shown.value
  return (part: number) => {
    const owner = owners[part]!
    return moved?.has(owner) || (chosen && !chosen.has(owner)) ? ('pale' as const) : ('full' as const)
  }
})
const marks = computed<ViewMark[]>(() => {
  if (!hand.held.value) return on.framed(selection.chosen.value, 'chosen')
  const own: ViewMark[] = hand.box.value ? [{ box: hand.box.value, kind: 'hand' }] : []
  return hand.held.value.isPut ? own : [...own, ...on.framed(hand.verdict.value?.collidesWith ?? [], 'clash')]
})
function onPick(point: PickedPoint | undefined, event: PointerEvent, ray: Ray): void {
  ;(document.activeElement as HTMLElement | null)?.blur()
  if (hand.held.value) {
    hand.follow(point, ray)
    return void hand.put()
  }
  const id = point && on.shown.value.owners[point.part]
  if (id === undefined) return event.shiftKey ? undefined : selection.only([])
  if (event.shiftKey) selection.toggle(id)
  else selection.only([id])
}
function onLasso(isInside: (part: number) => boolean, event: PointerEvent): void {
  const { owners } = on.shown.value
  const outside = new Set(owners.filter((_, part) => !isInside(part)))
  const ids = new Set(owners.filter((id) => !outside.has(id)))
  if (event.shiftKey) selection.addAll(ids)
  else selection.only(ids)
  if (ids.size === 0) notify(say('bench.nothingLiesWhollyInThat'))
}

useBenchKeys({
  view: () => view.value ?? undefined,
  hand,
  selection,
  acts,
  section: on,
  line: () => line.value?.focus(),
  seeThrough: () => (isSeeThrough.value = !isSeeThrough.value),
})

/** What is said stands beside the model, at the height of what it is about. */
const noteAt = computed(() => {
  const box = hand.held.value ? hand.box.value : on.boxOf(selection.chosen.value)
  const sight = view.value
  return box && sight ? besideBox(sight, box, hand.held.value ? 260 : 330) : undefined
})

const count = computed(() => on.nodes.value.length)
// The link that led here keeps no key for itself.
onMounted(() => {
  focusMain('always')
  // Another screen sends a section here to be joined.
  const asked = route.query['take']
  if (typeof asked !== 'string' || !open.model?.sections.some(({ id }) => id === asked)) return
  hand.takeSection(asked)
  void router.replace({ query: { section: on.id.value } })
})
</script>

<template>
  <main class="bench" tabindex="-1" :data-version="open.snapshot?.version" :data-busy="hand.isBusy.value > 0">
    <h1 class="sr-only">{{ say('bench.benchOf', { name: open.model?.name }) }}</h1>
    <ModelView
      ref="view"
      class="model"
      :catalogue="on.catalogue.value"
      :parts="on.shown.value.parts"
      :strength="strength"
      :ghosts="hand.held.value ? hand.ghosts.value : acts.preview.value"
      :marks="marks"
      :label="say('bench.theModelIn', { things: sayCount('count.things', count), name: on.section.value?.name ?? '' })"
      @pick="onPick"
      @hover="(point, ray) => hand.follow(point, ray)"
      @lasso="onLasso"
    >
      <div class="over where">
        <ChoiceList :model-value="on.id.value" :label="say('bench.onTheBench')" :options="sections" @update:model-value="show" />
        <p v-if="on.isPartial.value" role="status">
          {{ say('bench.notAllIsShown') }}
          <button class="plain-button" @click="on.showAll()">{{ say('bench.showAll') }} <kbd>A</kbd></button>
        </p>
      </div>
      <svg v-if="noteAt && (hand.held.value || acts.tool.value === null)" class="leader" aria-hidden="true">
        <path :d="noteAt.leader" />
      </svg>
      <div v-if="count === 0 && !hand.held.value" class="over empty">
        <h2>{{ say('bench.nothingStandsHereYet') }}</h2>
        <p>
          {{ say('bench.writeBelowWhatYouWant') }} <b>{{ say('bench.brick2x4Slate') }}</b>{{ say('bench.theArrowKeysOrThe') }} <kbd>R</kbd>
          {{ say('bench.turnsIt') }} <kbd>{{ say('bench.enter') }}</kbd> {{ say('bench.orAClickPutsIt') }}
        </p>
        <p>
          {{ say('bench.aFinishedModelComesIn') }} <RouterLink :to="{ name: 'bring-in' }">{{ say('bench.bringItIn') }}</RouterLink>.
        </p>
      </div>
      <FillPanel v-if="acts.tool.value === 'fill'" class="over tool" :section="on" :selection="selection" :acts="acts" />
      <LettersPanel v-else-if="acts.tool.value === 'letters'" class="over tool" :section="on" :hand="hand" :acts="acts" />
      <RecolourPanel v-else-if="acts.tool.value === 'recolour'" class="over tool" :section="on" :selection="selection" :acts="acts" />
      <HandNote v-if="hand.held.value" class="over note" :style="noteAt?.style" :hand="hand" :section="on" :view="view" />
      <ChosenNote
        v-else-if="selection.chosen.value.size > 0 && acts.tool.value === null"
        class="over note"
        :style="noteAt?.style"
        :section="on"
        :selection="selection"
        :acts="acts"
        :is-see-through="isSeeThrough"
        @see-through="isSeeThrough = !isSeeThrough"
        @show-section="show"
      />
    </ModelView>
    <HandLine ref="line" class="line" :section="on" :hand="hand" :chosen="selection.chosen.value" :acts="acts" />
    <RailMap
      class="lanes"
      :layout="scrub.layout.value"
      :row="scrub.row.value"
      :step="scrub.step.value"
      :marks="scrub.marks.value"
      :locked="scrub.locked.value"
      @go="(row, step) => show(scrub.go(row, step))"
      @walk="(way) => show(scrub.walk(way))"
    />
  </main>
</template>

<style scoped src="./bench.css"></style>
<style scoped>
.bench {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template: 'model' minmax(0, 1fr) 'line' auto 'lanes' auto / minmax(0, 1fr);
}
.model {
  grid-area: model;
  min-height: 0;
}
.line {
  grid-area: line;
}
.lanes {
  contain: layout paint;
  grid-area: lanes;
  max-height: min(24vh, 190px);
}
.empty {
  position: absolute;
  left: 50%;
  top: 18%;
  translate: -50% 0;
  max-width: min(30em, calc(100% - 32px));
  background: var(--sheet);
}
.leader {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.leader path {
  stroke: var(--accent);
  stroke-width: 1.5;
  fill: none;
}
.tool {
  position: absolute;
  right: 12px;
  top: 10px;
  width: 330px;
  max-width: calc(100% - 24px);
}
.note {
  position: absolute;
  width: 300px;
  max-width: calc(100% - 16px);
}
@media (max-width: 700px) {
  .leader {
    display: none;
  }
  .note {
    inset: auto 8px 8px 8px !important;
    width: auto;
    max-height: 46%;
    overflow: auto;
  }
  .lanes {
    max-height: 110px;
  }
}
</style>
