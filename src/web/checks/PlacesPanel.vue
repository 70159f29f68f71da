<script setup lang="ts">
import { NInput } from 'naive-ui'
import { computed, ref, useId } from 'vue'
import { addPlace, removePlace, type ModelDocument } from '@core/model'
import { say } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'

/** Places that must stay within reach while the model grows: a seat, a jar's shelf, a battery. */
const props = defineProps<{
  model: ModelDocument
  edit: (label: string, change: (model: ModelDocument) => ModelDocument) => Promise<boolean>
}>()

const section = ref(props.model.root)
const part = ref('')
const name = ref('')
const [partField, nameField, list] = [useId(), useId(), useId()]

const sections = computed(() =>
  props.model.sections.filter(({ parts }) => (parts?.length ?? 0) > 0).map(({ id, name: label }) => ({ value: id, label })),
)
const parts = computed(() => props.model.sections.find(({ id }) => id === section.value)?.parts ?? [])
const places = computed(() =>
  props.model.sections.flatMap(({ id, name: label, places: own }) => (own ?? []).map((place, i) => ({ ...place, section: id, label, i }))),
)

const isOpen = ref(places.value.length > 0)

async function add(): Promise<void> {
  const place = { name: name.value, part: part.value }
  const into = section.value
  if (!(await props.edit(say('checks.keepAPlaceWithinReach'), (model) => addPlace(model, into, place)))) return
  part.value = ''
  name.value = ''
}
function remove(id: string, index: number): void {
  void props.edit(say('checks.aPlaceMayBeClosed'), (model) => removePlace(model, id, index))
}
</script>

<template>
  <details class="places" :open="isOpen" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary class="opener">{{ say('checks.placesToKeepWithinReach') }}</summary>
    <p class="faint">{{ say('checks.theRoomAboveAPart') }}</p>
    <ul>
      <li v-for="place in places" :key="`${place.section} ${place.i}`">
        <span
          ><b>{{ place.name }}</b> {{ say('checks.aboveIn', { part: place.part, label: place.label }) }}</span
        >
        <button
          class="plain-button"
          :aria-label="say('checks.removeThePlace', { name: place.name })"
          @click="remove(place.section, place.i)"
        >
          {{ say('checks.remove') }}
        </button>
      </li>
    </ul>
    <form @submit.prevent="add" @keydown.stop>
      <ChoiceList v-model="section" :label="say('common.section')" :options="sections" />
      <label :for="partField">{{ say('checks.part') }}</label>
      <NInput v-model:value="part" :placeholder="say('checks.thePartItIsAbove')" :input-props="{ id: partField, list }" />
      <datalist :id="list">
        <option v-for="own in parts.slice(0, 500)" :key="own.id" :value="own.id">{{ own.shape }}</option>
      </datalist>
      <label :for="nameField">{{ say('common.name') }}</label>
      <NInput v-model:value="name" :placeholder="say('checks.seat')" :maxlength="200" :input-props="{ id: nameField }" />
      <ActionButton submit>{{ say('checks.keepWithinReach') }}</ActionButton>
    </form>
  </details>
</template>

<style scoped>
.places {
  margin-top: 12px;
  border-top: 1px solid var(--rule);
}
ul {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
}
li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  min-height: 44px;
  overflow-wrap: anywhere;
}
form {
  display: flex;
  flex-direction: column;
  align-items: stretch;
  gap: 4px;
}
form :deep(button) {
  align-self: flex-start;
  margin-top: 6px;
}
label {
  color: var(--faint);
  font-size: 0.92rem;
}
</style>
