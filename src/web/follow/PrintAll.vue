<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { joinWords, memberWords, pageTitle, showsFinished, type Page } from '@core/booklet'
import DecalList from '../shared/DecalList.vue'
import FigureList from './FigureList.vue'
import InventoryLists from '../shared/InventoryLists.vue'
import PathSign from '../shared/PathSign.vue'
import StepSigns from '../shared/StepSigns.vue'
import PhotoPicture from '../shared/PhotoPicture.vue'
import PagePicture from '../shared/StepPicture.vue'
import TrayList from '../shared/TrayList.vue'
import TurnMark from '../shared/TurnMark.vue'
import { useWords } from '../shared/words-key'

/** All pages one below the other; handed to the printer once every picture is painted. */
const { pages } = defineProps<{ pages: readonly Page[] }>()
const emit = defineEmits<{ done: [] }>()

const words = useWords()
const { say } = words
const drawn = ref(0)
const picturesOn = (p: Page) => (p.kind === 'figures' ? p.figures.map(({ picture }) => picture) : 'picture' in p ? [p.picture] : [])
const toPrint = computed(() => pages.flatMap(picturesOn).filter((picture) => picture !== null).length)

watch(drawn, async () => {
  if (drawn.value < toPrint.value) return
  await nextTick()
  window.print()
  emit('done')
})
</script>

<template>
  <div class="print-all">
    <p class="screen-only" role="status">
      {{ say('follow.preparing', { n: drawn, of: toPrint }) }}
      <button class="plain-button framed" @click="emit('done')">{{ say('follow.stop') }}</button>
    </p>
    <section v-for="(p, i) in pages" :key="i" class="print-page">
      <h2>
        {{ pageTitle(p, words) }}<template v-if="p.kind === 'step' || p.kind === 'jump'">{{ ` ${p.name}` }}</template>
      </h2>
      <div v-if="'picture' in p && p.picture" class="print-picture">
        <PagePicture
          :picture="p.picture"
          :finished="showsFinished(p)"
          is-only-sharp
          :label="p.kind === 'step' || p.kind === 'jump' ? p.spoken : pageTitle(p, words)"
          @drawn="drawn++"
        />
      </div>
      <template v-if="p.kind === 'step' || p.kind === 'jump'">
        <p v-if="p.bag">
          <b>{{ p.bag }}.</b>
        </p>
        <p v-for="caution in p.cautions" :key="caution">△ {{ say('caution.take', { text: caution }) }}</p>
        <p v-if="p.turn"><TurnMark /> {{ p.turn }}.</p>
        <p v-if="p.seenFrom">{{ p.seenFrom }}.</p>
        <p v-for="remark in p.remarks" :key="remark">{{ remark }}</p>
        <p v-if="p.note">{{ p.note }}</p>
        <StepSigns :signs="p.signs" />
        <p v-if="p.ahead"><PathSign :path="p.aheadSign" /> {{ p.ahead }}.</p>
        <PhotoPicture v-for="(photo, k) in p.photos" :key="`photo ${k}`" :photo="photo" />
      </template>
      <template v-if="p.kind === 'tray' || p.kind === 'cover'">
        <p v-for="remark in p.remarks" :key="remark">{{ remark }}</p>
      </template>
      <p v-if="p.kind === 'member'">{{ memberWords(p, words) }}</p>
      <p v-for="join in p.kind === 'jump' ? p.joins : []" :key="join.name">
        {{ joinWords(join, words).whole }}
      </p>
      <TrayList v-if="p.kind === 'step' || p.kind === 'jump'" lettered :pieces="p.callout" :label="say('follow.pieces')" />
      <TrayList
        v-else-if="p.kind === 'tray' || p.kind === 'member' || p.kind === 'inventory'"
        :pieces="p.pieces"
        :label="say('follow.pieces')"
      />
      <FigureList v-else-if="p.kind === 'figures'" :figures="p.figures" @drawn="drawn++" />
      <DecalList v-else-if="p.kind === 'decals'" :decals="p.decals" />
      <InventoryLists v-if="p.kind === 'inventory'" :lists="p.lists" />
    </section>
  </div>
</template>

<style scoped src="./print.css"></style>
