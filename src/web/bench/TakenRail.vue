<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import type { TakenOff } from '@core/plan'
import { say } from '../language'

/** The rail that grows from its end: what came off last is built first, so it stands farthest to the left. */
const props = defineProps<{
  taken: readonly TakenOff[]
  left: number
  titleOf: (ids: readonly string[]) => string
  looked: number | null
}>()
const emit = defineEmits<{ look: [taken: number] }>()

const list = ref<HTMLElement>()
watch(
  () => props.taken.length,
  async () => {
    await nextTick()
    if (list.value) list.value.scrollLeft = 0
  },
)
/** From the left: how many were off when this one went. */
const numberAt = (i: number): number => props.taken.length - i
const takenAt = (i: number): TakenOff => props.taken[props.taken.length - 1 - i]!
const MOST_TIES = 400
</script>

<template>
  <section class="taken" :aria-label="say('bench.railFromItsEnd')">
    <p class="faint">
      {{ left > 0 ? say('bench.stillTogether', { left }) : say('bench.allApart') }}
    </p>
    <ol ref="list" tabindex="-1" :aria-label="say('bench.takenOffTheLastOne')">
      <li v-for="i in Math.min(taken.length, MOST_TIES)" :key="numberAt(i - 1)">
        <button
          :aria-current="looked === numberAt(i - 1) ? 'step' : undefined"
          :title="titleOf(takenAt(i - 1).ids)"
          :aria-label="`${titleOf(takenAt(i - 1).ids)}; ${i === 1 ? say('bench.takenOffLast') : say('bench.builtTh', { i })}`"
          @click="emit('look', numberAt(i - 1))"
        >
          <span class="tie" aria-hidden="true" />
          <span class="number">{{ i }}</span>
        </button>
      </li>
    </ol>
    <p class="faint end" aria-hidden="true">{{ say('bench.finished') }}</p>
  </section>
</template>

<style scoped>
.taken {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 0 20px;
  min-height: 76px;
  border-top: 1px solid var(--rule);
  background: var(--sheet);
}
p {
  margin: 0;
  white-space: nowrap;
}
ol {
  display: flex;
  flex: 1;
  min-width: 0;
  margin: 0;
  padding: 0;
  list-style: none;
  overflow-x: auto;
  background: linear-gradient(var(--ink), var(--ink)) 0 24px / 100% 2px no-repeat;
  min-height: 60px;
}
li:first-child {
  margin-left: auto;
}
button {
  position: relative;
  width: 44px;
  height: 60px;
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  cursor: pointer;
  padding: 0;
}
.tie {
  position: absolute;
  left: 18px;
  top: 10px;
  width: 8px;
  height: 30px;
  border: 2px solid var(--ink);
  background: var(--sheet);
}
button[aria-current] .tie {
  background: var(--accent);
}
button:hover .tie {
  background: var(--accent-wash);
}
.number {
  position: absolute;
  inset: 40px 0 auto;
  text-align: center;
  font-size: 0.85rem;
}
</style>
