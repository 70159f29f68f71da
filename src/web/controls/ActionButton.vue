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
.shortcut {
  margin-left: 8px;
}
</style>
