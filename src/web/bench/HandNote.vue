<script setup lang="ts">
import { computed } from 'vue'
import { groundDirection, type FreeView } from '@core/picture'
import { PLUS_Z, MINUS_Z } from '@core/space'
import { say } from '../language'
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
  if (held.value.isPut) return held.value.kind === 'copied' ? say('bench.moveItToWhereAnother') : say('bench.itIsPutMoveOn')
  const { verdict } = props.hand
  return verdict.value ? verdictWords(verdict.value, titleOf) : ''
})
const left = computed(() => (held.value.left > 1 && held.value.left < Infinity ? say('bench.toPutDown', { left: held.value.left }) : ''))
const move = (way: 'right' | 'left' | 'away' | 'near'): void => {
  if (props.view) props.hand.moveBy(groundDirection(props.view.free, way), 'stud')
}
</script>

<template>
  <section class="slip" :aria-label="say('bench.inTheHand')">
    <h2>{{ held.title }}</h2>
    <p role="status" :class="{ bad: isClash }">
      <b v-if="isClash">{{ say('bench.collides') }}</b> {{ words }} <span v-if="left">{{ left }}</span>
    </p>
    <div class="acts">
      <button class="plain-button framed" @click="hand.put()">
        {{ say('bench.putDown') }} <kbd>{{ say('bench.enter') }}</kbd>
      </button>
      <button class="plain-button" @click="hand.turn()">{{ say('bench.turn') }} <kbd>R</kbd></button>
      <button class="plain-button" @click="hand.tip()">{{ say('bench.tip') }} <kbd>T</kbd></button>
      <button class="plain-button" @click="hand.mirror('x')">{{ say('bench.mirror') }} <kbd>X</kbd></button>
      <button class="plain-button" @click="hand.drop()">{{ say('bench.downOnIt') }} <kbd>G</kbd></button>
      <button v-if="hand.stride.value" class="plain-button" @click="hand.repeat()">{{ say('bench.sameAgain') }} <kbd>.</kbd></button>
      <button class="plain-button" @click="hand.letGo()">
        {{ say('bench.letGo') }} <kbd>{{ say('common.esc') }}</kbd>
      </button>
    </div>
    <div class="pad" role="group" :aria-label="say('bench.moveIt')">
      <button class="plain-button" :aria-label="say('bench.toTheLeft')" @click="move('left')"><kbd>←</kbd></button>
      <button class="plain-button" :aria-label="say('bench.away')" @click="move('away')"><kbd>↑</kbd></button>
      <button class="plain-button" :aria-label="say('bench.nearer')" @click="move('near')"><kbd>↓</kbd></button>
      <button class="plain-button" :aria-label="say('bench.toTheRight')" @click="move('right')"><kbd>→</kbd></button>
      <button class="plain-button" :aria-label="say('bench.aPlateUp')" @click="hand.moveBy(PLUS_Z, 'plate')">
        <kbd>{{ say('bench.pg') }}</kbd>
      </button>
      <button class="plain-button" :aria-label="say('bench.aPlateDown')" @click="hand.moveBy(MINUS_Z, 'plate')">
        <kbd>{{ say('bench.pg2') }}</kbd>
      </button>
    </div>
    <p class="faint">{{ say('bench.altMovesHalfAStud') }}</p>
  </section>
</template>

<style scoped src="./slip.css"></style>
<style scoped>
.pad {
  display: flex;
  flex-wrap: wrap;
}
</style>
