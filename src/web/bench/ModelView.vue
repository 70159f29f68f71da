<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import type { Catalogue } from '@core/catalogue'
import type { PlacedPart } from '@core/model'
import { freeViewWords, isSeenWithin, seenEdges, seenOutline, type SeenOutline } from '@core/picture'
import { PartPicker, wholeBox, type PickedPoint } from '@core/placing'
import { uniteAll, type Box, type Ray } from '@core/space'
import { screenWords } from '../language'
import { nextTask } from '../shared/next-task'
import { graphicsClient } from './graphics-client'
import type { ModelRenderer, Strength, ViewMark } from './model-picture'
import { paperRenderer } from './paper-renderer'
import { useCamera } from './use-camera'
import { usePointers } from './use-pointers'

const props = withDefaults(
  defineProps<{
    catalogue: Catalogue
    parts: readonly PlacedPart[]
    strength?: (part: number) => Strength
    ghosts?: readonly PlacedPart[]
    marks?: readonly ViewMark[]
    label: string
    /** A box to fit when there are no parts, u. */
    empty?: Box
  }>(),
  {
    strength: () => 'full' as const,
    ghosts: () => [],
    marks: () => [],
    empty: () => ({ min: [-80, -80, 0], max: [80, 80, 40] }) as const,
  },
)
const emit = defineEmits<{
  pick: [point: PickedPoint | undefined, event: PointerEvent, ray: Ray]
  hover: [point: PickedPoint | undefined, ray: Ray]
  lasso: [isInside: (part: number) => boolean, event: PointerEvent]
}>()

const paper = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const size = useElementSize(paper)
const sizes = computed(() => ({ width: Math.max(1, size.width.value), height: Math.max(1, size.height.value) }))
const view = useCamera(sizes)
const kind = ref<'graphics' | 'paper'>('graphics')
/** How often it was drawn: for those who wait for it. */
const drawn = ref(0)

let renderer: ModelRenderer | undefined
let frame = 0
let resting: ReturnType<typeof setTimeout> | undefined
const REST_MS = 250

const picker = shallowRef<PartPicker>()
watch(
  () => props.parts,
  () => (picker.value = undefined),
)
const pickerNow = (): PartPicker => (picker.value ??= new PartPicker(props.parts))
const pickAt = (x: number, y: number): PickedPoint | undefined => pickerNow().pick(view.rayAt(x, y))
/** So that the first to point at something large does not wait: its boxes are sorted where somebody looks. */
async function preparePicking(): Promise<void> {
  for (const prepare of [pickerNow, () => pickAt(sizes.value.width / 2, sizes.value.height / 2)]) {
    await nextTask()
    if (!isOpen) return
    prepare()
  }
}

const whole = computed(() => uniteAll(props.parts.map(wholeBox)) ?? props.empty)
const fit = (): void => view.fit(whole.value)

/** The camera of the picture that is on the screen: what lies over it is drawn with that, or it would run ahead of it. */
const shown = shallowRef(view.camera.value)
type Pace = 'moving' | 'still'
async function draw(pace: Pace): Promise<void> {
  if (!renderer || size.width.value < 1 || size.height.value < 1) return
  const camera = view.camera.value
  await renderer.draw(camera, sizes.value, pace)
  shown.value = camera
  drawn.value++
  if (pace === 'still' && !picker.value) void preparePicking()
}
/** What is asked for while a frame is drawn is drawn after it, once. */
let waiting: Pace | undefined
let isDrawing = false
let movedAt = 0
/** Draws with the next frame; coarser while it moves, and once more when it rests. */
function ask(pace: Pace = 'still'): void {
  waiting = pace
  clearTimeout(resting)
  if (frame === 0 && !isDrawing) frame = requestAnimationFrame((now) => void drawFrame(now))
}
async function drawFrame(now: number): Promise<void> {
  frame = 0
  const pace = waiting ?? 'still'
  waiting = undefined
  // What a frame costs is seen by when the next can begin.
  if (pace === 'moving' && now - movedAt < LONG_AGO) renderer?.tooSlow?.(now - movedAt)
  movedAt = now
  isDrawing = true
  await draw(pace)
  isDrawing = false
  if (!isOpen) return
  if (waiting) ask(waiting)
  else if (pace === 'moving') resting = setTimeout(() => ask(), REST_MS)
}
const LONG_AGO = 1_000
watch(view.free, () => ask('moving'))
watch(sizes, () => {
  if (!view.isOwn.value) fit()
  ask()
})
watch(
  () => [props.parts, props.strength, props.catalogue] as const,
  (now, before) => {
    renderer?.setParts(props)
    renderer?.setGhosts(props.ghosts)
    if (now[0] !== before[0] && before[0].length === 0 && !view.isOwn.value) fit()
    ask()
  },
)
watch(
  () => props.ghosts,
  () => {
    renderer?.setGhosts(props.ghosts)
    ask()
  },
)

/** How often what draws may end before we paint by ourselves. */
const MOST_LOSSES = 2
/** How often it has: each time the canvas is another. */
const losses = ref(0)
/** Where the browser has no graphics we paint by ourselves. Nothing where the page has gone on. */
async function makeRenderer(): Promise<ModelRenderer | undefined> {
  const graphics = canvas.value && losses.value < MOST_LOSSES ? await graphicsClient(canvas.value, () => void onLost()) : undefined
  return graphics ?? (canvas.value && paperRenderer(canvas.value))
}
async function onLost(): Promise<void> {
  if (!isOpen) return
  renderer?.close()
  renderer = undefined
  losses.value++
  await nextTick()
  await begin()
}
let isOpen = true
async function begin(): Promise<void> {
  const made = await makeRenderer()
  if (!made) return
  if (!isOpen) return made.close()
  renderer = made
  kind.value = made.kind
  made.setParts(props)
  made.setGhosts(props.ghosts)
  if (!view.isOwn.value) fit()
  ask()
}
onMounted(begin)
onBeforeUnmount(() => {
  isOpen = false
  clearTimeout(resting)
  cancelAnimationFrame(frame)
  renderer?.close()
})

const TURN_PER_PIXEL = 0.5
const ZOOM_PER_NOTCH = 1.12
const { lassoBox, ...pointers } = usePointers({
  turn: (x, y) => view.turn({ turn: -x * TURN_PER_PIXEL, lift: y * TURN_PER_PIXEL }),
  pan: view.pan,
  zoom: view.zoom,
  click: (x, y, event) => emit('pick', pickAt(x, y), event, view.rayAt(x, y)),
  hover: (x, y) => emit('hover', pickAt(x, y), view.rayAt(x, y)),
  lasso: (outline, event) => emit('lasso', (part) => isSeenWithin(view.camera.value, wholeBox(props.parts[part]!), outline), event),
})
useEventListener(
  paper,
  'wheel',
  (event: WheelEvent) => {
    event.preventDefault()
    const { left, top } = paper.value!.getBoundingClientRect()
    view.zoom(event.deltaY < 0 ? ZOOM_PER_NOTCH : 1 / ZOOM_PER_NOTCH, event.clientX - left, event.clientY - top)
  },
  { passive: false },
)

const frames = computed(() =>
  props.marks.map(({ box, kind: sort }) => {
    const edges = seenEdges(shown.value, box)
    return { sort, path: edges.map(([[ax, ay], [bx, by]]) => `M${ax} ${ay}L${bx} ${by}`).join('') }
  }),
)
const outlineOf = (box: Box): SeenOutline => seenOutline(shown.value, box)

/** Around all that is drawn, px. */
const wholeOutline = computed(() => outlineOf(whole.value))

defineExpose({ wholeOutline, outlineOf, fit, turn: view.turn, zoom: view.zoom, free: view.free, sizes })
</script>

<template>
  <div ref="paper" class="paper" :data-drawn="drawn" :data-kind="kind" v-on="pointers">
    <canvas :key="losses" ref="canvas" role="img" :aria-label="`${label} ${freeViewWords(view.free.value, screenWords())}.`" />
    <svg aria-hidden="true">
      <path v-for="(each, i) in frames" :key="i" :class="each.sort" :d="each.path" />
      <rect
        v-if="lassoBox"
        class="lasso"
        :x="lassoBox.left"
        :y="lassoBox.top"
        :width="lassoBox.right - lassoBox.left"
        :height="lassoBox.bottom - lassoBox.top"
      />
    </svg>
    <slot />
  </div>
</template>

<style scoped>
.paper {
  position: relative;
  overflow: hidden;
  background: #fff;
  touch-action: none;
  cursor: default;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
path {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2;
  stroke-linecap: round;
}
path.hand {
  stroke-width: 1.5;
  stroke-dasharray: 6 4;
}
path.clash {
  stroke: var(--error);
  stroke-width: 2.5;
  stroke-dasharray: 2 5;
}
.lasso {
  fill: var(--accent-wash);
  fill-opacity: 0.4;
  stroke: var(--accent);
  stroke-dasharray: 4 3;
}
</style>
