<script setup lang="ts">
import { say } from '../language'
</script>

<template>
  <main class="lost">
    <h1>{{ say('app.thereIsNothingAtThis') }}</h1>
    <p>{{ say('app.theModelMayHaveBeen') }}</p>
    <RouterLink :to="{ name: 'shelf' }">{{ say('common.toTheShelf') }}</RouterLink>
  </main>
</template>

<style scoped>
.lost {
  padding: 60px;
}
</style>
