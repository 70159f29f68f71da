<script setup lang="ts">
/** The rooms of the parts desk: what a version takes, which bag it comes in, which versions there are, and where the pieces go. */
</script>

<template>
  <nav aria-label="Parts desk">
    <RouterLink :to="{ name: 'parts' }">What it takes</RouterLink>
    <RouterLink :to="{ name: 'buy' }">Buy</RouterLink>
    <RouterLink :to="{ name: 'bags' }">Bags</RouterLink>
    <RouterLink :to="{ name: 'versions' }">Versions</RouterLink>
    <RouterLink :to="{ name: 'charts' }">Charts</RouterLink>
  </nav>
</template>

<style scoped>
nav {
  display: flex;
  gap: 6px;
  overflow-x: auto;
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
