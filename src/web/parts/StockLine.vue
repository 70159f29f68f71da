<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Catalogue } from '@core/catalogue'
import { total } from '@core/count'
import { deskPiece, pieceLine } from '@core/desk'
import { readQuickLine } from '@core/names'

import { say, sayCount, screenWords } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import LineReading from '../shared/LineReading.vue'
import { notify } from '../shared/notices'
import { useBooks } from '../stores/books'

/** Pieces put into the stock or taken out of it, in one line. */
const props = defineProps<{ catalogue: Catalogue }>()
const store = useBooks()
const line = ref('')
const read = computed(() => readQuickLine(line.value, props.catalogue))
const isClear = computed(() => read.value.pieces.length > 0 && read.value.unclear.length === 0)

async function change(sign: 1 | -1): Promise<void> {
  const before = store.books
  const pieces = read.value.pieces.map((piece) => ({ ...deskPiece(piece), count: sign * piece.count }))
  await store.change(pieces, say('parts.byHand'))
  if (store.problem !== '') return
  const [now] = store.books.log
  const moved = now && store.books.log !== before.log ? Math.abs(now.pieces.reduce((sum, { count }) => sum + count, 0)) : 0
  const words = sign > 0 ? say('parts.putIntoTheStock') : say('parts.takenOutOfTheStock')
  const less = moved < total(read.value.pieces) ? say('parts.thereWasNoMore') : ''
  notify(`${sayCount('count.pieces', moved)} ${words}.${less}`, {
    act: { label: say('common.undo'), run: () => void store.replace(before) },
  })
  line.value = ''
}
</script>

<template>
  <form class="stock-line" :aria-label="say('parts.changeTheStock')" @submit.prevent="isClear && change(1)" @keydown.stop>
    <label
      >{{ say('common.pieces') }}
      <input v-model="line" class="plain-field" :placeholder="say('parts.plate1x2AshRedBrick')" autocomplete="off" spellcheck="false"
    /></label>
    <ActionButton submit :disabled="!isClear">{{ say('parts.putIn2') }}</ActionButton>
    <ActionButton :disabled="!isClear" @click="change(-1)">{{ say('common.takeOut') }}</ActionButton>
    <div v-if="line.trim() !== ''" role="status" class="read">
      <p v-if="read.pieces.length > 0" class="faint">
        {{ read.pieces.map((piece) => pieceLine(deskPiece(piece), catalogue, screenWords())).join('; ') }}
      </p>
      <LineReading :read="read" />
    </div>
  </form>
</template>

<style scoped>
.stock-line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
label {
  flex: 1;
  min-width: 240px;
  display: flex;
  align-items: center;
  gap: 8px;
}
input {
  flex: 1;
  min-width: 0;
}
.read {
  flex-basis: 100%;
}
</style>
