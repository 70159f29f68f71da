<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Page } from '@core/booklet'
import { pageAt, railLine, tieAt } from './rail-line'
import { useWords } from '../shared/words-key'

/** Where one stands: above, all sections of the booklet; below, the lane of the section that is open, a tie for each step. */
const props = defineProps<{ pages: readonly Page[]; index: number; title: string; isDone: (page: number) => boolean }>()
const emit = defineEmits<{ go: [page: number] }>()
const { say } = useWords()

const box = ref<HTMLElement>()
const { width: measured } = useElementSize(box)
const width = computed(() => Math.max(60, measured.value))
const line = computed(() => railLine(props.pages, props.index, width.value))
/** px: the line of the whole, the lane, and all. */
const WHOLE = 12
const LANE = 34
const HEIGHT = 50

const isDragging = ref(false)
const isOnLane = ref(false)
const place = (event: PointerEvent): void => {
  const { left } = box.value!.getBoundingClientRect()
  const x = event.clientX - left
  const page = isOnLane.value ? tieAt(line.value.ties, x) : pageAt(props.pages, x, width.value)
  if (page !== undefined) emit('go', page)
}
function onDown(event: PointerEvent): void {
  const { top } = box.value!.getBoundingClientRect()
  isOnLane.value = line.value.ties.length > 0 && event.clientY - top > (WHOLE + LANE) / 2
  isDragging.value = true
  box.value!.setPointerCapture(event.pointerId)
  place(event)
}
const onMove = (event: PointerEvent): void => (isDragging.value ? place(event) : undefined)
</script>

<template>
  <div
    ref="box"
    class="line"
    role="slider"
    tabindex="0"
    :aria-label="say('follow.place')"
    aria-valuemin="1"
    :aria-valuemax="pages.length"
    :aria-valuenow="index + 1"
    :aria-valuetext="title"
    @pointerdown="onDown"
    @pointermove="onMove"
    @pointerup="isDragging = false"
    @pointercancel="isDragging = false"
  >
    <svg :width="width" :height="HEIGHT" :viewBox="`0 0 ${width} ${HEIGHT}`" aria-hidden="true">
      <line x1="0" :x2="width" :y1="WHOLE" :y2="WHOLE" class="rail" />
      <g v-for="(section, i) in line.sections" :key="i" :class="{ here: section.isHere }">
        <rect v-if="section.isHere" :x="section.x" y="1" :width="section.width" :height="WHOLE * 2 - 2" class="open" />
        <line :x1="section.x" :x2="section.x" :y1="WHOLE - 5" :y2="WHOLE + 5" class="end" />
        <text v-if="section.letter" :x="section.x + section.width / 2" :y="WHOLE + 4">{{ section.letter }}</text>
      </g>
      <path :d="`M${line.here - 5} 0 h10 l-5 6 Z`" class="mark" />
      <template v-if="line.ties.length > 0">
        <line :x1="line.ties[0]!.x - 4" :x2="line.ties.at(-1)!.x + 4" :y1="LANE" :y2="LANE" class="rail" />
        <g v-for="tie in line.ties" :key="tie.page" :class="{ here: tie.isHere, done: isDone(tie.page) }">
          <rect v-if="tie.kind === 'tray'" :x="tie.x - 4" :y="LANE - 4" width="8" height="8" class="tray" />
          <path v-if="tie.kind === 'jump'" :d="`M${tie.x - 7} ${LANE + 11} Q${tie.x - 1} ${LANE + 9} ${tie.x} ${LANE}`" class="branch" />
          <line :x1="tie.x" :x2="tie.x" :y1="LANE - (tie.isHere ? 11 : 7)" :y2="LANE + (tie.isHere ? 11 : 7)" class="tie" />
        </g>
      </template>
    </svg>
  </div>
</template>

<style scoped>
.line {
  flex: 1;
  min-width: 60px;
  cursor: pointer;
  touch-action: none;
}
svg {
  display: block;
}
.rail {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.end {
  stroke: var(--ink);
  stroke-width: 1.5;
}
text {
  font-size: 12px;
  text-anchor: middle;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 5px;
}
.here text {
  font-weight: 700;
  stroke: none;
}
.open {
  fill: var(--paper);
  stroke: var(--accent);
  stroke-width: 2;
}
.mark {
  fill: var(--accent);
}
.tie {
  stroke: var(--ink);
  stroke-width: 2;
}
.done .tie {
  stroke-width: 5;
}
.here .tie {
  stroke: var(--accent);
  stroke-width: 4;
}
.tray {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2;
}
.branch {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
