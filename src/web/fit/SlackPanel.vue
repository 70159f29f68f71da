<script setup lang="ts">
import { computed, reactive, shallowRef, watch } from 'vue'
import { LINK_KINDS, LINKS, slackBetween, slackOf, type ChainLink, type LinkKind } from '@core/fit'
import { slackChains, type SlackChain } from '@core/joints'

import { type ScreenKey, say, sayCount, sayFigure, sayWithin } from '../language'
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

const LINK_TITLES = {
  'stud joint': 'fit.linkStuds',
  'side by side': 'fit.linkSideBySide',
  'low slopes': 'fit.linkLowSlopes',
  hinge: 'fit.linkHinge',
  clip: 'fit.linkClip',
  ball: 'fit.linkBall',
  peg: 'fit.linkPeg',
  bracket: 'fit.linkBracket',
} as const satisfies Record<LinkKind, ScreenKey>
const FROM = { measured: 'fit.measured', 'rule of thumb': 'fit.ruleOfThumb' } as const satisfies Record<string, ScreenKey>
const figure = (length: number): string => sayFigure(length, 3)
const signed = (mm: number): string => say('fit.mm4', { what: mm > 0 ? '+' : mm < 0 ? '−' : '', mm: figure(Math.abs(mm)) })
const linksInWords = (links: readonly ChainLink[]): string =>
  links.map(({ kind, count }) => `${count} × ${sayWithin(say(LINK_TITLES[kind]))}`).join(', ')
</script>

<template>
  <section :aria-label="say('fit.slackOfAChain')">
    <h2>{{ say('fit.slackOfAChain') }}</h2>
    <p class="faint">
      {{ say('fit.someJointsAreALittle') }}
    </p>
    <div v-if="sections.length > 0" class="row">
      <ChoiceList v-model="section" :label="say('fit.countThemBetweenTwoParts')" :options="sections" />
      <ChoiceList v-model="first" :label="say('fit.fromPart')" :options="partOptions" />
      <ChoiceList v-model="second" :label="say('fit.toPart')" :options="partOptions" />
      <ActionButton :disabled="first === '' || second === '' || first === second" @click="look">{{ say('common.count') }}</ActionButton>
    </div>
    <div role="status">
      <p v-if="found?.length === 0">{{ say('fit.nothingThatHoldsLeadsFrom') }}</p>
      <template v-for="({ along, links }, i) in found ?? []" :key="i">
        <p>
          <b>{{ i === 0 ? say('fit.theShortestWay') : say('fit.theWayRound') }}</b>{{
            say('fit.over', { joints: sayCount('count.joints', along.length - 1), linksInWords: linksInWords(links) })
          }}
        </p>
      </template>
      <p v-if="ring">
        {{
          say('fit.oneWayIsAgainstThe', {
            error: signed(ring.error),
            play: figure(ring.play),
            what: ring.isTakenUp ? say('fit.playTakesItUp') : say('fit.playDoesNotTakeIt'),
          })
        }}
      </p>
      <p v-else-if="found && found.length === 1">{{ say('fit.thereIsNoWayRound') }}</p>
    </div>
    <table>
      <thead>
        <tr>
          <th scope="col">{{ say('common.howMany') }}</th>
          <th scope="col">{{ say('fit.joint') }}</th>
          <th scope="col">{{ say('fit.eachIsOff') }}</th>
          <th scope="col">{{ say('fit.eachGives') }}</th>
          <th scope="col">{{ say('fit.knownFrom') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="kind in LINK_KINDS" :key="kind">
          <td>
            <input
              v-model.number="chain[kind]"
              type="number"
              min="0"
              max="999"
              step="1"
              :aria-label="say('fit.howMany', { title: say(LINK_TITLES[kind]) })"
            />
          </td>
          <th scope="row">{{ say(LINK_TITLES[kind]) }}</th>
          <td>{{ signed(LINKS[kind].error) }}</td>
          <td>{{ say('fit.mm3', { play: figure(LINKS[kind].play) }) }}</td>
          <td>{{ say(FROM[LINKS[kind].from]) }}</td>
        </tr>
      </tbody>
    </table>
    <p role="status">
      <template v-if="counted.length === 0">{{ say('fit.nothingCountedYet') }}</template>
      <template v-else
        ><b>{{ signed(slack.error) }}</b>
        {{
          say('fit.overTheChainItsJoints', {
            play: figure(slack.play),
            what: slack.isTakenUp ? say('fit.thatIsTakenUp') : say('fit.thatIsNotTakenUp'),
          })
        }}</template
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
