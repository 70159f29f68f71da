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

import { say, sayCount, sayWithin } from '../language'
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
/** More steps than this are filled as they come near the view. */
const MANY = 40
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
    working.value = say('common.reading', { name: file.name })
    try {
      photos.push(await readPhoto(file))
    } catch (thrown) {
      notify(thrown instanceof Error ? thrown.message : String(thrown), { isError: true })
    }
  }
  working.value = ''
  if (photos.length === 0) return
  const into = section.value
  const what = sayCount('count.photos', photos.length)
  if (step >= 0) {
    await edit(say('photos.add', { what }), (model, plans) => addPhotos(model, plans, placeOf(step), photos))
    return
  }
  const isDone = await edit(say('photos.add', { what }), (model, plans) =>
    addPhotoSteps(model, plans, into, { photos, order: order.value }),
  )
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
  if (at)
    void edit(say('photos.drawOnAPhoto'), (model, plans) => addPhotoMark(model, plans, placeOf(at.step), { photo: at.index, mark: each }))
}
const change = (photo: Partial<Photo> | null, label: string, group?: string): void => {
  const at = shown.value
  if (at) void edit(label, (model, plans) => changePhoto(model, plans, placeOf(at.step), { photo: at.index, change: photo }), group)
}
const takeMarkOff = (i: number): void => {
  const marks = shown.value?.photo.marks ?? []
  change({ marks: marks.filter((_, k) => k !== i) }, say('photos.takeAMarkOff'))
}
const MARK_WORDS: Readonly<Record<PhotoMark['kind'], string>> = {
  arrow: say('photos.arrow'),
  ring: say('photos.ring'),
  text: say('common.words'),
}
const KINDS = Object.entries(MARK_WORDS).map(([value, label]) => ({ value, label }))

async function move(step: number, by: 1 | -1): Promise<void> {
  if (await edit(say('photos.moveAStep'), (model, plans) => moveStep(model, plans, placeOf(step), step + by))) {
    if (picked.value?.step === step) picked.value = { ...picked.value, step: step + by }
  }
}
async function remove(step: number): Promise<void> {
  picked.value = null
  await edit(say('photos.takeOutAStep'), (model, plans) => removePhotoStep(model, plans, placeOf(step)))
}
async function newSection(): Promise<void> {
  let made = ''
  await edit(say('photos.beginASection'), (model) => {
    const next = addSection(model, say('photos.section', { sections: model.sections.length + 1 }))
    made = next.id
    return next.model
  })
  if (made !== '') section.value = made
}
const ofFinished = (): void => {
  const at = shown.value
  if (at) void edit(say('photos.showAPhotoOnThe'), (model) => setModelPhotos(model, [...(model.photos ?? []), at.photo]))
}
const ORDERS = [
  { value: 'taking-apart', label: say('photos.iTakeItApart') },
  { value: 'building', label: say('photos.iBuildIt') },
]
</script>

<template>
  <main tabindex="-1" @dragover.prevent @drop="onDrop">
    <h1>{{ say('common.photoLog') }}</h1>
    <p class="faint">
      {{ say('photos.aPhotoForEachStep') }}
    </p>
    <div class="acts">
      <ChoiceList v-model="section" :label="say('common.section')" :options="sections" />
      <button class="plain-button" @click="newSection">{{ say('photos.newSection') }}</button>
      <ChoiceList v-model="order" :label="say('photos.while')" :options="ORDERS" />
      <ActionButton primary @click="choose(-1, picker)">{{ say('photos.addPhotos') }}</ActionButton>
      <ActionButton @click="choose(-1, camera)">{{ say('photos.takeOne') }}</ActionButton>
      <input
        ref="picker"
        class="sr-only"
        type="file"
        accept="image/*"
        multiple
        tabindex="-1"
        :aria-label="say('common.photos')"
        @change="onFiles"
      />
      <input
        ref="camera"
        class="sr-only"
        type="file"
        accept="image/*"
        capture="environment"
        tabindex="-1"
        :aria-label="say('photos.photoFromTheCamera')"
        @change="onFiles"
      />
      <span role="status">{{ working }}</span>
    </div>
    <div class="log">
      <ol v-if="rows.length > 0" :aria-label="say('photos.stepsAsThePhotosWere')">
        <PhotoStep
          v-for="row in rows"
          :key="`${section} ${row.step}`"
          :page="row.page"
          :picked="picked?.step === row.step ? picked.photo : -1"
          :is-first="row.step === 0"
          :is-last="row.step === count - 1"
          :is-one-of-many="count > MANY"
          @pick="picked = { step: row.step, photo: $event }"
          @add-photos="choose(row.step, picker)"
          @pieces="
            (pieces) => edit(say('photos.addPiecesToAStep'), (model, plans) => addPiecesToStep(model, plans, placeOf(row.step), pieces))
          "
          @move="move(row.step, $event)"
          @remove="remove(row.step)"
        />
      </ol>
      <div v-else class="empty">
        <h2>{{ say('photos.noPhotoYet') }}</h2>
        <p>{{ say('photos.takeTheFinishedModelApart') }}</p>
      </div>
      <section v-if="shown" class="photo" :aria-label="say('photos.thePhoto')">
        <PhotoCanvas :photo="shown.photo" :kind="kind" :words="words" @mark="mark" />
        <div class="acts">
          <ChoiceList v-model="kind" :label="say('photos.draw')" :options="KINDS" />
          <label>{{ say('photos.withTheWords') }} <input v-model="words" class="plain-field" maxlength="80" @keydown.stop /></label>
          <button class="plain-button" @click="ofFinished">{{ say('photos.showItOnTheCover') }}</button>
          <button class="plain-button" @click="change(null, say('photos.takeAPhotoOff'))">{{ say('photos.takeThePhotoOff') }}</button>
        </div>
        <ul v-if="shown.photo.marks?.length" :aria-label="say('photos.drawnOnIt')">
          <li v-for="(each, i) in shown.photo.marks" :key="i">
            {{ MARK_WORDS[each.kind] }}{{ each.text ? `: ${each.text}` : '' }}
            <button
              class="plain-button"
              :aria-label="say('photos.takeOff', { markWords: sayWithin(MARK_WORDS[each.kind]), i: i + 1 })"
              @click="takeMarkOff(i)"
            >
              {{ say('common.takeOff') }}
            </button>
          </li>
        </ul>
        <LineField
          :key="`${shown.step} ${shown.photo.file.length} ${shown.photo.file.slice(-40)}`"
          :label="say('photos.whatIsOnIt')"
          :value="shown.photo.alt"
          :commit="(alt) => change({ alt }, say('photos.describeAPhoto'), say('photos.describeAPhoto'))"
        />
      </section>
      <section v-else-if="open.model?.photos?.length" class="photo" :aria-label="say('photos.onTheCover')">
        <h2>{{ say('photos.onTheCover') }}</h2>
        <PhotoPicture v-for="(each, i) in open.model.photos" :key="i" :photo="each" />
        <button class="plain-button" @click="edit(say('photos.clearTheCover'), (model) => setModelPhotos(model, []))">
          {{ say('photos.takeThemOffTheCover') }}
        </button>
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
