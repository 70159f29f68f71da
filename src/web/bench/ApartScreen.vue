<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { PickedPoint } from '@core/placing'
import { listInWords, plural } from '@core/words'
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
    by: listInWords(by.slice(0, 3).map(titleOf), 'and'),
    count: by.length,
  }))
})
const blockers = computed(() => [...new Set(apart.stuck.value?.ways[0]?.by ?? [])])
const marks = computed(() => [
  ...on.framed(apart.stuck.value?.ids ?? selection.chosen.value, 'chosen'),
  ...on.framed(blockers.value, 'clash'),
])

function takeOff(ids: readonly string[]): void {
  if (ids.length === 0) return notify('Choose what comes off: click it, or press N.')
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
  if (!apart.suggest()) notify(apart.left.value === 0 ? 'All is apart.' : 'Nothing more comes off without force.')
}
function takeRest(): void {
  const count = apart.takeRest()
  if (apart.left.value > 0) notify(`${plural(count, 'thing')} came off; the rest holds each other.`)
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
  const loose = last.loosened.length > 0 ? ` ${plural(last.loosened.length, 'thing')} would now lie loose.` : ''
  return `${titleOfAll(last.ids)} came off ${travelWords(last.travel)}.${loose}`
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
    <h1 class="sr-only">Take {{ open.model?.name }} apart</h1>
    <ModelView
      ref="view"
      class="model"
      :catalogue="on.catalogue.value"
      :parts="on.shown.value.parts"
      :ghosts="apart.sliding.value"
      :marks="marks"
      :label="`What is still together, ${plural(apart.left.value, 'thing')}.`"
      @pick="onPick"
    >
      <div class="over where">
        <ChoiceList :model-value="on.id.value" label="Take apart" :options="sections" @update:model-value="show" />
        <p class="faint">Click what comes off; Shift and click for several at once.</p>
      </div>
      <section v-if="apart.stuck.value" class="over slip" aria-label="Why it stays" role="alert">
        <h2>{{ titleOfAll(apart.stuck.value.ids) }} cannot come off yet</h2>
        <p v-for="way in waysIn" :key="way.words">
          <b>{{ way.words }}:</b> {{ way.by }}{{ way.count > 3 ? ` and ${way.count - 3} more` : '' }}
          {{ way.count === 1 ? 'is' : 'are' }} in the way.
        </p>
        <div class="acts">
          <button v-if="blockers.length === 1" class="plain-button framed" @click="takeOff(blockers)">Take that off first</button>
          <button class="plain-button" @click="selection.only(blockers)">Choose what is in the way</button>
        </div>
      </section>
      <p v-else-if="note" class="over told" role="status">{{ note }}</p>
    </ModelView>
    <div class="bar">
      <ActionButton primary shortcut="S" :disabled="apart.left.value === 0" @click="suggest">Suggest</ActionButton>
      <ActionButton shortcut="Enter" :disabled="selection.chosen.value.size === 0" @click="takeOff([...selection.chosen.value])"
        >Take off{{ selection.chosen.value.size > 1 ? ' together' : '' }}</ActionButton
      >
      <ActionButton shortcut="⌫" describe="Put the last one back" :disabled="apart.taken.value.length === 0" @click="apart.putBack()"
        >Put back</ActionButton
      >
      <ActionButton :disabled="apart.left.value === 0" @click="takeRest">The rest as suggested</ActionButton>
      <ActionButton :disabled="apart.taken.value.length === 0" @click="apart.startAgain()">Begin again</ActionButton>
      <span class="gap" />
      <RouterLink :to="{ name: 'bench', query: { section: on.id.value } }">To the bench</RouterLink>
      <ActionButton primary :disabled="apart.taken.value.length === 0 || isKeeping" @click="keepOrder">Keep this order</ActionButton>
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
