<script setup lang="ts">
import { type ScreenKey, faultText, say, sayCount } from '../language'
import { arrowWay } from '../shared/arrow-keys'
import { memo } from '@core/memo'
import { pieceToScale } from '@core/picture'

import { computed, nextTick, onMounted, onUnmounted, ref } from 'vue'
import { type Shape } from '@core/catalogue'
import { plainFault } from '@core/fault'
import {
  JOIN_SORTS,
  searchShapes,
  shapesThatLook,
  shelvesBySize,
  type JoinSort,
  type ShapeLook,
  type ShelfHeight,
  type StudPlace,
} from '@core/names'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import { download } from '../shared/download'
import { notify } from '../shared/notices'
import { useBeside } from '../shared/own-names-key'
import { PIECE_FINER } from '../shared/piece-finer'
import PiecePicture from '../shared/PiecePicture.vue'
import { usePaintSource } from '../shared/painter-key'
import { useOpenModel } from '../stores/open-model'
import { useOwnNames } from '../stores/own-names'
import OwnShapeForm from './OwnShapeForm.vue'
import QuickLineForm from './QuickLineForm.vue'
import ShapeSheet from './ShapeSheet.vue'
import { useLaidOut } from './use-laid-out'
import { shownCatalogue } from '../shared/shown-catalogue'

const source = usePaintSource()
const names = useOwnNames()
const open = useOpenModel()
const beside = useBeside()

const catalogue = computed(() => source.value?.catalogue ?? shownCatalogue())
const query = ref('')
const across = ref('')
const along = ref('')
const height = ref('')
const studs = ref('')
const joins = ref('')
const chosen = ref('')
const colour = ref('')
const isMaking = ref(false)
const field = ref<HTMLInputElement>()
const picker = ref<HTMLInputElement>()
const grid = ref<HTMLElement>()

const any = (label: string): { value: string; label: string } => ({ value: '', label })
const numbers = (values: readonly number[]) => values.map((value) => ({ value: String(value), label: String(value) }))
const ACROSS = [any(say('catalogue.any')), ...numbers([1, 2, 3, 4, 6, 8, 10, 12, 16])]
const HEIGHTS = [
  any(say('catalogue.any')),
  ...[1, 2, 3, 4, 5, 6, 9, 15].map((value) => ({
    value: String(value),
    label: value === 1 ? say('catalogue.plate') : say('catalogue.plates', { value }),
  })),
]
const STUDS = [
  any(say('catalogue.anywhere')),
  { value: 'top', label: say('catalogue.allOverTheTop') },
  { value: 'part-of-top', label: say('catalogue.onPartOfTheTop') },
  { value: 'side', label: say('catalogue.onASide') },
  { value: 'none', label: say('catalogue.nowhere') },
]
const JOIN_KEYS = {
  'a bar': 'catalogue.aBar',
  'a clip': 'catalogue.aClip',
  'a pin or an axle': 'catalogue.aPinOrAnAxle',
  'a hole': 'catalogue.aHole',
  'a ball': 'catalogue.aBall',
  'a cup': 'catalogue.aCup',
  'a hinge': 'catalogue.aHinge',
} as const satisfies Record<JoinSort, ScreenKey>
const JOINS = [
  any(say('catalogue.anything')),
  ...(Object.keys(JOIN_SORTS) as JoinSort[]).map((value) => ({ value, label: say(JOIN_KEYS[value]) })),
]

const sight = computed<ShapeLook>(() => ({
  ...(across.value !== '' && along.value !== '' ? { footprint: [Number(across.value), Number(along.value)] as const } : {}),
  ...(height.value === '' ? {} : { height: Number(height.value) }),
  ...(studs.value === '' ? {} : { studs: studs.value as StudPlace }),
  ...(joins.value === '' ? {} : { joins: joins.value as JoinSort }),
}))
const isLooking = computed(() => Object.keys(sight.value).length > 0)

const SHELF_KEYS = {
  plate: 'catalogue.asLowAsAPlate',
  'two plates': 'catalogue.twoPlatesHigh',
  brick: 'catalogue.asHighAsABrick',
  'two bricks': 'catalogue.twoBricksHigh',
  higher: 'catalogue.higher',
} as const satisfies Record<ShelfHeight, ScreenKey>
/** Asked words first, best first; else by size, as on a bench: heights one behind the other, footprints growing to the right. */
const groups = computed<readonly { title: string; shapes: readonly Shape[] }[]>(() => {
  const looked = shapesThatLook(catalogue.value, sight.value)
  if (query.value.trim() === '') return shelvesBySize(looked).map(({ height, shapes }) => ({ title: say(SHELF_KEYS[height]), shapes }))
  const fits = new Set(looked)
  const found = searchShapes(catalogue.value, query.value, 120).filter((shape) => fits.has(shape))
  return found.length > 0 ? [{ title: say('catalogue.bestFirst'), shapes: found }] : []
})
/** Each family has a colour here, so that the eye finds its neighbours; a colour that was chosen is taken for all. */
const FAMILY_COLOURS = ['amber', 'moss', 'teal', 'sand', 'slate', 'rust', 'ash']
const families = computed(() => [...new Set([...catalogue.value.shapes.values()].map(({ family }) => family))])
const colourOf = ({ family }: Shape): string => {
  if (colour.value !== '') return colour.value
  const id = FAMILY_COLOURS[families.value.indexOf(family) % FAMILY_COLOURS.length]!
  return catalogue.value.colours.has(id) ? id : 'amber'
}
/** One scale for all, px for one u; what would be too large for the screen is drawn smaller and says so. */
const SCALE = 1.35
const MOST = { width: 250, height: 170 }
const pictureOf = memo((shape: Shape) => pieceToScale(shape, SCALE, MOST, PIECE_FINER))
const count = computed(() => groups.value.reduce((sum, { shapes }) => sum + shapes.length, 0))
const isInModel = computed(() => open.model !== null && open.id !== '')

const laidOut = useLaidOut(() => groups.value)

function clear(): void {
  query.value = across.value = along.value = height.value = studs.value = joins.value = ''
}
async function show(id: string): Promise<void> {
  chosen.value = chosen.value === id ? '' : id
  await nextTick()
  grid.value?.querySelector<HTMLElement>('.sheet h2')?.focus()
}
async function close(): Promise<void> {
  const id = chosen.value
  chosen.value = ''
  await nextTick()
  grid.value?.querySelector<HTMLElement>(`[data-shape="${CSS.escape(id)}"]`)?.focus()
}

/** Arrows walk over the pictures, wherever the rows break. */
function walk(event: KeyboardEvent): void {
  const here = (event.target as HTMLElement).closest<HTMLElement>('[data-shape]')
  const way = arrowWay(event)
  if (!here || !way) return
  const all = [...grid.value!.querySelectorAll<HTMLElement>('[data-shape]')]
  const at = all.indexOf(here)
  const footOf = (each: HTMLElement): number => each.offsetTop + each.offsetHeight
  const row = all.filter((each) => footOf(each) === footOf(here)).length
  const next = all[Math.min(all.length - 1, Math.max(0, at + way[0] + way[1] * row))]
  if (!next) return
  next.focus()
  event.preventDefault()
}
function onKey(event: KeyboardEvent): void {
  if (event.key !== '/' || (event.target as HTMLElement).closest('input, textarea, select')) return
  event.preventDefault()
  field.value?.focus()
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))

async function bringNames(files: FileList | null): Promise<void> {
  const file = files?.[0]
  if (!file) return
  const before = names.aliases
  try {
    await names.importTable(await file.text(), catalogue.value)
    notify(say('catalogue.namesWereBroughtIn', { aliases: names.aliases.length }), {
      act: { label: say('common.undo'), run: () => void names.replaceAll(before) },
    })
  } catch (thrown) {
    notify(say('common.wasNotBroughtInAnd', { name: file.name, fault: faultText(plainFault(thrown)) }), { isError: true })
  }
  if (picker.value) picker.value.value = ''
}
</script>

<template>
  <main>
    <div class="ask">
      <h1>{{ say('common.catalogue') }}</h1>
      <label class="search">
        <span>{{ say('catalogue.whatAreYouLookingFor') }}</span>
        <span class="field">
          <input
            ref="field"
            v-model="query"
            type="search"
            :placeholder="say('catalogue.byPlateClipStudsOn')"
            autocomplete="off"
            spellcheck="false"
          />
          <kbd aria-hidden="true">/</kbd>
        </span>
      </label>
      <fieldset>
        <legend>{{ say('catalogue.orTellWhatYouSee') }}</legend>
        <ChoiceList v-model="across" :label="say('catalogue.studsAcross')" :options="ACROSS" />
        <ChoiceList v-model="along" :label="say('catalogue.along')" :options="ACROSS" />
        <ChoiceList v-model="height" :label="say('catalogue.high')" :options="HEIGHTS" />
        <ChoiceList v-model="studs" :label="say('catalogue.studs')" :options="STUDS" />
        <ChoiceList v-model="joins" :label="say('catalogue.takesHoldOf')" :options="JOINS" />
      </fieldset>
      <p class="line">
        <span role="status">{{ sayCount('count.shapes', count) }}</span>
        <ActionButton v-if="query !== '' || isLooking" @click="clear">{{ say('catalogue.askNothing') }}</ActionButton>
        <span class="gap" />
        <label class="tick"
          ><input type="checkbox" :checked="names.isShown" @change="names.show(($event.target as HTMLInputElement).checked)" />
          {{ say('catalogue.showMyOwnNames') }}</label
        >
        <ActionButton @click="picker?.click()">{{ say('catalogue.bringInNames') }}</ActionButton>
        <ActionButton :disabled="names.aliases.length === 0" @click="download('my-names.csv', names.exportTable(), 'text/csv')">{{
          say('catalogue.saveMyNames')
        }}</ActionButton>
        <ActionButton v-if="isInModel" primary @click="isMaking = !isMaking">{{ say('catalogue.makeAShape') }}</ActionButton>
        <input
          ref="picker"
          class="sr-only"
          type="file"
          accept=".csv"
          tabindex="-1"
          :aria-label="say('catalogue.tableOfNamesToBring')"
          @change="bringNames(($event.target as HTMLInputElement).files)"
        />
      </p>
      <QuickLineForm v-if="isInModel" />
      <p v-if="names.problem" role="alert">{{ names.problem }}</p>
    </div>
    <OwnShapeForm v-if="isMaking && isInModel" @close="isMaking = false" />
    <div ref="grid" class="shapes" @keydown="walk">
      <section v-for="group in laidOut" :key="group.title" :aria-label="group.title">
        <h2>
          {{ group.title }} <span class="faint">{{ group.count }}</span>
        </h2>
        <div class="bench">
          <template v-for="shape in group.shapes" :key="shape.id">
            <button type="button" class="shape" :data-shape="shape.id" :aria-expanded="chosen === shape.id" @click="show(shape.id)">
              <PiecePicture is-one-of-many :shape="shape.id" :colour="colourOf(shape)" v-bind="pictureOf(shape)" />
              <span class="title">{{ shape.title }}</span>
              <span v-if="pictureOf(shape).look.isSmaller" class="faint small">{{ say('catalogue.drawnSmaller') }}</span>
              <span v-if="beside('shape', shape.id) !== ''" class="alias">{{ beside('shape', shape.id) }}</span>
            </button>
            <ShapeSheet
              v-if="chosen === shape.id"
              :shape="shape"
              :colour="colourOf(shape)"
              @close="close"
              @colour="colour = $event"
              @open="show"
            />
          </template>
        </div>
      </section>
      <div v-if="count === 0" class="none">
        <h2>{{ say('catalogue.nothingLooksLikeThat') }}</h2>
        <p>{{ say('catalogue.askWithFewerWordsOr') }}</p>
        <ActionButton @click="clear">{{ say('catalogue.showEverything') }}</ActionButton>
      </div>
    </div>
  </main>
</template>

<style scoped>
main {
  flex: 1;
  overflow: auto;
  min-height: 0;
}
.ask {
  padding: 18px 28px 8px;
  border-bottom: 1px solid var(--rule);
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px 32px;
  align-items: end;
}
.search {
  display: flex;
  flex-direction: column;
}
.search span:first-child {
  color: var(--faint);
}
.field {
  display: flex;
  align-items: center;
  gap: 8px;
}
.search input {
  font: inherit;
  font-size: 1.15rem;
  min-height: 44px;
  width: min(460px, 60vw);
  border: 0;
  border-bottom: 2px solid var(--ink);
  background: none;
  color: inherit;
}
fieldset {
  grid-column: 1 / -1;
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
}
legend {
  float: left;
  color: var(--faint);
  padding: 0;
}
.line {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin: 0;
}
.gap {
  flex: 1;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}
.tick input {
  width: 20px;
  height: 20px;
  accent-color: var(--accent);
}
.shapes {
  padding: 6px 28px 60px;
}
.shapes > section {
  content-visibility: auto;
  contain-intrinsic-size: auto 300px;
  /* Painted by itself: pieces are printed on paper. */
  background: var(--paper);
}
h2 {
  margin: 18px 0 6px;
}
section > h2::first-letter {
  text-transform: uppercase;
}
.bench {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 2px 6px;
}
.bench > :deep(.sheet) {
  flex-basis: 100%;
}
.shape {
  font: inherit;
  color: inherit;
  background: none;
  border: 1px solid transparent;
  padding: 6px 4px;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: flex-end;
  gap: 2px;
  min-width: 84px;
  max-width: 260px;
  cursor: pointer;
  text-align: center;
}
.small {
  font-size: 0.8rem;
}
.shape:hover {
  background: var(--accent-wash);
}
.shape[aria-expanded='true'] {
  border-color: var(--ink);
}
.title {
  font-size: 0.84rem;
  line-height: 1.2;
  max-width: 130px;
  overflow-wrap: anywhere;
}
.alias {
  font-size: 0.88rem;
  font-style: italic;
  color: var(--faint);
}
.none {
  padding: 50px 0;
}
@media (max-width: 760px) {
  .ask {
    grid-template-columns: 1fr;
  }
}
</style>
