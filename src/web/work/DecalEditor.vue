<script setup lang="ts">
import { resized } from '@core/decal'
import type { Decal } from '@core/model'
import { say } from '../language'
import LineField from '../controls/LineField.vue'

/** The decals of the model: name and size, as they are printed. */
defineProps<{ decals: readonly Decal[] }>()
const emit = defineEmits<{ change: [decal: Decal]; remove: [decal: Decal] }>()

/** Width and height keep their proportion. */
function resize(decal: Decal, axis: 0 | 1, text: string): void {
  const mm = Number(text)
  if (mm > 0) emit('change', resized(decal, axis, mm))
}
</script>

<template>
  <section class="decals" :aria-label="say('work.decalsOfThisModel')">
    <h3>{{ say('work.decalsOfThisModel') }}</h3>
    <p class="faint">{{ say('work.theyArePrintedAtThis') }}</p>
    <ul>
      <li v-for="decal in decals" :key="decal.id">
        <img :src="decal.picture" :alt="decal.name" />
        <div>
          <LineField
            :label="say('common.name')"
            :value="decal.name"
            :commit="(text) => text !== '' && emit('change', { ...decal, name: text })"
          />
          <LineField :label="say('work.widthMm')" type="number" :value="decal.size[0]" :commit="(text) => resize(decal, 0, text)" />
          <LineField :label="say('work.heightMm')" type="number" :value="decal.size[1]" :commit="(text) => resize(decal, 1, text)" />
          <button type="button" class="plain-button" :aria-label="say('work.takeOut', { name: decal.name })" @click="emit('remove', decal)">
            {{ say('common.takeOut') }}
          </button>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.decals {
  border-top: 1px solid var(--rule);
  margin-top: 18px;
  padding-top: 12px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 18px 32px;
}
li {
  display: flex;
  gap: 14px;
  align-items: flex-start;
}
img {
  max-width: 140px;
  max-height: 120px;
  background: #fff;
  outline: 1px dashed var(--faint);
}
</style>
