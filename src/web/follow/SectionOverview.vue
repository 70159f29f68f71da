<script setup lang="ts">
import { computed } from 'vue'
import type { Page, StepPage } from '@core/booklet'
import { useWords } from '../shared/words-key'

/** All sections with their steps: where one is, what is done, and the way to each. */
const { pages, index, isDone } = defineProps<{
  pages: readonly Page[]
  index: number
  isDone: (page: StepPage, at: number) => boolean
}>()
const emit = defineEmits<{ go: [index: number] }>()
const { say } = useWords()

const sections = computed(() =>
  pages.flatMap((page, at) => {
    if (page.kind !== 'tray') return []
    const steps = pages.flatMap((each, k) =>
      (each.kind === 'step' || each.kind === 'jump') && each.section === page.section ? [{ page: each, index: k }] : [],
    )
    return [{ page, index: at, steps }]
  }),
)
</script>

<template>
  <section class="overview" :aria-label="say('follow.sections')">
    <button class="plain-button framed" @click="emit('go', 0)">{{ say('follow.cover') }}</button>
    <ol>
      <li v-for="section in sections" :key="section.page.section">
        <button class="plain-button lane-name" @click="emit('go', section.index)">
          <strong>{{ section.page.letter }}</strong> {{ section.page.name }}
          <span v-if="section.page.times + section.page.mirrored > 1" class="faint">{{
            say('tray.built', { n: section.page.times + section.page.mirrored })
          }}</span>
        </button>
        <span class="ties">
          <button
            v-for="entry in section.steps"
            :key="entry.index"
            class="tie"
            :class="{ here: entry.index === index, done: isDone(entry.page, entry.index) }"
            :aria-label="say(isDone(entry.page, entry.index) ? 'follow.stepDone' : 'follow.step', { label: entry.page.label })"
            :aria-current="entry.index === index ? 'step' : undefined"
            @click="emit('go', entry.index)"
          />
        </span>
      </li>
    </ol>
    <button class="plain-button framed" @click="emit('go', pages.length - 1)">{{ say('page.inventory') }}</button>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  padding: 0;
  margin: 12px 0;
}
li {
  display: flex;
  align-items: center;
  gap: 12px;
  border-bottom: 1px solid var(--rule);
  flex-wrap: wrap;
}
.lane-name {
  min-width: 220px;
  justify-content: flex-start;
}
.ties {
  display: flex;
  flex-wrap: wrap;
}
.tie {
  width: 26px;
  height: 36px;
  border: 0;
  background: linear-gradient(var(--ink), var(--ink)) center / 100% 1.5px no-repeat;
  position: relative;
  cursor: pointer;
}
.tie::after {
  content: '';
  position: absolute;
  left: 12px;
  top: 11px;
  bottom: 11px;
  width: 2px;
  background: var(--ink);
}
.tie.done::after {
  width: 8px;
  left: 9px;
}
.tie.here::after {
  top: 3px;
  bottom: 3px;
  width: 4px;
  left: 11px;
  background: var(--accent);
}
</style>
