<script setup lang="ts">
import type { PieceCount } from '@core/count'
import TrayList from '../shared/TrayList.vue'

defineProps<{ pieces: readonly PieceCount[]; isTicked: (piece: PieceCount) => boolean }>()
const emit = defineEmits<{ tick: [piece: PieceCount, isOn: boolean] }>()
</script>

<template>
  <TrayList lettered :pieces="pieces" label="Pieces for this step">
    <template #default="{ piece, title }">
      <label class="tick">
        <span class="sr-only">Found: {{ piece.count }} of {{ title }}</span>
        <input type="checkbox" :checked="isTicked(piece)" @change="emit('tick', piece, ($event.target as HTMLInputElement).checked)" />
      </label>
    </template>
  </TrayList>
</template>

<style scoped>
.tick {
  width: 44px;
  height: 44px;
  display: grid;
  place-items: center;
  cursor: pointer;
}
.tick input {
  width: 22px;
  height: 22px;
  accent-color: var(--accent);
}
</style>
