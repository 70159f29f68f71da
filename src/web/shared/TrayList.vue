<script setup lang="ts">
import { computed } from 'vue'
import { lettersOf, pieceExtras, pieceKey, type PieceCount } from '@core/count'
import { useBeside } from './own-names-key'
import PiecePicture from './PiecePicture.vue'
import { usePaintSource } from './painter-key'

const props = defineProps<{ pieces: readonly PieceCount[]; label: string; lettered?: boolean }>()
defineSlots<{ default?: (scope: { piece: PieceCount; title: string }) => unknown }>()

const source = usePaintSource()
const beside = useBeside()
/** Of one step, colours that are hard to tell apart have the letters of its picture. */
const letters = computed(() => (props.lettered && source.value ? lettersOf(props.pieces, source.value.catalogue.colours) : undefined))
const lines = computed(() =>
  props.pieces.map((piece) => {
    const colour = source.value?.catalogue.colours.get(piece.colour)
    const title = source.value?.catalogue.shapes.get(piece.shape)?.title ?? piece.shape
    return {
      piece,
      key: pieceKey(piece),
      extras: pieceExtras(piece),
      letter: letters.value?.get(pieceKey(piece)) ?? '',
      own: beside('shape', piece.shape),
      title,
      colour: [colour?.name ?? piece.colour, beside('colour', piece.colour)].filter((text) => text !== '').join(', '),
      hex: colour?.hex ?? '#ffffff',
      isClear: colour?.finish === 'clear',
    }
  }),
)
</script>

<template>
  <ul class="tray" :aria-label="label">
    <li v-for="line in lines" :key="line.key">
      <span class="count">{{ line.piece.count }}<span class="sr-only"> of </span></span>
      <PiecePicture :shape="line.piece.shape" :colour="line.piece.colour" />
      <span class="words">
        <span class="title"
          >{{ line.title
          }}<span v-if="line.letter !== ''" class="letter"><span class="sr-only">, in the picture </span>{{ line.letter }}</span></span
        >
        <span v-if="line.own !== ''" class="own">{{ line.own }}</span>
        <span v-if="line.extras !== ''" class="extras">{{ line.extras }}</span>
        <span class="colour"
          ><span class="swatch" :class="{ clear: line.isClear }" :style="{ background: line.hex }" aria-hidden="true" />{{
            line.colour
          }}</span
        >
      </span>
      <span v-if="$slots.default" class="acts"><slot :piece="line.piece" :title="`${line.title}, ${line.colour}`" /></span>
    </li>
  </ul>
</template>

<style scoped>
.tray {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 3px 0;
  border-bottom: 1px solid var(--rule);
  break-inside: avoid;
}
.count {
  min-width: 2.2em;
  text-align: right;
  font-weight: 700;
  font-size: 1.15rem;
}
.words {
  display: flex;
  flex-direction: column;
  min-width: 0;
  flex: 1;
  line-height: 1.3;
}
.title {
  overflow-wrap: anywhere;
}
.letter {
  display: inline-flex;
  align-items: center;
  justify-content: center;
  margin-left: 8px;
  width: 1.5em;
  height: 1.5em;
  border: 1.5px solid var(--ink);
  border-radius: 50%;
  font-weight: 700;
  font-size: 0.88rem;
  background: var(--sheet);
}
.own {
  color: var(--faint);
  font-style: italic;
  font-size: 0.92rem;
}
.extras {
  font-weight: 600;
  font-size: 0.92rem;
}
.colour {
  color: var(--faint);
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: 0.92rem;
}
.swatch {
  width: 13px;
  height: 13px;
  border: 1px solid var(--ink);
  display: inline-block;
}
.swatch.clear {
  background-image: repeating-linear-gradient(135deg, #ffffffaa 0 3px, transparent 3px 7px) !important;
}
.acts {
  display: flex;
  flex: none;
}
</style>
