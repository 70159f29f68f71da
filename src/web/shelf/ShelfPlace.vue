<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { readiness } from '../storage/facts'
import type { StoredModel } from '../storage/database'
import type { WritableFormat } from '@core/formats'
import { plural } from '@core/words'
import { formats } from '../shared/formats'

const props = defineProps<{ stored: StoredModel }>()
const emit = defineEmits<{ duplicate: []; remove: []; save: [format: WritableFormat]; tryAgain: [] }>()

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
        <span v-else class="waiting">{{ stored.unpainted ? 'no picture' : 'not painted yet' }}</span>
      </span>
      <span class="board" aria-hidden="true" />
      <span class="name">{{ stored.name }}</span>
    </RouterLink>
    <p class="facts">
      <template v-if="facts"
        >{{ plural(facts.parts, 'part') }}, {{ plural(facts.sections, 'section') }}, {{ plural(facts.steps, 'step') }}<br
      /></template>
      <span :class="{ bad: facts && facts.errors > 0 }"
        ><span aria-hidden="true">{{ facts ? (facts.errors > 0 ? '▲' : '●') : '○' }}</span> {{ readiness(facts) }}</span
      >
    </p>
    <p v-if="stored.unpainted" class="facts unpainted">
      No picture and no plan yet: {{ stored.unpainted }}
      <button class="plain-button framed" @click="emit('tryAgain')">Try again</button>
    </p>
    <div class="acts" role="group" :aria-label="`What to do with ${stored.name}`">
      <button class="plain-button" @click="emit('duplicate')">Duplicate</button>
      <button v-for="format in formats.writable" :key="format.id" class="plain-button" @click="emit('save', format)">
        Save {{ format.short }}
      </button>
      <button class="plain-button" @click="emit('remove')">Take off</button>
    </div>
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
</style>
