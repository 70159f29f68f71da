<script setup lang="ts">
import { computed, ref } from 'vue'
import { versionsOf } from '@core/desk'
import { addOption, addVariant, changeOption, changeVariant, removeOption, removeVariant } from '@core/edits'
import { faultLine, plainFault } from '@core/fault'
import type { ModelDocument } from '@core/model'
import ActionButton from '../controls/ActionButton.vue'
import LineField from '../controls/LineField.vue'
import DeskTabs from '../parts/DeskTabs.vue'
import { notify } from '../shared/notices'
import { useOpenModel } from '../stores/open-model'

/** What builders may leave out or take in, and versions that have a name; which of them is shown everywhere else. */
const open = useOpenModel()
const optionName = ref('')
const variantName = ref('')
const problem = ref('')

const options = computed(() => open.model?.options ?? [])
const versions = computed(() => (open.model ? versionsOf(open.model) : []))
const shownId = computed(() => open.settings.version?.variant ?? '')
const isNamed = computed(() => new Set((open.model?.variants ?? []).map(({ id }) => id)))

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
  const on = options.value.filter((option) => option.on === true).map(({ id }) => id)
  const off = options.value.filter((option) => option.on !== true).map(({ id }) => id)
  if (await edit(`keep the version ${name}`, (model) => addVariant(model, name, { with: on, without: off }))) variantName.value = ''
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
  <main>
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
              <th scope="col" class="number">Weight, about</th>
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
              <td class="number">{{ version.mass }} g</td>
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
      <p class="faint">Plan, pictures, checks, parts and booklet are those of the version that is shown.</p>
    </section>

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
        </li>
      </ul>
      <form @submit.prevent="add">
        <label>A new option <input v-model="optionName" class="plain-field" maxlength="200" placeholder="End caps" @keydown.stop /></label>
        <ActionButton submit :disabled="optionName.trim() === ''">Add it</ActionButton>
      </form>
      <form v-if="options.length > 0" @submit.prevent="keep">
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
main {
  flex: 1;
  overflow: auto;
  padding: 18px 28px 60px;
}
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
  font-weight: 600;
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
  font-weight: 600;
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
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}
.tick input {
  width: 22px;
  height: 22px;
  accent-color: var(--accent);
}
</style>
