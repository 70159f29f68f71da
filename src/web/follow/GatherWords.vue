<script setup lang="ts">
import { memberWords, trayWords, type MemberPage, type TrayPage } from '@core/booklet'
import type { PieceCount } from '@core/count'
import TrayList from '../shared/TrayList.vue'
import TickList from './TickList.vue'
import { useWords } from '../shared/words-key'

/** The pieces to gather before a section, or before one of the models of a collection. */
defineProps<{ page: MemberPage | TrayPage; isTicked: (piece: PieceCount) => boolean }>()
const emit = defineEmits<{ tick: [piece: PieceCount, isOn: boolean]; tickAll: [pieces: readonly PieceCount[], isOn: boolean] }>()
const words = useWords()
</script>

<template>
  <p v-if="page.kind === 'member'">{{ memberWords(page, words) }}</p>
  <template v-else>
    <p>{{ trayWords({ ...page, bag: '' }, words) }}.</p>
    <p v-if="page.bag" class="bag">{{ page.bag }}.</p>
  </template>
  <h2>{{ words.say('follow.gather') }}</h2>
  <TickList
    :pieces="page.pieces"
    :is-ticked="isTicked"
    @tick="(piece, isOn) => emit('tick', piece, isOn)"
    @tick-all="(pieces, isOn) => emit('tickAll', pieces, isOn)"
  />
  <template v-if="page.kind === 'tray'">
    <p v-for="line in page.remarks" :key="line">{{ line }}</p>
    <template v-if="page.mirroredPieces.length > 0">
      <h2>{{ words.say('follow.forMirror') }}</h2>
      <TrayList :pieces="page.mirroredPieces" :label="words.say('follow.mirrorPieces')" />
    </template>
  </template>
</template>

<style scoped>
h2 {
  margin: 18px 0 6px;
}
</style>
