<script setup lang="ts">
import { computed } from 'vue'
import { stepCount } from '@core/plan'

import { say, sayCount } from '../language'
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
  return [
    sayCount('count.parts', report.parts),
    sayCount('count.steps', stepCount(report.sections)),
    sayCount('count.sections', report.sections.length),
  ].join(', ')
})

function stop(): void {
  open.session?.offers.drop()
  notify(say('app.theSearchWasStoppedThe'))
}
function leave(): void {
  open.isLooking = false
  open.session?.offers.drop()
}
</script>

<template>
  <footer :class="{ told: open.offer }">
    <div v-if="open.offer" class="offer" role="status" :aria-label="say('app.aBetterOrder')">
      <span v-if="open.isLooking"
        ><b>{{ say('app.youAreLookingAtThe') }}</b> {{ say('app.nothingIsChangedYet', { words: open.offer.words }) }}</span
      >
      <span v-else
        ><b>{{ say('app.aBetterOrderWasFound') }}</b> {{ open.offer.words }}.</span
      >
      <ActionButton @click="open.isLooking = !open.isLooking">{{
        open.isLooking ? say('app.backToMine') : say('app.lookAtIt')
      }}</ActionButton>
      <ActionButton primary @click="open.takeOffer()">{{ say('app.takeIt') }}</ActionButton>
      <ActionButton @click="leave">{{ say('common.leaveIt') }}</ActionButton>
    </div>
    <WorkBar v-else-if="search !== null" :label="say('app.lookingForABetterOrder')" :fraction="search" @stop="stop" />
    <WorkBar
      v-else-if="isLasting && planning !== null"
      :label="open.session?.isChecking.value ? say('app.lookingAtItAgain') : say('app.planningAgain')"
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
