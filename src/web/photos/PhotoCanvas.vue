<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import type { Photo, PhotoMark } from '@core/model'
import { say } from '../language'
import PhotoPicture from '../shared/PhotoPicture.vue'

/** A photo that is drawn on: by pointer from one place to another, or by keys with a cross that the arrows move. */
const props = defineProps<{ photo: Photo; kind: PhotoMark['kind']; words: string }>()
const emit = defineEmits<{ mark: [mark: PhotoMark] }>()

type PhotoPlace = readonly [number, number]
const from = shallowRef<PhotoPlace | null>(null)
const to = shallowRef<PhotoPlace | null>(null)
const cross = shallowRef<PhotoPlace>([0.5, 0.5])
const hasKeys = ref(false)

const placeOf = (event: PointerEvent): PhotoPlace => {
  const { left, top, width, height } = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const share = (value: number): number => Math.round(Math.max(0, Math.min(1, value)) * 1000) / 1000
  return [share((event.clientX - left) / width), share((event.clientY - top) / height)]
}
function onDown(event: PointerEvent): void {
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  hasKeys.value = false
  from.value = to.value = placeOf(event)
}
function onMove(event: PointerEvent): void {
  if (from.value && !hasKeys.value) to.value = placeOf(event)
}
function finish(): void {
  const [at, end] = [from.value, to.value]
  from.value = to.value = null
  if (!at || !end) return
  const isPoint = Math.hypot(at[0] - end[0], at[1] - end[1]) < 0.01
  if (props.kind === 'text' && props.words.trim() === '') return
  if (props.kind === 'arrow' && isPoint) return
  const text = props.words.trim()
  emit('mark', { kind: props.kind, at, ...(props.kind !== 'text' && !isPoint ? { to: end } : {}), ...(text === '' ? {} : { text }) })
}
const STEP = 0.02
const ARROWS: Readonly<Record<string, PhotoPlace>> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
}
function onKey(event: KeyboardEvent): void {
  const way = ARROWS[event.key]
  const clamp = (value: number): number => Math.round(Math.max(0, Math.min(1, value)) * 1000) / 1000
  if (way) {
    hasKeys.value = true
    cross.value = [clamp(cross.value[0] + way[0]), clamp(cross.value[1] + way[1])]
    if (from.value) to.value = cross.value
  } else if (event.key === 'Enter') {
    hasKeys.value = true
    if (from.value || props.kind === 'text') {
      from.value ??= cross.value
      to.value = cross.value
      finish()
    } else from.value = to.value = cross.value
  } else if (event.key === 'Escape' && from.value) from.value = to.value = null
  else return
  event.preventDefault()
  event.stopPropagation()
}
/** The photo with what is being drawn. */
const shown = computed<Photo>(() => {
  if (!from.value || !to.value) return props.photo
  const mark: PhotoMark = { kind: props.kind, at: from.value, to: to.value, ...(props.words ? { text: props.words } : {}) }
  return { ...props.photo, marks: [...(props.photo.marks ?? []), mark] }
})
</script>

<template>
  <PhotoPicture :photo="shown">
    <div
      class="draw"
      tabindex="0"
      role="application"
      :aria-label="say('photos.drawOnThePhotoThe')"
      @pointerdown="onDown"
      @pointermove="onMove"
      @pointerup="finish"
      @pointercancel="from = to = null"
      @keydown="onKey"
    >
      <span v-if="hasKeys" class="cross" :style="{ left: `${cross[0] * 100}%`, top: `${cross[1] * 100}%` }" aria-hidden="true">+</span>
    </div>
  </PhotoPicture>
</template>

<style scoped>
.draw {
  position: absolute;
  inset: 0;
  cursor: crosshair;
  touch-action: none;
}
.cross {
  position: absolute;
  translate: -50% -50%;
  font-size: 2rem;
  font-weight: 700;
  line-height: 1;
  color: var(--accent);
  text-shadow: 0 0 4px #fff;
}
</style>
