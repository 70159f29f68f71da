<script setup lang="ts">
import { NProgress } from 'naive-ui'
import { nextTick, onBeforeUnmount, ref } from 'vue'
import { say } from '../language'
import { focusMain } from '../shared/focus'
import ActionButton from './ActionButton.vue'

/** Long work: what is done, how far it is, and a way to stop it. When it goes, so does its button: the focus must not fall out of the page. */
defineProps<{ label: string; fraction: number }>()
const emit = defineEmits<{ stop: [] }>()
const bar = ref<HTMLElement>()
onBeforeUnmount(() => {
  if (bar.value?.contains(document.activeElement)) void nextTick(focusMain)
})
</script>

<template>
  <div ref="bar" class="work" role="group" :aria-label="label">
    <span class="what" role="status">{{ label }}</span>
    <NProgress type="line" :percentage="Math.round(fraction * 100)" :show-indicator="false" :aria-label="label" />
    <span class="percent">{{ Math.round(fraction * 100) }} %</span>
    <ActionButton @click="emit('stop')">{{ say('common.stop') }}</ActionButton>
  </div>
</template>

<style scoped>
.work {
  display: flex;
  align-items: center;
  gap: 14px;
}
.what {
  white-space: nowrap;
}
.percent {
  min-width: 3.2em;
  text-align: right;
}
</style>
