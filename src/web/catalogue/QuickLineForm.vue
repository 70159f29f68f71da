<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { total } from '@core/count'
import { readQuickLine } from '@core/names'
import { withLooseParts } from '@core/model'
import { say, sayCount } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import { sectionChoices } from '../shared/choices'
import { notify } from '../shared/notices'
import LineReading from '../shared/LineReading.vue'
import TrayList from '../shared/TrayList.vue'
import { useOpenModel } from '../stores/open-model'

/** Pieces typed in one line; they become loose parts of a section: counted, without a place. */
const open = useOpenModel()
const line = ref('')
const section = ref('')
const problem = ref('')
const sections = computed(() => sectionChoices(open.model))
watch(
  sections,
  (all) => {
    if (!all.some(({ value }) => value === section.value)) section.value = open.model?.root ?? all[0]?.value ?? ''
  },
  { immediate: true },
)
const read = computed(() => (open.source ? readQuickLine(line.value, open.source.catalogue) : { pieces: [], unclear: [], told: [] }))

async function add(): Promise<void> {
  const { pieces } = read.value
  const count = total(pieces)
  const into = section.value
  problem.value = await open.tryEdit(say('catalogue.add', { loosePieces: sayCount('count.loosePieces', count) }), (model) =>
    withLooseParts(model, into, pieces),
  )
  if (problem.value !== '') return
  notify(say('catalogue.added', { loosePieces: sayCount('count.loosePieces', count) }), {
    act: { label: say('common.undo'), run: () => void open.undo() },
  })
  line.value = ''
}
</script>

<template>
  <form class="quick" :aria-label="say('catalogue.quickLine')" @submit.prevent="add" @keydown.stop>
    <label class="line"
      >{{ say('catalogue.quickLine') }}
      <input v-model="line" type="text" :placeholder="say('catalogue.plate1x2SandBlackTile')" autocomplete="off" spellcheck="false"
    /></label>
    <ChoiceList v-model="section" :label="say('catalogue.asLoosePiecesOf')" :options="sections" />
    <ActionButton submit :disabled="read.pieces.length === 0">{{ say('common.add') }}</ActionButton>
    <div v-if="line.trim() !== ''" class="read" role="status">
      <TrayList v-if="read.pieces.length > 0" :pieces="read.pieces" :label="say('common.whatWasUnderstood')" />
      <LineReading :read />
    </div>
    <p v-if="problem" role="alert">{{ problem }}</p>
  </form>
</template>

<style scoped>
.quick {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
.line {
  display: flex;
  gap: 10px;
  align-items: center;
  flex: 1;
  min-width: 320px;
}
input {
  font: inherit;
  flex: 1;
  min-height: 44px;
  border: 1px solid #6d7176;
  border-radius: 3px;
  padding: 0 8px;
  background: var(--sheet);
  color: inherit;
}
.read {
  flex-basis: 100%;
}
.read > :deep(*) {
  max-width: 720px;
}
</style>
