<script setup lang="ts">
import { computed } from 'vue'
import { readinessOf, type ReadinessItem } from '@core/booklet'
import { say, screenAdvice } from '../language'
import { useProofs } from '../proof/use-proofs'
import { useOpenModel } from '../stores/open-model'

/** What to look at before the booklet goes out; it can go out all the same. */
const open = useOpenModel()
const { finished } = useProofs(open.id)
const items = computed(() =>
  open.shown && open.report ? readinessOf(open.shown, { findings: open.report.findings, proofs: finished.value.length }) : [],
)
const done = computed(() => items.value.filter(({ isDone }) => isDone).length)
const ROOMS: Readonly<Record<ReadinessItem['id'], string>> = {
  errors: 'checks',
  warnings: 'checks',
  proof: 'proof',
  names: 'sections',
  sections: 'sections',
  photos: 'photos',
}
const advice = screenAdvice()
</script>

<template>
  <details v-if="items.length > 0" class="readiness">
    <summary class="opener">{{ say('booklet.beforeYouPublishOfDone', { done, items: items.length }) }}</summary>
    <ul :aria-label="say('booklet.beforeYouPublish')">
      <li v-for="item in items" :key="item.id">
        <span aria-hidden="true">{{ item.isDone ? '✓' : '○' }}</span>
        <span v-if="item.isDone" class="faint"
          ><span class="sr-only">{{ say('booklet.done') }}</span> {{ advice.say(item.said) }}</span
        >
        <RouterLink v-else :to="{ name: ROOMS[item.id] }"
          ><span class="sr-only">{{ say('booklet.toDo') }}</span> {{ advice.say(item.said) }}</RouterLink
        >
      </li>
    </ul>
  </details>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  gap: 10px;
  padding: 4px 0;
}
</style>
