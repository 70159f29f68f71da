<script setup lang="ts">
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@core/language'
import { useWords } from '../shared/words-key'

/** In which language the booklet speaks on this device. */
defineProps<{ /** The words of the one that was chosen could not be had. */ isMissing: boolean }>()
const emit = defineEmits<{ choose: [language: Language] }>()
const { say, language } = useWords()
</script>

<template>
  <p class="language">
    <label
      >{{ say('look.language') }}
      <select class="plain-field" :value="language" @change="emit('choose', ($event.target as HTMLSelectElement).value as Language)">
        <option v-for="each in LANGUAGES" :key="each" :value="each" :lang="each">{{ LANGUAGE_NAMES[each] }}</option>
      </select></label
    >
    <span v-if="isMissing" role="alert">{{ say('look.languageFailed') }}</span>
  </p>
</template>
