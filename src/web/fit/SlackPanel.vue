<script setup lang="ts">
import { computed, reactive, shallowRef, watch } from 'vue'
import { LINK_KINDS, LINKS, slackBetween, slackOf, type ChainLink, type LinkKind } from '@core/fit'
import { slackChains, type SlackChain } from '@core/joints'
import { plural } from '@core/words'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import { useOpenModel } from '../stores/open-model'
import { useTwoParts } from './use-two-parts'

/** What a chain of joints is off by, and what it gives: counted by hand, or between two parts of the model. */
const open = useOpenModel()
const { section, first, second, sections, partOptions } = useTwoParts()

const chain = reactive(Object.fromEntries(LINK_KINDS.map((kind) => [kind, 0])) as Record<LinkKind, number>)
const counted = computed((): ChainLink[] =>
  LINK_KINDS.flatMap((kind) => (chain[kind] > 0 ? [{ kind, count: Math.round(chain[kind]) }] : [])),
)
const slack = computed(() => slackOf(counted.value))

/** What was found in the model; nothing before it was looked for. */
const found = shallowRef<readonly SlackChain[]>()
watch([section, first, second, () => open.model], () => (found.value = undefined))
function look(): void {
  found.value = slackChains(open.model!, section.value, [first.value, second.value])
  for (const kind of LINK_KINDS) chain[kind] = found.value[0]?.links.find((link) => link.kind === kind)?.count ?? 0
}
/** One way held against the other, where the two close a ring. */
const ring = computed(() => {
  const [one, other] = found.value ?? []
  return one && other ? slackBetween(one.links, other.links) : undefined
})

const figure = (length: number): string => length.toFixed(3).replace(/\.?0+$/, '')
const signed = (mm: number): string => `${mm > 0 ? '+' : mm < 0 ? '−' : ''}${figure(Math.abs(mm))} mm`
const linksInWords = (links: readonly ChainLink[]): string =>
  links.map(({ kind, count }) => `${count} × ${LINKS[kind].title.toLowerCase()}`).join(', ')
</script>

<template>
  <section aria-label="Slack of a chain">
    <h2>Slack of a chain</h2>
    <p class="faint">
      Some joints are a little longer or shorter than the lattice says, and some give. Count them along one line. The figures are rules of
      thumb: nobody here has measured them, and pieces of other moulds differ.
    </p>
    <div v-if="sections.length > 0" class="row">
      <ChoiceList v-model="section" label="Count them between two parts of" :options="sections" />
      <ChoiceList v-model="first" label="from part" :options="partOptions" />
      <ChoiceList v-model="second" label="to part" :options="partOptions" />
      <ActionButton :disabled="first === '' || second === '' || first === second" @click="look">Count</ActionButton>
    </div>
    <div role="status">
      <p v-if="found?.length === 0">Nothing that holds leads from one to the other.</p>
      <template v-for="({ along, links }, i) in found ?? []" :key="i">
        <p>
          <b>{{ i === 0 ? 'The shortest way' : 'The way round' }}</b>, over {{ plural(along.length - 1, 'joint') }}:
          {{ linksInWords(links) }}.
        </p>
      </template>
      <p v-if="ring">
        One way is {{ signed(ring.error) }} against the other, and both together give {{ figure(ring.play) }} mm:
        {{ ring.isTakenUp ? 'play takes it up.' : 'play does not take it up, so something bends or a gap shows.' }}
      </p>
      <p v-else-if="found && found.length === 1">There is no way round: nothing has to be as long as it.</p>
    </div>
    <table>
      <thead>
        <tr>
          <th scope="col">how many</th>
          <th scope="col">joint</th>
          <th scope="col">each is off</th>
          <th scope="col">each gives</th>
          <th scope="col">known from</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="kind in LINK_KINDS" :key="kind">
          <td>
            <input v-model.number="chain[kind]" type="number" min="0" max="999" step="1" :aria-label="`How many: ${LINKS[kind].title}`" />
          </td>
          <th scope="row">{{ LINKS[kind].title }}</th>
          <td>{{ signed(LINKS[kind].error) }}</td>
          <td>{{ figure(LINKS[kind].play) }} mm</td>
          <td>{{ LINKS[kind].from }}</td>
        </tr>
      </tbody>
    </table>
    <p role="status">
      <template v-if="counted.length === 0">Nothing counted yet.</template>
      <template v-else
        ><b>{{ signed(slack.error) }}</b> over the chain; its joints give {{ figure(slack.play) }} mm:
        {{ slack.isTakenUp ? 'that is taken up.' : 'that is not taken up, so something bends or a gap shows.' }}</template
      >
    </p>
  </section>
</template>

<style scoped src="./tables.css"></style>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  margin: 8px 0;
}
</style>
