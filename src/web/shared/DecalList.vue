<script setup lang="ts">
import type { DecalCount } from '@core/booklet'
import { useWords } from './words-key'

/** Decals at true size, each as often as it is needed, with a line to cut along. */
defineProps<{ decals: readonly DecalCount[] }>()
const { say, number } = useWords()
</script>

<template>
  <div class="decals">
    <p>{{ say('decal.lines') }}</p>
    <p class="ruler"><span aria-hidden="true" /> {{ say('follow.ruler') }}</p>
    <ul>
      <template v-for="{ decal, count } in decals" :key="decal.id">
        <li v-for="n in count" :key="n">
          <img
            :src="decal.picture"
            :alt="say('follow.decal', { name: decal.name, width: number(decal.size[0]), height: number(decal.size[1]) })"
            :style="{ width: `${decal.size[0]}mm`, height: `${decal.size[1]}mm` }"
          />
        </li>
      </template>
    </ul>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 8mm;
  margin: 12px 0 0;
  padding: 0;
}
img {
  display: block;
  max-width: none;
  outline: 1px dashed var(--faint);
  outline-offset: 1px;
  break-inside: avoid;
}
.ruler {
  display: flex;
  align-items: center;
  gap: 8px;
  color: var(--faint);
}
.ruler span {
  width: 50mm;
  height: 6px;
  border: solid var(--ink);
  border-width: 0 1px 1px;
}
</style>
