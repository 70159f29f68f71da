<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { PickedPoint } from '@core/placing'
import { say, sayCount, screenWords } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import { focusMain } from '../shared/focus'
import { notify } from '../shared/notices'
import { isTyping, shortcutOf } from '../shared/shortcut'
import { useOpenModel } from '../stores/open-model'
import ModelView from './ModelView.vue'
import { isControlKey, runKey, sightKeys, type KeyActs } from './bench-keys'
import type { ModelSight } from './model-picture'
import { useNaming } from './naming'
import TakenRail from './TakenRail.vue'
import { travelWords } from './travel-words'
import { useAddress } from './use-address'
import { useDisassembly } from './use-disassembly'
import { useSection } from './use-section'
import { useSelection } from './use-selection'

/** The finished model is taken apart, piece by piece; turned round that is the order in which it is built. */
const open = useOpenModel()
const router = useRouter()
const on = useSection()
const apart = useDisassembly(on)
const selection = useSelection(on)
const view = ref<ModelSight>()
const isKeeping = ref(false)

watch(apart.present, (ids) => (on.present.value = ids), { immediate: true })

const { sections, show } = useAddress(on, () => view.value)
const { titleOf, titleOfAll } = useNaming(on)

const waysIn = computed(() => {
  const free = apart.stuck.value?.ways ?? []
  return free.slice(0, 3).map(({ travel, by }) => ({
    words: travelWords(travel),
    by: screenWords().list(by.slice(0, 3).map(titleOf)),
    count: by.length,
  }))
})
const blockers = computed(() => [...new Set(apart.stuck.value?.ways[0]?.by ?? [])])
const marks = computed(() => [
  ...on.framed(apart.stuck.value?.ids ?? selection.chosen.value, 'chosen'),
  ...on.framed(blockers.value, 'clash'),
])

function takeOff(ids: readonly string[]): void {
  if (ids.length === 0) return notify(say('bench.chooseWhatComesOffClick'))
  if (apart.take(ids)) selection.only([])
  else selection.only(ids)
}
function onPick(point: PickedPoint | undefined, event: PointerEvent): void {
  const id = point && on.shown.value.owners[point.part]
  if (id === undefined) return selection.only([])
  if (event.shiftKey) return selection.toggle(id)
  takeOff(selection.chosen.value.has(id) && selection.chosen.value.size > 1 ? [...selection.chosen.value] : [id])
}
function suggest(): void {
  if (!apart.suggest()) notify(apart.left.value === 0 ? say('bench.allIsApart') : say('bench.nothingMoreComesOffWithout'))
}
function takeRest(): void {
  const count = apart.takeRest()
  if (apart.left.value > 0) notify(say('bench.cameOffTheRestHolds', { things: sayCount('count.things', count) }))
}
async function keepOrder(): Promise<void> {
  isKeeping.value = true
  const section = on.id.value
  const isDone = await apart.keepOrder()
  isKeeping.value = false
  if (isDone) await router.push({ name: 'rail', params: { id: open.id }, query: { section, step: '1' } })
}

const note = computed(() => {
  const last = apart.last.value
  if (!last) return ''
  const loose = last.loosened.length > 0 ? say('bench.wouldNowLieLoose', { things: sayCount('count.things', last.loosened.length) }) : ''
  return say('bench.cameOff', { title: titleOfAll(last.ids), travelWords: travelWords(last.travel), loose })
})

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event) || isControlKey(event)) return
  const acts: KeyActs = {
    ...sightKeys(view.value),
    n: () => selection.walk(1, event.shiftKey),
    b: () => selection.walk(-1, event.shiftKey),
    Enter: () => takeOff([...selection.chosen.value]),
    s: suggest,
    Backspace: apart.putBack,
    Escape: () => selection.only([]),
  }
  if (runKey(acts[shortcutOf(event)])) event.preventDefault()
})
// The link that led here keeps no key for itself.
onMounted(() => focusMain('always'))
</script>

<template>
  <main class="apart" tabindex="-1" :data-version="open.snapshot?.version">
    <h1 class="sr-only">{{ say('bench.takeApart', { name: open.model?.name }) }}</h1>
    <ModelView
      ref="view"
      class="model"
      :catalogue="on.catalogue.value"
      :parts="on.shown.value.parts"
      :ghosts="apart.sliding.value"
      :marks="marks"
      :label="say('bench.whatIsStillTogether', { things: sayCount('count.things', apart.left.value) })"
      @pick="onPick"
    >
      <div class="over where">
        <ChoiceList :model-value="on.id.value" :label="say('common.takeApart')" :options="sections" @update:model-value="show" />
        <p class="faint">{{ say('bench.clickWhatComesOffShift') }}</p>
      </div>
      <section v-if="apart.stuck.value" class="over slip" :aria-label="say('bench.whyItStays')" role="alert">
        <h2>{{ say('bench.cannotComeOffYet', { title: titleOfAll(apart.stuck.value.ids) }) }}</h2>
        <p v-for="way in waysIn" :key="way.words">
          <b>{{ way.words }}:</b>
          {{
            say('bench.inTheWay', {
              by: way.by,
              what: way.count > 3 ? say('bench.andMore', { count: way.count - 3 }) : '',
              what2: way.count === 1 ? say('common.is') : say('common.are'),
            })
          }}
        </p>
        <div class="acts">
          <button v-if="blockers.length === 1" class="plain-button framed" @click="takeOff(blockers)">
            {{ say('bench.takeThatOffFirst') }}
          </button>
          <button class="plain-button" @click="selection.only(blockers)">{{ say('bench.chooseWhatIsInThe') }}</button>
        </div>
      </section>
      <p v-else-if="note" class="over told" role="status">{{ note }}</p>
    </ModelView>
    <div class="bar">
      <ActionButton primary shortcut="S" :disabled="apart.left.value === 0" @click="suggest">{{ say('bench.suggest') }}</ActionButton>
      <ActionButton shortcut="Enter" :disabled="selection.chosen.value.size === 0" @click="takeOff([...selection.chosen.value])">{{
        say('bench.takeOff', { what: selection.chosen.value.size > 1 ? say('bench.together') : '' })
      }}</ActionButton>
      <ActionButton
        shortcut="⌫"
        :describe="say('bench.putTheLastOneBack')"
        :disabled="apart.taken.value.length === 0"
        @click="apart.putBack()"
        >{{ say('bench.putBack') }}</ActionButton
      >
      <ActionButton :disabled="apart.left.value === 0" @click="takeRest">{{ say('bench.theRestAsSuggested') }}</ActionButton>
      <ActionButton :disabled="apart.taken.value.length === 0" @click="apart.startAgain()">{{ say('bench.beginAgain') }}</ActionButton>
      <span class="gap" />
      <RouterLink :to="{ name: 'bench', query: { section: on.id.value } }">{{ say('bench.toTheBench') }}</RouterLink>
      <ActionButton primary :disabled="apart.taken.value.length === 0 || isKeeping" @click="keepOrder">{{
        say('bench.keepThisOrder')
      }}</ActionButton>
    </div>
    <TakenRail
      :taken="apart.taken.value"
      :left="apart.left.value"
      :title-of="titleOfAll"
      :looked="apart.looked.value"
      @look="(count) => (apart.looked.value = apart.looked.value === count ? null : count)"
    />
  </main>
</template>

<style scoped src="./slip.css"></style>
<style scoped src="./bench.css"></style>
<style scoped>
.apart {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto auto;
}
.slip {
  position: absolute;
  right: 16px;
  top: 12px;
  width: min(360px, calc(100% - 32px));
}
.told {
  position: absolute;
  right: 16px;
  top: 12px;
  margin: 0;
  background: var(--sheet);
  max-width: calc(100% - 32px);
}
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 10px;
  padding: 6px 20px;
  border-top: 1px solid var(--rule);
  background: var(--sheet);
}
.gap {
  flex: 1;
}
</style>
