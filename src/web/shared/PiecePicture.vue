<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import { usePaintSource } from './painter-key'

const props = defineProps<{ shape: string; colour: string }>()
const WIDTH = 104
const HEIGHT = 80
const source = usePaintSource()
const canvas = ref<HTMLCanvasElement>()

async function paint(): Promise<void> {
  const from = source.value
  if (!from) return
  const [shape, colour] = [props.shape, props.colour]
  const image = await from.painter.piece(shape, colour, WIDTH, HEIGHT).catch(() => undefined)
  if (!image || !canvas.value || shape !== props.shape || colour !== props.colour) return
  canvas.value.getContext('2d')!.putImageData(new ImageData(image.data, WIDTH, HEIGHT), 0, 0)
}

onMounted(paint)
watch(() => [source.value?.version, props.shape, props.colour], paint)
</script>

<template>
  <canvas ref="canvas" class="piece" :width="WIDTH" :height="HEIGHT" aria-hidden="true" />
</template>

<style scoped>
.piece {
  width: 52px;
  height: 40px;
}
</style>
