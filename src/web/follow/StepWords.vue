<script setup lang="ts">
import { joinWords, type StepPage } from '@core/booklet'
import type { PieceCount } from '@core/count'
import PathSign from '../shared/PathSign.vue'
import PhotoPicture from '../shared/PhotoPicture.vue'
import StepSigns from '../shared/StepSigns.vue'
import TurnMark from '../shared/TurnMark.vue'
import { useWords } from '../shared/words-key'
import TickList from './TickList.vue'

/** What a step says beside its picture. */
defineProps<{
  step: StepPage
  /** Where each part goes, for who cannot see the picture. */
  places: readonly string[]
  isTicked: (piece: PieceCount) => boolean
  /** Questions that are answered here. */
  answered: number
  /** At the last step of a section that is built several times: which one this is. */
  copies: { readonly name: string; readonly number: number; readonly of: number } | null
}>()
const emit = defineEmits<{
  tick: [piece: PieceCount, isOn: boolean]
  tickAll: [pieces: readonly PieceCount[], isOn: boolean]
  ask: []
  again: []
}>()
const words = useWords()
const { say } = words
</script>

<template>
  <p class="faint">{{ say('follow.stepPlace', { name: step.name, n: step.number, of: step.of }) }}</p>
  <p class="sr-only">{{ step.spoken }}</p>
  <p v-if="step.bag" class="bag">{{ step.bag }}.</p>
  <ul class="sr-only" :aria-label="say('follow.whereParts')">
    <li v-for="(place, i) in places" :key="i">{{ place }}</li>
  </ul>
  <p v-for="join in step.joins" :key="join.label + join.mirrored" class="join">
    <svg width="34" height="22" viewBox="0 0 34 22" aria-hidden="true">
      <path d="M1 4 H10 C20 4 18 17 28 17 H33" fill="none" stroke="currentColor" stroke-width="2.4" />
    </svg>
    {{ joinWords(join, words).whole }}
  </p>
  <TickList
    v-if="step.callout.length > 0"
    :pieces="step.callout"
    :is-ticked="isTicked"
    @tick="(piece, isOn) => emit('tick', piece, isOn)"
    @tick-all="(pieces, isOn) => emit('tickAll', pieces, isOn)"
  />
  <p v-if="step.turn" class="turn"><TurnMark /> {{ step.turn }}.</p>
  <p v-if="step.seenFrom" class="faint">{{ step.seenFrom }}.</p>
  <p v-for="remark in step.remarks" :key="remark">{{ remark }}</p>
  <p v-if="step.rests.length > 0" class="faint">{{ say('step.loose') }}</p>
  <PhotoPicture v-for="(photo, i) in step.photos" :key="`photo ${step.label} ${i}`" :photo="photo" />
  <p v-if="step.note" class="notes">{{ step.note }}</p>
  <StepSigns :signs="step.signs" />
  <p v-if="step.ahead" class="faint"><PathSign :path="step.aheadSign" /> {{ step.ahead }}.</p>
  <div v-if="copies" class="again">
    <p>
      {{ say('follow.copyBuilt', { name: copies.name, n: copies.number, of: copies.of }) }}
    </p>
    <button v-if="copies.number < copies.of" class="plain-button framed" @click="emit('again')">
      {{ say('follow.buildNext', { name: copies.name, n: copies.number + 1, of: copies.of }) }}
    </button>
  </div>
  <button v-if="answered > 0" class="plain-button framed" @click="emit('ask')">
    {{ words.count('follow.answered', answered) }}
  </button>
</template>

<style scoped src="./words.css"></style>
