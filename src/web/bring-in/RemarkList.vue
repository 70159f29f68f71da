<script setup lang="ts">
import { computed } from 'vue'
import type { Remark } from '@core/formats'

/** What was made of a file where it was not plain; what somebody must look at comes first. */
const props = defineProps<{ remarks: readonly Remark[] }>()
const SHOWN = 80
const sorted = computed(() => [...props.remarks].sort((a, b) => Number(b.needsPerson) - Number(a.needsPerson)))
</script>

<template>
  <ul class="remarks" aria-label="What was made of it">
    <li v-for="(remark, i) in sorted.slice(0, SHOWN)" :key="i" :class="{ needs: remark.needsPerson }">
      <span class="mark" aria-hidden="true">{{ remark.needsPerson ? '▲' : '·' }}</span>
      <span>
        <b v-if="remark.needsPerson">Look at this: </b>
        <span class="faint">{{ remark.place }}</span>
        <template v-if="remark.said"> “{{ remark.said }}”</template>: {{ remark.made }}
      </span>
    </li>
    <li v-if="sorted.length > SHOWN" class="faint">And {{ sorted.length - SHOWN }} more.</li>
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
