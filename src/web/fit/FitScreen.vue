<script setup lang="ts">
import { computed, ref } from 'vue'
import { inAllUnits, type LengthUnit } from '@core/fit'
import { techniqueReason, techniqueTitle } from '@core/checks'
import {
  holdsPressed,
  TECHNIQUE_IDS,
  TECHNIQUE_POLICIES,
  techniquesOf,
  type PolicyName,
  type TechniquePolicy,
  type Verdict,
} from '@core/model'
import { say, sayFigure, screenAdvice } from '../language'
import ChoiceList from '../controls/ChoiceList.vue'
import { useOpenModel } from '../stores/open-model'
import GapPanel from './GapPanel.vue'
import SlackPanel from './SlackPanel.vue'
import { unitOptions, unitWords } from './unit-words'

/** Sideways arithmetic: lengths in every unit, gaps, chains, and what the checks make of strained techniques. */
const open = useOpenModel()
const isInModel = computed(() => open.model !== null && open.id !== '')

const value = ref(2)
const unit = ref<string>('studs')
const lengths = computed(() => inAllUnits(Number.isFinite(value.value) ? value.value : 0, unit.value as LengthUnit))

type Name = PolicyName | 'own'
const NAMES: readonly { value: Name; label: string }[] = [
  { value: 'usual', label: say('fit.theUsualAWarningFor') },
  { value: 'pure', label: say('fit.pureNoneOfIt') },
  { value: 'relaxed', label: say('fit.relaxedANote') },
  { value: 'own', label: say('fit.myOwnOneByOne') },
]
const VERDICTS: readonly { value: Verdict; label: string }[] = [
  { value: 'allowed', label: say('fit.allowed') },
  { value: 'note', label: say('fit.aNote') },
  { value: 'warning', label: say('fit.aWarning') },
  { value: 'error', label: say('fit.anError') },
]
const local = ref<TechniquePolicy>(TECHNIQUE_POLICIES.usual)
const policy = computed<TechniquePolicy>(() => (isInModel.value ? (open.settings.techniques ?? techniquesOf(open.model!)) : local.value))
const same = (a: TechniquePolicy, b: TechniquePolicy): boolean => TECHNIQUE_IDS.every((id) => a[id] === b[id])
const isOwn = ref(false)
const name = computed<string>({
  get: () =>
    isOwn.value ? 'own' : ((['usual', 'pure', 'relaxed'] as const).find((each) => same(TECHNIQUE_POLICIES[each], policy.value)) ?? 'own'),
  set: (next) => {
    isOwn.value = next === 'own'
    if (next !== 'own') use(TECHNIQUE_POLICIES[next as 'usual'])
  },
})
function use(next: TechniquePolicy): void {
  if (!isInModel.value) {
    local.value = next
    return
  }
  // It stands in the model and goes with its file; an earlier version of the program kept it beside.
  const { techniques: _beside, ...settings } = open.settings
  void open.edit(say('fit.sayWhatIsRefused'), (model) => ({ ...model, techniques: next }), { settings })
}
</script>

<template>
  <main>
    <h1>{{ say('common.fit') }}</h1>
    <div class="rooms">
      <GapPanel />
      <section :aria-label="say('fit.oneLengthInEveryUnit')">
        <h2>{{ say('fit.oneLengthInEveryUnit') }}</h2>
        <div class="row">
          <label
            ><span class="sr-only">{{ say('fit.length') }}</span
            ><input v-model.number="value" type="number" step="any"
          /></label>
          <ChoiceList v-model="unit" :label="say('fit.in')" :options="unitOptions()" />
        </div>
        <table>
          <tbody>
            <tr v-for="length in lengths" :key="length.unit" :class="{ whole: length.isWhole }">
              <td class="figure">{{ sayFigure(length.value, 3) }}</td>
              <th scope="row">{{ unitWords(length.unit) }}</th>
              <td class="faint">{{ length.isWhole ? say('fit.whole') : '' }}</td>
            </tr>
          </tbody>
        </table>
        <p class="faint">{{ say('fit.twoStudsAcrossAreAs') }}</p>
      </section>
      <SlackPanel />
      <section :aria-label="say('fit.whatYouRefuse')">
        <h2>{{ say('fit.whatYouRefuse') }}</h2>
        <p class="faint">
          {{
            say('fit.theChecksNameTheseTechniques', { what: isInModel ? say('fit.yourChoiceStandsInThis') : say('fit.openAModelToHave') })
          }}
        </p>
        <ChoiceList v-model="name" :label="say('fit.techniques')" :options="NAMES" />
        <dl>
          <div v-for="id in TECHNIQUE_IDS" :key="id">
            <dt>
              {{ screenAdvice().say(techniqueTitle(id)) }}
              <ChoiceList
                v-if="name === 'own'"
                :model-value="policy[id]"
                :label="say('common.is')"
                :options="VERDICTS"
                @update:model-value="use({ ...policy, [id]: $event as Verdict })"
              />
              <span v-else class="faint">{{ VERDICTS.find((verdict) => verdict.value === policy[id])!.label }}</span>
            </dt>
            <dd>{{ screenAdvice().say(techniqueReason(id)) }}</dd>
          </div>
        </dl>
        <p v-if="holdsPressed({ techniques: policy })" class="faint">
          {{ say('fit.whatStandsOnEdgeBetween') }}
        </p>
      </section>
    </div>
  </main>
</template>

<style scoped src="./tables.css"></style>

<style scoped>
main {
  flex: 1;
  overflow: auto;
  min-height: 0;
  padding: 18px 28px 60px;
}
.rooms {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 36px 48px;
  margin-top: 14px;
  max-width: 1500px;
}
.row {
  display: flex;
  gap: 14px;
  align-items: center;
  margin: 8px 0;
}
.figure {
  text-align: right;
  min-width: 90px;
}
.whole .figure,
.whole th {
  font-weight: 700;
}
dl > div {
  border-bottom: 1px solid var(--rule);
  padding: 8px 0;
}
dt {
  font-weight: 700;
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
}
dt span {
  font-weight: 400;
}
dd {
  margin: 2px 0 0;
  color: var(--faint);
}
@media (max-width: 1000px) {
  .rooms {
    grid-template-columns: 1fr;
  }
}
</style>
