<script setup lang="ts">
import { computed } from 'vue'
import { say } from '../language'
import ChoiceList from '../controls/ChoiceList.vue'
import LineField from '../controls/LineField.vue'
import type { ReadChoices } from '../../workers/plan-messages'

/** What a drawing does not say, and the program has found: it can be told otherwise. */
const props = defineProps<{ choices: ReadChoices; report: Readonly<Record<string, unknown>> | undefined }>()
const emit = defineEmits<{ choose: [choices: ReadChoices] }>()

const up = computed({
  get: () => props.choices.up ?? 'found',
  set: (value: string) => emit('choose', value === 'found' ? {} : { up: value as 'y' | 'z' }),
})
function scale(text: string): void {
  const number = Number(text)
  if (Number.isFinite(number) && number > 0) emit('choose', { mmPerUnit: number })
}
const ups = [
  { value: 'found', label: say('bringIn.asTheStudsPoint') },
  { value: 'y', label: 'y' },
  { value: 'z', label: 'z' },
]
</script>

<template>
  <div class="choices" role="group" :aria-label="say('bringIn.howTheDrawingIsMeant')">
    <LineField
      :label="say('bringIn.millimetresAUnit')"
      type="number"
      :value="String(choices.mmPerUnit ?? report?.mmPerUnit ?? '')"
      :commit="scale"
    />
    <ChoiceList v-model="up" :label="say('bringIn.upIs')" :options="ups" />
  </div>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 28px;
}
</style>
