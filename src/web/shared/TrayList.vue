<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { lengthLabel, lettersOf, pieceExtras, pieceKey, type PieceCount } from '@core/count'
import type { PieceLook } from '@core/picture'
import { useBeside } from './own-names-key'
import PiecePicture from './PiecePicture.vue'
import { usePaintSource } from './painter-key'
import { useWords } from './words-key'

const props = defineProps<{
  pieces: readonly PieceCount[]
  label: string
  lettered?: boolean
  /** Rows can be dragged away. */
  draggable?: boolean
}>()
const emit = defineEmits<{ carry: [event: DragEvent, piece: PieceCount]; letGo: [] }>()
defineSlots<{ default?: (scope: { piece: PieceCount; title: string }) => unknown }>()

const source = usePaintSource()
const beside = useBeside()
const words = useWords()
/** Of one step, colours that are hard to tell apart have the letters of its picture. */
const letters = computed(() => (props.lettered && source.value ? lettersOf(props.pieces, source.value.catalogue.colours) : undefined))
/** Pictures of pieces are painted twice as fine as they are shown. */
const PICTURE = { width: 64, height: 46, finer: 2 }
/** How each piece is drawn: all of a tray to one scale. */
const looks = shallowRef<ReadonlyMap<string, PieceLook>>(new Map())
let asked = 0
watch(
  () => [props.pieces, source.value?.version] as const,
  async ([pieces]) => {
    const from = source.value
    const mine = ++asked
    if (!from || pieces.length === 0) return
    const plain = JSON.parse(JSON.stringify(pieces)) as PieceCount[]
    const found = await from.painter
      .trayLooks(plain, { width: PICTURE.width * PICTURE.finer, height: PICTURE.height * PICTURE.finer })
      .catch(() => [])
    if (mine === asked) looks.value = new Map(found.map((look, i) => [pieceKey(pieces[i]!), look]))
  },
  { immediate: true },
)
const lines = computed(() =>
  props.pieces.map((piece) => {
    const colour = source.value?.catalogue.colours.get(piece.colour)
    const title = source.value?.catalogue.shapes.get(piece.shape)?.title ?? piece.shape
    return {
      piece,
      key: pieceKey(piece),
      extras: pieceExtras(piece, words),
      letter: letters.value?.get(pieceKey(piece)) ?? '',
      own: beside('shape', piece.shape),
      look: looks.value.get(pieceKey(piece)),
      long: source.value ? lengthLabel(piece, source.value.catalogue.shapes, words) : '',
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
    <li
      v-for="line in lines"
      :key="line.key"
      :draggable="draggable || undefined"
      :class="{ draggable }"
      @dragstart="emit('carry', $event, line.piece)"
      @dragend="emit('letGo')"
    >
      <span class="count"
        >{{ line.piece.count }}<span class="sr-only">{{ words.say('follow.ofPieces') }}</span></span
      >
      <span class="picture">
        <PiecePicture
          v-if="line.look"
          :shape="line.piece.shape"
          :colour="line.piece.colour"
          :piece="line.piece"
          :look="line.look"
          :width="PICTURE.width"
          :height="PICTURE.height"
        />
        <span v-if="line.long !== ''" class="long" aria-hidden="true">{{ line.long }}</span>
      </span>
      <span class="words">
        <span class="title"
          >{{ line.title
          }}<span v-if="line.letter !== ''" class="letter"
            ><span class="sr-only">{{ words.say('follow.inPicture') }}</span
            >{{ line.letter }}</span
          ></span
        >
        <span v-if="line.own !== ''" class="own">{{ line.own }}</span>
        <span v-if="line.extras !== ''" class="extras">{{ line.extras }}</span>
        <span class="colour"
          ><span class="swatch" :class="{ clear: line.isClear }" :style="{ background: line.hex }" aria-hidden="true" />{{ line.colour
          }}<span v-if="line.look?.isSmaller" class="smaller"> · {{ words.say('piece.drawnSmaller') }}</span></span
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
li.draggable {
  cursor: grab;
}
.count {
  min-width: 2.2em;
  text-align: right;
  font-weight: 700;
  font-size: 1.15rem;
}
.picture {
  position: relative;
  flex: none;
  width: 64px;
  height: 46px;
}
.long {
  position: absolute;
  right: 0;
  top: 0;
  padding: 0 4px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  font-size: 0.76rem;
  font-weight: 700;
  line-height: 1.3;
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
  font-weight: 700;
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
