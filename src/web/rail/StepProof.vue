<script setup lang="ts">
import { ref, watch } from 'vue'
import { proofWords } from '@core/booklet'
import { travelVector } from '@core/motion'
import type { Proof } from '@core/plan'
import { scale, type Vec } from '@core/space'
import { say, screenAdvice } from '../language'

const props = defineProps<{ section: string; step: number; version: number; ask: (section: string, step: number) => Promise<Proof[]> }>()
/** Shows one part alone with its way in; null shows the step again. */
const emit = defineEmits<{ show: [focus: { id: string; travel: Vec } | null] }>()

const isOpen = ref(false)
const proofs = ref<readonly Proof[]>([])
const shown = ref('')

/** Asked only while it is open: the answer of a step left meanwhile is dropped. */
async function load(): Promise<void> {
  show(null)
  if (!isOpen.value) return
  const { section, step } = props
  const answer = await props.ask(section, step)
  if (section === props.section && step === props.step) proofs.value = answer
}
watch(() => [isOpen.value, props.section, props.step, props.version], load)

function show(proof: Proof | null): void {
  const isSame = proof === null || proof.id === shown.value
  shown.value = isSame ? '' : proof.id
  emit('show', isSame ? null : { id: proof.id, travel: scale(travelVector(proof.from), -1) })
}
</script>

<template>
  <details class="proof" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary class="opener">{{ say('rail.whyThisWorks') }}</summary>
    <ol>
      <li v-for="proof in proofs" :key="proof.id">
        <button class="plain-button one" :aria-pressed="shown === proof.id" @click="show(proof)">
          {{ proof.id }}<span class="sr-only">{{ say('rail.showItAloneWithIts') }}</span>
        </button>
        {{ proofWords(proof, screenAdvice()) }}
      </li>
    </ol>
  </details>
</template>

<style scoped>
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  margin-bottom: 10px;
  line-height: 1.4;
  overflow-wrap: anywhere;
}
.one {
  font-weight: 700;
  min-height: 36px;
  padding: 0 6px 0 0;
  text-decoration: underline;
  text-underline-offset: 3px;
}
.one[aria-pressed='true'] {
  box-shadow: inset 4px 0 var(--accent);
  padding-left: 10px;
}
</style>
