<script setup lang="ts">
import { computed } from 'vue'
import type { CoverPage } from '@core/booklet'
import PhotoPicture from '../shared/PhotoPicture.vue'
import { useWords } from '../shared/words-key'

/** What a cover says of a model. */
const props = defineProps<{ page: CoverPage; terms: string | undefined }>()
defineSlots<{ default?: () => unknown; end?: () => unknown }>()
const { say, count } = useWords()
const facts = computed(() => {
  const { parts, pieces, colours, steps, sections } = props.page.facts
  return (Object.entries({ parts, pieces, colours, steps, sections }) as [keyof CoverPage['facts'], number][]).map(
    ([key, value]) => [count(`cover.${key}`, value), value] as const,
  )
})
</script>

<template>
  <p v-if="page.designer" class="faint">{{ say('cover.designedBy', { name: page.designer }) }}</p>
  <slot />
  <p class="notes">{{ page.notes }}</p>
  <p v-if="terms" class="notes">
    <b>{{ say('follow.terms') }}</b> {{ terms }}
  </p>
  <dl class="facts">
    <div v-for="[word, value] in facts" :key="word">
      <dt>{{ word }}</dt>
      <dd>{{ value }}</dd>
    </div>
  </dl>
  <PhotoPicture v-for="(photo, i) in page.photos" :key="`photo ${i}`" :photo="photo" />
  <p v-for="caution in page.cautions" :key="caution" class="caution"><span aria-hidden="true">△</span> {{ caution }}</p>
  <p v-for="line in page.remarks" :key="line">{{ line }}</p>
  <slot name="end" />
</template>

<style scoped src="./words.css"></style>
