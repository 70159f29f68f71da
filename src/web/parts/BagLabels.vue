<script setup lang="ts">
import { workWords, type BagPlan } from '@core/bags'

import { say, sayCount, screenAdvice } from '../language'
import PiecePicture from '../shared/PiecePicture.vue'
import PrintSheet from '../shared/PrintSheet.vue'

/** A label for each bag: its number, what is inside, for which steps. */
const props = defineProps<{ packed: BagPlan; nameOf: (section: string) => string }>()
defineEmits<{ done: [] }>()
/** Kinds whose pictures stand on a label. */
const MOST_KINDS = 10
const isShared = props.packed.booklets.length > 1
</script>

<template>
  <PrintSheet :label="say('parts.labelsForTheBags')" @done="$emit('done')">
    <ul class="labels">
      <li v-for="bag in packed.bags" :key="bag.number">
        <p class="head">
          <b>{{ bag.number }}</b>
          <span
            >{{ sayCount('count.pieces', bag.pieces)
            }}<template v-if="isShared">{{ say('parts.booklet', { booklet: bag.booklet }) }}</template></span
          >
        </p>
        <p v-for="(work, i) in bag.work" :key="i" class="work">{{ nameOf(work.section) }}, {{ workWords(work, screenAdvice()) }}</p>
        <p class="pieces">
          <span v-for="piece in bag.tray.slice(0, MOST_KINDS)" :key="`${piece.shape} ${piece.colour}`"
            >{{ piece.count }}× <PiecePicture :shape="piece.shape" :colour="piece.colour" :piece="piece"
          /></span>
          <span v-if="bag.tray.length > MOST_KINDS">{{
            say('parts.and', { moreKinds: sayCount('count.moreKinds', bag.tray.length - MOST_KINDS) })
          }}</span>
        </p>
      </li>
    </ul>
  </PrintSheet>
</template>

<style scoped>
.labels {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 12px;
}
li {
  border: 1px dashed var(--ink);
  padding: 10px 14px;
  break-inside: avoid;
}
.head {
  display: flex;
  align-items: baseline;
  gap: 12px;
  margin: 0;
}
.head b {
  font-size: 2.6rem;
  line-height: 1;
}
.work {
  margin: 2px 0;
  overflow-wrap: anywhere;
}
.pieces {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 10px;
  margin: 6px 0 0;
}
.pieces span {
  display: inline-flex;
  align-items: center;
}
</style>
