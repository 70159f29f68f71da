<script setup lang="ts">
import { say } from '../language'
import RoomTabs from '../controls/RoomTabs.vue'

/** The rooms of the parts desk: what a version takes, which bag it comes in, which versions there are, and where the pieces go. */
const ROOMS = [
  { name: 'parts', label: say('parts.whatItTakes') },
  { name: 'buy', label: say('common.buy') },
  { name: 'bags', label: say('common.bags') },
  { name: 'versions', label: say('common.versions') },
  { name: 'charts', label: say('common.charts') },
]
</script>

<template>
  <RoomTabs :label="say('parts.partsDesk')" :rooms="ROOMS" />
</template>
