<script setup lang="ts">
import { onUnmounted, ref, watch } from 'vue'
import type { PictureContent, PictureRef } from '@core/booklet'
import { freeViewWords, type TurnedView } from '@core/picture'
import type { CanvasImage } from '../../workers/canvas-image'
import { usePaintSource } from '../shared/painter-key'
import { useWords } from '../shared/words-key'

/** A picture of the work from anywhere: coarser while it moves, fine when it rests. */
const props = defineProps<{ picture: PictureRef; content: PictureContent; view: TurnedView; isMoving: boolean }>()
const words = useWords()
const source = usePaintSource()
const canvas = ref<HTMLCanvasElement>()

const FINE = { width: 800, height: 600 }
const COARSE = { width: 400, height: 300 }
let isPainting = false
let isWanted = false

function put(image: CanvasImage): void {
  if (!canvas.value) return
  canvas.value.width = image.width
  canvas.value.height = image.height
  canvas.value.getContext('2d')!.putImageData(new ImageData(image.data, image.width, image.height), 0, 0)
}

/** One at a time, and only the last that is asked for meanwhile. */
async function paint(): Promise<void> {
  if (isPainting) {
    isWanted = true
    return
  }
  isPainting = true
  do {
    isWanted = false
    const { picture, content, view, isMoving } = props
    const plain = { turn: view.turn, lift: view.lift, zoom: view.zoom, shift: [view.shift[0], view.shift[1]] as const }
    const image = await source.value?.painter.turned(picture, content, plain, isMoving ? COARSE : FINE).catch(() => undefined)
    if (image) put(image)
    // What is watched may have changed while it was painted.
  } while (isWanted as boolean)
  isPainting = false
}
watch(() => [props.view, props.isMoving, props.picture, source.value?.version], paint, { immediate: true })
onUnmounted(() => (isWanted = false))
</script>

<template>
  <canvas ref="canvas" class="turned" role="img" :aria-label="words.say('view.turned', { from: freeViewWords(view, words) })" />
</template>

<style scoped>
.turned {
  width: 100%;
  height: 100%;
  object-fit: contain;
  display: block;
}
</style>
