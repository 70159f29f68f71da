<script setup lang="ts">
import { computed } from 'vue'
import { composeBooklet } from '@core/edits'
import { LANGUAGE_NAMES, LANGUAGES } from '@core/language'
import { DIFFICULTIES, MARGIN_WIDTHS, PAPERS, STEP_COLUMNS, TRAY_PLACES, type BookletWishes } from '@core/model'
import ChoiceList from '../controls/ChoiceList.vue'
import LineField from '../controls/LineField.vue'
import TextArea from '../controls/TextArea.vue'
import { useOpenModel } from '../stores/open-model'
import { COLUMN_WORDS, DIFFICULTY_WORDS, MARGIN_WORDS, optionsOf, PAPER_WORDS, TRAY_WORDS } from './compose-words'

/** How the booklet is put on its sheets, and what it says beside the steps: kept with the model, undone like any edit. */
const open = useOpenModel()
const asked = computed((): BookletWishes => open.model?.booklet ?? {})
type Wishes = Partial<Record<keyof BookletWishes, unknown>>
const wish = (label: string, wishes: Wishes): void => void open.edit(label, (model) => composeBooklet(model, wishes))

/** A choice of the usual is not kept: it stays the usual. */
const choice = <Key extends keyof BookletWishes>(key: Key, usual: string, label: string) =>
  computed({
    get: () => String(asked.value[key] ?? usual),
    set: (value: string) => wish(label, { [key]: value === usual ? undefined : value }),
  })
const paper = choice('paper', PAPERS[0], 'change the paper')
const margins = choice('margins', 'usual', 'change the margins')
const columns = choice('columns', STEP_COLUMNS[0], 'change the columns')
const trays = choice('trays', TRAY_PLACES[0], 'change where pieces are listed')
const language = choice('language', LANGUAGES[0], 'change the language')
const difficulty = choice('difficulty', '', 'say how hard it is')

const MOST_STEPS = 8
const stepOptions = [
  { value: '', label: 'As many as fit' },
  ...Array.from({ length: MOST_STEPS }, (_, i) => ({ value: String(i + 1), label: i === 0 ? 'One' : `At most ${i + 1}` })),
]
const stepsOnSheet = computed({
  get: () => String(asked.value.stepsOnSheet ?? ''),
  set: (value) => wish('change the steps on a sheet', { stepsOnSheet: value === '' ? undefined : Number(value) }),
})

const MOST_PEOPLE = 20
function setPeople(text: string): void {
  const people = Math.min(MOST_PEOPLE, Math.round(Number(text)))
  wish('say for how many it is', { people: people >= 1 ? people : undefined })
}
const toggle = (key: 'contents' | 'label' | 'figures' | 'reference', event: Event): void =>
  wish('change the sheets', { [key]: (event.target as HTMLInputElement).checked })
const setDecals = (event: Event): void =>
  wish('change the sheets', { withoutDecals: (event.target as HTMLInputElement).checked ? undefined : true })
</script>

<template>
  <details class="compose">
    <summary class="opener">Sheets and words</summary>
    <div class="fields">
      <ChoiceList v-model="language" label="Language" :options="optionsOf(LANGUAGES, LANGUAGE_NAMES)" />
      <ChoiceList v-model="paper" label="Paper" :options="optionsOf(PAPERS, PAPER_WORDS)" />
      <ChoiceList v-model="margins" label="Margins" :options="optionsOf(MARGIN_WIDTHS, MARGIN_WORDS)" />
      <ChoiceList v-model="stepsOnSheet" label="Steps on a sheet" :options="stepOptions" />
      <ChoiceList v-model="columns" label="Columns" :options="optionsOf(STEP_COLUMNS, COLUMN_WORDS)" />
      <ChoiceList v-model="trays" label="Pieces are listed" :options="optionsOf(TRAY_PLACES, TRAY_WORDS)" />
      <label class="check"><input type="checkbox" :checked="asked.contents" @change="toggle('contents', $event)" /> Contents</label>
      <label class="check"><input type="checkbox" :checked="asked.label" @change="toggle('label', $event)" /> A label for the box</label>
      <label v-if="open.model?.photos?.length" class="check"
        ><input type="checkbox" :checked="asked.reference" @change="toggle('reference', $event)" /> The first photo beside the model</label
      >
      <label v-if="open.model?.figures?.length" class="check"
        ><input type="checkbox" :checked="asked.figures" @change="toggle('figures', $event)" /> A page of the figures</label
      >
      <label v-if="open.model?.decals?.length" class="check"
        ><input type="checkbox" :checked="!asked.withoutDecals" @change="setDecals" /> The decals to print</label
      >
      <ChoiceList v-model="difficulty" label="Good for" :options="optionsOf(['', ...DIFFICULTIES], DIFFICULTY_WORDS)" />
      <LineField label="For how many people" type="number" :value="asked.people ?? ''" :commit="setPeople" />
      <TextArea
        label="Put right since it first went out, a line each"
        :value="asked.errata ?? ''"
        :commit="(errata) => wish('change what was put right', { errata })"
      />
      <TextArea label="Thanks" :value="asked.credits ?? ''" :commit="(credits) => wish('change the thanks', { credits })" />
      <TextArea label="Terms, on the last sheet" :value="asked.terms ?? ''" :commit="(terms) => wish('change the terms', { terms })" />
      <TextArea
        label="What to make next: ideas to choose among, a line each"
        :value="asked.ideas ?? ''"
        :commit="(ideas) => wish('change the ideas', { ideas })"
      />
    </div>
  </details>
</template>

<style scoped>
.compose {
  width: 100%;
}
.fields {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding-top: 6px;
}
.fields :deep(.choice) {
  justify-content: space-between;
}
.fields :deep(.line-field input) {
  width: 90px;
}
.check {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 44px;
}
</style>
