<script setup lang="ts">
import { computed } from 'vue'
import ActionButton from '../controls/ActionButton.vue'
import WorkBar from '../controls/WorkBar.vue'
import { notify } from '../shared/notices'
import { useOpenModel } from '../stores/open-model'

/** A better order is looked for while the first can be read, and offered when it is found: it is never exchanged unasked. */
const open = useOpenModel()
const fraction = computed(() => open.session?.offers.fraction.value ?? null)

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
  <div v-if="open.offer" class="offer" role="status" aria-label="A better order">
    <span v-if="open.isLooking"><b>You are looking at the other order:</b> {{ open.offer.words }}. Nothing is changed yet.</span>
    <span v-else><b>A better order was found:</b> {{ open.offer.words }}.</span>
    <ActionButton @click="open.isLooking = !open.isLooking">{{ open.isLooking ? 'Back to mine' : 'Look at it' }}</ActionButton>
    <ActionButton primary @click="open.takeOffer()">Take it</ActionButton>
    <ActionButton @click="leave">Leave it</ActionButton>
  </div>
  <div v-else-if="fraction !== null && open.report" class="search">
    <WorkBar label="Looking for a better order" :fraction="fraction" @stop="stop" />
  </div>
</template>

<style scoped>
.offer,
.search {
  padding: 2px 20px;
  border-bottom: 1px solid var(--rule);
  background: var(--sheet);
}
.offer {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  background: var(--accent-wash);
}
.offer span {
  flex: 1;
  min-width: 240px;
}
</style>
