<script setup lang="ts">
import { useElementSize, useScroll } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import type { Lane, RailLayout, Tie, Walk } from '@core/booklet'
import { plural } from '@core/words'
import { WALKS, type Mark } from './rail-keys'
import { bendPath, COLUMN, isInSight, lanePath, ROW, TOP, windowOf, x, y } from './rail-drawing'

const props = defineProps<{
  layout: RailLayout
  row: number
  step: number
  /** Findings by "section/step from 1". */
  marks: ReadonlyMap<string, Mark>
  /** Locked steps, by "section/step from 0". */
  locked: ReadonlySet<string>
}>()
const emit = defineEmits<{ go: [row: number, step: number]; walk: [walk: Walk]; drag: [row: number, from: number, to: number] }>()

/** The names of lanes lie over the left of the rail, px. */
const NAMES = 176

const scroller = ref<HTMLElement>()
const lanesBox = ref<HTMLElement>()
const { x: left, y: top } = useScroll(scroller)
const size = useElementSize(scroller)
const width = computed(() => (props.layout.columns + 1) * COLUMN)
const height = computed(() => TOP + props.layout.lanes.length * ROW)

/** Only what is in sight is drawn: a rail may have ten thousand ties. */
const inSight = computed(() =>
  windowOf(props.layout, { left: left.value, top: top.value, width: size.width.value, height: size.height.value }, props.row, props.step),
)

const isLocked = (tie: Tie): boolean => props.locked.has(`${tie.section}/${tie.step}`)
const markOf = (tie: Tie) => props.marks.get(`${tie.section}/${tie.step + 1}`)
const isHere = (lane: Lane, tie: Tie): boolean => lane.row === props.row && tie.step === props.step
function labelOf(tie: Tie): string {
  const mark = markOf(tie)
  const joins = `${tie.joins > 0 ? ', a jump' : ''}${isLocked(tie) ? ', locked' : ''}`
  return `Step ${tie.label}, ${plural(tie.pieces, 'piece')}${joins}${mark ? `, ${plural(mark.count, 'finding')}` : ''}`
}

/** The tie that is being dragged along its lane, and the one it would be put before or after. */
const dragged = ref<{ row: number; step: number } | null>(null)
const over = ref(-1)
function onDragStart(event: DragEvent, row: number, step: number): void {
  dragged.value = { row, step }
  event.dataTransfer?.setData('text/plain', String(step))
}
function onDragOver(event: DragEvent, row: number, step: number): void {
  if (dragged.value?.row !== row) return
  event.preventDefault()
  over.value = step
}
function onDrop(row: number, to: number): void {
  if (dragged.value?.row === row && dragged.value.step !== to) emit('drag', row, dragged.value.step, to)
  endDrag()
}
function endDrag(): void {
  dragged.value = null
  over.value = -1
}

function onKey(event: KeyboardEvent): void {
  const walk = WALKS[event.key]
  if (!walk || event.ctrlKey || event.metaKey || event.altKey) return
  event.preventDefault()
  event.stopPropagation()
  emit('walk', walk)
}

function isChosenInSight(): boolean {
  const tie = props.layout.lanes[props.row]?.ties[props.step]
  const sight = { left: left.value, top: top.value, width: size.width.value, height: size.height.value }
  return tie !== undefined && isInSight(sight, tie.column, props.row, NAMES)
}

/** Keeps the chosen tie in sight, and the focus on it when the focus is on the rail. */
watch(
  () => [props.row, props.step, props.layout],
  async () => {
    const hasFocus = lanesBox.value?.contains(document.activeElement) ?? false
    await nextTick()
    const tie = lanesBox.value?.querySelector<HTMLElement>('[aria-current="step"]')
    // Scrolling makes the browser lay the page out at once, so it is only asked for where it is needed.
    if (!isChosenInSight()) tie?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
    if (hasFocus) tie?.focus({ preventScroll: true })
  },
  { immediate: true },
)
</script>

<template>
  <section class="map" aria-label="Rail">
    <div ref="scroller" class="scroll">
      <div class="names" :style="{ height: `${height}px`, width: `${NAMES}px` }">
        <button
          v-for="{ lane } in inSight.lanes"
          :key="lane.section"
          class="lane-name"
          :class="{ here: lane.row === row }"
          :style="{ top: `${y(lane.row) - 22}px` }"
          tabindex="-1"
          :title="lane.name"
          :aria-label="`Section ${lane.letter}, ${lane.name}`"
          @click="emit('go', lane.row, 0)"
        >
          <b>{{ lane.letter }}</b><span class="words">{{ lane.name }}</span
          ><span v-if="lane.times > 1" class="times">{{ lane.times }} times</span>
        </button>
      </div>
      <div
        ref="lanesBox"
        class="lanes"
        role="group"
        :aria-label="`Steps, ${layout.lanes.length === 1 ? 'one lane' : `${layout.lanes.length} lanes`}. Arrow keys walk.`"
        :style="{ width: `${width}px`, height: `${height}px` }"
        @keydown="onKey"
      >
        <svg :width="width" :height="height" aria-hidden="true">
          <path v-for="(bend, i) in inSight.bends" :key="`bend ${i}`" class="bend" :d="bendPath(bend)" />
          <path v-for="{ lane } in inSight.lanes" :key="`line ${lane.section}`" class="line" :d="lanePath(lane)" />
        </svg>
        <template v-for="{ lane, ties } in inSight.lanes" :key="lane.section">
          <button
            v-for="tie in ties"
            :key="tie.step"
            v-memo="[lane.row, tie.column, labelOf(tie), markOf(tie)?.worst, isHere(lane, tie), dragged?.row === lane.row && over === tie.step]"
            class="tie"
            :class="{ here: isHere(lane, tie), jump: tie.joins > 0, over: dragged?.row === lane.row && over === tie.step }"
            :draggable="!isLocked(tie)"
            :style="{ left: `${x(tie.column) - 14}px`, top: `${y(lane.row) - 22}px` }"
            :tabindex="isHere(lane, tie) ? 0 : -1"
            :aria-current="isHere(lane, tie) ? 'step' : undefined"
            :aria-label="labelOf(tie)"
            @dragstart="onDragStart($event, lane.row, tie.step)"
            @dragover="onDragOver($event, lane.row, tie.step)"
            @drop.prevent="onDrop(lane.row, tie.step)"
            @dragend="endDrag"
            @click="emit('go', lane.row, tie.step)"
          >
            <span v-if="isLocked(tie)" class="lock" aria-hidden="true" />
            <span v-if="markOf(tie)" class="mark" :class="markOf(tie)!.worst" aria-hidden="true">{{
              markOf(tie)!.worst === 'error' ? '▲' : '●'
            }}</span>
          </button>
        </template>
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
.tie {
  position: absolute;
  width: 28px;
  height: 44px;
  border: 0;
  background: none;
  cursor: pointer;
  padding: 0;
}
.tie::before {
  content: '';
  position: absolute;
  left: 13px;
  top: 15px;
  height: 14px;
  width: 2px;
  background: var(--ink);
}
.tie.jump::before {
  width: 8px;
  left: 10px;
  background: var(--sheet);
  border: 2px solid var(--ink);
  border-radius: 50%;
  height: 10px;
  top: 16px;
  box-sizing: content-box;
}
.tie:hover::before {
  background: var(--accent);
}
.tie.here::before {
  top: 7px;
  height: 30px;
  width: 5px;
  left: 11.5px;
  background: var(--accent);
  border: 0;
  border-radius: 0;
}
/* Locked: the tie is held between two bars. */
.lock {
  position: absolute;
  left: 6px;
  top: 12px;
  width: 16px;
  height: 20px;
  border: solid var(--ink);
  border-width: 2px 0;
}
.tie.over {
  box-shadow: inset 3px 0 var(--accent);
}
.mark {
  position: absolute;
  top: 29px;
  left: 8px;
  font-size: 11px;
  line-height: 1;
  color: var(--warn);
}
.mark.error {
  color: var(--error);
}
.mark.note {
  color: var(--faint);
}
</style>
