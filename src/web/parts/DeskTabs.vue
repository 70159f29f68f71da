<script setup lang="ts">
import RoomTabs from '../controls/RoomTabs.vue'

/** The rooms of the parts desk: what a version takes, which bag it comes in, which versions there are, and where the pieces go. */
const ROOMS = [
  { name: 'parts', label: 'What it takes' },
  { name: 'buy', label: 'Buy' },
  { name: 'bags', label: 'Bags' },
  { name: 'versions', label: 'Versions' },
  { name: 'charts', label: 'Charts' },
]
</script>

<template>
  <RoomTabs label="Parts desk" :rooms="ROOMS" />
</template>
