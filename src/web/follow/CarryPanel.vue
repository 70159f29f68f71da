<script setup lang="ts">
import { computed, ref } from 'vue'
import LinkCode from '../shared/LinkCode.vue'

/** The place in the booklet as a link and as a code, for another device. */
const { address } = defineProps<{ /** The end of the link, with its `#`. */ address: string }>()

const said = ref('')
const link = computed(() => new URL(address, location.href).href)
async function copy(): Promise<void> {
  try {
    await navigator.clipboard.writeText(link.value)
    said.value = 'The link is copied.'
  } catch {
    said.value = 'The link could not be copied. Mark it and copy it by hand.'
  }
}
</script>

<template>
  <section class="carry" aria-label="Carry on elsewhere">
    <h2>Carry on elsewhere</h2>
    <p>Scan this on the other device, or open the link there: it opens at this page, with your ticks.</p>
    <LinkCode :link="link" label="The link to this place as a code to scan" />
    <p>
      <a :href="link">{{ link }}</a>
    </p>
    <button class="plain-button framed" @click="copy">Copy the link</button>
    <p role="status">{{ said }}</p>
  </section>
</template>

<style scoped>
.carry {
  max-width: 640px;
  margin: 0 auto 20px;
  border-left: 3px solid var(--accent);
  padding: 4px 0 4px 16px;
}
h2 {
  margin: 8px 0 4px;
}
p {
  margin: 4px 0;
  overflow-wrap: anywhere;
}
</style>
