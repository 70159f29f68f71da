<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { LIMBS, optionWords, piecesForSlot, plainFigure, slotTitle, SLOTS, withFigure, type Slot } from '@core/figure'
import { withChosen, withOption, withOptionTold, withoutOption } from '@core/edits'
import { catalogueOf, sectionUses, type FigureLimb, type FigureOption, type FigureRecipe, type ModelDocument } from '@core/model'
import { readQuickLine, suggestPieces } from '@core/names'
import { say, sayWithin, screenWords } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import LineField from '../controls/LineField.vue'
import { colourChoices } from '../shared/choices'
import { notify } from '../shared/notices'
import PiecePicture from '../shared/PiecePicture.vue'
import LineReading from '../shared/LineReading.vue'
import StepPicture from '../shared/StepPicture.vue'
import { useOpenModel } from '../stores/open-model'
import FigureCosts from './FigureCosts.vue'

/** Figures by their slots: what is published in each, what may be taken instead, and how the limbs are held. */
const open = useOpenModel()
const chosen = ref('')
const adding = ref<Slot | null>(null)
const words = ref('')
const problem = ref('')
const refusals = ref(0)
const colour = ref('')

const figures = computed(() => open.model?.figures ?? [])
watch(
  figures,
  (all) => {
    if (!all.some(({ id }) => id === chosen.value)) chosen.value = all[0]?.id ?? ''
  },
  { immediate: true },
)
const figure = computed(() => figures.value.find(({ id }) => id === chosen.value))
const options = computed(() => figures.value.map(({ id, name }) => ({ value: id, label: name })))
const picture = computed(() => {
  const id = figure.value?.section
  const plan = open.report?.sections.find((section) => section.id === id)
  return plan && plan.steps.length > 0 ? { section: plan.id, step: plan.steps.length - 1, view: 0 } : null
})
/** Whether it is built at all. */
const isJoined = computed(() => {
  const use = open.model && figure.value ? sectionUses(open.model).get(figure.value.section) : undefined
  return use !== undefined && use.times + use.mirrored > 0
})
const found = computed(() => (open.source && words.value.trim() !== '' ? readQuickLine(words.value, open.source.catalogue) : undefined))

type FigureChange = (figure: FigureRecipe) => FigureRecipe

/** Changes the figure as it is when its turn comes. @param group texts of one field are undone as one */
async function save(label: string, change: FigureChange, group?: string, id = chosen.value): Promise<boolean> {
  const edited = (model: ModelDocument): ModelDocument => {
    const now = model.figures?.find((each) => each.id === id)
    return now ? withFigure(model, change(now), catalogueOf(model)) : model
  }
  problem.value = await open.tryEdit(label, edited, group ? { group } : {})
  // A choice that was refused is not marked: what is published is.
  if (problem.value !== '') refusals.value++
  return problem.value === ''
}

async function make(): Promise<void> {
  const taken = new Set((open.model?.sections ?? []).map(({ id }) => id))
  let number = 1
  while (taken.has(`figure-${number}`) || figures.value.some(({ id }) => id === `figure-${number}`)) number++
  const id = `figure-${number}`
  const plain = plainFigure(id, say('figures.figure', { number }))
  problem.value = await open.tryEdit(say('figures.makeAFigure2'), (model) => withFigure(model, plain, catalogueOf(model)))
  if (problem.value === '') {
    chosen.value = id
    notify(say('figures.aPlainFigureStandsIn'), { act: { label: say('common.undo'), run: () => void open.undo() } })
  }
}

const entryOf = (slot: Slot): NonNullable<FigureRecipe['slots'][Slot]> | undefined => figure.value?.slots[slot]
const publish = (slot: Slot, index: number): Promise<boolean> =>
  save(say('figures.publishAnother', { slotTitle: sayWithin(slotTitle(slot, screenWords())) }), (now) => withChosen(now, slot, index))
const takeOut = (slot: Slot, index: number): Promise<boolean> =>
  save(say('figures.takeOutAnAlternative'), (now) => withoutOption(now, slot, index))
/** The pieces that fit, those that are meant by what is written first. */
const fitting = computed(() => {
  const catalogue = open.source?.catalogue
  if (!adding.value || !catalogue) return []
  const all = piecesForSlot(adding.value, catalogue)
  if (words.value.trim() === '') return all
  const byId = new Map(all.map((shape) => [shape.id, shape]))
  const named = suggestPieces(words.value, catalogue, 'ash', 60).flatMap(({ shape }) => byId.get(shape) ?? [])
  return named.length > 0 ? named : all
})
const colours = computed(() => (open.source ? colourChoices(open.source.catalogue) : []))
/** The colour that is chosen, or written, or that the slot has now. */
function colourFor(slot: Slot): string {
  if (colour.value !== '') return colour.value
  const entry = entryOf(slot)
  return found.value?.pieces[0]?.colour ?? entry?.options[entry.chosen ?? 0]?.colour ?? 'ash'
}
async function add(slot: Slot, shape: string): Promise<void> {
  const option = { shape, colour: colourFor(slot) }
  if (!(await save(say('figures.addAnAlternative'), (now) => withOption(now, slot, option)))) return
  adding.value = null
  words.value = colour.value = ''
}
const tell = (slot: Slot, index: number, more: Partial<FigureOption>): Promise<boolean> =>
  save(
    say('figures.describeAnAlternative'),
    (now) => withOptionTold(now, slot, index, more),
    `${chosen.value} ${slot} ${index} ${Object.keys(more).join()}`,
  )
const CLOSE = [
  { value: '', label: say('figures.notSaid') },
  ...[1, 2, 3, 4, 5].map((value) => ({ value: String(value), label: say('figures.of', { value }) })),
]
/** Only what is there can be moved: legs in one piece stay as they are. */
const limbs = computed(() => LIMBS.filter((limb) => figure.value?.slots[limb] !== undefined))
const pose = (limb: FigureLimb, angle: string): void => {
  if (Number.isFinite(Number(angle)))
    void save(say('figures.poseAFigure'), (now) => ({ ...now, pose: { ...now.pose, [limb]: Number(angle) } }))
}
</script>

<template>
  <main>
    <div class="top">
      <h1>{{ say('common.figures') }}</h1>
      <ChoiceList v-if="figures.length > 1" v-model="chosen" :label="say('common.show')" :options="options" />
      <ActionButton primary @click="make">{{ say('figures.makeAFigure') }}</ActionButton>
    </div>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-if="!figure" class="none">
      {{ say('figures.noFigureYetAFigure') }}
    </p>
    <div v-else class="figure">
      <div class="look">
        <StepPicture
          v-if="picture"
          :picture="picture"
          :label="say('common.finished', { name: figure.name })"
          finished
          :width="560"
          :height="520"
        />
        <p>
          {{ isJoined ? say('figures.itStandsInTheModel') : say('figures.nothingJoinsItYet') }}
          <RouterLink :to="{ name: 'bench', query: { take: figure.section } }">{{
            isJoined ? say('figures.putOneMoreIn') : say('figures.putItIntoTheModel')
          }}</RouterLink>
        </p>
        <LineField
          :label="say('common.name')"
          :value="figure.name"
          :maxlength="120"
          :commit="(text) => text !== '' && save(say('figures.nameAFigure'), (now) => ({ ...now, name: text }), `name ${chosen}`)"
        />
        <LineField
          :label="say('figures.currencyOfThePrices')"
          :value="figure.currency ?? ''"
          :maxlength="20"
          :commit="
            (text) => text !== '' && save(say('figures.sayTheCurrency'), (now) => ({ ...now, currency: text }), `currency ${chosen}`)
          "
        />
        <LineField
          v-for="limb in limbs"
          :key="limb"
          :label="say('figures.degrees', { slotTitle: slotTitle(limb, screenWords()) })"
          type="number"
          :value="figure.pose?.[limb] ?? 0"
          :commit="(text) => pose(limb, text)"
        />
      </div>
      <ul class="slots" :aria-label="say('figures.slots')">
        <li v-for="slot in SLOTS" :key="slot">
          <h2>{{ slotTitle(slot, screenWords()) }}</h2>
          <p v-if="!entryOf(slot)" class="faint">{{ say('figures.empty') }}</p>
          <ul v-else :aria-label="say('figures.whatMayBeUsed', { slotTitle: slotTitle(slot, screenWords()) })">
            <li v-for="(option, i) in entryOf(slot)!.options" :key="`${i} ${refusals}`" class="option">
              <PiecePicture :shape="option.shape" :colour="option.colour" />
              <label class="pick"
                ><input type="radio" :name="slot" :checked="i === (entryOf(slot)!.chosen ?? 0)" @change="publish(slot, i)" />
                {{
                  open.source
                    ? optionWords(option, open.source.catalogue, { currency: figure.currency, words: screenWords() })
                    : option.shape
                }}</label
              >
              <details>
                <summary>{{ say('figures.describe') }}</summary>
                <ChoiceList
                  :model-value="String(option.closeness ?? '')"
                  :label="say('figures.comesClose')"
                  :options="CLOSE"
                  @update:model-value="$event !== '' && tell(slot, i, { closeness: Number($event) })"
                />
                <LineField
                  :label="say('figures.takenFrom')"
                  :value="option.donor ?? ''"
                  :commit="(text) => tell(slot, i, { donor: text })"
                />
                <LineField
                  :label="say('figures.price')"
                  type="number"
                  :value="option.price ?? ''"
                  :commit="(text) => text !== '' && tell(slot, i, { price: Number(text) })"
                />
                <LineField
                  :label="say('figures.note')"
                  :value="option.note ?? ''"
                  :maxlength="2000"
                  :commit="(text) => tell(slot, i, { note: text })"
                />
              </details>
              <button
                type="button"
                class="plain-button"
                :aria-label="say('figures.takeOut', { shape: option.shape })"
                @click="takeOut(slot, i)"
              >
                {{ say('common.takeOut') }}
              </button>
            </li>
          </ul>
          <form v-if="adding === slot" class="adding" @submit.prevent="fitting[0] && add(slot, fitting[0].id)" @keydown.stop>
            <p class="faint">
              {{ fitting.length > 0 ? say('figures.theseFitHere') : say('figures.noPieceOfTheCatalogue') }}
            </p>
            <ul class="fitting" :aria-label="say('figures.piecesThatFit', { slotTitle: sayWithin(slotTitle(slot, screenWords())) })">
              <li v-for="shape in fitting.slice(0, 24)" :key="shape.id">
                <button type="button" class="plain-button" @click="add(slot, shape.id)">
                  <PiecePicture :shape="shape.id" :colour="colourFor(slot)" />{{ shape.title }}
                </button>
              </li>
            </ul>
            <ChoiceList
              v-model="colour"
              :label="say('common.colour')"
              :options="[{ value: '', label: say('figures.asItIsNow') }, ...colours]"
            />
            <label
              >{{ say('figures.whichPiece') }}
              <input v-model="words" type="text" :placeholder="say('figures.navyFigureCap')" autocomplete="off"
            /></label>
            <LineReading v-if="found && found.told.length > 0" :read="{ told: found.told, unclear: [] }" />
            <ActionButton submit :disabled="fitting.length === 0">{{ say('common.addIt') }}</ActionButton>
            <ActionButton @click="adding = null">{{ say('common.leaveIt') }}</ActionButton>
          </form>
          <button
            v-else
            type="button"
            class="plain-button"
            :aria-label="say('figures.addAPieceFor', { slotTitle: sayWithin(slotTitle(slot, screenWords())) })"
            @click="adding = slot"
          >
            {{ say('figures.addAPiece') }}
          </button>
        </li>
      </ul>
    </div>
    <FigureCosts v-if="figure" :recipe="figure" />
  </main>
</template>

<style scoped>
main {
  flex: 1;
  overflow: auto;
  min-height: 0;
  padding: 18px 28px 60px;
}
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 20px;
  align-items: center;
}
.top h1 {
  margin-right: auto;
}
.none {
  max-width: 620px;
  padding: 50px 0;
}
.figure {
  display: grid;
  grid-template-columns: minmax(280px, 420px) 1fr;
  gap: 32px;
  margin-top: 12px;
}
.look {
  position: sticky;
  top: 0;
  align-self: start;
}
.look label {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  padding: 3px 0;
}
input[type='text'],
input[type='number'] {
  font: inherit;
  min-height: 44px;
  width: 180px;
  border: 1px solid #6d7176;
  border-radius: 3px;
  padding: 0 8px;
  background: var(--sheet);
  color: inherit;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.slots > li {
  display: grid;
  grid-template-columns: 170px 1fr auto;
  gap: 8px 16px;
  align-items: start;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
.slots h2 {
  font-size: 1rem;
  padding-top: 10px;
}
.slots p {
  margin: 0;
  padding-top: 10px;
}
.option {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
}
.pick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
  flex: 1;
  min-width: 220px;
}
.pick input {
  width: 20px;
  height: 20px;
  accent-color: var(--accent);
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
details label {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 2px 0;
}
.adding {
  grid-column: 2 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.adding label,
.found {
  display: flex;
  gap: 8px;
  align-items: center;
}
@media (max-width: 900px) {
  .figure,
  .slots > li {
    grid-template-columns: 1fr;
  }
}
.fitting {
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
  flex-basis: 100%;
  max-height: 320px;
  overflow-y: auto;
}
.fitting li {
  border: 0;
  padding: 0;
}
</style>
