<script setup lang="ts">
import { computed, ref } from 'vue'
import { fillGap, FILLERS, fromU, gapsBetween, toMm, toU, WIDEST, type Filler, type LengthUnit, type Stack } from '@core/fit'
import { catalogueOf, partBox, shapeOfPart, type Part } from '@core/model'
import type { Box } from '@core/space'
import { say, sayFigure } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import { useOpenModel } from '../stores/open-model'
import FacePicker from './FacePicker.vue'
import { unitOptions } from './unit-words'
import { useTwoParts } from './use-two-parts'

/** A gap, told in any unit or measured between two parts of the model, and the stacks that fill it. */
const open = useOpenModel()
const value = ref(2)
const unit = ref<string>('studs')
const allowed = ref<Filler[]>(['brick', 'plate', 'stud', 'bracket wall'])
const { section, first, second, sections, parts, partOptions } = useTwoParts()
const isPicking = ref(false)

const FILLER_WORDS: Readonly<Record<Filler, readonly [string, string]>> = {
  brick: [say('fit.brickUpright'), say('fit.bricksUpright')],
  plate: [say('fit.plate'), say('fit.plates')],
  stud: [say('fit.studAcross'), say('fit.studsAcross')],
  'half stud': [say('fit.halfStudAJumper'), say('fit.halfStuds')],
  'bracket wall': [say('fit.bracketWall'), say('fit.bracketWalls')],
}
const fillers = Object.keys(FILLERS) as Filler[]
const gap = computed(() => (Number.isFinite(value.value) ? toU(value.value, unit.value as LengthUnit) : 0))
const stacks = computed(() => fillGap(gap.value, allowed.value, 10))
const isTooWide = computed(() => gap.value > WIDEST)

const boxOf = (part: Part): Box => partBox(part, shapeOfPart(part, catalogueOf(open.model!).shapes))
const measured = computed(() => {
  const [a, b] = [first.value, second.value].map((id) => parts.value.find((part) => part.id === id))
  return a && b && a !== b ? gapsBetween(boxOf(a), boxOf(b)) : undefined
})

function take(u: number): void {
  unit.value = u % 10 === 0 ? 'studs' : u % 4 === 0 ? 'plates' : 'mm'
  value.value = Number(fromU(u, unit.value as LengthUnit).toFixed(3))
}

const inWords = ({ counts }: Stack): string =>
  fillers
    .filter((filler) => counts[filler] > 0)
    .map((filler) => `${counts[filler]} ${FILLER_WORDS[filler][counts[filler] === 1 ? 0 : 1]}`)
    .join(' + ')
const layers = ({ counts }: Stack): { filler: Filler; share: number }[] =>
  fillers.flatMap((filler) => Array.from({ length: counts[filler] }, () => ({ filler, share: FILLERS[filler] })))
const mm = (u: number): string => say('fit.mm2', { length: sayFigure(toMm(Math.abs(u)), 2) })
const verdict = ({ rest }: Stack): string =>
  Math.abs(rest) < 1e-9
    ? say('fit.fillsItExactly')
    : rest > 0
      ? say('fit.leavesOpenAtItsFar', { rest: mm(rest) })
      : say('fit.standsOutByAtIts', { rest: mm(rest) })
</script>

<template>
  <section :aria-label="say('fit.fillAGap')">
    <h2>{{ say('fit.fillAGap') }}</h2>
    <div class="row">
      <label>{{ say('fit.aGapOf') }} <input v-model.number="value" type="number" min="0" step="any" /></label>
      <ChoiceList v-model="unit" :label="say('fit.in')" :options="unitOptions()" />
      <span class="faint">{{ mm(gap) }}, {{ sayFigure(gap, 3) }} u</span>
    </div>
    <div v-if="sections.length > 0" class="row">
      <ChoiceList v-model="section" :label="say('fit.orBetweenTwoPartsOf')" :options="sections" />
      <ChoiceList v-model="first" :label="say('fit.from')" :options="partOptions" />
      <ChoiceList v-model="second" :label="say('common.to')" :options="partOptions" />
      <template v-if="measured">
        <ActionButton v-for="found in measured" :key="found.axis" @click="take(found.u)">{{
          say('fit.along', { u: mm(found.u), axis: found.axis })
        }}</ActionButton>
        <span v-if="measured.length === 0">{{ say('fit.theyTouchOrOverlapOn') }}</span>
      </template>
    </div>
    <details v-if="section !== ''" class="pick" @toggle="isPicking = ($event.target as HTMLDetailsElement).open">
      <summary>{{ say('fit.orPickTwoFacesOn') }}</summary>
      <FacePicker v-if="isPicking" :section="section" @take="take" />
    </details>
    <fieldset>
      <legend>{{ say('common.with') }}</legend>
      <label v-for="filler in fillers" :key="filler" class="tick"
        ><input v-model="allowed" type="checkbox" :value="filler" /> {{ FILLER_WORDS[filler][1] }}</label
      >
    </fieldset>
    <p v-if="isTooWide">{{ say('fit.widerThanStudsCutIt') }}</p>
    <p v-else-if="stacks.length === 0">{{ say('fit.nothingThatIsAllowedFits') }}</p>
    <ol v-else class="stacks">
      <li v-for="(stack, i) in stacks" :key="i">
        <span class="bar" aria-hidden="true"
          ><span
            v-for="(layer, k) in layers(stack)"
            :key="k"
            :class="layer.filler.replace(' ', '-')"
            :style="{ flexGrow: layer.share }" /><span v-if="stack.rest > 0" class="rest" :style="{ flexGrow: stack.rest }"
        /></span>
        <span
          ><b>{{ inWords(stack) }}</b> {{ verdict(stack) }}</span
        >
      </li>
    </ol>
  </section>
</template>

<style scoped>
summary {
  padding: 10px 0;
  cursor: pointer;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin: 8px 0;
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
}
input[type='number'] {
  font: inherit;
  width: 110px;
  min-height: 44px;
  border: 1px solid #6d7176;
  border-radius: 3px;
  padding: 0 8px;
  background: var(--sheet);
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
}
legend {
  float: left;
  padding: 10px 18px 0 0;
}
.tick {
  min-height: 44px;
}
.tick input {
  width: 20px;
  height: 20px;
}
.stacks {
  padding: 0;
  margin: 10px 0 0;
  list-style: none;
}
.stacks li {
  display: grid;
  grid-template-columns: minmax(120px, 260px) 1fr;
  gap: 16px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.bar {
  display: flex;
  height: 22px;
  border-right: 2px solid var(--ink);
  border-left: 2px solid var(--ink);
}
.bar span {
  flex-basis: 0;
  border-right: 1px solid var(--ink);
  background: var(--sheet);
}
.bar .brick {
  background: #b9cfcf;
}
.bar .stud {
  background: radial-gradient(circle at center, #8fb0b0 40%, #dfe9e8 42%);
}
.bar .bracket-wall {
  background: var(--ink);
}
.bar .half-stud {
  background: repeating-linear-gradient(135deg, #dfe9e8 0 4px, #8fb0b0 4px 6px);
}
.bar .rest {
  background: none;
  border: 1px dashed var(--error);
}
</style>
