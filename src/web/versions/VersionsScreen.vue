<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { compareVersions, newlyAlike, versionsOf } from '@core/desk'
import { addOption, addVariant, changeOption, changeVariant, removeOption, removeVariant } from '@core/edits'
import { plainFault } from '@core/fault'
import type { ModelDocument, VersionChoice } from '@core/model'
import { faultText, say, sayWithin, screenAdvice } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import LineField from '../controls/LineField.vue'
import BarChart from '../parts/BarChart.vue'
import DeskTabs from '../parts/DeskTabs.vue'
import { notify } from '../shared/notices'
import TrayList from '../shared/TrayList.vue'
import { SECONDS, useVersionCosts } from './use-version-costs'
import { useOpenModel } from '../stores/open-model'
import { useVersionSteps } from './use-version-steps'
import OptionTies from './OptionTies.vue'
import VersionColours from './VersionColours.vue'

/** What builders may leave out or take in, and versions that have a name; which of them is shown everywhere else. */
const open = useOpenModel()
const optionName = ref('')
const variantName = ref('')
const problem = ref('')

const options = computed(() => open.model?.options ?? [])
const versions = computed(() => (open.model ? versionsOf(open.model, screenAdvice()) : []))
const shownId = computed(() => open.settings.version?.variant ?? '')
const isNamed = computed(() => new Set((open.model?.variants ?? []).map(({ id }) => id)))

const choices = computed(() => versions.value.map(({ id, name }) => ({ value: id, label: name })))
const one = ref('')
const other = ref('')
watch(
  versions,
  (all) => {
    const ids = all.map(({ id }) => id)
    if (!ids.includes(one.value)) one.value = ids[0] ?? ''
    if (!ids.includes(other.value) || other.value === one.value) other.value = ids.find((id) => id !== one.value) ?? ''
  },
  { immediate: true },
)
const choiceOf = (id: string): VersionChoice => (id === '' ? {} : { variant: id })
const difference = computed(() => {
  if (!open.model || versions.value.length < 2) return undefined
  const { added, taken, recoloured } = compareVersions(open.model, choiceOf(one.value), choiceOf(other.value))
  const counted = (pieces: typeof added) =>
    pieces.map(({ lengthMm, ...piece }) => (lengthMm === undefined ? piece : { ...piece, length: lengthMm }))
  return { added: counted(added), taken: counted(taken), recoloured }
})
/** Colours that are taken for each other in the second, and not in the first. */
const newAlike = computed(() =>
  open.model && open.source ? newlyAlike(open.model, choiceOf(one.value), choiceOf(other.value), open.source.catalogue) : [],
)
const isAlike = computed(() => {
  const found = difference.value
  return found !== undefined && found.added.length + found.taken.length + found.recoloured.length === 0
})
const title = (shape: string): string => open.source?.catalogue.shapes.get(shape)?.title ?? shape
const colour = (id: string): string => sayWithin(open.source?.catalogue.colours.get(id)?.name ?? id)

const { steps } = useVersionSteps()
/** The version that is shown, where it has a name: its colours are chosen here. */
const shownVariant = computed(() => open.model?.variants?.find(({ id }) => id === shownId.value))
const { costs, bars, currency, canReckon, isReckoning, reckon, stop, problem: costProblem } = useVersionCosts(versions)

async function edit(label: string, change: (model: ModelDocument) => ModelDocument): Promise<boolean> {
  try {
    if (open.model) change(open.model)
  } catch (thrown) {
    problem.value = faultText(plainFault(thrown))
    return false
  }
  problem.value = ''
  return open.edit(label, change)
}
async function add(): Promise<void> {
  const name = optionName.value
  if (await edit(say('versions.addTheOption', { name }), (model) => addOption(model, name))) optionName.value = ''
}
async function keep(): Promise<void> {
  const name = variantName.value
  // What is in when this is done: what was ticked just now may still be on its way.
  const change = (model: ModelDocument): ModelDocument => {
    const all = model.options ?? []
    const isIn = all.filter(({ on }) => on === true)
    return addVariant(model, name, {
      with: isIn.map(({ id }) => id),
      without: all.filter((each) => !isIn.includes(each)).map(({ id }) => id),
    })
  }
  if (await edit(say('versions.keepTheVersion', { name }), change)) variantName.value = ''
}
async function remove(label: string, change: (model: ModelDocument) => ModelDocument): Promise<void> {
  if (await edit(label, change)) notify(`Done: ${label}.`, { act: { label: say('common.undo'), run: () => void open.undo() } })
}
function show(id: string): void {
  const { version: _version, ...settings } = open.settings
  void open.useSettings(id === '' ? settings : { ...settings, version: { variant: id } })
}
</script>

<template>
  <main class="room">
    <DeskTabs />
    <h1>{{ say('common.versions') }}</h1>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <section :aria-label="say('versions.versionsOfThisModel')">
      <div class="scroll">
        <table>
          <caption class="sr-only">
            {{
              say('versions.versionsOfThisModel')
            }}
          </caption>
          <thead>
            <tr>
              <th scope="col">{{ say('versions.version') }}</th>
              <th scope="col" class="number">{{ say('common.pieces') }}</th>
              <th scope="col" class="number">{{ say('versions.kinds') }}</th>
              <th scope="col" class="number">{{ say('common.colours') }}</th>
              <th scope="col" class="number">{{ say('common.steps') }}</th>
              <th scope="col" class="number">{{ say('versions.weightAbout') }}</th>
              <th v-if="costs.size > 0" scope="col" class="number">{{ say('versions.whatIsToBuy') }}</th>
              <th scope="col">{{ say('common.with') }}</th>
              <th scope="col">
                <span class="sr-only">{{ say('versions.whatCanBeDone') }}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="version in versions" :key="version.id" :class="{ shown: version.id === shownId }">
              <th scope="row">
                <LineField
                  v-if="isNamed.has(version.id)"
                  :label="say('common.name')"
                  :value="version.name"
                  :commit="
                    (name) =>
                      void (name !== '' && edit(say('versions.renameAVersion'), (model) => changeVariant(model, version.id, { name })))
                  "
                />
                <template v-else>{{ version.name }}</template>
              </th>
              <td class="number">{{ version.pieces }}</td>
              <td class="number">{{ version.kinds }}</td>
              <td class="number">{{ version.colours }}</td>
              <td class="number">{{ steps.get(version.id) ?? '…' }}</td>
              <td class="number">{{ version.mass }} g</td>
              <td v-if="costs.size > 0" class="number">{{ costs.get(version.id) ?? '…' }}</td>
              <td>
                {{ version.has || say('versions.nothingThatCanBeLeft') }}
                <b v-if="version.clash" class="clash">{{ version.clash }}</b>
              </td>
              <td>
                <div class="acts">
                  <span v-if="version.id === shownId" class="is-shown">{{ say('versions.shownNow') }}</span>
                  <ActionButton v-else :describe="say('versions.show', { name: version.name })" @click="show(version.id)">{{
                    say('common.show')
                  }}</ActionButton>
                  <ActionButton
                    v-if="isNamed.has(version.id)"
                    :describe="say('common.takeAway2', { name: version.name })"
                    @click="remove(say('versions.takeAway', { name: version.name }), (model) => removeVariant(model, version.id))"
                    >{{ say('common.takeAway') }}</ActionButton
                  >
                </div>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="canReckon" class="acts">
        <ActionButton v-if="!isReckoning" @click="reckon">{{ say('versions.reckonWhatEachCosts') }}</ActionButton>
        <template v-else>
          <span role="status">{{ say('versions.reckoningSecondsAVersionAt', { seconds: SECONDS }) }}</span>
          <ActionButton @click="stop">{{ say('common.stop') }}</ActionButton>
        </template>
      </p>
      <p v-if="costProblem" role="alert">{{ costProblem }}</p>
      <BarChart v-if="bars.length > 1" :title="say('versions.whatIsToBuyBy')" :unit="currency" :bars="bars" />
      <p class="faint">
        {{ say('versions.planPicturesChecksPartsAnd') }}
        <template v-if="isNamed.size > 0 && !shownVariant">{{ say('versions.showOneThatHasA') }}</template>
      </p>
    </section>

    <section v-if="versions.length > 1" :aria-label="say('versions.sideBySide')">
      <h2>{{ say('versions.sideBySide') }}</h2>
      <div class="pair">
        <ChoiceList v-model="one" :label="say('common.from')" :options="choices" />
        <ChoiceList v-model="other" :label="say('common.to')" :options="choices" />
      </div>
      <p v-if="isAlike" class="faint">{{ say('versions.theyTakeTheSamePieces') }}</p>
      <div v-else-if="difference" class="columns">
        <div v-if="difference.added.length > 0">
          <h3>{{ say('versions.itTakesMore') }}</h3>
          <TrayList :pieces="difference.added" :label="say('versions.whatIsAdded')" />
        </div>
        <div v-if="difference.taken.length > 0">
          <h3>{{ say('versions.itTakesNoMore') }}</h3>
          <TrayList :pieces="difference.taken" :label="say('versions.whatIsTakenOut')" />
        </div>
        <div v-if="difference.recoloured.length > 0">
          <h3>{{ say('versions.inAnotherColour') }}</h3>
          <ul class="recoloured">
            <li v-for="each in difference.recoloured" :key="`${each.shape} ${each.from} ${each.to}`">
              {{
                say('versions.insteadOf', {
                  count: each.count,
                  title: title(each.shape),
                  colour: colour(each.to),
                  colour2: colour(each.from),
                })
              }}
            </li>
          </ul>
        </div>
      </div>
      <p v-for="pair in newAlike" :key="`${pair.one} ${pair.other}`" class="alike">
        <b>{{ say('versions.hardToTellApart') }}</b>
        {{ say('versions.andComeInPiecesOf', { colour: colour(pair.one), colour2: colour(pair.other) }) }}
      </p>
    </section>

    <VersionColours v-if="shownVariant" :key="shownVariant.id" :variant="shownVariant" :edit="edit" />

    <section :aria-label="say('versions.options')">
      <h2>{{ say('versions.whatMayBeLeftOut') }}</h2>
      <p v-if="options.length === 0" class="faint">
        {{ say('versions.nothingYetNameAnOption') }}
      </p>
      <ul v-else>
        <li v-for="option in options" :key="option.id">
          <LineField
            :label="say('versions.option')"
            :value="option.name"
            :commit="
              (name) => void (name !== '' && edit(say('versions.renameAnOption'), (model) => changeOption(model, option.id, { name })))
            "
          />
          <label class="tick"
            ><input
              type="checkbox"
              :checked="option.on === true"
              @change="
                edit(say('versions.putInOrOut', { name: option.name }), (model) =>
                  changeOption(model, option.id, { on: ($event.target as HTMLInputElement).checked }),
                )
              "
            />
            {{ say('versions.isIn', { name: option.name }) }}</label
          >
          <ActionButton
            :describe="say('common.takeAway2', { name: option.name })"
            @click="remove(say('versions.takeAway', { name: option.name }), (model) => removeOption(model, option.id))"
            >{{ say('common.takeAway') }}</ActionButton
          >
          <OptionTies :option="option" :options="options" :edit="edit" />
        </li>
      </ul>
      <form @submit.prevent="add">
        <label
          >{{ say('versions.aNewOption') }}
          <input v-model="optionName" class="plain-field" maxlength="200" :placeholder="say('versions.endCaps')" @keydown.stop
        /></label>
        <ActionButton submit :disabled="optionName.trim() === ''">{{ say('common.addIt') }}</ActionButton>
      </form>
      <form @submit.prevent="keep">
        <label
          >{{ say('versions.keepWhatIsInNow') }}
          <input v-model="variantName" class="plain-field" maxlength="200" :placeholder="say('versions.nightVersion')" @keydown.stop
        /></label>
        <ActionButton submit :disabled="variantName.trim() === ''">{{ say('common.keepIt') }}</ActionButton>
      </form>
    </section>
  </main>
</template>

<style scoped>
h2 {
  margin-top: 26px;
}
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  margin: 12px 0;
  min-width: 760px;
}
th,
td {
  text-align: left;
  padding: 6px 18px 6px 0;
  border-bottom: 1px solid var(--rule);
  font-weight: 400;
}
thead th {
  font-weight: 700;
}
.shown > * {
  background: var(--accent-wash);
}
.number {
  text-align: right;
  white-space: nowrap;
}
.clash {
  display: block;
  color: var(--error);
}
.acts {
  display: flex;
  gap: 8px;
  align-items: center;
}
.is-shown {
  font-weight: 700;
}
ul {
  list-style: none;
  margin: 10px 0;
  padding: 0;
}
li,
form {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 18px;
  padding: 4px 0;
}
li {
  border-bottom: 1px solid var(--rule);
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  margin: 8px 0 16px;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: 24px;
}
h3 {
  margin: 6px 0;
}
.recoloured li {
  display: block;
  border: 0;
}
</style>
