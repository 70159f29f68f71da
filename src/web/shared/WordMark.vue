<script setup lang="ts">
import { say } from '../language'
</script>

<template>
  <RouterLink class="mark" :to="{ name: 'shelf' }">
    <svg width="46" height="28" viewBox="0 0 46 28" aria-hidden="true">
      <path d="M1 21 H45" stroke="currentColor" stroke-width="1.6" fill="none" />
      <path d="M1 7 H14 C26 7 22 21 34 21" stroke="currentColor" stroke-width="2.6" fill="none" />
      <path d="M8 2 V12 M38 15 V27" stroke="var(--accent)" stroke-width="3.4" />
    </svg>
    <span>{{ say('shared.jumpRail') }}</span>
  </RouterLink>
</template>

<style scoped>
.mark {
  display: inline-flex;
  align-items: center;
  gap: 10px;
  color: var(--ink);
  text-decoration: none;
  font-weight: 700;
  font-size: 1.15rem;
  min-height: 44px;
  white-space: nowrap;
}
</style>
