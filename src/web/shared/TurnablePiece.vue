<script setup lang="ts">
import { say, screenWords } from '../language'
import { arrowWay } from './arrow-keys'
import { computed, ref } from 'vue'
import type { OwnShape } from '@core/catalogue'
import { freeViewWords, turnedBy, turnedOver, USUAL_VIEW, type FreeView, type PieceSpec } from '@core/picture'
import ActionButton from '../controls/ActionButton.vue'
import PiecePicture from './PiecePicture.vue'

/** A piece that can be turned: by dragging, by the arrow keys, by buttons. */
withDefaults(
  defineProps<{
    shape: string
    colour: string
    piece?: PieceSpec | undefined
    own?: OwnShape | undefined
    width?: number
    height?: number
  }>(),
  { piece: undefined, own: undefined, width: 300, height: 220 },
)

const STEP = 15
const PER_PIXEL = 0.6
const view = ref<FreeView>(USUAL_VIEW)
const place = computed(() => freeViewWords(view.value, screenWords()))

function turnBy(turn: number, lift: number): void {
  view.value = turnedBy(view.value, { turn, lift })
}

/** @returns whether the key turned it: the sheet around hands its keys on */
function onKey(event: KeyboardEvent): boolean {
  const way = arrowWay(event)
  if (!way) return false
  turnBy(way[0] * STEP, -way[1] * STEP)
  event.preventDefault()
  event.stopPropagation()
  return true
}
defineExpose({ onKey })

let last: { x: number; y: number } | undefined
function onDown(event: PointerEvent): void {
  last = { x: event.clientX, y: event.clientY }
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}
function onMove(event: PointerEvent): void {
  if (!last) return
  turnBy((last.x - event.clientX) * PER_PIXEL, (event.clientY - last.y) * PER_PIXEL)
  last = { x: event.clientX, y: event.clientY }
}
</script>

<template>
  <div class="turnable">
    <div
      class="piece"
      role="img"
      tabindex="0"
      :aria-label="say('shared.thePieceTheArrowKeys', { place })"
      @keydown="onKey"
      @pointerdown="onDown"
      @pointermove="onMove"
      @pointerup="last = undefined"
      @pointercancel="last = undefined"
    >
      <PiecePicture :shape="shape" :colour="colour" :piece="piece" :own="own" :width="width" :height="height" :free="view" />
    </div>
    <p class="faint" role="status">{{ place }}</p>
    <div class="turns" role="group" :aria-label="say('shared.turnThePiece')">
      <ActionButton shortcut="←" :describe="say('shared.turnItToTheLeft')" @click="turnBy(-3 * STEP, 0)">{{
        say('shared.left')
      }}</ActionButton>
      <ActionButton shortcut="→" :describe="say('shared.turnItToTheRight')" @click="turnBy(3 * STEP, 0)">{{
        say('shared.right')
      }}</ActionButton>
      <ActionButton shortcut="↑ ↓" :describe="say('shared.seeItFromAboveOr')" @click="view = turnedOver(view)">{{
        say('shared.over')
      }}</ActionButton>
    </div>
  </div>
</template>

<style scoped>
.piece {
  background: #fff;
  cursor: grab;
  touch-action: none;
  width: fit-content;
}
.piece:active {
  cursor: grabbing;
}
.turns {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
p {
  margin: 4px 0 8px;
}
</style>
