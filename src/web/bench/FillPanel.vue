<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import { addNodes } from '@core/edits'
import { plainFault } from '@core/fault'
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

import { faultText, say, sayCount } from '../language'
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
  { value: 'top', label: say('bench.onTopOfIt') },
  { value: 'inside', label: say('bench.insideItsOutline') },
]
const FAMILIES = [
  { value: 'plate', label: say('bench.plates') },
  { value: 'tile', label: say('bench.tiles') },
  { value: 'brick', label: say('bench.bricks') },
]
const PATTERN_WORDS: Readonly<Record<FillPattern, string>> = {
  fewest: say('bench.asFewPiecesAsCan'),
  grid: say('bench.inAGrid'),
  bond: say('bench.inCoursesSetOffBy'),
  stripes: say('bench.inBandsOfTwoColours'),
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
    const result = await filler.fill(
      order,
      (count, bound) => (told.value = say('bench.soFarAtLeast', { pieces: sayCount('count.pieces', count), bound })),
    )
    filled.value = { area: now, result, pieces: used }
    const proof = result.isProven ? say('bench.fewerIsNotPossible') : say('bench.atLeastNotProvenTo', { bound: result.bound })
    told.value = `${sayCount('count.pieces', result.places.length)}${pattern.value === 'fewest' ? `: ${proof}` : ''}.${result.left > 0 ? say('bench.stayBare', { studs: sayCount('count.studs', result.left) }) : ''}`
  } catch (thrown) {
    const fault = plainFault(thrown)
    if (fault.code !== 'stopped') told.value = faultText(fault)
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
  if (
    await open.edit(
      say('bench.fillWith', { pieces: sayCount('count.pieces', all.length) }),
      (model) => addNodes(model, section, { parts: all }).model,
    )
  )
    props.acts.openTool(null)
}
onUnmounted(() => {
  filler.close()
  props.acts.showPreview([])
})
</script>

<template>
  <section class="slip" :aria-label="say('bench.fill')">
    <h2>{{ say('bench.fill') }}</h2>
    <p v-if="selection.chosen.value.size === 0">{{ say('bench.chooseWhatItGoesOn') }}</p>
    <p v-else role="status">
      {{ size > 0 ? say('bench.toFill', { studs: sayCount('count.studs', size) }) : say('bench.nothingIsFreeThere') }}
    </p>
    <ChoiceList v-model="where" :label="say('common.where')" :options="WHERE" />
    <ChoiceList v-model="family" :label="say('common.with')" :options="FAMILIES" />
    <ChoiceList v-model="colour" :label="say('common.colour')" :options="colours" />
    <label class="own"
      >{{ say('bench.onlyThese') }}
      <input v-model="line" class="plain-field" maxlength="200" :placeholder="say('bench.plate2x4Plate1x2')" @keydown.stop
    /></label>
    <LineReading v-if="read" :read />
    <p v-if="usable.length < pieces.length" class="faint">{{ say('bench.onlyPlainBlocksFillThe') }}</p>
    <ChoiceList v-model="pattern" :label="say('bench.how')" :options="PATTERNS" />
    <ChoiceList
      v-if="pattern === 'stripes'"
      v-model="second"
      :label="say('bench.and')"
      :options="[{ value: '', label: say('bench.oneColour') }, ...colours]"
    />
    <p role="status">{{ told }}</p>
    <div class="row">
      <ActionButton v-if="!isWorking" :primary="!filled" :disabled="size === 0 || usable.length === 0" @click="fill">{{
        say('bench.tryIt')
      }}</ActionButton>
      <ActionButton v-else @click="filler.stop()">{{ say('common.stop') }}</ActionButton>
      <ActionButton v-if="filled" primary @click="putIn">{{ say('bench.putThemIn') }}</ActionButton>
      <ActionButton @click="acts.openTool(null)">{{ say('common.close') }}</ActionButton>
    </div>
  </section>
</template>

<style scoped src="./slip.css"></style>
<style scoped src="./tool.css"></style>
