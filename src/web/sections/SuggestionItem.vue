<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Suggestion, SuggestionKind } from '@core/suggestions'

import { often } from '@core/language'
import { say, sayCount, screenAdvice } from '../language'
import ActionButton from '../controls/ActionButton.vue'

/** One suggestion: what it would be, why, and a picture of it. */
const props = defineProps<{ suggestion: Suggestion; sectionName: string; picture: ImageData | undefined }>()
const emit = defineEmits<{ accept: [] }>()
const canvas = ref<HTMLCanvasElement>()
const TITLES: Readonly<Record<SuggestionKind, string>> = {
  repeat: say('sections.standsHereSeveralTimes'),
  mirror: say('sections.standsHereAsAMirror'),
  near: say('sections.standsHereSeveralTimesNearly'),
  moving: say('sections.movesOnAJoint'),
  locked: say('sections.goesInOnlyAsOne'),
  'loosely-held': say('sections.hangsOnFewStuds'),
}
const title = computed(() => TITLES[props.suggestion.kind])
const facts = computed(() => {
  const { groups, savesParts } = props.suggestion
  const size = sayCount('count.parts', groups[0]!.length)
  return groups.length > 1
    ? say('sections.fewerToTell', {
        size,
        what: screenAdvice().say(often(groups.length)),
        parts: sayCount('count.parts', savesParts),
      })
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
      <span v-if="!picture" class="faint">{{ say('common.notPaintedYet') }}</span>
    </div>
    <div class="words">
      <h3>{{ title }}</h3>
      <p>{{ say('sections.in', { facts, sectionName }) }}</p>
      <p class="faint">{{ screenAdvice().say(suggestion.said) }}</p>
      <ActionButton :describe="say('sections.makeItASection', { title, facts })" @click="emit('accept')">{{
        say('common.makeItASection')
      }}</ActionButton>
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
