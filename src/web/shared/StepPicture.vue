<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import type { PictureRef } from '@core/booklet'
import type { PictureWindow } from '@core/picture'
import { usePaintSource, type PaintSource } from './painter-key'
import { STEP_PICTURE } from './step-picture-size'
import type { CanvasImage } from '../../workers/canvas-image'
import type { WantedPicture } from '../workers/painter-client'
import { placeInPicture, shareOf, type PictureTouch } from './picture-touch'
import { useWords } from './words-key'

const props = withDefaults(
  defineProps<{
    picture: PictureRef | null
    label: string
    finished?: boolean
    width?: number
    height?: number
    /** The pictures that will be asked for next, the nearest first. */
    coming?: readonly WantedPicture[]
    /** Not even for a moment with rough edges: it is printed, or kept, once it is drawn. */
    isOnlySharp?: boolean
    /** Nothing is edited here: whoever sees a picture goes on to the next. */
    isFollowed?: boolean
    /** Parts and copies of the section that are framed, by id. */
    framed?: readonly string[]
  }>(),
  {
    finished: false,
    width: STEP_PICTURE.width,
    height: STEP_PICTURE.height,
    coming: () => [],
    isOnlySharp: false,
    isFollowed: false,
    framed: () => [],
  },
)
const emit = defineEmits<{ drawn: []; touch: [touch: PictureTouch | null] }>()
const { say } = useWords()

const source = usePaintSource()
const size = computed(() => ({ width: props.width, height: props.height }))
const canvas = ref<HTMLCanvasElement>()
const isDrawn = ref(false)
/** What is drawn has rough edges still. */
const isCoarse = ref(false)
/** Something was painted before: it stays, pale, until the next is there. */
const hasDrawn = ref(false)
const failure = ref('')
let isPainting = false
let isWanted = false
/** Memory of the picture before: the next is painted into it. */
let spare: ArrayBuffer | undefined

/** Of the source whose picture was last seen: only who looks at one version from step to step is likely to go on. */
let seenVersion: number | undefined

/** What comes next is painted while this is looked at. */
function prepareNext({ painter, version }: PaintSource): void {
  if (props.coming.length > 0 && (props.isFollowed || version === seenVersion)) {
    const plain = JSON.parse(JSON.stringify(props.coming)) as WantedPicture[]
    painter.prepare(plain, size.value)
  }
  seenVersion = version
}

/** How long nothing else must have been asked for until a picture with rough edges is painted again, ms: longer than a key held down takes to repeat. */
const REST = 100
let resting: ReturnType<typeof setTimeout> | undefined

/** One picture at a time: what is asked for meanwhile waits, and only the last of it is painted. */
async function paint(mayBeCoarse = !props.isOnlySharp): Promise<void> {
  const from = source.value
  clearTimeout(resting)
  // Who looks at rough edges goes on looking while they are smoothed.
  if (mayBeCoarse || !isCoarse.value) isDrawn.value = false
  if (!from || !props.picture || !canvas.value) return
  if (isPainting) {
    isWanted = true
    return
  }
  isPainting = true
  try {
    const content = props.finished ? 'finished' : 'step'
    const image = await from.painter.picture(props.picture, content, size.value, { spare, mayBeCoarse })
    spare = image.data.buffer
    if (!isWanted && canvas.value) {
      put(image, canvas.value)
      if (mayBeCoarse || !isCoarse.value) emit('drawn')
      isCoarse.value = image.isCoarse
      if (image.isCoarse) resting = setTimeout(() => void paint(false), REST)
      else prepareNext(from)
    }
  } catch (error) {
    failure.value = error instanceof Error ? error.message : String(error)
  } finally {
    isPainting = false
    if (isWanted) {
      isWanted = false
      void paint()
    }
  }
}
onBeforeUnmount(() => clearTimeout(resting))

function put({ width, height, data }: CanvasImage, on: HTMLCanvasElement): void {
  on.width = width
  on.height = height
  on.getContext('2d')!.putImageData(new ImageData(data, width, height), 0, 0)
  failure.value = ''
  isDrawn.value = true
  hasDrawn.value = true
}

const frames = shallowRef<readonly PictureWindow[]>([])
watch(
  () => [source.value?.version, JSON.stringify(props.picture), props.framed] as const,
  async () => {
    frames.value = []
    const [from, picture, ids] = [source.value, props.picture, props.framed]
    if (!from || !picture || ids.length === 0) return
    const found = await from.painter.windows(picture, size.value, [...ids]).catch(() => [])
    if (picture === props.picture && ids === props.framed) frames.value = found
  },
  { immediate: true },
)

async function touch(event: MouseEvent): Promise<void> {
  const [from, picture] = [source.value, props.picture]
  if (!from || !picture || !canvas.value) return
  const at = shareOf(event, canvas.value.parentElement!)
  const place = placeInPicture(event, canvas.value, size.value)
  const found = await from.painter.pick(picture, props.finished ? 'finished' : 'step', size.value, place).catch(() => undefined)
  if (picture === props.picture) emit('touch', found ? { part: found.part, at } : null)
}

onMounted(() => paint())
watch(
  () => [source.value?.version, JSON.stringify(props.picture), props.finished],
  () => paint(),
)
</script>

<template>
  <div class="step-picture" :style="{ aspectRatio: `${width} / ${height}` }">
    <canvas
      v-show="picture"
      ref="canvas"
      role="img"
      :aria-label="label"
      :data-drawn="isDrawn"
      :data-sharp="isDrawn && !isCoarse"
      :width="width"
      :height="height"
      @click="touch"
    />
    <svg v-if="frames.length > 0" class="frames" :viewBox="`0 0 ${width} ${height}`" aria-hidden="true">
      <rect
        v-for="(frame, i) in frames"
        :key="i"
        :x="frame.left - 5"
        :y="frame.top - 5"
        :width="frame.right - frame.left + 10"
        :height="frame.bottom - frame.top + 10"
      />
    </svg>
    <p v-if="!picture" class="no-picture">{{ say('follow.noPicture') }}</p>
    <p v-else-if="!hasDrawn && !failure" class="no-picture first">{{ say('follow.painting') }}</p>
    <p v-if="failure" class="no-picture" role="alert">{{ say('follow.notPainted', { why: failure }) }}</p>
  </div>
</template>

<style scoped>
.step-picture {
  width: 100%;
  display: grid;
  place-items: center;
  grid-template: minmax(0, 1fr) / minmax(0, 1fr);
}
canvas {
  width: 100%;
  height: 100%;
  min-height: 0;
  object-fit: contain;
  display: block;
}
/* Pale only where the next picture takes so long that somebody would wonder. */
canvas[data-drawn='false'] {
  opacity: 0.45;
  transition: opacity 0s 150ms;
}
canvas,
.frames {
  grid-area: 1 / 1;
}
.frames {
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.frames rect {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2.5;
  rx: 4px;
}
.first {
  grid-area: 1 / 1;
}
.no-picture {
  color: var(--faint);
  max-width: 24em;
  text-align: center;
}
</style>
