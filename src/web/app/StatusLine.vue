<script setup lang="ts">
import { computed } from 'vue'
import { stepCount } from '@core/plan'
import { plural } from '@core/words'
import ActionButton from '../controls/ActionButton.vue'
import WorkBar from '../controls/WorkBar.vue'
import { useLasting } from '../shared/lasting'
import { notify } from '../shared/notices'
import { useOpenModel } from '../stores/open-model'

/**
 * The lowest line of a model's frame: what is counted, what is being worked out, what is offered. It has its place whether
 * there is something to tell or not: what comes and goes must not move things under a hand. A better order is looked for
 * while the first can be read, and offered when it is found: it is never exchanged unasked.
 */
const open = useOpenModel()
const search = computed(() => open.session?.offers.fraction.value ?? null)
const planning = computed(() => open.session?.planning.fraction.value ?? null)
const isLasting = useLasting(() => planning.value !== null)
const counted = computed(() => {
  const report = open.report
  if (!report) return ''
  return [plural(report.parts, 'part'), plural(stepCount(report.sections), 'step'), plural(report.sections.length, 'section')].join(', ')
})

function stop(): void {
  open.session?.offers.drop()
  notify('The search was stopped; the order shown stays.')
}
function leave(): void {
  open.isLooking = false
  open.session?.offers.drop()
}
</script>

<template>
  <footer :class="{ told: open.offer }">
    <div v-if="open.offer" class="offer" role="status" aria-label="A better order">
      <span v-if="open.isLooking"><b>You are looking at the other order:</b> {{ open.offer.words }}. Nothing is changed yet.</span>
      <span v-else><b>A better order was found:</b> {{ open.offer.words }}.</span>
      <ActionButton @click="open.isLooking = !open.isLooking">{{ open.isLooking ? 'Back to mine' : 'Look at it' }}</ActionButton>
      <ActionButton primary @click="open.takeOffer()">Take it</ActionButton>
      <ActionButton @click="leave">Leave it</ActionButton>
    </div>
    <WorkBar v-else-if="search !== null" label="Looking for a better order" :fraction="search" @stop="stop" />
    <WorkBar
      v-else-if="isLasting && planning !== null"
      :label="open.session?.isChecking.value ? 'Looking at it again' : 'Planning again'"
      :fraction="planning"
      @stop="open.session?.stopPlanning()"
    />
    <p v-else>{{ counted }}</p>
  </footer>
</template>

<style scoped>
footer {
  flex: none;
  display: grid;
  align-items: center;
  min-height: 46px;
  padding: 0 20px;
  border-top: 1px solid var(--rule);
  background: var(--sheet);
}
.told {
  background: var(--accent-wash);
}
.offer {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 10px;
}
.offer span {
  flex: 1;
  min-width: 240px;
}
p {
  margin: 0;
  color: var(--faint);
}
</style>
