<script setup lang="ts">
import { defineAsyncComponent, onMounted, onUnmounted, ref } from 'vue'
import type { Bundle } from '@core/booklet'
import type { Language } from '@core/language'
import { say } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import { readyLanguage } from '../follow/use-language'
import { makePainter } from '../workers/make-painter'
import '../follow/look.css'

/** The booklet as a builder sees it who knows nothing of it: the very page that is published, before it is. */
const props = defineProps<{ bundle: Bundle }>()
const emit = defineEmits<{ close: [] }>()
const FollowApp = defineAsyncComponent(() => import('../follow/FollowApp.vue'))

const painter = makePainter()
const dialog = ref<HTMLDialogElement>()
/** In which the designer wrote it: a builder may choose another. */
const language = ref<Language>()
void readyLanguage(props.bundle.model.booklet?.language ?? 'en').then((ready) => (language.value = ready))
onMounted(() => dialog.value!.showModal())
onUnmounted(() => {
  painter.close()
  // What a builder may choose holds for the builder's page alone.
  document.documentElement.classList.remove('large', 'dark')
  document.documentElement.lang = 'en'
})
</script>

<template>
  <!-- Escape belongs to the page inside. -->
  <dialog ref="dialog" :aria-label="say('booklet.asABuilderSeesIt')" @cancel.prevent>
    <div class="bar">
      <p>{{ say('booklet.asABuilderSeesIt') }}</p>
      <ActionButton @click="emit('close')">{{ say('booklet.backToTheBooklet') }}</ActionButton>
    </div>
    <FollowApp v-if="language" :bundle="bundle" :published="undefined" :painter="painter" :language="language" is-embedded />
  </dialog>
</template>

<style scoped>
dialog {
  width: 100vw;
  height: 100dvh;
  max-width: none;
  max-height: none;
  margin: 0;
  padding: 0;
  border: 0;
  background: var(--paper);
  color: var(--ink);
  overflow: hidden;
}
dialog[open] {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
}
.bar {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
  padding: 4px 20px;
  background: var(--accent-wash);
}
.bar p {
  margin: 0;
}
dialog :deep(.follow) {
  height: 100%;
}
</style>
