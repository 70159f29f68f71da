<script setup lang="ts">
import type { InventoryPage } from '@core/booklet'

/** What is said of all pieces beside their counts. */
defineProps<{ lists: InventoryPage['lists'] }>()
</script>

<template>
  <template v-for="list in lists" :key="list.title">
    <h3>{{ list.title }}</h3>
    <ul>
      <li v-for="line in list.lines" :key="line">{{ line }}</li>
    </ul>
  </template>
</template>
