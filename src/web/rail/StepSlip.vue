<script setup lang="ts">
import { computed } from 'vue'
import { pathWords, type TouchedThing } from '@core/booklet'
import type { SectionPlan } from '@core/plan'
import { say, screenWords } from '../language'
import type { PictureTouch } from '../shared/picture-touch'
import { useOpenModel } from '../stores/open-model'
import type { useRailEdits } from './use-rail-edits'

/** Says beside the place that was clicked what it is, and which step brings it. */
const props = defineProps<{
  touch: PictureTouch
  section: SectionPlan
  /** The step whose picture was clicked, from 0. */
  step: number
  /** What can be changed about the step; null where nothing can. */
  edits: ReturnType<typeof useRailEdits> | null
}>()
const emit = defineEmits<{ go: [step: number]; close: [] }>()
const open = useOpenModel()

const thing = computed<TouchedThing>(() =>
  pathWords({ model: open.model!, sections: open.report!.sections }, props.section, props.touch.part, screenWords()),
)
/** The part or copy of the section that was clicked, where the step at hand brings it. */
const id = computed(() => props.touch.part.split('/')[0]!)
const own = computed(() => (thing.value.step === props.step ? props.edits : null))
const isLast = computed(() => props.step === props.section.steps.length - 1)
function act(change: (id: string) => void): void {
  change(id.value)
  emit('close')
}
const style = computed(() => ({
  left: `min(${(props.touch.at[0] * 100).toFixed(1)}% + 12px, 100% - 280px)`,
  top: `min(${(props.touch.at[1] * 100).toFixed(1)}% + 8px, 100% - 130px)`,
}))
</script>

<template>
  <section class="slip" :style="style" :aria-label="say('rail.whatWasClicked')" role="status" @keydown.esc="emit('close')">
    <p>
      <b>{{ thing.title }}</b>
    </p>
    <p v-if="thing.step !== undefined">{{ say('rail.comesInWithStep', { step: thing.step + 1 }) }}</p>
    <div class="acts">
      <template v-if="own">
        <button class="plain-button" :disabled="step === 0" @click="act((it) => own!.moveOne(it, -1))">
          {{ say('rail.toTheStepBefore') }}
        </button>
        <button class="plain-button" :disabled="isLast" @click="act((it) => own!.moveOne(it, 1))">{{ say('rail.toTheStepAfter') }}</button>
        <button class="plain-button" @click="act(own.splitAfter)">{{ say('rail.endTheStepWithIt') }}</button>
      </template>
      <button v-else-if="thing.step !== undefined" class="plain-button" @click="emit('go', thing.step)">{{ say('rail.goThere') }}</button>
      <button class="plain-button" @click="emit('close')">{{ say('common.close') }}</button>
    </div>
  </section>
</template>

<style scoped>
.slip {
  position: absolute;
  width: 268px;
  padding: 8px 12px;
  background: var(--sheet);
  border: 1px solid var(--ink);
  overflow-wrap: anywhere;
}
p {
  margin: 0;
}
.acts {
  margin-left: -10px;
}
</style>
