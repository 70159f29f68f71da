<script setup lang="ts">
import { computed } from 'vue'
import type { CoverPage } from '@core/booklet'
import PhotoPicture from '../shared/PhotoPicture.vue'

/** What a cover says of a model. */
const props = defineProps<{ page: CoverPage; terms: string | undefined }>()
defineSlots<{ default?: () => unknown; end?: () => unknown }>()
const facts = computed(() => {
  const { parts, pieces, colours, steps, sections } = props.page.facts
  return [
    ['parts', parts],
    ['different pieces', pieces],
    ['colours', colours],
    ['steps', steps],
    ['sections', sections],
  ] as const
})
</script>

<template>
  <p v-if="page.designer" class="faint">Designed by {{ page.designer }}</p>
  <slot />
  <p class="notes">{{ page.notes }}</p>
  <p v-if="terms" class="notes"><b>Terms:</b> {{ terms }}</p>
  <dl class="facts">
    <div v-for="[word, count] in facts" :key="word">
      <dt>{{ word }}</dt>
      <dd>{{ count }}</dd>
    </div>
  </dl>
  <PhotoPicture v-for="(photo, i) in page.photos" :key="`photo ${i}`" :photo="photo" />
  <p v-for="caution in page.cautions" :key="caution" class="caution"><span aria-hidden="true">△</span> {{ caution }}</p>
  <p v-for="line in page.remarks" :key="line">{{ line }}</p>
  <slot name="end" />
</template>

<style scoped src="./words.css"></style>
