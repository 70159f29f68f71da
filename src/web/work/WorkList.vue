<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Shape } from '@core/catalogue'
import { facesOf, overhang } from '@core/decal'
import type { Decal, FaceName, PieceWork, WorkKind } from '@core/model'
import { say, sayNumber } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import LineField from '../controls/LineField.vue'

/** The work done to one piece, each with its note; a decal or print with its picture and where that lies. */
const props = defineProps<{
  work: readonly PieceWork[]
  shape: Shape | undefined
  decals: readonly Decal[]
  isLocked: boolean
}>()
const emit = defineEmits<{
  add: [kind: WorkKind]
  replace: [index: number, next: PieceWork]
  takeOff: [index: number]
  attach: [index: number, file: File]
}>()

const KINDS: readonly { value: WorkKind; label: string }[] = [
  { value: 'decal', label: say('work.aDecalPutOn') },
  { value: 'paint', label: say('work.painted') },
  { value: 'print', label: say('work.printed') },
  { value: 'cut', label: say('work.cut') },
  { value: 'glue', label: say('work.glued') },
  { value: 'erase', label: say('work.aPrintTakenOff') },
  { value: 'custom', label: say('work.madeForThis') },
]
const FACES: Readonly<Record<FaceName, string>> = {
  top: say('work.onTop'),
  front: say('work.onItsFront'),
  back: say('work.onItsBack'),
  left: say('work.onItsLeft'),
  right: say('work.onItsRight'),
  slope: say('work.onItsSlope'),
  bottom: 'underneath',
}
const kind = ref<string>('decal')
const faces = computed(() => (props.shape ? facesOf(props.shape) : []))
const faceOptions = computed(() => faces.value.map(({ name }) => ({ value: name, label: FACES[name] })))
const decalOptions = computed(() => [
  { value: '', label: say('common.noPicture') },
  ...props.decals.map(({ id, name }) => ({ value: id, label: name })),
])
const bearsPicture = ({ kind: done }: PieceWork): boolean => done === 'decal' || done === 'print'
const labelOf = (done: WorkKind): string => KINDS.find(({ value }) => value === done)!.label

/** How far the picture of a decal reaches over its face, mm. */
function over(item: PieceWork): number {
  const decal = props.decals.find(({ id }) => id === item.decal)
  const face = faces.value.find(({ name }) => name === item.face)
  return decal && face ? overhang(face, item, decal) : 0
}

function setDecal(index: number, item: PieceWork, decal: string): void {
  const { decal: _decal, face, at: _at, turn: _turn, ...plain } = item
  const first = faces.value[0]?.name
  if (decal === '' || !first) emit('replace', index, plain)
  else emit('replace', index, { ...plain, decal, face: face ?? faces.value.find(({ name }) => name === 'top')?.name ?? first })
}
function setAt(index: number, item: PieceWork, axis: 0 | 1, text: string): void {
  const value = Number(text)
  if (!Number.isFinite(value)) return
  const [x, y] = item.at ?? [0, 0]
  emit('replace', index, { ...item, at: axis === 0 ? [value, y] : [x, value] })
}
function pick(index: number, event: Event): void {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (file) emit('attach', index, file)
  input.value = ''
}
const setNote = (index: number, { note: _note, ...item }: PieceWork, note: string): void =>
  emit('replace', index, note === '' ? item : { ...item, note })
</script>

<template>
  <div>
    <p v-if="work.length === 0" class="faint">{{ say('work.nothingIsDoneToThis') }}</p>
    <ul :aria-label="say('work.workOnThisPiece')">
      <li v-for="(item, i) in work" :key="i">
        <div class="head">
          <b>{{ labelOf(item.kind) }}</b>
          <button
            type="button"
            class="plain-button"
            :aria-label="say('work.takeOff', { labelOf: labelOf(item.kind) })"
            @click="emit('takeOff', i)"
          >
            {{ say('common.takeOff') }}
          </button>
        </div>
        <LineField
          :label="say('common.noteForTheBuilder')"
          :value="item.note ?? ''"
          :maxlength="2000"
          :commit="(text) => setNote(i, item, text)"
        />
        <template v-if="bearsPicture(item)">
          <ChoiceList
            v-if="decals.length > 0"
            :model-value="item.decal ?? ''"
            :label="say('work.picture')"
            :options="decalOptions"
            @update:model-value="setDecal(i, item, $event)"
          />
          <label class="file plain-button framed"
            >{{ item.decal ? say('work.attachAnotherPicture') : say('work.attachAPicturePngJpeg') }}
            <input
              type="file"
              accept="image/png,image/jpeg,image/svg+xml"
              :aria-label="say('work.pictureFileFor', { labelOf: labelOf(item.kind) })"
              @change="pick(i, $event)"
          /></label>
          <template v-if="item.decal">
            <ChoiceList
              :model-value="item.face ?? ''"
              :label="say('common.where')"
              :options="faceOptions"
              @update:model-value="emit('replace', i, { ...item, face: $event as FaceName })"
            />
            <LineField
              :label="say('work.rightOfTheMiddleMm')"
              type="number"
              :value="item.at?.[0] ?? 0"
              :commit="(text) => setAt(i, item, 0, text)"
            />
            <LineField
              :label="say('work.aboveTheMiddleMm')"
              type="number"
              :value="item.at?.[1] ?? 0"
              :commit="(text) => setAt(i, item, 1, text)"
            />
            <ChoiceList
              :model-value="String(item.turn ?? 0)"
              :label="say('work.turnedLeftBy')"
              :options="['0', '90', '180', '270'].map((value) => ({ value, label: `${value}°` }))"
              @update:model-value="emit('replace', i, { ...item, turn: Number($event) as 0 | 90 | 180 | 270 })"
            />
            <p v-if="over(item) > 0.05" class="over" role="status">
              <span aria-hidden="true">△</span> {{ say('work.itReachesMmOverThe', { over: sayNumber(over(item), 1) }) }}
            </p>
          </template>
        </template>
      </li>
    </ul>
    <form class="adding" @submit.prevent="emit('add', kind as WorkKind)">
      <ChoiceList v-model="kind" :label="say('work.thisPieceIsAlso')" :options="KINDS" />
      <ActionButton submit :disabled="isLocked">{{ say('work.noteIt') }}</ActionButton>
    </form>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-bottom: 1px solid var(--rule);
  padding: 6px 0 12px;
  max-width: 460px;
}
.head,
li :deep(.choice) {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 2px 0;
}
.file {
  position: relative;
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  margin: 4px 0;
  cursor: pointer;
}
.file input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.file:focus-within {
  outline: 2px solid var(--accent);
  outline-offset: 2px;
}
.over {
  margin: 6px 0 0;
  font-weight: 700;
}
.adding {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  padding-top: 12px;
}
</style>
