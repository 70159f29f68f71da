<script setup lang="ts">
import { arrowWay } from '../shared/arrow-keys'
import { computed, ref, watch } from 'vue'
import { gapOfFaces, toMm, type PickedFace } from '@core/fit'
import type { PictureRef } from '@core/booklet'
import ActionButton from '../controls/ActionButton.vue'
import StepPicture from '../shared/StepPicture.vue'
import { useOpenModel } from '../stores/open-model'

/** Two faces picked on the picture of a section, by pointer or with the arrow keys and Enter, and what lies between them. */
const props = defineProps<{ section: string }>()
const emit = defineEmits<{ take: [u: number] }>()

const SIZE = { width: 640, height: 480 }
const STEP = 4
const open = useOpenModel()
const view = ref(0)
/** The cross, px of the picture. */
const cross = ref({ x: SIZE.width / 2, y: SIZE.height / 2 })
const isAiming = ref(false)
const faces = ref<{ face: PickedFace; x: number; y: number; view: number }[]>([])
const hint = ref('')

const picture = computed((): PictureRef | null => {
  const plan = open.report?.sections.find(({ id }) => id === props.section)
  return plan && plan.steps.length > 0 ? { section: plan.id, step: plan.steps.length - 1, view: view.value } : null
})
watch(
  () => [props.section, open.source?.version],
  () => {
    faces.value = []
    hint.value = ''
  },
)
const found = computed(() => {
  const [a, b] = faces.value
  return a && b ? gapOfFaces(a.face, b.face) : undefined
})
const WORDS = {
  room: 'between them',
  thickness: 'from one to the other, through what is between',
  step: 'that one stands behind the other',
}
const said = computed(() => {
  if (hint.value !== '') return hint.value
  const [a, b] = faces.value
  if (!a) return 'Pick the first face.'
  if (!b) return `“${a.face.part}” is picked. Pick the second face.`
  const ends = `“${a.face.part}” and “${b.face.part}”`
  return found.value
    ? `${ends}: ${toMm(found.value.u).toFixed(1)} mm ${WORDS[found.value.kind]}.`
    : `${ends} are not parallel, or lie in one plane.`
})

async function pick(x: number, y: number): Promise<void> {
  const source = open.source
  if (!source || !picture.value) return
  const seenFrom = view.value
  const face = await source.painter.pick(picture.value, 'finished', SIZE, [x, y])
  hint.value = face ? '' : 'Nothing is there. Pick a part.'
  if (!face) return
  const kept = faces.value.length > 1 ? [] : faces.value
  faces.value = [...kept, { face, x, y, view: seenFrom }]
}

function onClick(event: MouseEvent): void {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  // The keyboard clicks without a place.
  if (event.detail === 0) return
  const place = { x: ((event.clientX - box.left) / box.width) * SIZE.width, y: ((event.clientY - box.top) / box.height) * SIZE.height }
  cross.value = place
  void pick(place.x, place.y)
}

function onKey(event: KeyboardEvent): void {
  const way = arrowWay(event)
  if (way) {
    const far = event.shiftKey ? STEP * 5 : STEP
    const clamp = (value: number, most: number): number => Math.max(0, Math.min(most - 1, value))
    cross.value = { x: clamp(cross.value.x + way[0] * far, SIZE.width), y: clamp(cross.value.y + way[1] * far, SIZE.height) }
  } else if (event.key === 'Enter' || event.key === ' ') void pick(cross.value.x, cross.value.y)
  else return
  event.preventDefault()
  event.stopPropagation()
}
const placed = ({ x, y }: { x: number; y: number }): Record<string, string> => ({
  left: `${(x / SIZE.width) * 100}%`,
  top: `${(y / SIZE.height) * 100}%`,
})
</script>

<template>
  <div class="picker">
    <div class="says">
      <p role="status">{{ said }}</p>
      <ActionButton v-if="found" primary @click="emit('take', found.u)">Fill {{ toMm(found.u).toFixed(1) }} mm</ActionButton>
      <ActionButton @click="view = (view & 4) | ((view + 1) & 3)">Next side</ActionButton>
      <ActionButton @click="view = view ^ 4">{{ view < 4 ? 'From below' : 'From above' }}</ActionButton>
    </div>
    <button
      type="button"
      class="picture"
      aria-label="Picture to pick faces on: move the cross with the arrow keys, pick with Enter"
      @click="onClick"
      @keydown="onKey"
      @focus="isAiming = true"
      @blur="isAiming = false"
    >
      <StepPicture :picture="picture" finished label="The finished section" :width="SIZE.width" :height="SIZE.height" />
      <span v-if="isAiming" class="cross" :style="placed(cross)" aria-hidden="true" />
      <template v-for="(each, i) in faces" :key="i">
        <span v-if="each.view === view" class="picked" :style="placed(each)" aria-hidden="true">{{ i + 1 }}</span>
      </template>
    </button>
  </div>
</template>

<style scoped>
.picture {
  position: relative;
  display: block;
  width: 100%;
  max-width: 640px;
  padding: 0;
  border: 1px solid var(--rule);
  background: #fff;
  cursor: crosshair;
}
.cross {
  position: absolute;
  width: 26px;
  height: 26px;
  transform: translate(-50%, -50%);
  background:
    linear-gradient(var(--accent), var(--accent)) center / 2px 100% no-repeat,
    linear-gradient(var(--accent), var(--accent)) center / 100% 2px no-repeat;
}
.picked {
  position: absolute;
  transform: translate(-50%, -50%);
  width: 24px;
  height: 24px;
  border: 2px solid var(--ink);
  border-radius: 50%;
  background: #fff;
  font-weight: 700;
  line-height: 20px;
}
.says {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin: 8px 0;
}
.says p {
  margin: 0;
  flex: 1;
  min-width: 240px;
}
</style>
