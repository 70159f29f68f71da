<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import type { OwnShape } from '@core/catalogue'
import { usePaintSource } from './painter-key'

/** Painted twice as fine as it is shown. */
const props = withDefaults(
  defineProps<{ shape: string; colour: string; width?: number; height?: number; view?: number; own?: OwnShape | undefined }>(),
  { width: 52, height: 40, view: 0, own: undefined },
)
const FINER = 2
const source = usePaintSource()
const canvas = ref<HTMLCanvasElement>()
let asked = 0

async function paint(): Promise<void> {
  const from = source.value
  if (!from) return
  const mine = ++asked
  const [width, height] = [props.width * FINER, props.height * FINER]
  const made = props.own
    ? from.painter.ownPiece(props.own, props.colour, width, height, props.view)
    : from.painter.piece(props.shape, props.colour, width, height, props.view)
  const image = await made.catch(() => undefined)
  if (!image || !canvas.value || mine !== asked) return
  canvas.value.getContext('2d')!.putImageData(new ImageData(image.data, width, height), 0, 0)
}

onMounted(paint)
watch(() => [source.value?.version, props.shape, props.colour, props.view, props.own], paint)
</script>

<template>
  <canvas
    ref="canvas"
    :width="width * FINER"
    :height="height * FINER"
    :style="{ width: `${width}px`, height: `${height}px` }"
    class="piece"
    aria-hidden="true"
  />
</template>

<style scoped>
/* The paper shows through: pieces are painted on white. */
.piece {
  mix-blend-mode: multiply;
}
</style>
