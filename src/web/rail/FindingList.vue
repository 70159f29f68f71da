<script setup lang="ts">
import { computed } from 'vue'
import { findingWords, type Finding } from '@core/checks'
import { say, screenAdvice } from '../language'

const props = defineProps<{ findings: readonly Finding[]; section: string; step: number; nameOf: (finding: Finding) => string }>()

/** More stand on the checks. */
const MOST = 20
/** Those of the step at hand first, then the worst. */
const shown = computed(() => {
  const isHere = (found: Finding): boolean => found.section === props.section && (found.step ?? 1) === props.step
  const here = props.findings.filter(isHere).slice(0, MOST)
  const known = new Set(here)
  const others: Finding[] = []
  for (const found of props.findings) {
    if (here.length + others.length >= MOST) break
    if (!known.has(found)) others.push(found)
  }
  return [...here, ...others]
})
const emit = defineEmits<{ go: [finding: Finding] }>()

const WORDS = { error: say('rail.error'), warning: say('rail.warning'), note: say('rail.note') } as const
const SIGNS = { error: '▲', warning: '●', note: '○' } as const
</script>

<template>
  <section class="findings" :aria-label="say('rail.findings')">
    <h2>{{ say('rail.findings') }}</h2>
    <p v-if="findings.length === 0" class="faint">{{ say('rail.nothingFoundEveryPartHas') }}</p>
    <ul v-else>
      <li v-for="(finding, i) in shown" :key="i">
        <button class="finding" @click="emit('go', finding)">
          <span class="head" :class="finding.severity"
            ><span aria-hidden="true">{{ SIGNS[finding.severity] }}</span> {{ WORDS[finding.severity] }}, {{ nameOf(finding) }}</span
          >
          <span>{{ findingWords(finding, screenAdvice()) }}</span>
        </button>
      </li>
    </ul>
    <RouterLink v-if="findings.length > shown.length" class="all" :to="{ name: 'checks' }">{{
      say('rail.allFindings', { findings: findings.length })
    }}</RouterLink>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
.finding {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-top: 1px solid var(--rule);
  padding: 8px 4px;
  width: 100%;
  min-height: 44px;
  text-align: left;
  display: flex;
  flex-direction: column;
  cursor: pointer;
  overflow-wrap: anywhere;
}
.finding:hover {
  background: var(--accent-wash);
}
.all {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}
.head {
  font-weight: 700;
}
.head.error {
  color: var(--error);
}
.head.warning {
  color: var(--warn);
}
</style>
