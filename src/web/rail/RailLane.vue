<script setup lang="ts">
import { ref } from 'vue'
import type { Lane, Tie } from '@core/booklet'

import { say, sayCount } from '../language'
import { useCarried } from './carried'
import { x, y } from './rail-drawing'
import type { RailMark } from './rail-keys'

const props = defineProps<{
  lane: Lane
  /** Those that are drawn. */
  ties: readonly Tie[]
  /** The chosen step of this lane, from 0; −1 where another lane has it. */
  chosen: number
  /** Findings by "section/step from 1". */
  marks: ReadonlyMap<string, RailMark>
  /** Locked steps, by "section/step from 0". */
  locked: ReadonlySet<string>
}>()
const emit = defineEmits<{ go: [step: number]; drag: [from: number, to: number]; bring: [to: number] }>()

const { carried } = useCarried()

const isLocked = (tie: Tie): boolean => props.locked.has(`${tie.section}/${tie.step}`)
const markOf = (tie: Tie) => props.marks.get(`${tie.section}/${tie.step + 1}`)
function labelOf(tie: Tie): string {
  const mark = markOf(tie)
  const joins = `${tie.joins > 0 ? say('rail.aJump') : ''}${isLocked(tie) ? say('rail.locked') : ''}`
  return say('rail.step', {
    label: tie.label,
    pieces: sayCount('count.pieces', tie.pieces),
    what: props.lane.isInset ? say('rail.aUnitBuiltHere') : '',
    joins,
    what2: mark ? `, ${sayCount('count.findings', mark.count)}` : '',
  })
}

/** The tie that is being dragged along its lane, and the one it would be put before or after. */
const dragged = ref(-1)
const over = ref(-1)
function onDragStart(event: DragEvent, step: number): void {
  dragged.value = step
  event.dataTransfer?.setData('text/plain', String(step))
}
function onDragOver(event: DragEvent, step: number): void {
  const isPieces = carried.value?.kind === 'pieces'
  if ((dragged.value < 0 && !isPieces) || (isPieces && props.locked.has(`${props.lane.section}/${step}`))) return
  event.preventDefault()
  over.value = step
}
function onDrop(to: number): void {
  if (dragged.value >= 0 && dragged.value !== to) emit('drag', dragged.value, to)
  else if (carried.value?.kind === 'pieces') emit('bring', to)
  endDrag()
}
function endDrag(): void {
  dragged.value = -1
  over.value = -1
}
</script>

<template>
  <!-- An edit or a step to the side changes few ties: the others are not looked at again. -->
  <button
    v-for="tie in ties"
    :key="tie.step"
    v-memo="[lane.line, tie.column, labelOf(tie), markOf(tie)?.worst, tie.step === chosen, over === tie.step]"
    class="tie"
    :class="{ here: tie.step === chosen, jump: tie.joins > 0, inset: lane.isInset, over: over === tie.step }"
    :draggable="!isLocked(tie)"
    :style="{ left: `${x(tie.column) - 14}px`, top: `${y(lane.line) - 22}px` }"
    :tabindex="tie.step === chosen ? 0 : -1"
    :aria-current="tie.step === chosen ? 'step' : undefined"
    :aria-label="labelOf(tie)"
    @dragstart="onDragStart($event, tie.step)"
    @dragover="onDragOver($event, tie.step)"
    @dragleave="over = -1"
    @drop.prevent="onDrop(tie.step)"
    @dragend="endDrag"
    @click="emit('go', tie.step)"
  >
    <span v-if="isLocked(tie)" class="lock" aria-hidden="true" />
    <span v-if="markOf(tie)" class="mark" :class="markOf(tie)!.worst" aria-hidden="true">{{
      markOf(tie)!.worst === 'error' ? '▲' : '●'
    }}</span>
  </button>
</template>

<style scoped>
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
.tie.inset::before {
  top: 18px;
  height: 8px;
  width: 8px;
  left: 10px;
  background: var(--sheet);
  border: 2px solid var(--ink);
  box-sizing: content-box;
  margin: -2px;
}
.tie:hover::before {
  background: var(--accent);
}
.tie.here::before {
  margin: 0;
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
