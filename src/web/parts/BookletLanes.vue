<script setup lang="ts">
import { computed } from 'vue'
import { lanesWords, type BookletLanes } from '@core/bags'
import { say, screenAdvice, screenWords } from '../language'

/** Who builds which bag when, and who waits for whom: a lane for each booklet. */
const props = defineProps<{ lanes: BookletLanes }>()
const percent = (pieces: number): string => `${(100 * pieces) / Math.max(1, props.lanes.length)}%`
const waiting = computed(() => props.lanes.lanes.flatMap(({ bags }) => bags.filter(({ waitsFor }) => waitsFor.length > 0)))
const bookletsInWords = (numbers: readonly number[]): string =>
  numbers.length === 1
    ? say('parts.booklet3', { numbers: numbers[0]! })
    : say('parts.booklets', { numbers: screenWords().list(numbers.map(String)) })
</script>

<template>
  <section :aria-label="say('parts.whoBuildsWhen')" class="lanes">
    <p class="sum">{{ lanesWords(lanes, screenAdvice()) }}</p>
    <div v-for="{ booklet, bags } in lanes.lanes" :key="booklet" class="lane" aria-hidden="true">
      <b>{{ booklet }}</b>
      <div class="line">
        <span v-for="bag in bags" :key="bag.number" class="bag" :style="{ left: percent(bag.from), width: percent(bag.to - bag.from) }">{{
          bag.number
        }}</span>
      </div>
    </div>
    <ul>
      <li v-for="bag in waiting" :key="bag.number">
        {{ say('parts.bagWaitsForWhatBuilds', { number: bag.number, bookletsInWords: bookletsInWords(bag.waitsFor) }) }}
      </li>
      <li v-if="waiting.length === 0">{{ say('parts.nobodyWaitsForAnother') }}</li>
    </ul>
  </section>
</template>

<style scoped>
.lanes {
  max-width: 900px;
  margin: 8px 0 18px;
}
.sum {
  margin: 0 0 6px;
}
.lane {
  display: flex;
  align-items: center;
  gap: 10px;
}
.lane b {
  width: 2ch;
  text-align: right;
}
.line {
  position: relative;
  flex: 1;
  height: 34px;
  background: linear-gradient(var(--ink), var(--ink)) center / 100% 1.5px no-repeat;
}
.bag {
  position: absolute;
  top: 4px;
  bottom: 4px;
  overflow: hidden;
  border: 1.5px solid var(--ink);
  background: var(--paper);
  text-align: center;
  font-size: 0.86rem;
  line-height: 23px;
}
ul {
  margin: 8px 0 0;
  padding-left: 20px;
}
</style>
