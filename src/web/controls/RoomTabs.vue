<script setup lang="ts">
/** Rooms that belong together, as links beside each other. */
defineProps<{ label: string; rooms: readonly { readonly name: string; readonly label: string }[] }>()
</script>

<template>
  <nav :aria-label="label">
    <RouterLink v-for="room in rooms" :key="room.name" :to="{ name: room.name }">{{ room.label }}</RouterLink>
  </nav>
</template>

<style scoped>
nav {
  display: flex;
  flex: none;
  max-width: 100%;
  gap: 6px;
  flex-wrap: wrap;
  margin-bottom: 10px;
}
a {
  color: var(--ink);
  text-decoration: none;
  min-height: 44px;
  display: flex;
  align-items: center;
  padding: 0 10px;
  white-space: nowrap;
  border-bottom: 3px solid var(--rule);
}
a[aria-current] {
  border-bottom-color: var(--accent);
  font-weight: 700;
}
</style>
