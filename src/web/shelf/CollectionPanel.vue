<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { say, sayCount } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import type { StoredModel } from '../storage/database'

/** Several models for one booklet: which, in what order, and what the whole is called. */
const props = defineProps<{ models: readonly StoredModel[]; isMaking: boolean; longest: number }>()
const emit = defineEmits<{ make: [name: string, ids: string[]]; leave: [] }>()

const chosen = ref<string[]>([])
const name = ref('')
const field = ref<HTMLInputElement>()
onMounted(() => field.value?.focus())

/** Taken off meanwhile, it is not chosen any more. */
const known = computed(() => chosen.value.filter((id) => props.models.some((stored) => stored.id === id)))
const isReady = computed(() => known.value.length >= 2 && name.value.trim() !== '' && !props.isMaking)
const place = (id: string): number => known.value.indexOf(id) + 1
const parts = computed(() => props.models.reduce((sum, { id, facts }) => sum + (place(id) > 0 ? (facts?.parts ?? 0) : 0), 0))

function toggle(id: string): void {
  chosen.value = place(id) > 0 ? known.value.filter((each) => each !== id) : [...known.value, id]
}
function make(): void {
  if (isReady.value) emit('make', name.value.trim(), known.value)
}
</script>

<template>
  <form class="collection" aria-labelledby="collection-title" @submit.prevent="make" @keydown.esc="emit('leave')">
    <h2 id="collection-title">{{ say('shelf.makeACollection') }}</h2>
    <p class="faint">
      {{ say('shelf.severalModelsInOneBooklet') }}
    </p>
    <label class="name"
      >{{ say('common.name') }} <input ref="field" v-model="name" class="plain-field" :maxlength="longest" autocomplete="off"
    /></label>
    <fieldset>
      <legend>{{ say('shelf.modelsInTheOrderThey') }}</legend>
      <label v-for="stored in models" :key="stored.id">
        <input type="checkbox" :checked="place(stored.id) > 0" @change="toggle(stored.id)" />
        <span class="place" aria-hidden="true">{{ place(stored.id) || '' }}</span>
        <span>{{ stored.name }}</span>
      </label>
    </fieldset>
    <div class="acts">
      <ActionButton primary submit :disabled="!isReady">{{ say('shelf.makeIt') }}</ActionButton>
      <ActionButton @click="emit('leave')">{{ say('common.leaveIt') }}</ActionButton>
      <span role="status" class="faint">{{
        known.length < 2
          ? say('shelf.chooseTwoModelsOrMore')
          : name.trim() === ''
            ? say('shelf.itNeedsAName')
            : `${sayCount('count.models', known.length)}, ${sayCount('count.parts', parts)}.`
      }}</span>
    </div>
  </form>
</template>

<style scoped>
.collection {
  margin-top: 16px;
  padding: 16px 20px 20px;
  max-width: 760px;
  border: 1px solid var(--rule);
  background: var(--sheet);
}
h2 {
  margin: 0;
}
.name {
  display: flex;
  align-items: center;
  gap: 10px;
}
.name input {
  flex: 1;
  max-width: 420px;
}
fieldset {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  margin: 14px 0;
  padding: 0;
  border: 0;
  max-height: 300px;
  overflow-y: auto;
}
legend {
  padding: 0;
}
fieldset label {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
  overflow-wrap: anywhere;
}
.place {
  min-width: 1.4em;
  font-weight: 700;
  color: var(--accent);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
}
</style>
