<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Suggestion, SuggestionKind } from '@core/suggestions'
import { plural } from '@core/words'
import ActionButton from '../controls/ActionButton.vue'

/** One suggestion: what it would be, why, and a picture of it. */
const props = defineProps<{ suggestion: Suggestion; sectionName: string; picture: ImageData | undefined }>()
const emit = defineEmits<{ accept: [] }>()
const canvas = ref<HTMLCanvasElement>()
const TITLES: Readonly<Record<SuggestionKind, string>> = {
  repeat: 'Stands here several times',
  mirror: 'Stands here as a mirror image',
  near: 'Stands here several times, nearly',
  moving: 'Moves on a joint',
  locked: 'Goes in only as one',
  'loosely-held': 'Hangs on few studs',
}
const title = computed(() => TITLES[props.suggestion.kind])
const facts = computed(() => {
  const { groups, savesParts } = props.suggestion
  const size = plural(groups[0]!.length, 'part')
  return groups.length > 1
    ? `${size}, ${groups.length === 2 ? 'twice' : `${groups.length} times`}; ${plural(savesParts, 'part')} fewer to tell`
    : size
})

watch(
  () => [props.picture, canvas.value] as const,
  ([picture, to]) => {
    if (!picture || !to) return
    to.width = picture.width
    to.height = picture.height
    to.getContext('2d')!.putImageData(picture, 0, 0)
  },
  { flush: 'post' },
)
</script>

<template>
  <li>
    <div class="stand">
      <canvas v-show="picture" ref="canvas" role="img" :aria-label="`${title}: ${facts}`" />
      <span v-if="!picture" class="faint">not painted yet</span>
    </div>
    <div class="words">
      <h3>{{ title }}</h3>
      <p>{{ facts }}, in {{ sectionName }}.</p>
      <p class="faint">{{ suggestion.reason }}</p>
      <ActionButton :describe="`Make it a section: ${title}, ${facts}`" @click="emit('accept')">Make it a section</ActionButton>
    </div>
  </li>
</template>

<style scoped>
li {
  display: flex;
  gap: 20px;
  padding: 14px 0;
  border-bottom: 1px solid var(--rule);
}
.stand {
  flex: 0 0 240px;
  height: 180px;
  display: grid;
  place-items: center;
  background: var(--sheet);
}
canvas {
  max-width: 100%;
}
.words {
  min-width: 0;
}
p {
  margin: 4px 0;
  max-width: 60ch;
}
@media (max-width: 700px) {
  li {
    flex-direction: column;
  }
}
</style>
