<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { say } from '../language'
import ActionButton from '../controls/ActionButton.vue'

/** Something to print, shown as it will be: over the screen, and alone on the paper. */
defineProps<{ label: string }>()
const emit = defineEmits<{ done: [] }>()
const sheet = ref<HTMLElement>()
let before: Element | null = null

onMounted(() => {
  before = document.activeElement
  sheet.value?.focus()
})
function close(): void {
  emit('done')
  if (before instanceof HTMLElement) before.focus()
}
const print = (): void => window.print()
</script>

<template>
  <Teleport to="body">
    <div ref="sheet" class="print-sheet" role="dialog" aria-modal="true" :aria-label="label" tabindex="-1" @keydown.esc="close">
      <div class="acts">
        <h2>{{ label }}</h2>
        <ActionButton primary @click="print">{{ say('shared.print') }}</ActionButton>
        <ActionButton shortcut="Esc" @click="close">{{ say('common.close') }}</ActionButton>
      </div>
      <slot />
    </div>
  </Teleport>
</template>

<style>
.print-sheet {
  position: fixed;
  inset: 0;
  z-index: 50;
  overflow: auto;
  background: var(--paper);
  color: var(--ink);
  padding: 18px 28px 60px;
}
.print-sheet .acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  margin-bottom: 14px;
}
@media print {
  body:has(> .print-sheet) > :not(.print-sheet) {
    display: none !important;
  }
  .print-sheet {
    position: static;
    overflow: visible;
    padding: 0;
  }
  .print-sheet .acts {
    display: none;
  }
}
</style>
