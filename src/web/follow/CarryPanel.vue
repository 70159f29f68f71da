<script setup lang="ts">
import { computed, ref } from 'vue'
import LinkCode from '../shared/LinkCode.vue'
import { useWords } from '../shared/words-key'

/** The place in the booklet as a link and as a code, for another device. */
const { address } = defineProps<{ /** The end of the link, with its `#`. */ address: string }>()
const { say } = useWords()

const said = ref('')
const link = computed(() => new URL(address, location.href).href)
async function copy(): Promise<void> {
  try {
    await navigator.clipboard.writeText(link.value)
    said.value = say('carry.copied')
  } catch {
    said.value = say('carry.notCopied')
  }
}
</script>

<template>
  <section class="carry" :aria-label="say('carry.title')">
    <h2>{{ say('carry.title') }}</h2>
    <p>{{ say('carry.how') }}</p>
    <LinkCode :link="link" :label="say('carry.code')" />
    <p>
      <a :href="link">{{ link }}</a>
    </p>
    <button class="plain-button framed" @click="copy">{{ say('carry.copy') }}</button>
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
