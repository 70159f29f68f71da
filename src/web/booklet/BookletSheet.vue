<script setup lang="ts">
import { computed } from 'vue'
import { pageTitle, type Page } from '@core/booklet'
import { plural } from '@core/words'
import { total } from '@core/count'
import DecalList from '../shared/DecalList.vue'
import InventoryLists from '../shared/InventoryLists.vue'
import PathSign from '../shared/PathSign.vue'
import StepSigns from '../shared/StepSigns.vue'
import PhotoPicture from '../shared/PhotoPicture.vue'
import StepPicture from '../shared/StepPicture.vue'
import TrayList from '../shared/TrayList.vue'
import TurnMark from '../shared/TurnMark.vue'

const props = defineProps<{ page: Page; number: number }>()
const step = computed(() => (props.page.kind === 'step' || props.page.kind === 'jump' ? props.page : null))
/** A long list of pieces runs over the whole width, in columns. */
const isLong = computed(() => 'pieces' in props.page && props.page.pieces.length > 9)
const title = computed(() => pageTitle(props.page))
</script>

<template>
  <article class="sheet" :class="{ wide: isLong }" :aria-label="`Sheet ${number}, ${title}`">
    <h2>{{ title }}</h2>
    <template v-if="page.kind === 'cover'">
      <p v-if="page.designer" class="faint">Designed by {{ page.designer }}</p>
      <StepPicture :picture="page.picture" finished :label="`${page.name}, finished`" :width="640" :height="480" />
      <p>
        {{ plural(page.facts.parts, 'part') }}, {{ plural(page.facts.pieces, 'different piece') }},
        {{ plural(page.facts.colours, 'colour') }}, {{ plural(page.facts.steps, 'step') }}, {{ plural(page.facts.sections, 'section') }}
      </p>
      <PhotoPicture v-for="(photo, i) in page.photos" :key="`photo ${i}`" :photo="photo" />
      <p v-if="page.notes" class="notes">{{ page.notes }}</p>
      <p v-for="caution in page.cautions" :key="caution" class="faint">△ {{ caution }}</p>
      <p v-for="line in page.remarks" :key="line">{{ line }}</p>
    </template>
    <template v-else-if="page.kind === 'tray'">
      <p class="faint">
        {{ total(page.pieces) }} pieces, {{ page.steps }} steps<template v-if="page.times > 1">, built {{ page.times }} times</template
        ><template v-if="page.mirrored > 0">, {{ page.mirrored }} as its mirror image</template>
      </p>
      <p v-if="page.bag">
        <b>{{ page.bag }}.</b>
      </p>
      <TrayList :pieces="page.pieces" :label="`Pieces of section ${page.letter}`" />
      <p v-for="line in page.remarks" :key="line">{{ line }}</p>
    </template>
    <template v-else-if="step">
      <p class="faint">{{ step.name }}, step {{ step.number }} of {{ step.of }}</p>
      <p v-if="step.bag">
        <b>{{ step.bag }}.</b>
      </p>
      <StepPicture
        v-if="step.picture || step.photos.length === 0"
        :picture="step.picture"
        :label="step.spoken"
        :width="640"
        :height="480"
      />
      <PhotoPicture v-for="(photo, i) in step.photos" :key="`photo ${i}`" :photo="photo" />
      <p v-if="step.turn" class="turn"><TurnMark /> {{ step.turn }}.</p>
      <p v-if="step.seenFrom" class="faint">{{ step.seenFrom }}.</p>
      <p v-for="remark in step.remarks" :key="remark">{{ remark }}</p>
      <p v-for="join in step.joins" :key="`${join.label} ${join.mirrored}`">
        <b
          >Join {{ join.count > 1 ? `${join.count} of ` : '' }}section {{ join.label }}, {{ join.name
          }}{{ join.mirrored ? ', mirrored' : '' }}</b
        >
      </p>
      <TrayList lettered :pieces="step.callout" :label="`Pieces of step ${step.label}`" />
      <p v-for="caution in step.cautions" :key="caution">△ Take care: {{ caution }}</p>
      <p v-if="step.note">{{ step.note }}</p>
      <StepSigns :signs="step.signs" />
      <p v-if="step.ahead" class="faint"><PathSign :path="step.aheadSign" /> {{ step.ahead }}.</p>
    </template>
    <template v-else-if="page.kind === 'inventory'">
      <p class="faint">{{ page.parts }} parts, {{ page.pieces.length }} different pieces</p>
      <TrayList :pieces="page.pieces" label="All pieces" />
      <InventoryLists :lists="page.lists" />
    </template>
    <DecalList v-else-if="page.kind === 'decals'" :decals="page.decals" />
    <p class="number faint">{{ number }}</p>
  </article>
</template>

<style scoped>
.sheet {
  background: #fff;
  padding: 20px 22px;
  min-height: 500px;
  min-width: 0;
}
.sheet > * + * {
  margin-top: 8px !important;
}
.sheet.wide {
  grid-column: 1 / -1;
  min-height: 0;
}
.sheet.wide :deep(.tray) {
  columns: 290px;
  column-gap: 34px;
}
/* The canvas itself gives the height, so that the sheet grows with it. */
.sheet :deep(.step-picture) {
  aspect-ratio: auto !important;
  display: block;
  flex: none;
}
.sheet :deep(canvas) {
  height: auto;
}
.sheet p {
  margin: 0;
}
.notes {
  white-space: pre-line;
}
.number {
  text-align: center;
}
</style>
