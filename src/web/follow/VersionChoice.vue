<script setup lang="ts">
import { computed } from 'vue'
import { versionName, type VersionName } from '@core/booklet'
import { useWords } from '../shared/words-key'

/** Which of several versions is built: chosen at the start, and again whenever one likes. */
const props = defineProps<{ shows: VersionName; others: readonly VersionName[] }>()
const emit = defineEmits<{ choose: [id: string] }>()
const words = useWords()
const { say } = words
/** Always in one order, whichever is open. */
const all = computed(() =>
  [props.shows, ...props.others].sort((a, b) => Number(a.id !== '') - Number(b.id !== '') || a.name.localeCompare(b.name)),
)
</script>

<template>
  <fieldset>
    <legend>{{ say('follow.whichOne') }}</legend>
    <label v-for="{ id, name, note } in all" :key="id"
      ><input type="radio" name="version" :value="id" :checked="id === shows.id" @change="emit('choose', id)" />
      <span
        >{{ versionName({ id, name }, words) }}<span v-if="note" class="faint">{{ note }}</span></span
      ></label
    >
  </fieldset>
</template>

<style scoped src="./choices.css"></style>

<style scoped>
.faint {
  display: block;
}
</style>
