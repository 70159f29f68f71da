<script setup lang="ts">
import { memberWords, type MemberPage, type TrayPage } from '@core/booklet'
import { total, type PieceCount } from '@core/count'
import TrayList from '../shared/TrayList.vue'
import TickList from './TickList.vue'

/** The pieces to gather before a section, or before one of the models of a collection. */
defineProps<{ page: MemberPage | TrayPage; isTicked: (piece: PieceCount) => boolean }>()
const emit = defineEmits<{ tick: [piece: PieceCount, isOn: boolean]; tickAll: [pieces: readonly PieceCount[], isOn: boolean] }>()
</script>

<template>
  <p v-if="page.kind === 'member'">{{ memberWords(page) }}</p>
  <template v-else>
    <p>
      {{ total(page.pieces) }} pieces, {{ page.steps }} {{ page.steps === 1 ? 'step' : 'steps'
      }}<template v-if="page.times > 1">, build it {{ page.times }} times</template
      ><template v-if="page.mirrored > 0">, and {{ page.mirrored === 1 ? 'once' : `${page.mirrored} times` }} as its mirror image</template
      >.
    </p>
    <p v-if="page.bag" class="bag">{{ page.bag }}.</p>
  </template>
  <h2>Gather these pieces</h2>
  <TickList
    :pieces="page.pieces"
    :is-ticked="isTicked"
    @tick="(piece, isOn) => emit('tick', piece, isOn)"
    @tick-all="(pieces, isOn) => emit('tickAll', pieces, isOn)"
  />
  <template v-if="page.kind === 'tray'">
    <p v-for="line in page.remarks" :key="line">{{ line }}</p>
    <template v-if="page.mirroredPieces.length > 0">
      <h2>For the mirror image</h2>
      <TrayList :pieces="page.mirroredPieces" label="Pieces for the mirror image" />
    </template>
  </template>
</template>

<style scoped>
h2 {
  margin: 18px 0 6px;
}
</style>
