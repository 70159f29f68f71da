<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import { joinWords } from '@core/booklet'
import { say, screenWords } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import TextArea from '../controls/TextArea.vue'
import { isTyping, shortcutOf } from '../shared/shortcut'
import StepPicture from '../shared/StepPicture.vue'
import TrayList from '../shared/TrayList.vue'
import type { StoredProof } from '../storage/database'
import { useOpenModel } from '../stores/open-model'
import { clockWords, firstUnbuilt, stepOfRun, withStep, type Counted, type StepOfRow } from '@core/proof-build'
import { useClock } from '../shared/use-clock'

/** One step after another with a clock; what goes wrong is counted by a key or a button. */
const props = defineProps<{ proof: StoredProof; row: readonly StepOfRow[] }>()
const emit = defineEmits<{ keep: [proof: StoredProof]; end: [proof: StoredProof]; leave: [] }>()
const open = useOpenModel()
const clock = useClock()
const heading = ref<HTMLElement>()

const index = ref(firstUnbuilt(props.proof.run, props.row))
const at = computed(() => props.row[Math.min(index.value, props.row.length - 1)]!)
const page = computed(() => open.snapshot?.pages.stepPage(at.value.section, at.value.step - 1))
const step = computed(() => stepOfRun(props.proof.run, at.value))
const isLast = computed(() => index.value === props.row.length - 1)

/** The time until now goes to the step that is open. */
function taken(): StoredProof {
  const seconds = clock.take()
  return { ...props.proof, run: withStep(props.proof.run, at.value, (known) => ({ ...known, seconds: known.seconds + seconds })) }
}
function next(): void {
  if (isLast.value) return emit('end', taken())
  emit('keep', taken())
  go(index.value + 1)
}
/** Whoever goes back takes that step apart again: it is counted there. */
function back(): void {
  if (index.value === 0) return
  const proof = taken()
  const before = props.row[index.value - 1]!
  emit('keep', { ...proof, run: withStep(proof.run, before, (known) => ({ ...known, backs: known.backs + 1 })) })
  go(index.value - 1)
}
function go(to: number): void {
  index.value = to
  if (clock.isPaused.value) clock.goOn()
  void nextTick(() => heading.value?.focus())
}
function count(what: Counted): void {
  const proof = taken()
  emit('keep', { ...proof, run: withStep(proof.run, at.value, (known) => ({ ...known, [what]: known[what] + 1 })) })
}
/** For the step at which it was typed, whichever is open by the time it is handed over. */
const remember = computed(() => {
  const here = at.value
  return (note: string): void => emit('keep', { ...props.proof, run: withStep(props.proof.run, here, (known) => ({ ...known, note })) })
})
function pause(): void {
  if (clock.isPaused.value) return clock.goOn()
  emit('keep', taken())
  clock.pause()
}
function leave(): void {
  emit('keep', taken())
  emit('leave')
}

const COUNTED: readonly { readonly what: Counted; readonly label: string; readonly key: string }[] = [
  { what: 'mistakes', label: say('proof.aMistake'), key: 'm' },
  { what: 'missing', label: say('proof.aPieceIsMissing'), key: 'f' },
  { what: 'left', label: say('proof.aPieceIsLeftOver'), key: 'l' },
]
useEventListener(window, 'keydown', (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return
  const key = shortcutOf(event)
  const counted = COUNTED.find((each) => each.key === key)
  if (event.key === 'ArrowRight') next()
  else if (event.key === 'ArrowLeft') back()
  else if (key === 'p') pause()
  else if (counted) count(counted.what)
  else return
  event.preventDefault()
})
</script>

<template>
  <section class="walk" :aria-label="say('proof.building')">
    <div class="words">
      <h2 ref="heading" tabindex="-1">{{ page?.label ?? '' }}</h2>
      <p class="faint">{{ say('proof.stepOfInAll', { name: page?.name, index: index + 1, row: row.length }) }}</p>
      <p class="clock" role="timer" :class="{ paused: clock.isPaused.value }">
        {{ clockWords(step.seconds + clock.running.value) }}<span v-if="clock.isPaused.value">{{ ` ${say('proof.paused')}` }}</span>
      </p>
      <p v-for="join in page?.joins ?? []" :key="join.label">
        {{ joinWords(join, screenWords()).whole }}
      </p>
      <TrayList v-if="page" :pieces="page.callout" :label="say('common.piecesOfThisStep')" />
      <p v-for="remark in page?.remarks ?? []" :key="remark">{{ remark }}</p>
      <p v-if="page?.turn">{{ page.turn }}.</p>
      <p v-if="page?.note">{{ page.note }}</p>
      <p v-for="caution in page?.cautions ?? []" :key="caution">△ {{ caution }}</p>
      <div class="counts">
        <ActionButton v-for="each in COUNTED" :key="each.what" :shortcut="each.key.toUpperCase()" @click="count(each.what)">{{
          step[each.what] > 0 ? `${each.label}: ${step[each.what]}` : each.label
        }}</ActionButton>
      </div>
      <TextArea :key="`${at.section} ${at.step}`" :label="say('proof.whatYouWouldLikeTo')" :value="step.note" :commit="remember" />
    </div>
    <StepPicture v-if="page" :picture="page.picture" :label="page.spoken" :width="800" :height="600" class="picture" />
    <p class="acts">
      <ActionButton :disabled="index === 0" shortcut="←" @click="back">{{ say('proof.back') }}</ActionButton>
      <ActionButton shortcut="P" @click="pause">{{ clock.isPaused.value ? say('proof.goOn') : say('proof.pause') }}</ActionButton>
      <ActionButton primary shortcut="→" @click="next">{{ isLast ? say('proof.built') : say('common.nextStep') }}</ActionButton>
      <ActionButton @click="leave">{{ say('proof.leaveItForNow') }}</ActionButton>
    </p>
  </section>
</template>

<style scoped>
.walk {
  display: grid;
  grid-template-columns: minmax(280px, 380px) minmax(0, 760px);
  gap: 12px 28px;
  align-items: start;
}
h2 {
  font-size: 1.8rem;
  border-left: 5px solid var(--accent);
  padding-left: 10px;
}
h2:focus {
  outline: none;
}
.picture {
  max-height: calc(100vh - 300px);
}
.clock {
  font-size: 2rem;
  font-weight: 700;
  margin: 4px 0;
}
.clock.paused {
  color: var(--faint);
}
.counts,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 10px 0;
}
.acts {
  grid-column: 1 / -1;
  position: sticky;
  bottom: -60px;
  background: var(--paper);
  padding: 8px 0;
}
@media (max-width: 820px) {
  .walk {
    grid-template-columns: 1fr;
  }
  .picture {
    order: -1;
  }
}
</style>
