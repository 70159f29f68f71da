<script setup lang="ts">
import { computed } from 'vue'
import type { Catalogue } from '@core/catalogue'
import { colourTitle } from '@core/desk'
import { trayOf, total } from '@core/count'
import { partsOf, sectionUses, type ModelDocument } from '@core/model'

import { say, sayCount, screenWords } from '../language'
import PiecePicture from '../shared/PiecePicture.vue'
import PrintSheet from '../shared/PrintSheet.vue'

/** All pieces, section by section, with a box to tick beside each: to lay out what is needed before anything is built. */
const props = defineProps<{ model: ModelDocument; copies: number; catalogue: Catalogue }>()
defineEmits<{ done: [] }>()

const sections = computed(() => {
  const uses = sectionUses(props.model)
  return props.model.sections.flatMap((section) => {
    const { times, mirrored } = uses.get(section.id)!
    const often = (times + mirrored) * props.copies
    const pieces = trayOf(partsOf(section)).map((piece) => ({ ...piece, count: piece.count * often }))
    return often === 0 || pieces.length === 0 ? [] : [{ id: section.id, name: section.name, often, pieces, all: total(pieces) }]
  })
})
const title = (shape: string): string => props.catalogue.shapes.get(shape)?.title ?? shape
</script>

<template>
  <PrintSheet :label="say('parts.thePiecesBySection', { name: model.name })" @done="$emit('done')">
    <section v-for="section in sections" :key="section.id">
      <h3>
        {{ section.name }}
        <span class="faint"
          >{{ sayCount('count.pieces', section.all)
          }}<template v-if="section.often > 1">{{ say('parts.forOfIt', { often: section.often }) }}</template></span
        >
      </h3>
      <ul>
        <li v-for="piece in section.pieces" :key="`${piece.shape} ${piece.colour} ${piece.length ?? ''}`">
          <span class="box" aria-hidden="true" />
          <b>{{ piece.count }}</b>
          <PiecePicture :shape="piece.shape" :colour="piece.colour" :piece="piece" :width="64" :height="48" />
          <span
            >{{ title(piece.shape) }}<small>{{ colourTitle(piece.colour, catalogue.colours, screenWords()) }}</small></span
          >
        </li>
      </ul>
    </section>
  </PrintSheet>
</template>

<style scoped>
h3 {
  margin: 18px 0 4px;
  border-bottom: 2px solid var(--ink);
  break-after: avoid;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 2px 18px;
}
li {
  display: flex;
  align-items: center;
  gap: 10px;
  break-inside: avoid;
}
.box {
  flex: none;
  width: 16px;
  height: 16px;
  border: 1.5px solid var(--ink);
}
small {
  display: block;
  color: var(--faint);
  font-size: 0.9rem;
}
</style>
