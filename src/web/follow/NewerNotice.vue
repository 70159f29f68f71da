<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { bundleAt, mendedSteps, type Bundle, type MendedStep } from '@core/booklet'
import { catalogueOf } from '@core/model'
import { changeWords } from '../published/published-words'
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

const words = shallowRef<readonly string[]>([])
const mended = shallowRef<readonly MendedStep[]>([])
const past = computed(() => mended.value.filter(isPast))
const coming = computed(() => mended.value.length - past.value.length)

async function look(): Promise<void> {
  const [booklet, before] = await Promise.all([describeBooklet(id), fetchVersion(id, was, password === undefined ? {} : { password })])
  const names = new Map(bundle.plan.sections.map((section) => [section.id, section.name]))
  const catalogue = catalogueOf(bundle.model)
  words.value = booklet.versions
    .slice(was)
    .flatMap(({ whatChanged, changes }) => [
      ...(whatChanged === '' ? [] : [whatChanged]),
      ...(changes ? changeWords(changes, catalogue, names) : []),
    ])
  mended.value = mendedSteps(bundleAt(before, bundle.shows?.id ?? ''), bundle)
}
// Without the server only that it was changed is told.
void look().catch(() => undefined)
</script>

<template>
  <aside class="newer" aria-label="What changed">
    <p><b>This booklet was changed since you began.</b></p>
    <ul v-if="words.length > 0">
      <li v-for="line in words.slice(0, 12)" :key="line">{{ line }}</li>
      <li v-if="words.length > 12">And {{ words.length - 12 }} more.</li>
    </ul>
    <p v-if="past.length > 0">
      You are past
      <button v-for="step in past.slice(0, 8)" :key="step.label" class="plain-button framed" @click="emit('open', step)">
        Step {{ step.label }}</button
      >: look at {{ past.length === 1 ? 'it' : 'them' }} again.
    </p>
    <p v-if="coming > 0" class="faint">{{ coming === 1 ? 'One step' : `${coming} steps` }} still before you read otherwise now.</p>
    <button class="plain-button framed" @click="emit('close')">I have seen it</button>
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
