<script setup lang="ts">
import { NButton } from 'naive-ui'

/** A button with its shortcut shown where it acts. */
withDefaults(defineProps<{ primary?: boolean; disabled?: boolean; shortcut?: string; describe?: string; submit?: boolean }>(), {
  primary: false,
  submit: false,
  disabled: false,
  shortcut: '',
  describe: '',
})
const emit = defineEmits<{ click: [] }>()
</script>

<template>
  <NButton
    :type="primary ? 'primary' : 'default'"
    :attr-type="submit ? 'submit' : 'button'"
    :disabled="disabled"
    :aria-label="describe || undefined"
    @click="emit('click')"
  >
    <slot />
    <kbd v-if="shortcut" class="shortcut" aria-hidden="true">{{ shortcut }}</kbd>
  </NButton>
</template>

<style scoped>
/* Words that are longer than their place go on in a second line. */
.n-button {
  height: auto;
  min-height: 44px;
  max-width: 100%;
  padding-block: 6px;
  white-space: normal;
  text-align: start;
}
.shortcut {
  margin-left: 8px;
}
</style>
