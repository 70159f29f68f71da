<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import { useDebounceFn } from '@vueuse/core'
import { addNodes, addSection } from '@core/edits'
import { plainFault } from '@core/fault'
import { letterCells, type CellPicture, type Sign, type SignFace } from '@core/fill'
import { placedPart } from '@core/model'

import { faultText, say, sayCount, sayNumber } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import { colourChoices } from '../shared/choices'
import { useOpenModel } from '../stores/open-model'
import { FillClient } from '../workers/fill-client'
import { pictureCells } from './picture-cells'
import type { BenchActs } from './use-acts'
import type { BenchHand } from './use-hand'
import type { BenchSection } from './use-section'

/** Words or a small picture made of plates and tiles: a section of its own, lying or standing. */
const props = defineProps<{ section: BenchSection; hand: BenchHand; acts: BenchActs }>()

const open = useOpenModel()
const maker = new FillClient()
const text = ref('')
const height = ref(7)
const colour = ref('red')
const ground = ref('white')
const face = ref<SignFace>('tile')
const isFlush = ref(true)
const stands = ref<'lies' | 'stands'>('stands')
const problem = ref('')
const sign = shallowRef<Sign | null>(null)
const image = shallowRef<{ readonly name: string; readonly file: File } | null>(null)
const picker = ref<HTMLInputElement>()

const colours = computed(() => colourChoices(props.section.catalogue.value))
const FACES = [
  { value: 'tile', label: say('bench.tiles') },
  { value: 'plate', label: say('bench.plates') },
  { value: 'slope', label: say('bench.lowSlopes') },
]
const WAYS = [
  { value: 'stands', label: say('bench.standsFaceToTheFront') },
  { value: 'lies', label: say('bench.liesFaceUp') },
]

async function cells(): Promise<CellPicture | undefined> {
  if (image.value) return pictureCells(image.value.file, height.value)
  return text.value.trim() === '' ? undefined : letterCells(text.value, height.value)
}
let asked = 0
const make = useDebounceFn(async () => {
  const mine = ++asked
  try {
    const picture = await cells()
    const made =
      picture &&
      (await maker.sign(picture, { colour: colour.value, ground: ground.value, face: face.value, isFlush: isFlush.value, margin: 1 }))
    if (mine !== asked) return
    sign.value = made ?? null
    problem.value = ''
  } catch (thrown) {
    const fault = plainFault(thrown)
    if (mine !== asked || fault.code === 'stopped') return
    sign.value = null
    problem.value = faultText(fault)
  }
}, 250)
watch([text, height, colour, ground, face, isFlush, image], () => void make())
watch(sign, (made) => props.acts.showPreview((made?.parts ?? []).map((part) => placedPart(part, props.section.catalogue.value))))

const sizeWords = computed(() => {
  if (!sign.value) return ''
  const { width, height: high, depth } = sign.value.size
  const { slack } = sign.value
  const longer = slack > 0 ? say('bench.whereLowSlopesLieNose', { slack: sayNumber(slack, 2) }) : ''
  return say('bench.mmMmDeep', {
    pieces: sayCount('count.pieces', sign.value.parts.length),
    width: sayNumber(width, 0),
    high: sayNumber(high, 0),
    depth: sayNumber(depth, 1),
    longer,
  })
})
async function take(): Promise<void> {
  const made = sign.value
  if (!made) return
  const name = image.value?.name ?? say('bench.sign', { text: text.value.trim() })
  let id = ''
  const isDone = await open.edit(say('bench.makeASign'), (model) => {
    const next = addSection(model, name)
    ;({ id } = next)
    return addNodes(next.model, next.id, { parts: made.parts }).model
  })
  if (!isDone) return
  props.acts.openTool(null)
  props.hand.takeSection(id)
  if (stands.value === 'stands') props.hand.tip()
}
function choose(event: Event): void {
  const file = (event.target as HTMLInputElement).files?.[0]
  image.value = file ? { name: file.name.replace(/\.\w+$/, ''), file } : null
}
onUnmounted(() => {
  asked++
  maker.close()
  props.acts.showPreview([])
})
</script>

<template>
  <section class="slip" :aria-label="say('bench.letters')">
    <h2>{{ say('bench.letters') }}</h2>
    <label class="own"
      >{{ say('common.words') }} <input v-model="text" class="plain-field" maxlength="60" :disabled="image !== null" @keydown.stop
    /></label>
    <div class="row">
      <ActionButton @click="picker?.click()">{{ image ? image.name : say('bench.aSmallPictureInstead') }}</ActionButton>
      <ActionButton v-if="image" @click="image = null">{{ say('bench.wordsAgain') }}</ActionButton>
      <input
        ref="picker"
        class="sr-only"
        type="file"
        accept="image/png,image/jpeg,image/webp"
        tabindex="-1"
        :aria-label="say('bench.pictureForASign')"
        @change="choose"
      />
    </div>
    <label class="own"
      >{{ say('bench.studsHigh') }} <input v-model.number="height" class="plain-field" type="number" min="5" max="60" @keydown.stop
    /></label>
    <ChoiceList v-model="colour" :label="say('common.colour')" :options="colours" />
    <ChoiceList v-model="ground" :label="say('bench.ground')" :options="colours" />
    <ChoiceList v-model="face" :label="say('bench.madeOf')" :options="FACES" />
    <label class="own">{{ say('bench.groundCoveredToo') }} <input v-model="isFlush" class="tick" type="checkbox" /></label>
    <ChoiceList v-model="stands" :label="say('bench.it')" :options="WAYS" />
    <p role="status">{{ sizeWords }}</p>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <div class="row">
      <ActionButton primary :disabled="!sign" @click="take">{{ say('bench.makeItASectionAnd') }}</ActionButton>
      <ActionButton @click="acts.openTool(null)">{{ say('common.close') }}</ActionButton>
    </div>
  </section>
</template>

<style scoped src="./slip.css"></style>
<style scoped src="./tool.css"></style>
<style scoped>
.own .tick {
  width: 24px;
  height: 24px;
}
</style>
