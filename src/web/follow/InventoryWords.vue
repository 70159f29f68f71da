<script setup lang="ts">
import type { InventoryPage } from '@core/booklet'
import InventoryLists from '../shared/InventoryLists.vue'
import TrayList from '../shared/TrayList.vue'
import IdeaChoice from './IdeaChoice.vue'
import { useWords } from '../shared/words-key'

/** The last page: all pieces, what is said of them, and what should be made next. */
defineProps<{
  page: InventoryPage
  /** What may be made next; nothing where there is nobody to tell. */
  ideas: readonly string[]
  chosen: string
  choose: ((idea: string) => Promise<string>) | undefined
}>()
const { say, count } = useWords()
</script>

<template>
  <p>
    {{ say('inventory.counts', { parts: count('count.parts', page.parts), pieces: count('count.differentPieces', page.pieces.length) }) }}.
    {{ say('follow.allBuilt') }}
  </p>
  <IdeaChoice v-if="choose && ideas.length > 0" :ideas="ideas" :chosen="chosen" :choose="choose" />
  <TrayList :pieces="page.pieces" :label="say('page.inventory')" />
  <InventoryLists :lists="page.lists" />
</template>
