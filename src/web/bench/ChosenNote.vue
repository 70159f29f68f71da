<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { suggestPieces } from '@core/names'
import { partHull } from '@core/scene'
import { type SelectBy } from '@core/placing'
import { mapVec, TURNS, turnText, unite } from '@core/space'
import { type ScreenKey, say } from '../language'
import ChoiceList from '../controls/ChoiceList.vue'
import LineField from '../controls/LineField.vue'
import { colourChoices, sectionChoices } from '../shared/choices'
import { placeWords, verdictWords } from './place-words'
import type { BenchActs } from './use-acts'
import type { BenchSection } from './use-section'
import type { BenchSelection } from './use-selection'

/** What is chosen explains itself next to it: what it is, what holds it, where it stands, and what can be done to it. */
const props = defineProps<{ section: BenchSection; selection: BenchSelection; acts: BenchActs; isSeeThrough: boolean }>()
const emit = defineEmits<{ seeThrough: []; showSection: [id: string] }>()

const ids = computed(() => props.selection.chosen.value)
const nodes = computed(() => props.acts.nodesOf(ids.value))
const title = computed(() => props.acts.chosenTitle())
const one = computed(() => (nodes.value.length === 1 ? nodes.value[0] : undefined))
const part = computed(() => (one.value?.kind === 'part' ? one.value.parts[0]?.part : undefined))
const copyOf = computed(() => (one.value?.kind === 'copy' ? one.value.source.replace(/ mirrored$/, '') : undefined))
const held = computed(() => {
  const parts = nodes.value.flatMap((node) => node.parts)
  if (parts.length === 0 || parts.length > MOST_JUDGED) return ''
  return verdictWords(props.section.judge.value.judge(parts, ids.value), props.acts.titleOf)
})
const MOST_JUDGED = 2_000
const place = computed(() => {
  const hulls = nodes.value.flatMap((node) => node.parts.map(partHull))
  return hulls.length > 0 ? placeWords(hulls.reduce(unite).min) : ''
})

const isExact = ref(false)
const problem = ref('')
watch(ids, () => (problem.value = ''))
const setPlace = (axis: 0 | 1 | 2) => async (text: string) => {
  const now = part.value
  if (!now?.at) return
  problem.value = await props.acts.placeAt(now.id, { ...now, at: mapVec(now.at, (value, i) => (i === axis ? Number(text) : value)) })
}
const TURN_CHOICES = TURNS.map((_, turn) => ({ value: turnText(turn), label: turnText(turn) }))
async function setTurn(turn: string): Promise<void> {
  const now = part.value
  if (now?.at) problem.value = await props.acts.placeAt(now.id, { at: now.at, turn })
}

const NONE = { value: '', label: say('bench.choose') }
const colours = computed(() => [NONE, ...colourChoices(props.section.catalogue.value)])
const sections = computed(() => [NONE, ...sectionChoices(props.section.model.value, props.section.id.value)])
const presences = computed(() => [
  NONE,
  { value: 'always', label: say('bench.inEveryVersion') },
  ...(props.section.model.value?.options ?? []).flatMap(({ id, name }) => [
    { value: `option ${id}`, label: say('bench.onlyWith', { name }) },
    { value: `unless ${id}`, label: say('bench.onlyWithout', { name }) },
  ]),
])
function setPresence(said: string): void {
  const [word, ...rest] = said.split(' ')
  const id = rest.join(' ')
  if (said !== '') void props.acts.setPresence(word === 'option' ? { option: id } : word === 'unless' ? { unless: id } : null)
}
const shapeText = ref('')
const shapes = computed(() => suggestPieces(shapeText.value, props.section.catalogue.value, 'ash', 3))
async function exchange(): Promise<void> {
  const [first] = shapes.value
  if (first && (await props.acts.replace(first.shape))) shapeText.value = ''
}
const shapeTitle = (id: string): string => props.section.catalogue.value.shapes.get(id)?.title ?? id
const GROW = {
  alike: 'bench.growAlike',
  shape: 'bench.growShape',
  colour: 'bench.growColour',
  layer: 'bench.growLayer',
  hangs: 'bench.growHangs',
} as const satisfies Record<SelectBy, ScreenKey>
</script>

<template>
  <section class="slip" :aria-label="say('bench.whatIsChosen')">
    <h2>{{ title }}</h2>
    <p>
      {{ held }} <span class="faint">{{ place }}.</span>
    </p>
    <div class="acts">
      <button class="plain-button" @click="acts.takeUp('moved')">{{ say('bench.move') }} <kbd>M</kbd></button>
      <button class="plain-button" @click="acts.takeUp('copied')">{{ say('bench.onceMore') }} <kbd>D</kbd></button>
      <button class="plain-button" @click="acts.remove()">
        {{ say('common.takeOut') }} <kbd>{{ say('bench.del') }}</kbd>
      </button>
      <button class="plain-button" @click="acts.hide()">{{ say('common.hide') }} <kbd>H</kbd></button>
      <button class="plain-button" @click="acts.isolate()">{{ say('bench.alone') }} <kbd>I</kbd></button>
      <button class="plain-button" :aria-pressed="isSeeThrough" @click="emit('seeThrough')">
        {{ say('bench.seeThroughTheRest') }} <kbd>S</kbd>
      </button>
      <button class="plain-button" @click="acts.makeSection()">{{ say('common.makeItASection') }}</button>
      <button v-if="copyOf" class="plain-button" @click="emit('showSection', copyOf)">{{ say('bench.openTheSection') }}</button>
    </div>
    <details>
      <summary>{{ say('bench.chooseMore') }}</summary>
      <div class="acts">
        <button v-for="(key, by) in GROW" :key="by" class="plain-button" @click="selection.grow(by)">{{ say(key) }}</button>
      </div>
    </details>
    <details>
      <summary>{{ say('bench.changeIt') }}</summary>
      <ChoiceList
        v-if="nodes.some(({ kind }) => kind === 'part')"
        :model-value="''"
        :label="say('common.colour')"
        :options="colours"
        @update:model-value="(id) => id && acts.recolour(id)"
      />
      <form v-if="nodes.some(({ kind }) => kind === 'part')" class="exchange" @submit.prevent="exchange">
        <label
          >{{ say('bench.exchangeFor') }}
          <input v-model="shapeText" class="plain-field" maxlength="120" :placeholder="say('bench.plate2x4')" @keydown.stop
        /></label>
        <button class="plain-button framed" :disabled="shapes.length === 0">
          {{ shapes[0] ? shapeTitle(shapes[0].shape) : say('bench.exchange') }}
        </button>
      </form>
      <ChoiceList
        v-if="sections.length > 1"
        :model-value="''"
        :label="say('bench.intoSection')"
        :options="sections"
        @update:model-value="(id) => id && acts.toSection(id)"
      />
      <ChoiceList
        v-if="presences.length > 2"
        :model-value="''"
        :label="say('bench.itIsThere')"
        :options="presences"
        @update:model-value="setPresence"
      />
    </details>
    <details v-if="part?.at" :open="isExact" @toggle="isExact = ($event.target as HTMLDetailsElement).open">
      <summary>{{ say('bench.exactPlace') }}</summary>
      <LineField label="x, u" type="number" :value="part.at[0]" :commit="setPlace(0)" />
      <LineField label="y, u" type="number" :value="part.at[1]" :commit="setPlace(1)" />
      <LineField label="z, u" type="number" :value="part.at[2]" :commit="setPlace(2)" />
      <ChoiceList
        :model-value="part.turn ?? turnText(0)"
        :label="say('bench.turn')"
        :options="TURN_CHOICES"
        @update:model-value="setTurn"
      />
      <p v-if="problem" role="alert">{{ problem }}</p>
    </details>
  </section>
</template>

<style scoped src="./slip.css"></style>
<style scoped>
.slip {
  max-height: 330px;
  overflow-y: auto;
}
summary {
  min-height: 36px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
summary::before {
  content: '▸';
  margin-right: 8px;
}
details[open] > summary::before {
  content: '▾';
}
.exchange {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.exchange input {
  width: 130px;
}
.line-field :deep(input) {
  width: 110px;
}
</style>
