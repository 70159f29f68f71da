<script setup lang="ts">
import { computed } from 'vue'
import type { ProofReport } from '@core/durations'
import { plural } from '@core/words'
import { useOpenModel } from '../stores/open-model'
import { clockWords } from '@core/proof-build'

/** What a proof build showed: which steps to mend, and what a second one says of the first. */
const props = defineProps<{ report: ProofReport }>()
const open = useOpenModel()
const letters = computed(() => new Map((open.snapshot?.layout.lanes ?? []).map(({ section, letter }) => [section, letter])))
const labelOf = ({ section, step }: { readonly section: string; readonly step: number }): string =>
  `${letters.value.get(section) ?? ''} ${String(step).padStart(2, '0')}`
const placeOf = ({ section, step }: { readonly section: string; readonly step: number }) => ({
  name: 'rail',
  query: { section, step: String(step) },
})
const sums = computed(() =>
  [
    [props.report.mistakes, 'mistake'] as const,
    [props.report.missing, 'missing piece'] as const,
    [props.report.left, 'left-over piece'] as const,
  ].flatMap(([count, word]) => (count > 0 ? [plural(count, word)] : [])),
)
/** What somebody noted may end a sentence itself. */
function reasonsOf({ reasons }: Pick<ProofReport['lines'][number], 'reasons'>): string {
  const text = reasons.join('; ')
  return /[.?!]$/.test(text) ? text : `${text}.`
}
</script>

<template>
  <section aria-label="What the proof build shows">
    <h2>What it shows</h2>
    <p>
      {{ plural(report.lines.length, 'step') }} in <b>{{ clockWords(report.seconds) }}</b><template v-if="sums.length > 0"
        >; {{ sums.join(', ') }}</template
      >.
    </p>
    <p v-if="report.since">
      The time before it took {{ clockWords(report.since.seconds) }}.
      {{ plural(report.since.better.length, 'step is', 'steps are') }} mended<template v-if="report.since.better.length > 0"
        >: {{ report.since.better.map(labelOf).join(', ') }}</template
      >; {{ plural(report.since.worse.length, 'step went', 'steps went') }} wrong that went well before<template
        v-if="report.since.worse.length > 0"
        >: {{ report.since.worse.map(labelOf).join(', ') }}</template
      >.
    </p>
    <p v-if="report.toMend.length === 0"><b>Nothing to mend:</b> every step went well, and none was slow.</p>
    <template v-else>
      <h3>To mend</h3>
      <ol>
        <li v-for="line in report.toMend" :key="labelOf(line)">
          <RouterLink :to="placeOf(line)">{{ labelOf(line) }}</RouterLink>
          <span
            >{{ reasonsOf(line) }}
            <span class="faint"
              >{{ clockWords(line.seconds) }}, such a step takes about {{ clockWords(line.expected)
              }}<template v-if="line.before !== undefined">, {{ clockWords(line.before) }} the time before</template>.</span
            ></span
          >
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
h2 {
  margin-top: 22px;
}
ol {
  list-style: none;
  padding: 0;
  max-width: 820px;
}
li {
  display: flex;
  gap: 18px;
  align-items: baseline;
  border-bottom: 1px solid var(--rule);
  padding: 8px 0;
  overflow-wrap: anywhere;
}
a {
  font-weight: 700;
  white-space: nowrap;
  min-height: 24px;
}
</style>
