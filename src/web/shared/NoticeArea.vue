<script setup lang="ts">
import { dismiss, notices } from './notices'
</script>

<template>
  <div class="notices">
    <div
      v-for="notice in notices"
      :key="notice.id"
      class="notice"
      :class="{ error: notice.isError }"
      :role="notice.isError ? 'alert' : 'status'"
    >
      <span><strong v-if="notice.isError">Not done. </strong>{{ notice.text }}</span>
      <button v-if="notice.act" class="plain-button act" @click="(notice.act.run(), dismiss(notice.id))">{{ notice.act.label }}</button>
      <button class="plain-button" aria-label="Close this message" @click="dismiss(notice.id)">Close</button>
    </div>
  </div>
</template>

<style scoped>
.notices {
  position: fixed;
  left: 50%;
  bottom: 16px;
  transform: translateX(-50%);
  z-index: 50;
  display: flex;
  flex-direction: column;
  gap: 8px;
  width: min(640px, calc(100vw - 32px));
}
.notice {
  background: var(--ink);
  color: var(--paper);
  padding: 6px 8px 6px 16px;
  display: flex;
  align-items: center;
  gap: 8px;
  border-radius: 3px;
}
.notice span {
  flex: 1;
  overflow-wrap: anywhere;
}
.notice.error {
  border-left: 8px solid #e08a7d;
}
.act {
  font-weight: 700;
  text-decoration: underline;
}
.plain-button:hover:not(:disabled) {
  background: #3a3d41;
}
</style>
