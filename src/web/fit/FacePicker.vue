<script setup lang="ts">
import { say, sayNumber } from '../language'
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
  room: say('fit.betweenThem'),
  thickness: say('fit.fromOneToTheOther'),
  step: say('fit.thatOneStandsBehindThe'),
}
const said = computed(() => {
  if (hint.value !== '') return hint.value
  const [a, b] = faces.value
  if (!a) return say('fit.pickTheFirstFace')
  if (!b) return say('fit.isPickedPickTheSecond', { part: a.face.part })
  const ends = say('fit.and', { part: a.face.part, part2: b.face.part })
  return found.value
    ? say('fit.mm', { ends, u: sayNumber(toMm(found.value.u), 1), words: WORDS[found.value.kind] })
    : say('fit.areNotParallelOrLie', { ends })
})

async function pick(x: number, y: number): Promise<void> {
  const source = open.source
  if (!source || !picture.value) return
  const seenFrom = view.value
  const face = await source.painter.pick(picture.value, 'finished', SIZE, [x, y])
  hint.value = face ? '' : say('fit.nothingIsTherePickA')
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
      <ActionButton v-if="found" primary @click="emit('take', found.u)">{{
        say('fit.fillMm', { u: sayNumber(toMm(found.u), 1) })
      }}</ActionButton>
      <ActionButton @click="view = (view & 4) | ((view + 1) & 3)">{{ say('fit.nextSide') }}</ActionButton>
      <ActionButton @click="view = view ^ 4">{{ view < 4 ? say('fit.fromBelow') : say('fit.fromAbove') }}</ActionButton>
    </div>
    <button
      type="button"
      class="picture"
      :aria-label="say('fit.pictureToPickFacesOn')"
      @click="onClick"
      @keydown="onKey"
      @focus="isAiming = true"
      @blur="isAiming = false"
    >
      <StepPicture :picture="picture" finished :label="say('fit.theFinishedSection')" :width="SIZE.width" :height="SIZE.height" />
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
