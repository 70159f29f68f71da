<script setup lang="ts">
import { computed } from 'vue'
import type { Catalogue } from '@core/catalogue'
import { pieceLine, type DeskPiece } from '@core/desk'

import { say, sayCount, sayDate, screenWords } from '../language'
import { useBooks } from '../stores/books'

/** What came into the stock and went out of it, the newest first. */
const props = defineProps<{ catalogue: Catalogue }>()
const store = useBooks()
const MOST_SHOWN = 30
const MOST_KINDS = 4

const words = (piece: DeskPiece): string =>
  `${piece.count > 0 ? '+' : '−'}${pieceLine({ ...piece, count: Math.abs(piece.count) }, props.catalogue, screenWords())}`
const lines = computed(() =>
  store.books.log.slice(0, MOST_SHOWN).map(({ at, what, pieces }) => ({
    at: sayDate(at, { dateStyle: 'medium', timeStyle: 'short' }),
    what,
    pieces: pieces.slice(0, MOST_KINDS).map(words).join('; '),
    more: pieces.length > MOST_KINDS ? say('parts.and4', { moreKinds: sayCount('count.moreKinds', pieces.length - MOST_KINDS) }) : '',
  })),
)
</script>

<template>
  <details v-if="lines.length > 0">
    <summary>{{ say('parts.whatHasChanged') }}</summary>
    <ol>
      <li v-for="(line, i) in lines" :key="i">
        <b>{{ line.at }}</b>, {{ line.what }}: {{ line.pieces }}{{ line.more }}
      </li>
    </ol>
  </details>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 4px 0;
  padding: 0;
}
li {
  padding: 3px 0;
  border-bottom: 1px solid var(--rule);
  overflow-wrap: anywhere;
}
summary {
  min-height: 44px;
  line-height: 44px;
  cursor: pointer;
}
</style>
