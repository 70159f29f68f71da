<script setup lang="ts">
import { computed } from 'vue'
import { joinWords, type StepPage } from '@core/booklet'
import type { StepText } from '@core/edits'
import type { StepNote } from '@core/model'

import { say, sayCount, screenWords } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import TextArea from '../controls/TextArea.vue'
import PathSign from '../shared/PathSign.vue'
import StepSigns from '../shared/StepSigns.vue'
import TrayList from '../shared/TrayList.vue'
import TurnMark from '../shared/TurnMark.vue'
import { useCarried } from './carried'
import StepNotes from './StepNotes.vue'
import StepSides from './StepSides.vue'
import type { useRailEdits } from './use-rail-edits'

const props = defineProps<{
  page: StepPage
  isGiven: boolean
  canEdit: boolean
  hasLocks: boolean
  edits: ReturnType<typeof useRailEdits>
  /** Notes that would help here. */
  suggested: readonly StepNote[]
}>()
const emit = defineEmits<{ earlier: []; later: [] }>()

const TEXTS: readonly (readonly [StepText, string, string])[] = [
  ['note', say('common.noteForTheBuilder'), say('rail.sayWhatAPictureCannot')],
  ['caution', say('rail.caution'), say('rail.whatCouldHurtHere')],
]

const { carry, letGo } = useCarried()

const things = computed(
  () => props.page.callout.reduce((sum, piece) => sum + piece.count, 0) + props.page.joins.reduce((sum, join) => sum + join.count, 0),
)
const isLast = computed(() => props.page.number === props.page.of)
</script>

<template>
  <section class="step-tray" :aria-label="say('rail.tray')">
    <h2>
      <span class="label">{{ page.label }}</span> {{ page.name }}
    </h2>
    <p class="faint place">
      {{ say('rail.stepOf', { number: page.number, of: page.of }) }}<template v-if="isGiven">{{ say('rail.laidByYou') }}</template
      ><template v-else>{{ say('rail.laidByThePlanner') }}</template
      ><template v-if="page.locked"
        >, <b>{{ say('rail.locked2') }}</b></template
      >
    </p>
    <p v-for="join in page.joins" :key="`${join.label} ${join.mirrored}`" class="join">
      {{ joinWords(join, screenWords()).whole }}
    </p>
    <TrayList
      lettered
      :pieces="page.callout"
      :label="say('common.piecesOfThisStep')"
      :draggable="canEdit && !page.locked"
      @carry="(event, piece) => carry(event, { kind: 'pieces', piece })"
      @let-go="letGo"
    >
      <template v-if="canEdit" #default="{ piece, title }">
        <button
          class="plain-button"
          :disabled="page.number === 1 || page.locked"
          :aria-label="say('rail.moveOneToTheStep', { title })"
          :title="say('rail.toTheStepBefore')"
          @click="edits.move(piece, -1)"
        >
          <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
            <path d="M17 10H5m5-5-5 5 5 5" fill="none" stroke="currentColor" stroke-width="2" />
          </svg>
        </button>
        <button
          class="plain-button"
          :disabled="page.locked"
          :aria-label="say('rail.moveOneToTheStepAfter', { title })"
          :title="say('rail.toTheStepAfter')"
          @click="edits.move(piece, 1)"
        >
          <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
            <path d="M3 10h12m-5-5 5 5-5 5" fill="none" stroke="currentColor" stroke-width="2" />
          </svg>
        </button>
      </template>
    </TrayList>
    <p v-if="page.turn" class="turn"><TurnMark /> {{ page.turn }}.</p>
    <p v-if="page.seenFrom" class="faint">{{ page.seenFrom }}.</p>
    <p v-if="page.ahead" class="faint"><PathSign :path="page.aheadSign" /> {{ page.ahead }}.</p>
    <p v-for="remark in page.remarks" :key="remark">{{ remark }}</p>
    <p v-if="page.rests.length > 0" class="faint">{{ say('rail.somePartsLieLooseOn') }}</p>
    <p v-if="page.photos.length > 0 && page.picture" class="faint">
      {{ say('rail.withItSeeThe', { photos: sayCount('count.photos', page.photos.length) }) }}
      <RouterLink :to="{ name: 'photos' }">{{ say('rail.photoLog') }}</RouterLink>.
    </p>
    <template v-if="canEdit">
      <div class="acts">
        <ActionButton :disabled="things < 2 || page.locked" shortcut="S" :describe="say('rail.splitThisStep')" @click="edits.split">{{
          say('rail.split')
        }}</ActionButton>
        <ActionButton :disabled="isLast || page.locked" shortcut="M" :describe="say('rail.mergeWithTheNextStep')" @click="edits.merge">{{
          say('rail.mergeWithNext')
        }}</ActionButton>
        <ActionButton
          :disabled="page.number === 1 || page.locked"
          shortcut="<"
          :describe="say('rail.moveThisStepBeforeThe')"
          @click="emit('earlier')"
          >{{ say('common.earlier') }}</ActionButton
        >
        <ActionButton :disabled="isLast || page.locked" shortcut=">" :describe="say('rail.moveThisStepAfterThe')" @click="emit('later')">{{
          say('common.later')
        }}</ActionButton>
        <ActionButton
          shortcut="L"
          :describe="page.locked ? say('rail.letEditsAndPlansChange') : say('rail.keepThisStepAsIt')"
          @click="edits.lock"
          >{{ page.locked ? say('rail.unlock') : say('rail.lock') }}</ActionButton
        >
      </div>
      <TextArea
        v-for="[key, label, placeholder] in TEXTS"
        :key="key"
        :subject="`${page.section} ${page.number}`"
        :label="label"
        :value="page[key]"
        :placeholder="placeholder"
        :commit="(text) => edits.setText(page, key, text)"
      />
      <StepNotes :signs="page.signs" :is-locked="page.locked" :suggested="suggested" @add="edits.addNote" @remove="edits.removeNote" />
      <StepSides v-if="page.picture" :page="page" @view="edits.setView" @lay="edits.setTurn" />
      <ActionButton
        v-if="isGiven"
        :describe="hasLocks ? say('rail.keepTheLockedStepsAnd') : say('rail.forgetTheseStepsAndPlan')"
        @click="edits.planAgain"
        >{{ hasLocks ? say('rail.planAroundTheLockedSteps') : say('rail.planThisSectionAgain') }}</ActionButton
      >
    </template>
    <StepSigns v-if="!canEdit" :signs="page.signs" />
    <p v-if="!canEdit" class="faint">
      {{ say('rail.thisUnitWasMadeBy') }}
    </p>
  </section>
</template>

<style scoped>
.step-tray {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.label {
  font-size: 1.7rem;
  border-left: 5px solid var(--accent);
  padding-left: 10px;
  margin-right: 8px;
}
.place,
.join {
  margin: 0;
}
.join {
  font-weight: 700;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
