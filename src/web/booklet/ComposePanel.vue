<script setup lang="ts">
import { computed } from 'vue'
import { composeBooklet } from '@core/edits'
import { LANGUAGE_NAMES, LANGUAGES } from '@core/language'
import { DIFFICULTIES, MARGIN_WIDTHS, PAPERS, STEP_COLUMNS, TRAY_PLACES, type BookletWishes } from '@core/model'
import { say } from '../language'
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
const paper = choice('paper', PAPERS[0], say('booklet.changeThePaper'))
const margins = choice('margins', 'usual', say('booklet.changeTheMargins'))
const columns = choice('columns', STEP_COLUMNS[0], say('booklet.changeTheColumns'))
const trays = choice('trays', TRAY_PLACES[0], say('booklet.changeWherePiecesAreListed'))
const language = choice('language', LANGUAGES[0], say('booklet.changeTheLanguage'))
const difficulty = choice('difficulty', '', say('booklet.sayHowHardItIs'))

const MOST_STEPS = 8
const stepOptions = [
  { value: '', label: say('booklet.asManyAsFit') },
  ...Array.from({ length: MOST_STEPS }, (_, i) => ({
    value: String(i + 1),
    label: i === 0 ? say('booklet.one') : say('booklet.atMost', { i: i + 1 }),
  })),
]
const stepsOnSheet = computed({
  get: () => String(asked.value.stepsOnSheet ?? ''),
  set: (value) => wish(say('booklet.changeTheStepsOnA'), { stepsOnSheet: value === '' ? undefined : Number(value) }),
})

const MOST_PEOPLE = 20
function setPeople(text: string): void {
  const people = Math.min(MOST_PEOPLE, Math.round(Number(text)))
  wish(say('booklet.sayForHowManyIt'), { people: people >= 1 ? people : undefined })
}
const toggle = (key: 'contents' | 'label' | 'figures' | 'reference', event: Event): void =>
  wish(say('booklet.changeTheSheets'), { [key]: (event.target as HTMLInputElement).checked })
const setDecals = (event: Event): void =>
  wish(say('booklet.changeTheSheets'), { withoutDecals: (event.target as HTMLInputElement).checked ? undefined : true })
</script>

<template>
  <details class="compose">
    <summary class="opener">{{ say('booklet.sheetsAndWords') }}</summary>
    <div class="fields">
      <ChoiceList
        v-model="language"
        :label="say('booklet.language')"
        :options="LANGUAGES.map((value) => ({ value, label: LANGUAGE_NAMES[value] }))"
      />
      <ChoiceList v-model="paper" :label="say('booklet.paper')" :options="optionsOf(PAPERS, PAPER_WORDS)" />
      <ChoiceList v-model="margins" :label="say('booklet.margins')" :options="optionsOf(MARGIN_WIDTHS, MARGIN_WORDS)" />
      <ChoiceList v-model="stepsOnSheet" :label="say('booklet.stepsOnASheet')" :options="stepOptions" />
      <ChoiceList v-model="columns" :label="say('booklet.columns')" :options="optionsOf(STEP_COLUMNS, COLUMN_WORDS)" />
      <ChoiceList v-model="trays" :label="say('booklet.piecesAreListed')" :options="optionsOf(TRAY_PLACES, TRAY_WORDS)" />
      <label class="check"
        ><input type="checkbox" :checked="asked.contents" @change="toggle('contents', $event)" /> {{ say('booklet.contents') }}</label
      >
      <label class="check"
        ><input type="checkbox" :checked="asked.label" @change="toggle('label', $event)" /> {{ say('booklet.aLabelForTheBox') }}</label
      >
      <label v-if="open.model?.photos?.length" class="check"
        ><input type="checkbox" :checked="asked.reference" @change="toggle('reference', $event)" />
        {{ say('booklet.theFirstPhotoBesideThe') }}</label
      >
      <label v-if="open.model?.figures?.length" class="check"
        ><input type="checkbox" :checked="asked.figures" @change="toggle('figures', $event)" />
        {{ say('booklet.aPageOfTheFigures') }}</label
      >
      <label v-if="open.model?.decals?.length" class="check"
        ><input type="checkbox" :checked="!asked.withoutDecals" @change="setDecals" /> {{ say('booklet.theDecalsToPrint') }}</label
      >
      <ChoiceList v-model="difficulty" :label="say('booklet.goodFor')" :options="optionsOf(['', ...DIFFICULTIES], DIFFICULTY_WORDS)" />
      <LineField :label="say('booklet.forHowManyPeople')" type="number" :value="asked.people ?? ''" :commit="setPeople" />
      <TextArea
        :label="say('booklet.putRightSinceItFirst')"
        :value="asked.errata ?? ''"
        :commit="(errata) => wish(say('booklet.changeWhatWasPutRight'), { errata })"
      />
      <TextArea
        :label="say('booklet.thanks')"
        :value="asked.credits ?? ''"
        :commit="(credits) => wish(say('booklet.changeTheThanks'), { credits })"
      />
      <TextArea
        :label="say('booklet.termsOnTheLastSheet')"
        :value="asked.terms ?? ''"
        :commit="(terms) => wish(say('booklet.changeTheTerms'), { terms })"
      />
      <TextArea
        :label="say('booklet.whatToMakeNextIdeas')"
        :value="asked.ideas ?? ''"
        :commit="(ideas) => wish(say('booklet.changeTheIdeas'), { ideas })"
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
