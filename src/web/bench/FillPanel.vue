<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import { addNodes } from '@core/edits'
import { faultLine, plainFault } from '@core/fault'
import {
  areaInside,
  areaOnTop,
  cellCount,
  coverPiece,
  familyPieces,
  FILL_PATTERNS,
  filledParts,
  seamsBelow,
  type FillArea,
  type Filled,
  type FillFamily,
  type FillPattern,
  type FillPiece,
} from '@core/fill'
import { placedPart } from '@core/model'
import { readQuickLine } from '@core/names'
import { plural } from '@core/words'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import { colourChoices } from '../shared/choices'
import LineReading from '../shared/LineReading.vue'
import { useOpenModel } from '../stores/open-model'
import { FillClient } from '../workers/fill-client'
import type { BenchActs } from './use-acts'
import type { BenchSection } from './use-section'
import type { BenchSelection } from './use-selection'

/** Fills the studs on what is chosen, or what it encloses, from given pieces. */
const props = defineProps<{ section: BenchSection; selection: BenchSelection; acts: BenchActs }>()

const open = useOpenModel()
const filler = new FillClient()
const where = ref<'top' | 'inside'>('top')
const family = ref<FillFamily>('plate')
const colour = ref('ash')
const second = ref('')
const pattern = ref<FillPattern>('fewest')
const line = ref('')
const isWorking = ref(false)
const told = ref('')
const filled = shallowRef<{ readonly area: FillArea; readonly result: Filled; readonly pieces: readonly FillPiece[] } | null>(null)

const WHERE = [
  { value: 'top', label: 'on top of it' },
  { value: 'inside', label: 'inside its outline' },
]
const FAMILIES = [
  { value: 'plate', label: 'plates' },
  { value: 'tile', label: 'tiles' },
  { value: 'brick', label: 'bricks' },
]
const PATTERN_WORDS: Readonly<Record<FillPattern, string>> = {
  fewest: 'as few pieces as can be',
  grid: 'in a grid',
  bond: 'in courses, set off by half',
  stripes: 'in bands of two colours',
}
const PATTERNS = FILL_PATTERNS.map((value) => ({ value, label: PATTERN_WORDS[value] }))
const catalogue = computed(() => props.section.catalogue.value)
const colours = computed(() => colourChoices(catalogue.value))

const read = computed(() => (line.value.trim() === '' ? undefined : readQuickLine(line.value, catalogue.value, colour.value)))
/** What is written, as often as it says; else all of the family. */
const pieces = computed<readonly FillPiece[]>(() =>
  read.value
    ? read.value.pieces.map(({ shape, colour: own, count }) => ({ shape, colour: own, ...(count > 1 ? { most: count } : {}) }))
    : familyPieces(family.value, colour.value, pattern.value, catalogue.value),
)
const usable = computed(() => pieces.value.filter((piece) => coverPiece(piece, catalogue.value) !== undefined))
const height = computed(() => Math.max(0, ...usable.value.map(({ shape }) => catalogue.value.shapes.get(shape)!.box[2])))
const area = computed(() => {
  const parts = props.acts.nodesOf(props.selection.chosen.value).flatMap((node) => node.parts)
  const { hasRoom } = props.section.judge.value
  return where.value === 'top' ? areaOnTop(parts, height.value, hasRoom) : areaInside(parts, height.value, hasRoom)
})
const size = computed(() => (area.value ? cellCount(area.value) : 0))

function forget(): void {
  filler.stop()
  filled.value = null
  told.value = ''
}
watch([area, pieces, pattern, colour, second], forget)

async function fill(): Promise<void> {
  const [now, used] = [area.value, usable.value]
  if (!now || used.length === 0) return
  isWorking.value = true
  told.value = ''
  const below = props.section.nodes.value.flatMap((node) => node.parts)
  const order = {
    area: now,
    pieces: used.map((piece) => coverPiece(piece, catalogue.value)!),
    pattern: pattern.value,
    seams: seamsBelow(now, below),
  }
  try {
    const result = await filler.fill(order, (count, bound) => (told.value = `So far ${plural(count, 'piece')}; ${bound} at least.`))
    filled.value = { area: now, result, pieces: used }
    const proof = result.isProven ? 'fewer is not possible' : `${result.bound} at least, not proven to be the fewest`
    told.value = `${plural(result.places.length, 'piece')}${pattern.value === 'fewest' ? `: ${proof}` : ''}.${result.left > 0 ? ` ${plural(result.left, 'stud')} stay bare.` : ''}`
  } catch (thrown) {
    const fault = plainFault(thrown)
    if (fault.code !== 'stopped') told.value = faultLine(fault)
  } finally {
    isWorking.value = false
  }
}
const parts = computed(() => {
  const made = filled.value
  return made
    ? filledParts(made.area, made.result, made.pieces, pattern.value === 'stripes' && second.value ? [colour.value, second.value] : [])
    : []
})
watch(parts, (all) => props.acts.showPreview(all.map((part) => placedPart(part, catalogue.value))))
async function putIn(): Promise<void> {
  const [section, all] = [props.section.id.value, parts.value]
  if (await open.edit(`fill with ${plural(all.length, 'piece')}`, (model) => addNodes(model, section, { parts: all }).model))
    props.acts.openTool(null)
}
onUnmounted(() => {
  filler.close()
  props.acts.showPreview([])
})
</script>

<template>
  <section class="slip" aria-label="Fill">
    <h2>Fill</h2>
    <p v-if="selection.chosen.value.size === 0">Choose what it goes on, or the walls round it.</p>
    <p v-else role="status">{{ size > 0 ? `${plural(size, 'stud')} to fill.` : 'Nothing is free there.' }}</p>
    <ChoiceList v-model="where" label="Where" :options="WHERE" />
    <ChoiceList v-model="family" label="With" :options="FAMILIES" />
    <ChoiceList v-model="colour" label="Colour" :options="colours" />
    <label class="own"
      >Only these <input v-model="line" class="plain-field" maxlength="200" placeholder="12 plate 2x4, plate 1x2" @keydown.stop
    /></label>
    <LineReading v-if="read" :read />
    <p v-if="usable.length < pieces.length" class="faint">Only plain blocks fill: the rest is left out.</p>
    <ChoiceList v-model="pattern" label="How" :options="PATTERNS" />
    <ChoiceList v-if="pattern === 'stripes'" v-model="second" label="and" :options="[{ value: '', label: 'one colour' }, ...colours]" />
    <p role="status">{{ told }}</p>
    <div class="row">
      <ActionButton v-if="!isWorking" :primary="!filled" :disabled="size === 0 || usable.length === 0" @click="fill">Try it</ActionButton>
      <ActionButton v-else @click="filler.stop()">Stop</ActionButton>
      <ActionButton v-if="filled" primary @click="putIn">Put them in</ActionButton>
      <ActionButton @click="acts.openTool(null)">Close</ActionButton>
    </div>
  </section>
</template>

<style scoped src="./slip.css"></style>
<style scoped src="./tool.css"></style>
