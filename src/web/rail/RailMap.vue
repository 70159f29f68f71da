<script setup lang="ts">
import { useElementSize, useScroll } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import type { RailLayout, Walk } from '@core/booklet'
import { say } from '../language'
import { useCarried } from './carried'
import RailLane from './RailLane.vue'
import { WALKS, type RailMark } from './rail-keys'
import { bendPath, COLUMN, isInSight, lanePath, ROW, TOP, windowOf, withChosen, y } from './rail-drawing'

const props = defineProps<{
  layout: RailLayout
  row: number
  step: number
  /** Findings by "section/step from 1". */
  marks: ReadonlyMap<string, RailMark>
  /** Locked steps, by "section/step from 0". */
  locked: ReadonlySet<string>
}>()
const emit = defineEmits<{
  go: [row: number, step: number]
  walk: [walk: Walk]
  drag: [row: number, from: number, to: number]
  /** What is dragged from a tray is dropped on a step. */
  bring: [row: number, to: number]
  /** A lane is dropped on another. */
  reorder: [section: string, to: string]
}>()

const { carried, carry, letGo } = useCarried()
const overLane = ref('')
function onLaneOver(event: DragEvent, section: string): void {
  if (carried.value?.kind !== 'lane' || carried.value.section === section) return
  event.preventDefault()
  overLane.value = section
}
function onLaneDrop(to: string): void {
  overLane.value = ''
  if (carried.value?.kind === 'lane') emit('reorder', carried.value.section, to)
}

/** The names of lanes lie over the left of the rail, px. */
const NAMES = 176

const scroller = ref<HTMLElement>()
const lanesBox = ref<HTMLElement>()
const { x: left, y: top } = useScroll(scroller)
const size = useElementSize(scroller)
const width = computed(() => (props.layout.columns + 1) * COLUMN)
const height = computed(() => TOP + props.layout.lines * ROW)

/** Only what is in sight is drawn: a rail may have ten thousand ties. */
const inSight = computed(() =>
  windowOf(props.layout, { left: left.value, top: top.value, width: size.width.value, height: size.height.value }),
)
const lanes = computed(() => withChosen(inSight.value.lanes, props.layout, props.row, props.step))

function onKey(event: KeyboardEvent): void {
  const walk = WALKS[event.key]
  if (!walk || event.ctrlKey || event.metaKey || event.altKey) return
  event.preventDefault()
  event.stopPropagation()
  emit('walk', walk)
}

function isChosenInSight(): boolean {
  const lane = props.layout.lanes[props.row]
  const tie = lane?.ties[props.step]
  const sight = { left: left.value, top: top.value, width: size.width.value, height: size.height.value }
  return lane !== undefined && tie !== undefined && isInSight(sight, { column: tie.column, line: lane.line }, NAMES)
}

/** Keeps the chosen tie in sight, also when the rail gets another size, and the focus on it when the focus is on the rail. */
watch(
  () => [props.row, props.step, props.layout, size.width.value, size.height.value],
  async () => {
    const hasFocus = lanesBox.value?.contains(document.activeElement) ?? false
    await nextTick()
    const tie = lanesBox.value?.querySelector<HTMLElement>('[aria-current="step"]')
    // Scrolling makes the browser lay the page out at once, so it is asked for seldom: what leaves the sight comes to its middle.
    if (!isChosenInSight()) tie?.scrollIntoView({ block: 'nearest', inline: 'center' })
    if (hasFocus) tie?.focus({ preventScroll: true })
  },
  { immediate: true },
)
</script>

<template>
  <section class="map" :aria-label="say('common.rail')">
    <div ref="scroller" class="scroll">
      <div class="names" :style="{ height: `${height}px`, width: `${NAMES}px` }">
        <button
          v-for="{ lane } in lanes.filter((each) => !each.lane.isInset)"
          :key="lane.section"
          class="lane-name"
          :class="{ here: lane.line === layout.lanes[row]?.line, over: overLane === lane.section }"
          :style="{ top: `${y(lane.line) - 22}px` }"
          tabindex="-1"
          :title="lane.name"
          draggable="true"
          :aria-label="say('rail.section', { letter: lane.letter, name: lane.name })"
          @dragstart="carry($event, { kind: 'lane', section: lane.section })"
          @dragover="onLaneOver($event, lane.section)"
          @dragleave="overLane = ''"
          @drop.prevent="onLaneDrop(lane.section)"
          @dragend="letGo"
          @click="emit('go', lane.row, 0)"
        >
          <b>{{ lane.letter }}</b><span class="words">{{ lane.name }}</span
          ><span v-if="lane.times > 1" class="times">{{ say('common.times', { times: lane.times }) }}</span>
        </button>
      </div>
      <div
        ref="lanesBox"
        class="lanes"
        role="group"
        :aria-label="
          say('rail.stepsArrowKeysWalk', { what: layout.lines === 1 ? say('rail.oneLane') : say('rail.lanes', { lines: layout.lines }) })
        "
        :style="{ width: `${width}px`, height: `${height}px` }"
        @keydown="onKey"
      >
        <svg :width="width" :height="height" aria-hidden="true">
          <path v-for="(bend, i) in inSight.bends" :key="`bend ${i}`" class="bend" :d="bendPath(bend)" />
          <path v-for="{ lane } in lanes" :key="`line ${lane.section}`" class="line" :d="lanePath(lane)" />
        </svg>
        <RailLane
          v-for="{ lane, ties } in lanes"
          :key="lane.section"
          :lane="lane"
          :ties="ties"
          :chosen="lane.row === row ? step : -1"
          :marks="marks"
          :locked="locked"
          @go="emit('go', lane.row, $event)"
          @drag="(from, to) => emit('drag', lane.row, from, to)"
          @bring="emit('bring', lane.row, $event)"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
.map {
  border-top: 1px solid var(--rule);
  background: var(--sheet);
  min-height: 0;
}
.scroll {
  overflow: auto;
  height: 100%;
  display: flex;
}
.names {
  position: sticky;
  left: 0;
  flex: none;
  background: var(--sheet);
  z-index: 2;
  border-right: 1px solid var(--rule);
}
.lane-name.over {
  box-shadow: inset 0 -3px var(--accent);
}
.lane-name {
  position: absolute;
  left: 0;
  width: 100%;
  height: 44px;
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  text-align: left;
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 0 8px 0 20px;
  cursor: pointer;
}
.lane-name.here {
  font-weight: 700;
  box-shadow: inset 4px 0 var(--accent);
}
.words {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.times {
  color: var(--faint);
  font-size: 0.85rem;
  font-weight: 400;
  white-space: nowrap;
}
.lanes {
  position: relative;
  flex: none;
}
svg {
  position: absolute;
  inset: 0;
}
.line,
.bend {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.bend {
  stroke-width: 1.6;
  stroke: #7b8085;
}
</style>
