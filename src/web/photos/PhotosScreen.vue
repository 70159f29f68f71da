<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import {
  addPhotoMark,
  addPhotos,
  addPhotoSteps,
  addPiecesToStep,
  addSection,
  changePhoto,
  moveStep,
  removePhotoStep,
  setModelPhotos,
  type PhotoOrder,
} from '@core/edits'
import type { ModelDocument, Photo, PhotoMark } from '@core/model'
import type { SectionPlan } from '@core/plan'
import { plural } from '@core/words'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import LineField from '../controls/LineField.vue'
import { sectionChoices } from '../shared/choices'
import { notify } from '../shared/notices'
import PhotoPicture from '../shared/PhotoPicture.vue'
import { useOpenModel } from '../stores/open-model'
import PhotoCanvas from './PhotoCanvas.vue'
import PhotoStep from './PhotoStep.vue'
import { readPhoto } from './read-photo'

/** Photos taken one after another, each a step: what somebody makes who takes a model apart before a camera, or builds it there. */
const open = useOpenModel()
const section = ref('')
const order = ref<PhotoOrder>('taking-apart')
const picked = ref<{ step: number; photo: number } | null>(null)
const kind = ref<PhotoMark['kind']>('arrow')
const words = ref('')
const working = ref('')
const picker = ref<HTMLInputElement>()
const camera = ref<HTMLInputElement>()
/** The step that the next photos go to; −1: each makes a step of its own. */
const target = ref(-1)

const sections = computed(() => sectionChoices(open.model))
watch(
  sections,
  (all) => {
    if (!all.some(({ value }) => value === section.value)) section.value = open.model?.root ?? ''
  },
  { immediate: true },
)
watch(section, () => (picked.value = null))
const count = computed(() => open.report?.sections.find(({ id }) => id === section.value)?.steps.length ?? 0)
const pages = computed(() => Array.from({ length: count.value }, (_, step) => open.snapshot!.pages.stepPage(section.value, step)))
/** As they were taken: of taking apart the step that is built last was photographed first. */
const rows = computed(() => {
  const all = pages.value.flatMap((page, step) => (page ? [{ page, step }] : []))
  return order.value === 'taking-apart' ? all.reverse() : all
})
const shown = computed(() => {
  const at = picked.value
  const photo = at && pages.value[at.step]?.photos[at.photo]
  return at && photo ? { step: at.step, index: at.photo, photo } : null
})

type LogChange = (model: ModelDocument, plans: readonly SectionPlan[]) => ModelDocument
const edit = (label: string, change: LogChange, group?: string): Promise<boolean> => open.edit(label, change, group ? { group } : {})
const placeOf = (step: number) => ({ section: section.value, step })

async function take(files: Iterable<File>, step = -1): Promise<void> {
  const photos: Photo[] = []
  for (const file of files) {
    working.value = `Reading ${file.name}`
    try {
      photos.push(await readPhoto(file))
    } catch (thrown) {
      notify(thrown instanceof Error ? thrown.message : String(thrown), { isError: true })
    }
  }
  working.value = ''
  if (photos.length === 0) return
  const into = section.value
  const what = plural(photos.length, 'photo')
  if (step >= 0) {
    await edit(`add ${what}`, (model, plans) => addPhotos(model, plans, placeOf(step), photos))
    return
  }
  const isDone = await edit(`add ${what}`, (model, plans) => addPhotoSteps(model, plans, into, { photos, order: order.value }))
  await nextTick()
  if (isDone) picked.value = { step: order.value === 'building' ? count.value - 1 : 0, photo: 0 }
}
function choose(step: number, from: HTMLInputElement | undefined): void {
  target.value = step
  from?.click()
}
async function onFiles(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  await take([...(input.files ?? [])], target.value)
  input.value = ''
}
async function onDrop(event: DragEvent): Promise<void> {
  const files = [...(event.dataTransfer?.files ?? [])].filter((file) => file.type.startsWith('image/') || /\.hei[cf]$/i.test(file.name))
  if (files.length === 0) return
  event.preventDefault()
  event.stopPropagation()
  await take(files)
}

const mark = (each: PhotoMark): void => {
  const at = shown.value
  if (at) void edit('draw on a photo', (model, plans) => addPhotoMark(model, plans, placeOf(at.step), { photo: at.index, mark: each }))
}
const change = (photo: Partial<Photo> | null, label: string, group?: string): void => {
  const at = shown.value
  if (at) void edit(label, (model, plans) => changePhoto(model, plans, placeOf(at.step), { photo: at.index, change: photo }), group)
}
const takeMarkOff = (i: number): void => {
  const marks = shown.value?.photo.marks ?? []
  change({ marks: marks.filter((_, k) => k !== i) }, 'take a mark off')
}
const MARK_WORDS: Readonly<Record<PhotoMark['kind'], string>> = { arrow: 'Arrow', ring: 'Ring', text: 'Words' }
const KINDS = Object.entries(MARK_WORDS).map(([value, label]) => ({ value, label }))

async function move(step: number, by: 1 | -1): Promise<void> {
  if (await edit('move a step', (model, plans) => moveStep(model, plans, placeOf(step), step + by))) {
    if (picked.value?.step === step) picked.value = { ...picked.value, step: step + by }
  }
}
async function remove(step: number): Promise<void> {
  picked.value = null
  await edit('take out a step', (model, plans) => removePhotoStep(model, plans, placeOf(step)))
}
async function newSection(): Promise<void> {
  let made = ''
  await edit('begin a section', (model) => {
    const next = addSection(model, `Section ${model.sections.length + 1}`)
    made = next.id
    return next.model
  })
  if (made !== '') section.value = made
}
const ofFinished = (): void => {
  const at = shown.value
  if (at) void edit('show a photo on the cover', (model) => setModelPhotos(model, [...(model.photos ?? []), at.photo]))
}
const ORDERS = [
  { value: 'taking-apart', label: 'I take it apart' },
  { value: 'building', label: 'I build it' },
]
</script>

<template>
  <main tabindex="-1" @dragover.prevent @drop="onDrop">
    <h1>Photo log</h1>
    <p class="faint">
      A photo for each step, dropped here or taken with the camera. Taken while the model comes apart, they are turned round for whoever
      builds. Places, times and cameras are taken out of every photo.
    </p>
    <div class="acts">
      <ChoiceList v-model="section" label="Section" :options="sections" />
      <button class="plain-button" @click="newSection">New section</button>
      <ChoiceList v-model="order" label="While" :options="ORDERS" />
      <ActionButton primary @click="choose(-1, picker)">Add photos</ActionButton>
      <ActionButton @click="choose(-1, camera)">Take one</ActionButton>
      <input ref="picker" class="sr-only" type="file" accept="image/*" multiple tabindex="-1" aria-label="Photos" @change="onFiles" />
      <input
        ref="camera"
        class="sr-only"
        type="file"
        accept="image/*"
        capture="environment"
        tabindex="-1"
        aria-label="Photo from the camera"
        @change="onFiles"
      />
      <span role="status">{{ working }}</span>
    </div>
    <div class="log">
      <ol v-if="rows.length > 0" aria-label="Steps, as the photos were taken">
        <PhotoStep
          v-for="row in rows"
          :key="`${section} ${row.step}`"
          :page="row.page"
          :picked="picked?.step === row.step ? picked.photo : -1"
          :is-first="row.step === 0"
          :is-last="row.step === count - 1"
          @pick="picked = { step: row.step, photo: $event }"
          @add-photos="choose(row.step, picker)"
          @pieces="(pieces) => edit('add pieces to a step', (model, plans) => addPiecesToStep(model, plans, placeOf(row.step), pieces))"
          @move="move(row.step, $event)"
          @remove="remove(row.step)"
        />
      </ol>
      <div v-else class="empty">
        <h2>No photo yet</h2>
        <p>Take the finished model apart bit by bit and photograph each bit, or begin with what is there first.</p>
      </div>
      <section v-if="shown" class="photo" aria-label="The photo">
        <PhotoCanvas :photo="shown.photo" :kind="kind" :words="words" @mark="mark" />
        <div class="acts">
          <ChoiceList v-model="kind" label="Draw" :options="KINDS" />
          <label>with the words <input v-model="words" class="plain-field" maxlength="80" @keydown.stop /></label>
          <button class="plain-button" @click="ofFinished">Show it on the cover</button>
          <button class="plain-button" @click="change(null, 'take a photo off')">Take the photo off</button>
        </div>
        <ul v-if="shown.photo.marks?.length" aria-label="Drawn on it">
          <li v-for="(each, i) in shown.photo.marks" :key="i">
            {{ MARK_WORDS[each.kind] }}{{ each.text ? `: ${each.text}` : '' }}
            <button class="plain-button" :aria-label="`Take off ${MARK_WORDS[each.kind].toLowerCase()} ${i + 1}`" @click="takeMarkOff(i)">
              Take off
            </button>
          </li>
        </ul>
        <LineField
          :key="`${shown.step} ${shown.photo.file.length} ${shown.photo.file.slice(-40)}`"
          label="What is on it"
          :value="shown.photo.alt"
          :commit="(alt) => change({ alt }, 'describe a photo', 'describe a photo')"
        />
      </section>
      <section v-else-if="open.model?.photos?.length" class="photo" aria-label="On the cover">
        <h2>On the cover</h2>
        <PhotoPicture v-for="(each, i) in open.model.photos" :key="i" :photo="each" />
        <button class="plain-button" @click="edit('clear the cover', (model) => setModelPhotos(model, []))">Take them off the cover</button>
      </section>
    </div>
  </main>
</template>

<style scoped>
main {
  flex: 1;
  overflow-y: auto;
  padding: 20px 28px 60px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  margin: 10px 0;
}
.log {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 560px);
  gap: 32px;
  max-width: 1280px;
}
ol,
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.photo {
  position: sticky;
  top: 0;
  align-self: start;
}
.line-field :deep(input) {
  flex: 1;
}
@media (max-width: 900px) {
  main {
    padding: 14px 16px 40px;
  }
  .log {
    grid-template-columns: minmax(0, 1fr);
  }
  .photo {
    order: -1;
    position: static;
  }
}
</style>
