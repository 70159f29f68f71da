<script setup lang="ts">
import qrcode from 'qrcode-generator'
import { computed, ref } from 'vue'

/** The place in the booklet as a link and as a code, for another device. */
const { address } = defineProps<{ /** The end of the link, with its `#`. */ address: string }>()

const said = ref('')
const link = computed(() => new URL(address, location.href).href)
/** Longer ones no camera reads. */
const MOST_LETTERS = 2000
const code = computed(() => {
  if (link.value.length > MOST_LETTERS) return ''
  const qr = qrcode(0, 'L')
  qr.addData(link.value)
  qr.make()
  return qr.createSvgTag({ cellSize: 4, margin: 4, scalable: true })
})

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
    <p>
      {{ code ? 'Scan this on the other device, or open the link there' : 'Open this link on the other device' }}: it opens at this page,
      with your ticks.
    </p>
    <!-- eslint-disable-next-line vue/no-v-html -- drawn by the code library from the link alone -->
    <div v-if="code" class="code" role="img" aria-label="The link to this place as a code to scan" v-html="code" />
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
.code {
  width: 220px;
  background: #fff;
}
</style>
