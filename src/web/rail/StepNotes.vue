<script setup lang="ts">
import { ref } from 'vue'
import { NOTE_SIGNS, noteTitle, type StepSign } from '@core/booklet'
import { STEP_NOTE_KINDS, type StepNote, type StepNoteKind } from '@core/model'
import { say, screenWords } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import PathSign from '../shared/PathSign.vue'

/** Further notes of a step, each with what it is for: they stand in the booklet behind that word. */
defineProps<{ signs: readonly StepSign[]; isLocked: boolean; suggested: readonly StepNote[] }>()
const emit = defineEmits<{ add: [note: StepNote]; remove: [at: number] }>()
const kind = ref<string>('try')
const text = ref('')
const kinds = STEP_NOTE_KINDS.map((value) => ({ value, label: noteTitle(value, screenWords()) }))

function add(): void {
  emit('add', { kind: kind.value as StepNoteKind, text: text.value })
  text.value = ''
}
</script>

<template>
  <div class="notes">
    <ul v-if="signs.length > 0" :aria-label="say('rail.notesWithASign')">
      <li v-for="(sign, i) in signs" :key="`${i} ${sign.text}`">
        <PathSign :path="NOTE_SIGNS[sign.kind]" />
        <span>{{ sign.text }}</span>
        <button
          class="plain-button"
          :disabled="isLocked"
          :aria-label="say('rail.takeAway', { text: sign.text })"
          @click="emit('remove', i)"
        >
          {{ say('common.takeAway') }}
        </button>
      </li>
    </ul>
    <ul v-if="!isLocked && suggested.length > 0" :aria-label="say('rail.worthSaying')">
      <li v-for="note in suggested" :key="note.text" class="faint">
        <span>{{ noteTitle(note.kind, screenWords()) }}: {{ note.text }}</span>
        <button class="plain-button" :aria-label="say('rail.sayIt', { text: note.text })" @click="emit('add', note)">
          {{ say('rail.sayIt2') }}
        </button>
      </li>
    </ul>
    <form v-if="!isLocked" @submit.prevent="add">
      <ChoiceList v-model="kind" :label="say('rail.more')" :options="kinds" />
      <input v-model="text" class="plain-field" :aria-label="say('rail.whatItSays')" maxlength="2000" @keydown.stop />
      <ActionButton submit :disabled="text.trim() === ''">{{ say('common.add') }}</ActionButton>
    </form>
  </div>
</template>

<style scoped>
.notes {
  margin: 10px 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  overflow-wrap: anywhere;
}
li button {
  flex: none;
}
li span {
  flex: 1;
  min-width: 0;
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
input {
  flex: 1;
  min-width: 120px;
}
</style>
