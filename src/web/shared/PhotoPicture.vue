<script setup lang="ts">
import { computed, ref } from 'vue'
import { drawMark } from '@core/booklet'
import { isBeside, type Photo } from '@core/model'
import { useWords } from './words-key'

/** A photo with what is drawn on it. */
const props = defineProps<{ photo: Photo }>()
const { say } = useWords()
const size = ref({ width: 4, height: 3 })
const isBroken = ref(false)
const isMissing = computed(() => isBeside(props.photo) || isBroken.value)

function onLoad(event: Event): void {
  const { naturalWidth, naturalHeight } = event.target as HTMLImageElement
  if (naturalWidth > 0) size.value = { width: naturalWidth, height: naturalHeight }
}
/** Marks are drawn in a picture 1000 wide, so that lines keep their strength. */
const height = computed(() => (1000 * size.value.height) / size.value.width)
const path = (lines: readonly (readonly (readonly [number, number])[])[]): string =>
  lines.map((points) => `M${points.map((point) => point.join(' ')).join('L')}`).join('')
const marks = computed(() => (props.photo.marks ?? []).map((mark) => drawMark(mark, 1000, height.value)))
</script>

<template>
  <figure class="photo">
    <p v-if="isMissing" class="faint">{{ say('follow.noPhoto', { name: photo.file.slice(0, 60) }) }}</p>
    <div v-else class="frame">
      <img :src="photo.file" :alt="photo.alt || say('follow.plainPhoto')" @load="onLoad" @error="isBroken = true" />
      <svg :viewBox="`0 0 1000 ${height}`" aria-hidden="true" preserveAspectRatio="none">
        <template v-for="(mark, i) in marks" :key="i">
          <template v-for="layer in ['halo', 'line']" :key="layer">
            <path v-if="mark.lines.length > 0" :class="layer" :d="path(mark.lines)" />
            <circle v-if="mark.ring" :class="layer" :cx="mark.ring.centre[0]" :cy="mark.ring.centre[1]" :r="mark.ring.radius" />
          </template>
          <text v-if="mark.words" :x="mark.words.at[0]" :y="mark.words.at[1]">{{ mark.words.text }}</text>
        </template>
      </svg>
      <slot />
    </div>
    <figcaption v-if="photo.alt && !isMissing" class="faint">{{ photo.alt }}</figcaption>
  </figure>
</template>

<style scoped>
.photo {
  margin: 0;
}
.frame {
  position: relative;
  width: fit-content;
  max-width: 100%;
}
img {
  display: block;
  max-width: 100%;
  max-height: 52vh;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
path,
circle {
  fill: none;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.halo {
  stroke: #fff;
  stroke-width: 15;
}
.line {
  stroke: #0d6468;
  stroke-width: 8;
}
text {
  font-size: 44px;
  font-weight: 700;
  fill: #0d6468;
  stroke: #fff;
  stroke-width: 10px;
  paint-order: stroke;
}
figcaption {
  font-size: 0.9rem;
}
</style>
