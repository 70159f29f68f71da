<script setup lang="ts">
import { computed } from 'vue'
import type { PieceCount } from '@core/count'
import TrayList from '../shared/TrayList.vue'
import { useWords } from '../shared/words-key'

/** Pieces to find, each ticked by a touch anywhere on its row, or all at once. */
const props = defineProps<{ pieces: readonly PieceCount[]; isTicked: (piece: PieceCount) => boolean }>()
const emit = defineEmits<{ tick: [piece: PieceCount, isOn: boolean]; tickAll: [pieces: readonly PieceCount[], isOn: boolean] }>()
const { say } = useWords()
const isAll = computed(() => props.pieces.every((piece) => props.isTicked(piece)))
</script>

<template>
  <TrayList lettered :pieces="pieces" :label="say('follow.stepPieces')" class="ticked">
    <template #default="{ piece, title }">
      <label class="tick">
        <span class="sr-only">{{ say('follow.found', { n: piece.count, piece: title }) }}</span>
        <input type="checkbox" :checked="isTicked(piece)" @change="emit('tick', piece, ($event.target as HTMLInputElement).checked)" />
      </label>
    </template>
  </TrayList>
  <button v-if="pieces.length > 1" class="plain-button all" @click="emit('tickAll', pieces, !isAll)">
    {{ say(isAll ? 'follow.untickAll' : 'follow.tickAll') }}
  </button>
</template>

<style scoped>
.ticked :deep(li) {
  position: relative;
}
.tick {
  width: 44px;
  height: 44px;
  display: grid;
  place-items: center;
  cursor: pointer;
}
/* The whole row is the label's. */
.tick::before {
  content: '';
  position: absolute;
  inset: 0;
}
.tick input {
  position: relative;
  width: 22px;
  height: 22px;
}
@media print {
  .all {
    display: none;
  }
}
</style>
