<script setup lang="ts">
import { useElementVisibility } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { PreviewSheet } from '@press/index'
import { say } from '../language'
import type { CanvasImage } from '../../workers/canvas-image'
import SheetPicture from './SheetPicture.vue'
import type { PaintedMark } from './use-sheets'

/** One sheet as it is printed. What is far from the view is an empty paper, so that hundreds of them cost nothing. */
const props = defineProps<{ sheet: PreviewSheet; number: number; paint: (mark: PaintedMark) => Promise<CanvasImage> }>()
const paper = ref<HTMLElement>()
const isNear = useElementVisibility(paper, { rootMargin: '400px' })

const marks = computed(() => (isNear.value ? props.sheet.marks : []))
const pictures = computed(() => marks.value.filter((mark) => mark.kind === 'picture' || mark.kind === 'piece'))
const title = computed(() => props.sheet.marks.find((mark) => mark.kind === 'text')?.text ?? '')

/** Where something lies on the sheet. */
const place = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }) => ({
  left: `${(100 * x) / props.sheet.width}%`,
  top: `${(100 * y) / props.sheet.height}%`,
  width: `${(100 * width) / props.sheet.width}%`,
  height: `${(100 * height) / props.sheet.height}%`,
})
</script>

<template>
  <article
    ref="paper"
    class="paper"
    :aria-label="say('booklet.sheet', { number, title })"
    :style="{ aspectRatio: `${sheet.width} / ${sheet.height}` }"
  >
    <SheetPicture v-for="(mark, i) in pictures" :key="i" :mark="mark" :paint="paint" :style="place(mark)" />
    <svg v-if="isNear" :viewBox="`0 0 ${sheet.width} ${sheet.height}`">
      <template v-for="(mark, i) in marks" :key="i">
        <text
          v-if="mark.kind === 'text'"
          :x="mark.x"
          :y="mark.y"
          :font-size="mark.size"
          :font-weight="mark.isBold ? 700 : 400"
          :fill="mark.colour"
          :textLength="mark.width"
          lengthAdjust="spacingAndGlyphs"
        >
          {{ mark.text }}
        </text>
        <line
          v-else-if="mark.kind === 'line'"
          :x1="mark.from.x"
          :y1="mark.from.y"
          :x2="mark.to.x"
          :y2="mark.to.y"
          :stroke="mark.colour"
          :stroke-width="mark.thickness"
        />
        <rect
          v-else-if="mark.kind === 'rectangle'"
          :x="mark.x"
          :y="mark.y"
          :width="mark.width"
          :height="mark.height"
          :fill="mark.fill ?? 'none'"
          :stroke="mark.line ?? 'none'"
          :stroke-width="mark.thickness ?? 0"
        />
        <path
          v-else-if="mark.kind === 'path'"
          :d="mark.path"
          :transform="`translate(${mark.x} ${mark.y}) scale(${mark.scale})`"
          fill="none"
          :stroke="mark.colour"
          :stroke-width="mark.thickness / mark.scale"
        />
        <circle
          v-else-if="mark.kind === 'ring'"
          :cx="mark.x"
          :cy="mark.y"
          :r="mark.radius"
          fill="none"
          :stroke="mark.colour"
          :stroke-width="mark.thickness"
        />
        <image
          v-else-if="mark.kind === 'image'"
          :x="mark.x"
          :y="mark.y"
          :width="mark.width"
          :height="mark.height"
          :href="mark.address"
          preserveAspectRatio="none"
        />
      </template>
    </svg>
  </article>
</template>

<style scoped>
.paper {
  position: relative;
  background: #fff;
  box-shadow: 0 1px 4px rgb(0 0 0 / 12%);
  min-width: 0;
  overflow: hidden;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  /* Figures keep their column, as they do on paper. */
  font-variant-numeric: tabular-nums;
}
text {
  white-space: pre;
  /* Letters keep the widths they were measured with, however small. */
  text-rendering: geometricPrecision;
}
</style>
