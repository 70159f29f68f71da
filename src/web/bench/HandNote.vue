<script setup lang="ts">
import { computed } from 'vue'
import { groundDirection, type FreeView } from '@core/picture'
import { PLUS_Z, MINUS_Z } from '@core/space'
import { useNaming } from './naming'
import { verdictWords } from './place-words'
import type { BenchHand } from './use-hand'
import type { BenchSection } from './use-section'

/** What is in the hand, said next to it: what it is, whether it holds, and what can be done with it. */
const props = defineProps<{ hand: BenchHand; section: BenchSection; view: { readonly free: FreeView } | undefined }>()

const held = computed(() => props.hand.held.value!)
const { titleOf } = useNaming(props.section)
const isClash = computed(() => !held.value.isPut && (props.hand.verdict.value?.collidesWith.length ?? 0) > 0)
const words = computed(() => {
  if (held.value.isPut) return held.value.kind === 'copied' ? 'Move it to where another one goes.' : 'It is put. Move on for the next one.'
  const { verdict } = props.hand
  return verdict.value ? verdictWords(verdict.value, titleOf) : ''
})
const left = computed(() => (held.value.left > 1 && held.value.left < Infinity ? `${held.value.left} to put down.` : ''))
const move = (way: 'right' | 'left' | 'away' | 'near'): void => {
  if (props.view) props.hand.moveBy(groundDirection(props.view.free, way), 'stud')
}
</script>

<template>
  <section class="slip" aria-label="In the hand">
    <h2>{{ held.title }}</h2>
    <p role="status" :class="{ bad: isClash }">
      <b v-if="isClash">Collides. </b>{{ words }} <span v-if="left">{{ left }}</span>
    </p>
    <div class="acts">
      <button class="plain-button framed" @click="hand.put()">Put down <kbd>Enter</kbd></button>
      <button class="plain-button" @click="hand.turn()">Turn <kbd>R</kbd></button>
      <button class="plain-button" @click="hand.tip()">Tip <kbd>T</kbd></button>
      <button class="plain-button" @click="hand.mirror('x')">Mirror <kbd>X</kbd></button>
      <button class="plain-button" @click="hand.drop()">Down on it <kbd>G</kbd></button>
      <button v-if="hand.stride.value" class="plain-button" @click="hand.repeat()">Same again <kbd>.</kbd></button>
      <button class="plain-button" @click="hand.letGo()">Let go <kbd>Esc</kbd></button>
    </div>
    <div class="pad" role="group" aria-label="Move it">
      <button class="plain-button" aria-label="To the left" @click="move('left')"><kbd>←</kbd></button>
      <button class="plain-button" aria-label="Away" @click="move('away')"><kbd>↑</kbd></button>
      <button class="plain-button" aria-label="Nearer" @click="move('near')"><kbd>↓</kbd></button>
      <button class="plain-button" aria-label="To the right" @click="move('right')"><kbd>→</kbd></button>
      <button class="plain-button" aria-label="A plate up" @click="hand.moveBy(PLUS_Z, 'plate')"><kbd>Pg ↑</kbd></button>
      <button class="plain-button" aria-label="A plate down" @click="hand.moveBy(MINUS_Z, 'plate')"><kbd>Pg ↓</kbd></button>
    </div>
    <p class="faint">Alt moves half a stud; 2 to 9 put down a row.</p>
  </section>
</template>

<style scoped src="./slip.css"></style>
<style scoped>
.pad {
  display: flex;
  flex-wrap: wrap;
}
</style>
