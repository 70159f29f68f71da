<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import type { CanvasImage } from '../../workers/canvas-image'
import type { PaintedMark } from './use-sheets'

/** A picture on a sheet, painted as it is printed; the one before stays until it is there. */
const props = defineProps<{ mark: PaintedMark; paint: (mark: PaintedMark) => Promise<CanvasImage> }>()
const canvas = ref<HTMLCanvasElement>()
const isDrawn = ref(false)
let latest = 0

async function draw(): Promise<void> {
  const mine = ++latest
  const image = await props.paint(props.mark).catch(() => undefined)
  if (!image || !canvas.value || mine !== latest) return
  canvas.value.width = image.width
  canvas.value.height = image.height
  canvas.value.getContext('2d')!.putImageData(new ImageData(image.data, image.width, image.height), 0, 0)
  isDrawn.value = true
}
onMounted(draw)
watch(() => props.mark, draw)
</script>

<template>
  <canvas ref="canvas" :data-drawn="isDrawn" aria-hidden="true" />
</template>

<style scoped>
canvas {
  position: absolute;
  display: block;
  /* The paper shows through: frames and swatches below it stay. */
  mix-blend-mode: multiply;
}
</style>
