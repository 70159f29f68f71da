<script setup lang="ts">
import { useElementVisibility } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { StepPage } from '@core/booklet'
import { readQuickLine, type QuickPiece } from '@core/names'
import { say } from '../language'
import LineReading from '../shared/LineReading.vue'
import TrayList from '../shared/TrayList.vue'
import { usePaintSource } from '../shared/painter-key'

/** One step of a photo log: its photos, its pieces, and a line to write more pieces into. */
const props = defineProps<{ page: StepPage; picked: number; isFirst: boolean; isLast: boolean; isOneOfMany: boolean }>()
const emit = defineEmits<{
  pick: [photo: number]
  addPhotos: []
  pieces: [pieces: readonly QuickPiece[]]
  move: [by: 1 | -1]
  remove: []
}>()

/** Of hundreds of steps only those near the view are filled. */
const item = ref<HTMLElement>()
const isNear = props.isOneOfMany ? useElementVisibility(item, { rootMargin: '600px', once: true }) : ref(true)

const source = usePaintSource()
const line = ref('')
const read = computed(() =>
  source.value && line.value.trim() !== '' ? readQuickLine(line.value, source.value.catalogue) : { pieces: [], unclear: [], told: [] },
)
function add(): void {
  if (read.value.pieces.length === 0) return
  emit('pieces', read.value.pieces)
  if (read.value.unclear.length === 0) line.value = ''
}
const title = computed(() => say('common.step', { label: props.page.label }))
</script>

<template>
  <li ref="item" :class="{ here: picked >= 0, far: !isNear }">
    <h2>{{ title }}</h2>
    <template v-if="isNear">
      <div class="photos">
        <button
          v-for="(photo, i) in page.photos"
          :key="i"
          class="thumb"
          :aria-pressed="picked === i"
          :aria-label="say('photos.photo', { title, i: i + 1, what: photo.alt ? `: ${photo.alt}` : '' })"
          @click="emit('pick', i)"
        >
          <img :src="photo.file" alt="" />
        </button>
        <button class="plain-button" @click="emit('addPhotos')">{{ say('photos.oneMorePhoto') }}</button>
      </div>
      <TrayList v-if="page.callout.length > 0" :pieces="page.callout" :label="say('photos.piecesOf', { title })" />
      <form @submit.prevent="add">
        <label
          >{{ say('common.pieces') }}
          <input v-model="line" class="plain-field" maxlength="300" :placeholder="say('photos.plate2x4SlateTile1x2')" @keydown.stop
        /></label>
        <button class="plain-button framed" type="submit" :disabled="read.pieces.length === 0">{{ say('common.add') }}</button>
        <button class="plain-button" type="button" :disabled="isFirst" @click="emit('move', -1)">{{ say('common.earlier') }}</button>
        <button class="plain-button" type="button" :disabled="isLast" @click="emit('move', 1)">{{ say('common.later') }}</button>
        <button class="plain-button" type="button" @click="emit('remove')">{{ say('photos.takeTheStepOut') }}</button>
      </form>
      <div v-if="line.trim() !== ''" role="status">
        <TrayList v-if="read.pieces.length > 0" :pieces="read.pieces" :label="say('common.whatWasUnderstood')" />
        <LineReading :read />
      </div>
    </template>
  </li>
</template>

<style scoped>
li {
  padding: 12px 0 12px 14px;
  border-bottom: 1px solid var(--rule);
  border-left: 3px solid transparent;
}
li.far {
  min-height: 180px;
}
li.here {
  border-left-color: var(--accent);
}
h2 {
  font-size: 1rem;
}
.photos,
form {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin: 6px 0;
}
.thumb {
  border: 2px solid transparent;
  background: none;
  padding: 0;
  cursor: pointer;
}
.thumb[aria-pressed='true'] {
  border-color: var(--accent);
}
.thumb img {
  display: block;
  height: 84px;
  min-width: 60px;
  object-fit: cover;
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
  flex: 1;
  min-width: 240px;
}
label input {
  flex: 1;
  min-width: 0;
}
</style>
