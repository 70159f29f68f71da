<script setup lang="ts">
import RoomTabs from '../controls/RoomTabs.vue'

/** What belongs to a booklet: its pages, the proof that it can be followed, how long it takes, and what was done. */
const ROOMS = [
  { name: 'booklet', label: 'Pages' },
  { name: 'proof', label: 'Proof build' },
  { name: 'time', label: 'Time' },
  { name: 'logbook', label: 'Logbook' },
]
</script>

<template>
  <RoomTabs label="Booklet" :rooms="ROOMS" />
</template>
