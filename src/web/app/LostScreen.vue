<template>
  <main class="lost">
    <h1>There is nothing at this address</h1>
    <p>The model may have been deleted, or the link is incomplete.</p>
    <RouterLink :to="{ name: 'shelf' }">To the shelf</RouterLink>
  </main>
</template>

<style scoped>
.lost {
  padding: 60px;
}
</style>
