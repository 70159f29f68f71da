<script setup lang="ts">
import type { InventoryPage } from '@core/booklet'
import InventoryLists from '../shared/InventoryLists.vue'
import TrayList from '../shared/TrayList.vue'
import IdeaChoice from './IdeaChoice.vue'

/** The last page: all pieces, what is said of them, and what should be made next. */
defineProps<{
  page: InventoryPage
  /** What may be made next; nothing where there is nobody to tell. */
  ideas: readonly string[]
  chosen: string
  choose: ((idea: string) => Promise<string>) | undefined
}>()
</script>

<template>
  <p>{{ page.parts }} parts, {{ page.pieces.length }} different pieces. You have built all of it.</p>
  <IdeaChoice v-if="choose && ideas.length > 0" :ideas="ideas" :chosen="chosen" :choose="choose" />
  <TrayList :pieces="page.pieces" label="All pieces" />
  <InventoryLists :lists="page.lists" />
</template>
