<script setup lang="ts">
import { computed } from 'vue'
import type { Remark } from '@core/formats'
import { say } from '../language'
import { screenAdvice } from '../language/screen-advice'

/** What was made of a file where it was not plain; what somebody must look at comes first. */
const props = defineProps<{ remarks: readonly Remark[] }>()
const SHOWN = 80
const advice = screenAdvice()
/** The same words in many rows are told once. */
const grouped = computed(() => {
  const groups = new Map<string, { readonly remark: Remark; count: number }>()
  for (const remark of props.remarks) {
    const key = `${remark.said} ${remark.made}`
    const known = groups.get(key)
    if (known) known.count++
    else groups.set(key, { remark, count: 1 })
  }
  return [...groups.values()]
})
const sorted = computed(() => [...grouped.value].sort((a, b) => Number(b.remark.needsPerson) - Number(a.remark.needsPerson)))
</script>

<template>
  <ul class="remarks" :aria-label="say('bringIn.whatWasMadeOfIt')">
    <li v-for="({ remark, count }, i) in sorted.slice(0, SHOWN)" :key="i" :class="{ needs: remark.needsPerson }">
      <span class="mark" aria-hidden="true">{{ remark.needsPerson ? '▲' : '·' }}</span>
      <span>
        <b v-if="remark.needsPerson">{{ `${say('bringIn.lookAtThis')} ` }}</b>
        <span class="faint"
          >{{ remark.told.place ? advice.say(remark.told.place) : remark.place
          }}<template v-if="count > 1">{{ say('bringIn.andMore', { count: count - 1 }) }}</template></span
        >
        <template v-if="remark.said"> “{{ remark.said }}”</template>: {{ advice.say(remark.told.made) }}
      </span>
    </li>
    <li v-if="sorted.length > SHOWN" class="faint">{{ say('bringIn.andMore2', { sorted: sorted.length - SHOWN }) }}</li>
  </ul>
</template>

<style scoped>
.remarks {
  list-style: none;
  margin: 0;
  padding: 0;
  max-width: 80ch;
}
li {
  display: flex;
  gap: 8px;
  padding: 4px 0;
  overflow-wrap: anywhere;
}
.needs .mark {
  color: var(--warn);
}
</style>
