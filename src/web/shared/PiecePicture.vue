<script setup lang="ts">
import { useElementVisibility } from '@vueuse/core'
import { onMounted, ref, watch } from 'vue'
import type { OwnShape } from '@core/catalogue'
import type { FreeView, PieceLook, PieceSpec, ViewNumber } from '@core/picture'
import type { CanvasImage } from '../../workers/canvas-image'
import { usePaintSource } from './painter-key'
import { PIECE_FINER } from './piece-finer'

/** So far from the view a picture is painted already. */
const NEAR = '400px'

const props = withDefaults(
  defineProps<{
    shape: string
    colour: string
    width?: number
    height?: number
    view?: number
    own?: OwnShape | undefined
    /** Where the piece is more than its shape and colour. */
    piece?: PieceSpec | undefined
    look?: PieceLook | undefined
    /** From anywhere. */
    free?: FreeView | undefined
    /** Painted only when it comes near the view: one of hundreds. */
    isOneOfMany?: boolean
  }>(),
  { width: 52, height: 40, view: 0, own: undefined, piece: undefined, look: undefined, free: undefined, isOneOfMany: false },
)
const source = usePaintSource()
const canvas = ref<HTMLCanvasElement>()
const isNear = props.isOneOfMany ? useElementVisibility(canvas, { rootMargin: NEAR, once: true }) : ref(true)
let asked = 0
/** What is on the canvas: a kept picture need not be put there again. */
let shown: CanvasImage | undefined

const lookOf = (): Partial<PieceLook> => (props.free ? { free: { ...props.free } } : (props.look ?? { view: props.view as ViewNumber }))

function specOf(): PieceSpec {
  const { shape, colour, length, work } = props.piece ?? { shape: props.shape, colour: props.colour }
  // What goes to a worker must be plain.
  return {
    shape,
    colour,
    ...(length === undefined ? {} : { length }),
    ...(work ? { work: JSON.parse(JSON.stringify(work)) as typeof work } : {}),
  }
}

async function paint(): Promise<void> {
  const from = source.value
  if (!from || !isNear.value) return
  const mine = ++asked
  const [width, height] = [props.width * PIECE_FINER, props.height * PIECE_FINER]
  const made = props.own
    ? from.painter.ownPiece(props.own, props.colour, { width, height }, lookOf())
    : from.painter.piece(specOf(), { width, height }, lookOf())
  const image = await made.catch(() => undefined)
  if (!image || !canvas.value || mine !== asked || image === shown) return
  shown = image
  canvas.value.getContext('2d')!.putImageData(new ImageData(image.data, width, height), 0, 0)
}

onMounted(paint)
watch(
  () => [
    isNear.value,
    source.value?.version,
    props.shape,
    props.colour,
    props.view,
    props.own,
    JSON.stringify([props.piece, props.look, props.free]),
  ],
  paint,
)
</script>

<template>
  <canvas
    ref="canvas"
    :width="width * PIECE_FINER"
    :height="height * PIECE_FINER"
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
