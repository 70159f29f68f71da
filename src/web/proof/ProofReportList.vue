<script setup lang="ts">
import { computed } from 'vue'
import type { ProofReport } from '@core/durations'
import { say, sayCount, screenAdvice } from '../language'
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
    [props.report.mistakes, 'count.mistakes'] as const,
    [props.report.missing, 'count.missingPieces'] as const,
    [props.report.left, 'count.leftOverPieces'] as const,
  ].flatMap(([count, word]) => (count > 0 ? [sayCount(word, count)] : [])),
)
/** What somebody noted may end a sentence itself. */
function reasonsOf({ reasons }: Pick<ProofReport['lines'][number], 'reasons'>): string {
  const text = reasons.map(screenAdvice().say).join('; ')
  return /[.?!]$/.test(text) ? text : `${text}.`
}
</script>

<template>
  <section :aria-label="say('proof.whatTheProofBuildShows')">
    <h2>{{ say('proof.whatItShows') }}</h2>
    <p>
      {{ say('proof.in', { steps: sayCount('count.steps', report.lines.length) }) }} <b>{{ clockWords(report.seconds) }}</b><template
        v-if="sums.length > 0"
        >; {{ sums.join(', ') }}</template
      >.
    </p>
    <p v-if="report.since">
      {{
        say('proof.theTimeBeforeItTook', {
          time: clockWords(report.since.seconds),
          stepsAre: sayCount('count.stepsAre', report.since.better.length),
        })
      }}<template v-if="report.since.better.length > 0">: {{ report.since.better.map(labelOf).join(', ') }}</template
      >{{ say('proof.wrongThatWentWellBefore', { stepsWent: sayCount('count.stepsWent', report.since.worse.length) })
      }}<template v-if="report.since.worse.length > 0">: {{ report.since.worse.map(labelOf).join(', ') }}</template
      >.
    </p>
    <p v-if="report.toMend.length === 0">
      <b>{{ say('proof.nothingToMend') }}</b> {{ say('proof.everyStepWentWellAnd') }}
    </p>
    <template v-else>
      <h3>{{ say('proof.toMend') }}</h3>
      <ol>
        <li v-for="line in report.toMend" :key="labelOf(line)">
          <RouterLink :to="placeOf(line)">{{ labelOf(line) }}</RouterLink>
          <span
            >{{ reasonsOf(line) }}
            <span class="faint"
              >{{ say('proof.suchAStepTakesAbout', { time: clockWords(line.seconds), time2: clockWords(line.expected) })
              }}<template v-if="line.before !== undefined">{{ say('proof.theTimeBefore', { time: clockWords(line.before) }) }}</template
              >.</span
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
