<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { compareVersions, newlyAlike, versionsOf } from '@core/desk'
import { addOption, addVariant, changeOption, changeVariant, removeOption, removeVariant } from '@core/edits'
import { faultLine, plainFault } from '@core/fault'
import type { ModelDocument, VersionChoice } from '@core/model'
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
const versions = computed(() => (open.model ? versionsOf(open.model) : []))
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
const colour = (id: string): string => (open.source?.catalogue.colours.get(id)?.name ?? id).toLowerCase()

const { steps } = useVersionSteps()
/** The version that is shown, where it has a name: its colours are chosen here. */
const shownVariant = computed(() => open.model?.variants?.find(({ id }) => id === shownId.value))
const { costs, bars, currency, canReckon, isReckoning, reckon, stop, problem: costProblem } = useVersionCosts(versions)

async function edit(label: string, change: (model: ModelDocument) => ModelDocument): Promise<boolean> {
  try {
    if (open.model) change(open.model)
  } catch (thrown) {
    problem.value = faultLine(plainFault(thrown))
    return false
  }
  problem.value = ''
  return open.edit(label, change)
}
async function add(): Promise<void> {
  const name = optionName.value
  if (await edit(`add the option ${name}`, (model) => addOption(model, name))) optionName.value = ''
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
  if (await edit(`keep the version ${name}`, change)) variantName.value = ''
}
async function remove(label: string, change: (model: ModelDocument) => ModelDocument): Promise<void> {
  if (await edit(label, change)) notify(`Done: ${label}.`, { act: { label: 'Undo', run: () => void open.undo() } })
}
function show(id: string): void {
  const { version: _version, ...settings } = open.settings
  void open.useSettings(id === '' ? settings : { ...settings, version: { variant: id } })
}
</script>

<template>
  <main class="room">
    <DeskTabs />
    <h1>Versions</h1>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <section aria-label="Versions of this model">
      <div class="scroll">
        <table>
          <caption class="sr-only">
            Versions of this model
          </caption>
          <thead>
            <tr>
              <th scope="col">Version</th>
              <th scope="col" class="number">Pieces</th>
              <th scope="col" class="number">Kinds</th>
              <th scope="col" class="number">Colours</th>
              <th scope="col" class="number">Steps</th>
              <th scope="col" class="number">Weight, about</th>
              <th v-if="costs.size > 0" scope="col" class="number">What is to buy</th>
              <th scope="col">With</th>
              <th scope="col"><span class="sr-only">What can be done</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="version in versions" :key="version.id" :class="{ shown: version.id === shownId }">
              <th scope="row">
                <LineField
                  v-if="isNamed.has(version.id)"
                  label="Name"
                  :value="version.name"
                  :commit="(name) => void (name !== '' && edit('rename a version', (model) => changeVariant(model, version.id, { name })))"
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
                {{ version.has || 'nothing that can be left out' }}
                <b v-if="version.clash" class="clash">{{ version.clash }}</b>
              </td>
              <td>
                <div class="acts">
                  <span v-if="version.id === shownId" class="is-shown">shown now</span>
                  <ActionButton v-else :describe="`Show ${version.name}`" @click="show(version.id)">Show</ActionButton>
                  <ActionButton
                    v-if="isNamed.has(version.id)"
                    :describe="`Take ${version.name} away`"
                    @click="remove(`take ${version.name} away`, (model) => removeVariant(model, version.id))"
                    >Take away</ActionButton
                  >
                </div>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="canReckon" class="acts">
        <ActionButton v-if="!isReckoning" @click="reckon">Reckon what each costs</ActionButton>
        <template v-else>
          <span role="status">Reckoning, {{ SECONDS }} seconds a version at most.</span>
          <ActionButton @click="stop">Stop</ActionButton>
        </template>
      </p>
      <p v-if="costProblem" role="alert">{{ costProblem }}</p>
      <BarChart v-if="bars.length > 1" title="What is to buy, by version" :unit="currency" :bars="bars" />
      <p class="faint">
        Plan, pictures, checks, parts and booklet are those of the version that is shown.
        <template v-if="isNamed.size > 0 && !shownVariant">Show one that has a name to choose its colours.</template>
      </p>
    </section>

    <section v-if="versions.length > 1" aria-label="Side by side">
      <h2>Side by side</h2>
      <p class="pair">
        <ChoiceList v-model="one" label="From" :options="choices" />
        <ChoiceList v-model="other" label="to" :options="choices" />
      </p>
      <p v-if="isAlike" class="faint">They take the same pieces.</p>
      <div v-else-if="difference" class="columns">
        <div v-if="difference.added.length > 0">
          <h3>It takes more</h3>
          <TrayList :pieces="difference.added" label="What is added" />
        </div>
        <div v-if="difference.taken.length > 0">
          <h3>It takes no more</h3>
          <TrayList :pieces="difference.taken" label="What is taken out" />
        </div>
        <div v-if="difference.recoloured.length > 0">
          <h3>In another colour</h3>
          <ul class="recoloured">
            <li v-for="each in difference.recoloured" :key="`${each.shape} ${each.from} ${each.to}`">
              {{ each.count }} × {{ title(each.shape) }}: {{ colour(each.to) }} instead of {{ colour(each.from) }}
            </li>
          </ul>
        </div>
      </div>
      <p v-for="pair in newAlike" :key="`${pair.one} ${pair.other}`" class="alike">
        <b>Hard to tell apart:</b> {{ colour(pair.one) }} and {{ colour(pair.other) }} come in pieces of one shape.
      </p>
    </section>

    <VersionColours v-if="shownVariant" :key="shownVariant.id" :variant="shownVariant" :edit="edit" />

    <section aria-label="Options">
      <h2>What may be left out or taken in</h2>
      <p v-if="options.length === 0" class="faint">
        Nothing yet. Name an option here; then choose pieces on the Bench and say under “Change it” that they are there only with it.
      </p>
      <ul v-else>
        <li v-for="option in options" :key="option.id">
          <LineField
            label="Option"
            :value="option.name"
            :commit="(name) => void (name !== '' && edit('rename an option', (model) => changeOption(model, option.id, { name })))"
          />
          <label class="tick"
            ><input
              type="checkbox"
              :checked="option.on === true"
              @change="
                edit(`put ${option.name} in or out`, (model) =>
                  changeOption(model, option.id, { on: ($event.target as HTMLInputElement).checked }),
                )
              "
            />
            {{ option.name }} is in</label
          >
          <ActionButton
            :describe="`Take ${option.name} away`"
            @click="remove(`take ${option.name} away`, (model) => removeOption(model, option.id))"
            >Take away</ActionButton
          >
          <OptionTies :option="option" :options="options" :edit="edit" />
        </li>
      </ul>
      <form @submit.prevent="add">
        <label>A new option <input v-model="optionName" class="plain-field" maxlength="200" placeholder="End caps" @keydown.stop /></label>
        <ActionButton submit :disabled="optionName.trim() === ''">Add it</ActionButton>
      </form>
      <form @submit.prevent="keep">
        <label
          >Keep what is in now as a version called
          <input v-model="variantName" class="plain-field" maxlength="200" placeholder="Night version" @keydown.stop
        /></label>
        <ActionButton submit :disabled="variantName.trim() === ''">Keep it</ActionButton>
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
