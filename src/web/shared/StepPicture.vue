<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import type { PictureRef } from '@core/booklet'
import { usePaintSource } from './painter-key'

const props = withDefaults(
  defineProps<{ picture: PictureRef | null; label: string; finished?: boolean; width?: number; height?: number }>(),
  { finished: false, width: 800, height: 600 },
)
const emit = defineEmits<{ drawn: [] }>()

const source = usePaintSource()
const canvas = ref<HTMLCanvasElement>()
const isDrawn = ref(false)
const failure = ref('')
let request = 0

/** The latest request wins: a picture that comes late is dropped. */
async function paint(): Promise<void> {
  const from = source.value
  const wanted = props.picture
  if (!from || !wanted || !canvas.value) return
  const mine = ++request
  isDrawn.value = false
  try {
    const image = await from.painter.picture(wanted, props.finished, props.width, props.height)
    if (mine !== request || !canvas.value) return
    canvas.value.width = image.width
    canvas.value.height = image.height
    canvas.value.getContext('2d')!.putImageData(new ImageData(image.data, image.width, image.height), 0, 0)
    failure.value = ''
    isDrawn.value = true
    emit('drawn')
  } catch (error) {
    if (mine === request) failure.value = error instanceof Error ? error.message : String(error)
  }
}

onMounted(paint)
watch(() => [source.value?.version, JSON.stringify(props.picture), props.finished], paint)
</script>

<template>
  <div class="step-picture" :style="{ aspectRatio: `${width} / ${height}` }">
    <canvas v-show="picture" ref="canvas" role="img" :aria-label="label" :data-drawn="isDrawn" :width="width" :height="height" />
    <p v-if="!picture" class="no-picture">These parts have no place in the model, so there is no picture of them.</p>
    <p v-if="failure" class="no-picture" role="alert">The picture could not be painted: {{ failure }}</p>
  </div>
</template>

<style scoped>
.step-picture {
  width: 100%;
  display: grid;
  place-items: center;
}
canvas {
  width: 100%;
  height: 100%;
  object-fit: contain;
  display: block;
}
.no-picture {
  color: var(--faint);
  max-width: 24em;
  text-align: center;
}
</style>
