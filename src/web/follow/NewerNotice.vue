<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { bundleAt, mendedSteps, type Bundle, type MendedStep } from '@core/booklet'
import { catalogueIn } from '@core/catalogue'
import { catalogueOf } from '@core/model'
import { changeWords } from '../published/published-words'
import { useWords } from '../shared/words-key'
import { describeBooklet, fetchVersion } from '../published/server-client'

/** Told to whoever began with an older version: what was changed since, and which steps to look at again. */
const { id, was, bundle, password, isPast } = defineProps<{
  id: string
  /** The version that was followed before. */
  was: number
  bundle: Bundle
  password: string | undefined
  /** Has this step been built already? */
  isPast: (step: MendedStep) => boolean
}>()
const emit = defineEmits<{ open: [step: MendedStep]; close: [] }>()

const words = useWords()
const { say } = words
const lines = shallowRef<readonly string[]>([])
const mended = shallowRef<readonly MendedStep[]>([])
const past = computed(() => mended.value.filter(isPast))
const coming = computed(() => mended.value.length - past.value.length)

async function look(): Promise<void> {
  const [booklet, before] = await Promise.all([describeBooklet(id), fetchVersion(id, was, password === undefined ? {} : { password })])
  const names = new Map(bundle.plan.sections.map((section) => [section.id, section.name]))
  const catalogue = catalogueIn(catalogueOf(bundle.model), words)
  lines.value = booklet.versions
    .slice(was)
    .flatMap(({ whatChanged, changes }) => [
      ...(whatChanged === '' ? [] : [whatChanged]),
      ...(changes ? changeWords(changes, { catalogue, sections: names, words }) : []),
    ])
  mended.value = mendedSteps(bundleAt(before, bundle.shows?.id ?? ''), bundle)
}
// Without the server only that it was changed is told.
void look().catch(() => undefined)
</script>

<template>
  <aside class="newer" :aria-label="say('newer.title')">
    <p>
      <b>{{ say('newer.changed') }}</b>
    </p>
    <ul v-if="lines.length > 0">
      <li v-for="line in lines.slice(0, 12)" :key="line">{{ line }}</li>
      <li v-if="lines.length > 12">{{ say('newer.more', { n: lines.length - 12 }) }}</li>
    </ul>
    <p v-if="past.length > 0">
      {{ say('newer.past') }}
      <button v-for="step in past.slice(0, 8)" :key="step.label" class="plain-button framed" @click="emit('open', step)">
        {{ say('follow.step', { label: step.label }) }}
      </button>
    </p>
    <p v-if="coming > 0" class="faint">{{ words.count('newer.coming', coming) }}</p>
    <button class="plain-button framed" @click="emit('close')">{{ say('newer.seen') }}</button>
  </aside>
</template>

<style scoped>
.newer {
  background: var(--accent-wash);
  padding: 10px 24px;
}
p {
  margin: 4px 0;
}
ul {
  margin: 4px 0;
  padding-left: 20px;
}
li {
  overflow-wrap: anywhere;
}
</style>
