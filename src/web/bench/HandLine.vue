<script setup lang="ts">
import { computed, nextTick, ref, useId } from 'vue'
import { suggestPieces, type QuickPiece } from '@core/names'
import { say, sayWithin } from '../language'
import PiecePicture from '../shared/PiecePicture.vue'
import { usePaintSource } from '../shared/painter-key'
import type { BenchActs } from './use-acts'
import type { BenchHand } from './use-hand'
import type { BenchSection } from './use-section'

/** One line to write in: what is written or picked there is in the hand. */
const props = defineProps<{ section: BenchSection; hand: BenchHand; chosen: ReadonlySet<string>; acts: BenchActs }>()

const MOST = 8
const source = usePaintSource()
const field = ref<HTMLInputElement>()
const text = ref('')
const colour = ref('ash')
const at = ref(0)
const listId = useId()

type Option = { readonly key: string; readonly title: string } & ({ readonly piece: QuickPiece } | { readonly section: string })

const options = computed<readonly Option[]>(() => {
  const asked = text.value.trim()
  if (asked === '') return []
  const { catalogue, model, id } = props.section
  const pieces = suggestPieces(asked, catalogue.value, colour.value, MOST).map((piece): Option => {
    const shape = catalogue.value.shapes.get(piece.shape)!
    const name = catalogue.value.colours.get(piece.colour)?.name ?? piece.colour
    return { key: piece.shape, title: `${piece.count > 1 ? `${piece.count} × ` : ''}${shape.title}, ${sayWithin(name)}`, piece }
  })
  const words = asked.toLowerCase()
  const sections = (model.value?.sections ?? [])
    .filter((section) => section.id !== id.value && section.name.toLowerCase().includes(words))
    .slice(0, 3)
    .map((section): Option => ({
      key: `section ${section.id}`,
      title: say('bench.theSection', { name: section.name }),
      section: section.id,
    }))
  return [...pieces, ...sections]
})

function focus(): void {
  field.value?.focus()
  field.value?.select()
}
defineExpose({ focus })

function take(option: Option | undefined): void {
  if (!option) return
  const chosen = props.section.boxOf(props.chosen)
  if ('piece' in option) {
    colour.value = option.piece.colour
    props.hand.takePiece(option.piece, chosen)
  } else props.hand.takeSection(option.section, chosen)
  text.value = ''
  void nextTick(() => field.value?.blur())
}
function onKey(event: KeyboardEvent): void {
  const count = options.value.length
  if (event.key === 'Enter') take(options.value[at.value])
  else if (event.key === 'ArrowDown' && count > 0) at.value = (at.value + 1) % count
  else if (event.key === 'ArrowUp' && count > 0) at.value = (at.value + count - 1) % count
  else if (event.key === 'Escape') {
    text.value = ''
    field.value?.blur()
  } else return event.stopPropagation()
  event.preventDefault()
  event.stopPropagation()
}
const ask = (option: Option): { shape: string; colour: string } | undefined => ('piece' in option ? option.piece : undefined)
</script>

<template>
  <div class="hand-line">
    <ul v-if="options.length > 0" :id="listId" role="listbox" :aria-label="say('bench.whatYouMayMean')">
      <li
        v-for="(option, i) in options"
        :id="`${listId}-${i}`"
        :key="option.key"
        role="option"
        :aria-selected="i === at"
        :class="{ here: i === at }"
        @pointerdown.prevent="take(option)"
      >
        <PiecePicture v-if="source && ask(option)" :shape="ask(option)!.shape" :colour="ask(option)!.colour" :width="72" :height="54" />
        <span>{{ option.title }}</span>
        <kbd v-if="i === at" aria-hidden="true">{{ say('bench.enter') }}</kbd>
      </li>
    </ul>
    <label>
      <span>{{ say('bench.inMyHand') }}</span>
      <input
        ref="field"
        v-model="text"
        type="text"
        role="combobox"
        aria-autocomplete="list"
        :aria-expanded="options.length > 0"
        :aria-controls="listId"
        :aria-activedescendant="options.length > 0 ? `${listId}-${at}` : undefined"
        autocomplete="off"
        spellcheck="false"
        maxlength="200"
        :placeholder="say('bench.brick2x4SlateTiles1x2')"
        @input="at = 0"
        @keydown="onKey"
      />
      <kbd aria-hidden="true">/</kbd>
    </label>
    <p v-if="text.trim() !== '' && options.length === 0" role="status">{{ say('bench.noPieceAndNoSection') }}</p>
    <span class="acts">
      <button class="plain-button framed" @click="acts.openTool('fill')">{{ say('bench.fill') }}</button>
      <button class="plain-button framed" @click="acts.openTool('letters')">{{ say('bench.letters') }}</button>
      <button class="plain-button framed" @click="acts.openTool('recolour')">{{ say('bench.recolour') }}</button>
      <RouterLink class="plain-button framed" :to="{ name: 'apart', query: { section: section.id.value } }">{{
        say('common.takeApart')
      }}</RouterLink>
    </span>
  </div>
</template>

<style scoped>
.hand-line {
  position: relative;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  padding: 6px 20px;
  background: var(--sheet);
  border-top: 1px solid var(--rule);
}
label {
  display: flex;
  align-items: center;
  gap: 10px;
  flex: 1 1 320px;
  max-width: 640px;
}
label span {
  white-space: nowrap;
}
input {
  font: inherit;
  color: inherit;
  flex: 1;
  min-width: 0;
  min-height: 44px;
  border: 0;
  border-bottom: 2px solid var(--ink);
  padding: 0 4px;
  background: none;
}
p {
  margin: 0;
}
ul {
  position: absolute;
  left: 20px;
  bottom: 100%;
  margin: 0;
  padding: 4px;
  list-style: none;
  background: var(--sheet);
  border: 1px solid var(--ink);
  min-width: min(420px, calc(100vw - 40px));
  z-index: 4;
}
li {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 58px;
  padding: 2px 10px;
  cursor: pointer;
}
li span {
  flex: 1;
}
li.here {
  background: var(--accent-wash);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.acts a {
  text-decoration: none;
}
</style>
