<script setup lang="ts">
import { onUnmounted, ref, watch } from 'vue'
import { plainFault } from '@core/fault'
import { say } from '../language'
import { paintAll } from './paint-preview'
import type { ReadPreview } from '../../workers/plan-messages'

/** The finished model as it was read, painted before anything is stored. */
const props = defineProps<{ preview: ReadPreview }>()
const canvas = ref<HTMLCanvasElement>()
const problem = ref('')
const isDrawn = ref(false)
let stop: (() => void) | undefined

watch(
  () => props.preview,
  async (preview) => {
    stop?.()
    isDrawn.value = false
    problem.value = ''
    if (!preview.hasPlaces) return
    const painting = paintAll(preview)
    stop = painting.stop
    try {
      const image = await painting.image
      if (stop !== painting.stop || !canvas.value) return
      canvas.value.width = image.width
      canvas.value.height = image.height
      canvas.value.getContext('2d')!.putImageData(new ImageData(image.data, image.width, image.height), 0, 0)
      isDrawn.value = true
    } catch (thrown) {
      if (stop === painting.stop) problem.value = plainFault(thrown).message
    }
  },
  { immediate: true },
)
onUnmounted(() => {
  const last = stop
  stop = undefined
  last?.()
})
</script>

<template>
  <div class="stand">
    <canvas v-show="isDrawn" ref="canvas" role="img" :aria-label="say('common.finished', { name: preview.name })" :data-drawn="isDrawn" />
    <p v-if="problem" role="alert">{{ say('bringIn.noPicture', { problem }) }}</p>
    <p v-else-if="!preview.hasPlaces" class="faint">
      {{ say('bringIn.itsPartsHaveNoPlaces') }}
    </p>
    <p v-else-if="!isDrawn" class="faint" role="status">{{ say('bringIn.painting') }}</p>
  </div>
</template>

<style scoped>
.stand {
  display: grid;
  place-items: center;
  min-height: 300px;
  background: var(--sheet);
  border-bottom: 4px solid var(--ink);
  padding: 10px;
}
canvas {
  max-width: 100%;
  height: auto;
}
p {
  max-width: 40ch;
  text-align: center;
}
</style>
