<script setup lang="ts">
import { say } from '../language'
import RoomTabs from '../controls/RoomTabs.vue'

/** What belongs to a booklet: its pages, the proof that it can be followed, how long it takes, and what was done. */
const ROOMS = [
  { name: 'booklet', label: say('proof.pages') },
  { name: 'proof', label: say('common.proofBuild') },
  { name: 'time', label: say('common.time') },
  { name: 'logbook', label: say('common.logbook') },
]
</script>

<template>
  <RoomTabs :label="say('common.booklet')" :rooms="ROOMS" />
</template>
