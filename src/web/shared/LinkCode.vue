<script setup lang="ts">
import qrcode from 'qrcode-generator'
import { computed } from 'vue'

/** A link as a code to scan; nothing where no camera could read it. */
const { link, label } = defineProps<{ link: string; label: string }>()

const MOST_LETTERS = 2000
const code = computed(() => {
  if (link === '' || link.length > MOST_LETTERS) return ''
  const qr = qrcode(0, 'L')
  qr.addData(link)
  qr.make()
  return qr.createSvgTag({ cellSize: 4, margin: 4, scalable: true })
})
</script>

<template>
  <!-- eslint-disable-next-line vue/no-v-html -- drawn by the code library from the link alone -->
  <div v-if="code" class="code" role="img" :aria-label="label" v-html="code" />
</template>

<style scoped>
.code {
  width: 180px;
  background: #fff;
}
</style>
