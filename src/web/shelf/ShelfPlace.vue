<script setup lang="ts">
import { computed, nextTick, onUnmounted, ref, useId, watch } from 'vue'
import { say, sayCount } from '../language'
import { readiness } from '../storage/facts'
import type { StoredModel } from '../storage/database'
import type { WritableFormat } from '@core/formats'

import { formats } from '../shared/formats'
import { formatWords } from './format-words'

const props = defineProps<{ stored: StoredModel; /** Known folders. */ folders: readonly string[] }>()
const emit = defineEmits<{
  duplicate: []
  remove: []
  save: [format: WritableFormat]
  tryAgain: []
  folder: [name: string]
}>()

const isMoving = ref(false)
const named = ref('')
const listId = useId()
const field = ref<HTMLInputElement>()
async function askFolder(): Promise<void> {
  named.value = props.stored.folder ?? ''
  isMoving.value = !isMoving.value
  await nextTick()
  field.value?.focus()
}
function put(): void {
  isMoving.value = false
  emit('folder', named.value)
}

const url = ref('')
function show(picture: Blob | undefined): void {
  if (url.value) URL.revokeObjectURL(url.value)
  url.value = picture ? URL.createObjectURL(picture) : ''
}
watch(() => props.stored.picture, show, { immediate: true })
onUnmounted(() => show(undefined))

const facts = computed(() => props.stored.facts)
</script>

<template>
  <li class="place">
    <RouterLink class="open" :to="{ name: 'rail', params: { id: stored.id } }">
      <span class="stand">
        <img v-if="url" :src="url" alt="" width="480" height="360" />
        <span v-else class="waiting">{{ stored.unpainted ? say('common.noPicture') : say('common.notPaintedYet') }}</span>
      </span>
      <span class="board" aria-hidden="true" />
      <span class="name">{{ stored.name }}</span>
    </RouterLink>
    <p class="facts">
      <template v-if="facts"
        >{{ sayCount('count.parts', facts.parts) }}, {{ sayCount('count.sections', facts.sections) }},
        {{ sayCount('count.steps', facts.steps) }}<br
      /></template>
      <span :class="{ bad: facts && facts.errors > 0 }"
        ><span aria-hidden="true">{{ facts ? (facts.errors > 0 ? '▲' : '●') : '○' }}</span> {{ readiness(facts) }}</span
      >
    </p>
    <p v-if="stored.unpainted" class="facts unpainted">
      {{ say('shelf.noPictureAndNoPlan', { unpainted: stored.unpainted }) }}
      <button class="plain-button framed" @click="emit('tryAgain')">{{ say('common.tryAgain') }}</button>
    </p>
    <div class="acts" role="group" :aria-label="say('shelf.whatToDoWith', { name: stored.name })">
      <button class="plain-button" @click="emit('duplicate')">{{ say('shelf.duplicate') }}</button>
      <button v-for="format in formats.writable" :key="format.id" class="plain-button" @click="emit('save', format)">
        {{ say('shelf.save', { short: formatWords(format).short }) }}
      </button>
      <button class="plain-button" :aria-expanded="isMoving" @click="askFolder">{{ say('shelf.folder') }}</button>
      <button class="plain-button" @click="emit('remove')">{{ say('common.takeOff') }}</button>
    </div>
    <form v-if="isMoving" class="folder" @submit.prevent="put" @keydown.esc="isMoving = false">
      <label :for="`${listId} field`">{{ say('shelf.folder') }}</label>
      <input
        :id="`${listId} field`"
        ref="field"
        v-model="named"
        class="plain-field"
        maxlength="200"
        :list="listId"
        :placeholder="say('shelf.emptyOnTheShelfItself')"
        autocomplete="off"
      />
      <datalist :id="listId">
        <option v-for="known in folders" :key="known" :value="known" />
      </datalist>
      <button class="plain-button framed">{{ say('shelf.putItThere') }}</button>
    </form>
  </li>
</template>

<style scoped>
.place {
  min-width: 0;
}
.open {
  display: block;
  color: inherit;
  text-decoration: none;
}
.stand {
  display: grid;
  place-items: end center;
  height: 250px;
  background: var(--sheet);
  overflow: hidden;
}
.stand img {
  height: 250px;
  width: auto;
  max-width: 100%;
  object-fit: contain;
}
.waiting {
  align-self: center;
  color: var(--faint);
}
.board {
  display: block;
  height: 4px;
  background: var(--ink);
}
.name {
  display: block;
  font-weight: 700;
  font-size: 1.2rem;
  padding: 10px 12px 0;
  overflow-wrap: anywhere;
}
.open:hover .name {
  text-decoration: underline;
}
.facts {
  margin: 2px 12px;
  color: var(--faint);
}
.unpainted {
  overflow-wrap: anywhere;
}
.bad {
  color: var(--error);
}
.acts {
  display: flex;
  flex-wrap: wrap;
}
.folder {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  padding: 4px 12px;
}
.folder input {
  flex: 1;
  min-width: 120px;
}
</style>
