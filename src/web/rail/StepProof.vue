<script setup lang="ts">
import { ref, watch } from 'vue'
import { proofWords } from '@core/booklet'
import type { Proof } from '@core/plan'

const props = defineProps<{ section: string; step: number; version: number; ask: (section: string, step: number) => Promise<Proof[]> }>()

const isOpen = ref(false)
const proofs = ref<readonly Proof[]>([])

/** Asked only while it is open: the answer of a step left meanwhile is dropped. */
async function load(): Promise<void> {
  if (!isOpen.value) return
  const { section, step } = props
  const answer = await props.ask(section, step)
  if (section === props.section && step === props.step) proofs.value = answer
}
watch(() => [isOpen.value, props.section, props.step, props.version], load)
</script>

<template>
  <details class="proof" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary>Why this works</summary>
    <ol>
      <li v-for="proof in proofs" :key="proof.id">
        <b>{{ proof.id }}</b> {{ proofWords(proof) }}
      </li>
    </ol>
  </details>
</template>

<style scoped>
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
  text-decoration: underline;
  text-underline-offset: 3px;
}
ol {
  margin: 0;
  padding-left: 1.4em;
}
li {
  margin-bottom: 6px;
  overflow-wrap: anywhere;
}
</style>
