<script setup lang="ts">
import type { PieceCount } from '@core/count'
import TrayList from '../shared/TrayList.vue'

defineProps<{ pieces: readonly PieceCount[]; isTicked: (shape: string, colour: string) => boolean }>()
const emit = defineEmits<{ tick: [shape: string, colour: string, isOn: boolean] }>()
</script>

<template>
  <TrayList lettered :pieces="pieces" label="Pieces for this step">
    <template #default="{ piece, title }">
      <label class="tick">
        <span class="sr-only">Found: {{ piece.count }} of {{ title }}</span>
        <input
          type="checkbox"
          :checked="isTicked(piece.shape, piece.colour)"
          @change="emit('tick', piece.shape, piece.colour, ($event.target as HTMLInputElement).checked)"
        />
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
