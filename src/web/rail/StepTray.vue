<script setup lang="ts">
import { computed } from 'vue'
import { joinWords, type StepPage } from '@core/booklet'
import type { StepText } from '@core/edits'
import type { StepNote } from '@core/model'
import { plural } from '@core/words'
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
  ['note', 'Note for the builder', 'Say what a picture cannot'],
  ['caution', 'Caution', 'What could hurt here'],
]

const { carry, letGo } = useCarried()

const things = computed(
  () => props.page.callout.reduce((sum, piece) => sum + piece.count, 0) + props.page.joins.reduce((sum, join) => sum + join.count, 0),
)
const isLast = computed(() => props.page.number === props.page.of)
</script>

<template>
  <section class="step-tray" aria-label="Tray">
    <h2>
      <span class="label">{{ page.label }}</span> {{ page.name }}
    </h2>
    <p class="faint place">
      Step {{ page.number }} of {{ page.of }}<template v-if="isGiven">, laid by you</template
      ><template v-else>, laid by the planner</template><template v-if="page.locked">, <b>locked</b></template>
    </p>
    <p v-for="join in page.joins" :key="`${join.label} ${join.mirrored}`" class="join">
      {{ joinWords(join).whole }}
    </p>
    <TrayList
      lettered
      :pieces="page.callout"
      label="Pieces of this step"
      :draggable="canEdit && !page.locked"
      @carry="(event, piece) => carry(event, { kind: 'pieces', piece })"
      @let-go="letGo"
    >
      <template v-if="canEdit" #default="{ piece, title }">
        <button
          class="plain-button"
          :disabled="page.number === 1 || page.locked"
          :aria-label="`Move one ${title} to the step before`"
          title="To the step before"
          @click="edits.move(piece, -1)"
        >
          <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
            <path d="M17 10H5m5-5-5 5 5 5" fill="none" stroke="currentColor" stroke-width="2" />
          </svg>
        </button>
        <button
          class="plain-button"
          :disabled="page.locked"
          :aria-label="`Move one ${title} to the step after`"
          title="To the step after"
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
    <p v-if="page.rests.length > 0" class="faint">Some parts lie loose on the table until the next steps hold them.</p>
    <p v-if="page.photos.length > 0 && page.picture" class="faint">
      {{ plural(page.photos.length, 'photo') }} with it: see the <RouterLink :to="{ name: 'photos' }">photo log</RouterLink>.
    </p>
    <template v-if="canEdit">
      <div class="acts">
        <ActionButton :disabled="things < 2 || page.locked" shortcut="S" describe="Split this step" @click="edits.split"
          >Split</ActionButton
        >
        <ActionButton :disabled="isLast || page.locked" shortcut="M" describe="Merge with the next step" @click="edits.merge"
          >Merge with next</ActionButton
        >
        <ActionButton
          :disabled="page.number === 1 || page.locked"
          shortcut="<"
          describe="Move this step before the one before"
          @click="emit('earlier')"
          >Earlier</ActionButton
        >
        <ActionButton :disabled="isLast || page.locked" shortcut=">" describe="Move this step after the next one" @click="emit('later')"
          >Later</ActionButton
        >
        <ActionButton
          shortcut="L"
          :describe="page.locked ? 'Let edits and plans change this step again' : 'Keep this step as it is, whatever is changed or planned'"
          @click="edits.lock"
          >{{ page.locked ? 'Unlock' : 'Lock' }}</ActionButton
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
        :describe="hasLocks ? 'Keep the locked steps and plan all others again' : 'Forget these steps and plan this section again'"
        @click="edits.planAgain"
        >{{ hasLocks ? 'Plan around the locked steps' : 'Plan this section again' }}</ActionButton
      >
    </template>
    <StepSigns v-if="!canEdit" :signs="page.signs" />
    <p v-if="!canEdit" class="faint">
      This unit was made by the planner. Change a step of the section that joins it, and it becomes a section of its own.
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
