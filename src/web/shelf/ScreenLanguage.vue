<script setup lang="ts">
import { computed, ref } from 'vue'
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@core/language'
import { say, screenLanguage, speakOnScreen } from '../language'
import ChoiceList from '../controls/ChoiceList.vue'
import { keepChosenLanguage } from '../shared/chosen-language'

/** In which language all screens speak, on this device. */
const isMissing = ref(false)
const options = LANGUAGES.map((value) => ({ value, label: LANGUAGE_NAMES[value] }))
const language = computed({ get: (): string => screenLanguage(), set: (value) => void choose(value as Language) })

async function choose(wanted: Language): Promise<void> {
  isMissing.value = false
  try {
    await speakOnScreen(wanted)
    keepChosenLanguage(wanted)
  } catch {
    isMissing.value = true
  }
}
</script>

<template>
  <div>
    <ChoiceList v-model="language" :label="say('shelf.language')" :options="options" />
    <p v-if="isMissing" role="alert">{{ say('shelf.languageFailed') }}</p>
  </div>
</template>
